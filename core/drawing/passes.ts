/** A plan of passes seen from above, north up, to scale: the field, its rounds, its passes, and where it is filled again. Pixels, y down. */
import type { OnPlane } from "../geodesy/plane.ts";
import type { Fills } from "../guidance/fills.ts";
import type { Plan } from "../guidance/plan.ts";
import type { PlaneRing } from "../guidance/plane-field.ts";
import type { Units } from "../quantity/units.ts";
import { type ScaleBar, scaleBar } from "./field-map.ts";

export type PassesDrawn = {
  width: number;
  height: number;
  outline: string;
  rounds: string[];
  /** `narrow`: less than half a pass of field under it */
  runs: { x1: number; y1: number; x2: number; y2: number; pass: number; narrow: boolean }[];
  /** pixels wide, so that passes close together are still told apart */
  stroke: number;
  /** the way from A to B of the line it was laid by, through its middle */
  arrow: { x: number; y: number; degrees: number };
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

const way = (ring: PlaneRing, { x, y }: Scale) =>
  `${ring.map((point, at) => `${at === 0 ? "M" : "L"} ${x(point).toFixed(1)} ${y(point).toFixed(1)}`).join(" ")} Z`;

/** Draws a plan on a sheet of this size, with where it is filled again. */
export function drawPasses(
  rings: readonly PlaneRing[],
  plan: Plan,
  fills: Fills | null,
  { width, height }: { width: number; height: number },
  units: Units,
): PassesDrawn {
  const scale = scaleOf(rings, width, height);
  const at = (point: OnPlane) => ({ x: scale.x(point), y: scale.y(point) });
  return {
    width,
    height,
    outline: rings.map((ring) => way(ring, scale)).join(" "),
    rounds: plan.headland.map(({ path }) => way(path, scale)),
    runs: plan.runs.map(({ from, to, pass, area, length }) => ({
      x1: scale.x(from),
      y1: scale.y(from),
      x2: scale.x(to),
      y2: scale.y(to),
      pass,
      narrow: (pass === 1 || pass === plan.passes) && area < (length * plan.spacing) / 2,
    })),
    stroke: Math.min(1.3, Math.max(0.4, (0.4 * plan.spacing) / scale.metres)),
    arrow: { x: width - 30, y: 34, degrees: (plan.heading * 180) / Math.PI },
    fills: (fills?.fills ?? []).map(({ before, at: end }, number) => {
      const run = plan.runs[before]!;
      return { ...at(end === "start" ? run.from : run.to), number: number + 1 };
    }),
    bar: scaleBar({ metres: scale.metres, x: () => 0, y: () => 0 }, units),
  };
}
