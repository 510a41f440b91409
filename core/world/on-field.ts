/** One field driven by one rig as the terminal has it and as it is: what is laid, how it is driven, on what box. */
import type { Box, Spot } from "../coverage/raster.ts";
import { type Laid, layPasses, type Plan } from "../guidance/plan.ts";
import type { PlaneField } from "../place/plane-field.ts";
import { STEP, type ToDrive } from "./drive.ts";
import type { Both } from "./record.ts";
import { drawbars, type WorldRig, widthOf } from "./rig.ts";
import { routeOf } from "./route.ts";
import { type Controller, STEERS_WELL } from "./steer.ts";
import type { OverlapRule } from "./switching.ts";

export type OnField = {
  field: PlaneField;
  laid: Laid;
  rigs: Both<WorldRig>;
  rule: OverlapRule;
  speed: { work: number; turn: number };
  wander: number;
  seed: number;
  controller?: Controller;
};

/** Outlines as they are measured by: x east, y north. */
export const spotsOf = ({ rings }: Pick<PlaneField, "rings">): Spot[][] =>
  rings.map((ring) => ring.map(({ east, north }) => ({ x: east, y: north })));

/** A box about all of it, with room for what is worked beside. */
export function boxAbout(rings: readonly (readonly Spot[])[], margin: number): Box {
  const all = rings.flat();
  const end = (of: (spot: Spot) => number, way: 1 | -1) =>
    all.reduce((most, spot) => Math.max(most, way * of(spot)), Number.NEGATIVE_INFINITY) * way;
  return {
    left: end(({ x }) => x, -1) - margin,
    right: end(({ x }) => x, 1) + margin,
    bottom: end(({ y }) => y, -1) - margin,
    top: end(({ y }) => y, 1) + margin,
  };
}

/** What is to be driven. @throws RangeError where no passes can be laid */
export function toDrive({ field, laid, rigs, ...how }: OnField): ToDrive & { plan: Plan } {
  const plan = layPasses(field, laid);
  const spots = spotsOf(field);
  const margin = widthOf(rigs.believed) / 2 + drawbars(rigs.believed) + 6;
  return {
    plan,
    rigs,
    route: routeOf(plan, rigs.believed),
    controller: how.controller ?? STEERS_WELL,
    field: spots,
    box: boxAbout(spots, margin),
    rule: how.rule,
    speed: how.speed,
    wander: how.wander,
    seed: how.seed,
    step: STEP,
  };
}

/** Cells ground is measured in: 5 cm. */
export const CELL = 0.05;
