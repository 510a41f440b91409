/** A plan of passes seen from above, north up, to scale: the field, its rounds, its passes, and where it is filled again. Pixels, y down. */
import type { OnPlane } from "../geodesy/plane.ts";
import type { Fills } from "../guidance/fills.ts";
import type { Plan } from "../guidance/plan.ts";
import { tighterThan } from "../guidance/way.ts";
import type { PlaneRing } from "../place/plane-field.ts";
import type { Units } from "../quantity/units.ts";
import { type ScaleBar, scaleBar } from "./field-map.ts";

export type PassesDrawn = {
  width: number;
  height: number;
  outline: string;
  rounds: string[];
  /** `narrow`: less than half a pass of field under it */
  runs: { path: string; pass: number; narrow: boolean }[];
  /** where a pass bends tighter than the machine turns */
  tight: string[];
  /** pixels wide, so that passes close together are still told apart */
  stroke: number;
  /** the way from A to B of the line it was laid by; null of one that bends */
  arrow: { x: number; y: number; degrees: number } | null;
  fills: { x: number; y: number; number: number }[];
  bar: ScaleBar;
};

const MARGIN = 22;

type Scale = { x: (point: OnPlane) => number; y: (point: OnPlane) => number; metres: number };

function scaleOf(rings: readonly PlaneRing[], width: number, height: number): Scale {
  const points = rings.flat();
  const ends = (of: (point: OnPlane) => number) => {
    const all = points.map(of);
    return [all.reduce((a, b) => Math.min(a, b)), all.reduce((a, b) => Math.max(a, b))] as const;
  };
  const [west, east] = ends((point) => point.east);
  const [south, north] = ends((point) => point.north);
  const metres = Math.max(
    (east - west) / (width - 2 * MARGIN),
    (north - south) / (height - 2 * MARGIN),
    1e-3,
  );
  return {
    metres,
    x: (point) => width / 2 + (point.east - (west + east) / 2) / metres,
    y: (point) => height / 2 - (point.north - (south + north) / 2) / metres,
  };
}

const open = (way: PlaneRing, { x, y }: Scale) =>
  way.map((point, at) => `${at === 0 ? "M" : "L"} ${x(point).toFixed(1)} ${y(point).toFixed(1)}`).join(" ");
const closed = (ring: PlaneRing, scale: Scale) => `${open(ring, scale)} Z`;

/** Draws a plan on a sheet of this size, with where it is filled again; `radius`: the least the machine turns with. */
export function drawPasses(
  rings: readonly PlaneRing[],
  plan: Plan,
  fills: Fills | null,
  { width, height }: { width: number; height: number },
  units: Units,
  radius: number | null = null,
): PassesDrawn {
  const scale = scaleOf(rings, width, height);
  const at = (point: OnPlane) => ({ x: scale.x(point), y: scale.y(point) });
  return {
    width,
    height,
    outline: rings.map((ring) => closed(ring, scale)).join(" "),
    rounds: plan.headland.map(({ path }) => closed(path, scale)),
    tight: plan.runs
      .filter(({ tightest }) => radius !== null && tightest < radius)
      .flatMap(({ way }) => tighterThan(way, radius!))
      .map((stretch) => open(stretch.length > 1 ? stretch : [stretch[0]!, stretch[0]!], scale)),
    runs: plan.runs.map(({ way, pass, area, length }) => ({
      path: open(way, scale),
      pass,
      narrow: (pass === 1 || pass === plan.passes) && area < (length * plan.spacing) / 2,
    })),
    stroke: Math.min(1.3, Math.max(0.4, (0.4 * plan.spacing) / scale.metres)),
    arrow: plan.heading === null ? null : { x: width - 30, y: 34, degrees: (plan.heading * 180) / Math.PI },
    fills: (fills?.fills ?? []).map(({ before, at: end }, number) => {
      const run = plan.runs[before]!;
      return { ...at(end === "start" ? run.from : run.to), number: number + 1 };
    }),
    bar: scaleBar({ metres: scale.metres }, units),
  };
}
