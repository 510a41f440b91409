import type { DimensionKey } from "../dimension/catalogue.ts";
import { bareFacts, type Proof, type Reading, type RigFacts } from "./facts.ts";
import type { Instrument } from "./grade.ts";
import { type ResolvedRig, resolveRig } from "./resolve.ts";

/** A drawn drill of made-up lengths in metres, every one taped to the millimetre: for worked examples in tests. */
export const SAMPLE_LENGTHS = {
  "receiver.foreAft": 1.73,
  "receiver.lateral": -0.015,
  "receiver.height": 2.94,
  "tractor.wheelbase": 2.68,
  "axle.pin": 1.04,
  "pin.pivot": 5.26,
  "pin.workFront": 4.18,
  "pin.workRear": 4.5,
  "tool.lateral": 0.025,
  "tool.width": 4.5,
  "rows.count": 30,
  "rows.spacing": 0.15,
  "work.overlap": 0,
  "guidance.trackSpacing": 4.5,
} satisfies Partial<Record<DimensionKey, number>>;

export const SAMPLE_SECTIONS: readonly number[] = [1.5, 1.5, 1.5];

type Overrides = Partial<Record<DimensionKey, number | null>>;

/** The sample rig with some lengths changed, or taken away (null), and some come by another way than the tape. */
export function sampleRig(
  lengths: Overrides = {},
  instruments: Partial<Record<DimensionKey, Instrument>> = {},
  widths: readonly number[] | null = SAMPLE_SECTIONS,
): ResolvedRig {
  return resolveRig(sampleFacts(lengths, instruments, widths));
}

/** The facts the sample rig is resolved from, for tests that add to them. */
export function sampleFacts(
  lengths: Overrides = {},
  instruments: Partial<Record<DimensionKey, Instrument>> = {},
  widths: readonly number[] | null = SAMPLE_SECTIONS,
): RigFacts {
  const readings: RigFacts["readings"] = {};
  for (const [key, value] of Object.entries({ ...SAMPLE_LENGTHS, ...lengths }) as [
    DimensionKey,
    number | null,
  ][])
    if (value !== null)
      readings[key] = [sampleReading(key, value, { instrument: instruments[key] ?? "tape" })];
  const stamp = { person: "Test", measuredAt: "2026-03-01T08:00:00.000Z" };
  return {
    ...bareFacts("drawn", readings),
    sections: widths ? { id: "s", seq: 0, widths, parts: [], instrument: "tape", ...stamp } : null,
  };
}

/** A field test's proof of what its terms come to, resting on the sample's readings, with nothing told of how it was made. */
export function sampleProof(told: Pick<Proof, "at" | "sigma" | "terms"> & Partial<Proof>): Proof {
  const rests = told.terms.map(({ key }) => key);
  return { id: "p", seq: 1, what: "", how: "", result: "", person: "", readingId: null, rests, ...told };
}

export function sampleReading(key: DimensionKey, value: number, rest: Partial<Reading> = {}): Reading {
  return {
    id: key,
    seq: 0,
    key,
    value,
    step: 0.001,
    rawText: String(value),
    instrument: "tape",
    person: "Test",
    measuredAt: "2026-03-01T08:00:00.000Z",
    sitting: key,
    conditions: [],
    note: "",
    photoId: null,
    ...rest,
  };
}
