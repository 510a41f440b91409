/** What came of a drive: hectares that are worked, left, lapped and beside the field, beside those the terminal recorded; product; joints. SI. */
import { measured } from "../coverage/measure.ts";
import type { Box, Spot } from "../coverage/raster.ts";
import { type Both, type Driven, piecesOf, WORLDS, type World } from "./record.ts";
import { widthOf } from "./rig.ts";

/** Of one of both worlds, m². */
export type Worked = {
  once: number;
  twice: number;
  inside: number;
  outside: number;
  /** of the field, worked by nobody */
  left: number;
  /** width times way, what laps counted each time: what a counter shows, and what product falls on */
  counted: number;
};

export type Outcome = Both<Worked> & {
  /** of the field, m² */
  field: number;
  /** product for each m² that is passed over ÷ what is ordered for it */
  dose: number;
  /** metres and seconds driven */
  way: number;
  seconds: number;
};

/** m² of a ring, positive where it runs anticlockwise. */
export const areaOf = (ring: readonly Spot[]): number =>
  ring.reduce((sum, a, at) => {
    const b = ring[(at + 1) % ring.length]!;
    return sum + (a.x * b.y - b.x * a.y) / 2;
  }, 0);

/** What falls on a square metre for what is ordered: a constant that is off, a width that is not so wide. */
export function doseOf({ truth, believed }: Driven["rigs"]): number {
  return (truth.dose / believed.dose) * (widthOf(believed) / widthOf(truth));
}

export type Measured = { field: readonly (readonly Spot[])[]; box: Box; cell: number };

/** Measures both, band by band; whoever asks may stop between. */
export function* outcomes(
  driven: Driven,
  { field, box, cell }: Measured,
): Generator<{ done: number; all: number }, Outcome> {
  const worlds: Partial<Record<World, Worked>> = {};
  for (const [index, world] of WORLDS.entries()) {
    const pieces = piecesOf(driven, world);
    const bands = measured({ box, cell, field, pieces });
    let step = bands.next();
    for (; !step.done; step = bands.next())
      yield { done: index * step.value.all + step.value.done, all: 2 * step.value.all };
    worlds[world] = {
      ...step.value,
      counted: pieces.reduce((sum, piece) => sum + Math.abs(areaOf(piece)), 0),
    };
  }
  const { rows } = driven;
  return {
    truth: worlds.truth!,
    believed: worlds.believed!,
    field: Math.abs(field.reduce((sum, ring) => sum + areaOf(ring), 0)),
    dose: doseOf(driven.rigs),
    way: rows
      .slice(1)
      .reduce(
        (sum, { truth }, at) => sum + Math.hypot(truth.x - rows[at]!.truth.x, truth.y - rows[at]!.truth.y),
        0,
      ),
    seconds: rows.at(-1)!.seconds,
  };
}

/** The same in one go. */
export function outcomeOf(driven: Driven, asked: Measured): Outcome {
  const run = outcomes(driven, asked);
  for (;;) {
    const { done, value } = run.next();
    if (done) return value;
  }
}
