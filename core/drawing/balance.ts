/** A rig from the side with what stands on it: loads down, axles up, each arrow as long as its load. */

import { say } from "../quantity/say.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { RigState } from "../subjects/balance/states.ts";
import type { DrawnRig, Sheet } from "./sheet.ts";
import { drawSide } from "./side.ts";

export type LoadsShown = {
  state: RigState;
  /** x of the steered axle and of the other one, metres; of end rollers on tracks */
  axle: number;
  base: number;
  /** the axle whose load is wrong, if one is */
  stop: "front" | "rear" | null;
  weights: readonly { what: string; mass: number; x: number }[];
  /** the tools' own wheels: x and what stands on them */
  wheels: readonly { mass: number; x: number }[];
};

/** Longest arrow, pixels. */
const LONGEST = 120;

/** The rig from the side with what stands on each axle as arrows, pixels; without loads the rig alone. */
export function drawBalance(rig: ResolvedRig, shown: LoadsShown | null, sheet: Sheet): DrawnRig {
  const { height } = sheet;
  const small = height < 400;
  const above = small ? 54 : 190;
  const below = small ? 66 : 190;
  const plan = drawSide(rig, { ...sheet, labels: "none", height: height - above - below });
  const lowered = shiftDown(plan, above, height);
  if (!shown) return { ...lowered, marks: [] };
  const at = (key: "axle" | "frontAxle") => lowered.points.find((point) => point.key === key)!;
  const ground = lowered.blocks.find(({ role }) => role === "ground")!.y;
  const toX = (x: number) => at("axle").x + x * lowered.scale;
  const { state } = shown;
  const loads = [
    ...state.loads.filter(({ what, mass }) => mass !== 0 && !what.includes("unladen")),
    ...shown.weights,
  ];
  const most = Math.max(
    ...[state.front, state.rear, ...shown.wheels.map(({ mass }) => mass)].map(Math.abs),
    ...loads.map(({ mass }) => Math.abs(mass)),
    1,
  );
  const longest = small ? 30 : LONGEST;
  const length = (mass: number) => Math.max(10, (Math.abs(mass) / most) * longest);
  const axles = [
    {
      x: toX(shown.axle),
      mass: state.front,
      tone: shown.stop === "front" ? ("stop" as const) : ("good" as const),
    },
    {
      x: toX(shown.base),
      mass: state.rear,
      tone: shown.stop === "rear" ? ("stop" as const) : ("good" as const),
    },
    ...shown.wheels.map(({ x, mass }) => ({ x: toX(x), mass, tone: "good" as const })),
  ];
  const arrows: NonNullable<DrawnRig["arrows"]> = [
    ...axles.map(({ x, mass, tone }) => ({
      x,
      from: ground + 10 + length(mass),
      to: ground + 10,
      text: say("mass", mass, sheet.units),
      tone,
    })),
    ...spread(
      loads.map(({ mass, x }) => ({ x: toX(x), mass })),
      sheet.width,
    ).map(({ x, mass }, index) => {
      const head = above + (small ? 4 : 30) + (index % 2) * (small ? 0 : 26);
      return {
        x,
        from: head - length(mass),
        to: head,
        text: say("mass", mass, sheet.units),
        tone: "plain" as const,
      };
    }),
  ];
  return { ...lowered, marks: [], arrows };
}

/** Loads that hang at one place are told side by side, and none off the sheet. */
function spread(loads: readonly { x: number; mass: number }[], width: number): { x: number; mass: number }[] {
  const sorted = [...loads].sort((a, b) => a.x - b.x);
  let last = Number.NEGATIVE_INFINITY;
  return sorted.map(({ x, mass }) => {
    const at = Math.min(Math.max(x, last + 74, 40), width - 40);
    last = at;
    return { x: at, mass };
  });
}

function shiftDown(plan: DrawnRig, by: number, height: number): DrawnRig {
  return {
    ...plan,
    height,
    grid: { x: [], y: [] },
    blocks: plan.blocks.map((block) => ({ ...block, y: block.y + by })),
    strokes: plan.strokes.map((stroke) => ({
      ...stroke,
      points: stroke.points
        .split(" ")
        .map((pair) => {
          const [x, y] = pair.split(",").map(Number);
          return `${x},${y! + by}`;
        })
        .join(" "),
    })),
    points: plan.points.map((point) => ({ ...point, y: point.y + by })),
    scaleBar: { ...plan.scaleBar, y: plan.scaleBar.y + by },
  };
}
