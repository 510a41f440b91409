import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Instrument } from "./grade.ts";
import { type Reading, type ResolvedRig, resolveRig } from "./resolve.ts";

/** A drawn drill of made-up lengths in metres, every one taped to the millimetre: for worked examples in tests. */
export const SAMPLE_LENGTHS: Record<DimensionKey, number> = {
  "receiver.foreAft": 1.73,
  "receiver.lateral": -0.015,
  "receiver.height": 2.94,
  "axle.pin": 1.04,
  "pin.pivot": 5.26,
  "pin.workFront": 4.18,
  "pin.workRear": 4.5,
  "tool.lateral": 0.025,
  "tool.width": 4.5,
  "rows.count": 30,
  "rows.spacing": 0.15,
  "work.overlap": 0,
};

export const SAMPLE_SECTIONS: readonly number[] = [1.5, 1.5, 1.5];

type Overrides = Partial<Record<DimensionKey, number | null>>;

/** The sample rig with some lengths changed, or taken away (null), and some come by another way than the tape. */
export function sampleRig(
  lengths: Overrides = {},
  instruments: Partial<Record<DimensionKey, Instrument>> = {},
  widths: readonly number[] | null = SAMPLE_SECTIONS,
): ResolvedRig {
  const readings: Partial<Record<DimensionKey, Reading>> = {};
  for (const [key, value] of Object.entries({ ...SAMPLE_LENGTHS, ...lengths }) as [
    DimensionKey,
    number | null,
  ][])
    if (value !== null) readings[key] = sampleReading(key, value, instruments[key] ?? "tape");
  const stamp = { person: "Test", measuredAt: "2026-03-01T08:00:00.000Z" };
  return resolveRig({
    readings,
    sections: widths ? { id: "s", widths, instrument: "tape", ...stamp } : null,
  });
}

function sampleReading(key: DimensionKey, value: number, instrument: Instrument): Reading {
  return {
    id: key,
    key,
    value,
    step: 0.001,
    rawText: String(value),
    instrument,
    person: "Test",
    measuredAt: "2026-03-01T08:00:00.000Z",
  };
}
