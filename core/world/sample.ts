/** A drawn tool of six sections on a field askew: for tests and the bench. */
import type { Spot } from "../coverage/raster.ts";
import { layPasses } from "../guidance/plan.ts";
import { STEP, type ToDrive } from "./drive.ts";
import { boxAbout } from "./on-field.ts";
import type { Both } from "./record.ts";
import { type WorldRig, widthOf } from "./rig.ts";
import { routeOf } from "./route.ts";
import { STEERS_WELL } from "./steer.ts";

export const sampleRig = (over: Partial<WorldRig> = {}): WorldRig => ({
  steering: { kind: "front wheels", wheelbase: 2.8 },
  radius: 6.5,
  train: [{ behind: 0, hitch: 1.1, pivot: 4.2 }],
  strays: { machine: 0, drawn: [0], steered: [0] },
  antenna: { frame: "rear", ahead: 1.7, right: 0.05 },
  work: { body: 1, ahead: -0.6, right: 0.1, sections: [1, 1, 1, 1, 1, 1] },
  delays: { on: 0.6, off: 0.4 },
  dose: 1,
  ...over,
});

/** A field with a side askew: north and east, metres. */
export const SAMPLE_FIELD: Spot[][] = [
  [
    { x: 0, y: 0 },
    { x: 120, y: 10 },
    { x: 130, y: 150 },
    { x: -10, y: 160 },
  ],
];

export function sampleDrive(
  rigs: Both<WorldRig>,
  {
    field = SAMPLE_FIELD,
    rounds = 1,
    heading = 0,
    ...over
  }: Partial<ToDrive> & { rounds?: number; heading?: number } = {},
): ToDrive {
  const rings = field.map((ring) => ring.map(({ x, y }) => ({ east: x, north: y })));
  const plan = layPasses(
    { origin: { latitude: 0, longitude: 0 }, rings },
    { spacing: widthOf(rigs.believed), rounds, heading, start: { kind: "left" } },
  );
  return {
    rigs,
    route: routeOf(plan, rigs.believed),
    controller: STEERS_WELL,
    field,
    box: boxAbout(field, 12),
    rule: "whole",
    speed: { work: 2.5, turn: 1.6 },
    wander: 0,
    seed: 1,
    step: STEP,
    ...over,
  };
}
