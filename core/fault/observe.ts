/** What a measurement finds on a hidden rig: joints and marks off a field that is driven, the rest as it stands, each with its scatter. */
import { chance } from "../simulation/random.ts";
import { drive } from "../world/drive.ts";
import { jointFigures, jointsOf } from "../world/joints.ts";
import { toDrive } from "../world/on-field.ts";
import type { Driven } from "../world/record.ts";
import { type WorldRig, workAt } from "../world/rig.ts";
import { type Hidden, setupOf } from "./hidden.ts";
import { type Measurement, measurementOf } from "./measurements.ts";
import type { Setup } from "./setup.ts";

/** Joints and marks as they really lie, metres. */
export type Ground = {
  joints: { up: number; down: number };
  /** past the line, at speed and at half of it */
  past: Record<"on" | "off", { whole: number; half: number }>;
};

/** Where an antenna stands ahead of the rear axle, and the hitch behind it. */
const ANTENNA = 1.8;
const HITCH = 1.1;
const LONG = 70;

/** A rig of the world with what is told, or what is so. */
function rigOf(setup: Setup, of: "is" | "told", drawn: boolean): WorldRig {
  const along = ANTENNA + setup.length[of];
  return {
    steering: { kind: "front wheels", wheelbase: 2.8 },
    radius: 6,
    train: drawn ? [{ behind: 0, hitch: HITCH, pivot: -along - HITCH }] : [],
    strays: { machine: 0, drawn: drawn ? [0] : [], steered: drawn ? [0] : [] },
    antenna: { frame: "rear", ahead: ANTENNA, right: setup.antenna[of] },
    work: {
      body: drawn ? 1 : 0,
      ahead: drawn ? 0 : along,
      right: setup.tool[of],
      sections: [setup.width[of]],
    },
    delays: { on: setup.on[of], off: setup.off[of] },
    dose: 1,
  };
}

/** A drawbar shorter than that is none: then the rig is driven as if it carried its tool. */
const SHORTEST = 1;

function drivenAt(setup: Setup, speed: number): Driven {
  const drawn = (["is", "told"] as const).every((of) => -(ANTENNA + setup.length[of]) - HITCH > SHORTEST);
  const across = 6 * setup.spacing;
  const rings = [
    [
      { east: 0, north: 0 },
      { east: across, north: 0 },
      { east: across, north: LONG },
      { east: 0, north: LONG },
    ],
  ];
  return drive(
    toDrive({
      field: { origin: { latitude: 0, longitude: 0 }, rings },
      laid: { spacing: setup.spacing, rounds: 0, heading: 0, start: { kind: "left" } },
      rigs: { truth: rigOf(setup, "is", drawn), believed: rigOf(setup, "told", drawn) },
      // A section that laps is shut late; here the marks at the ends are looked at, with nothing worked before.
      rule: "whole",
      speed: { work: speed, turn: 1.5 },
      wander: 0,
      seed: 1,
    }),
  );
}

/** An end of a pass lies so near its line. */
const NEAR = 12;

/** Where work begins and ends past the field's edge, in the way of travel: the mean of all passes but the first. */
function marks({ rows, rigs }: Driven): Record<"on" | "off", number> {
  const past: Record<"on" | "off", number[]> = { on: [], off: [] };
  for (const [at, row] of rows.entries()) {
    const before = rows[at - 1];
    if (!before || before.open.truth[0] === row.open.truth[0]) continue;
    const edge = row.open.truth[0] ? "on" : "off";
    const { y, heading } = workAt(rigs.truth, row.truth);
    const up = Math.cos(heading) > 0;
    const line = up === (edge === "on") ? 0 : LONG;
    const off = up ? y - line : line - y;
    // A section that is shut for a moment over lapped ground is no end of a pass.
    if (Math.abs(off) < NEAR) past[edge].push(off);
  }
  const mean = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0) / Math.max(1, all.length);
  return { on: mean(past.on), off: mean(past.off) };
}

/** The field driven twice, at speed and at half of it. */
export function groundOf(hidden: Hidden): Ground {
  const setup = setupOf(hidden);
  const [whole, half] = [1, 0.5].map((share) => drivenAt(setup, share * hidden.card.speed));
  const joints = jointFigures(jointsOf(whole!, "truth", 0))!;
  const [at, slow] = [marks(whole!), marks(half!)];
  return {
    joints: joints.after,
    past: { on: { whole: at.on, half: slow.on }, off: { whole: at.off, half: slow.off } },
  };
}

/** What of a measurement is found on the ground; null where it is not read there. */
function onGround(key: string, { joints, past }: Ground): readonly number[] | null {
  if (key === "joints") return [joints.up, joints.down];
  const [edge, share] = key.split(" ");
  return edge === "on" || edge === "off" ? [past[edge][share === "0.5" ? "half" : "whole"]] : null;
}

/** Parts of a metre, or of the whole, an eye tells. */
const BY_EYE = 20;

/** What is read: as it really is, with the measurement's scatter. `time`: how often it was taken before, so that each errs otherwise. */
export function observe(hidden: Hidden, ground: Ground, key: string, time = 0): number[] {
  const measurement = measurementOf(key) as Measurement;
  const setup = setupOf(hidden);
  const stood = measurement.expects(setup, hidden.card);
  const own = onGround(key, ground);
  const figures =
    own ??
    (key === "seat"
      ? [ground.joints.up, ground.joints.down, ground.past.on.whole, ground.past.off.whole, stood[4]!]
      : stood);
  const name = [...key].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 99_991, 7);
  const random = chance(hidden.seed * 131 + name + 7919 * time);
  return figures.map((figure, at) => {
    const { in: unit } = measurement.reads[at]!;
    // One looks and sees it or not; a screen shows what it shows.
    if (unit === "yes" || measurement.shown) return Math.round(figure * 1000) / 1000;
    const read = figure + random.normal(measurement.sigma[at]!);
    const to = key === "seat" ? BY_EYE : 1000;
    return Math.round(read * to) / to;
  });
}
