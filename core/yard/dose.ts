/** What a yard keeps of a tool that doses, besides its readings: calibrations made on it, and what was found at its parts. */
import type { DimensionKey } from "../dimension/catalogue.ts";

/** A calibration that was ended: its constant accepted, or left as it stood. */
export type Ended = {
  id: string;
  /** which calibration, by key */
  kind: string;
  constant: DimensionKey | null;
  accepted: boolean;
  /** SI: what the terminal had, and what was found; null where none is told */
  had: number | null;
  found: number | null;
  /** standard error of what was found, SI */
  error: number | null;
  /** coefficient of variation of its runs */
  variation: number | null;
  runs: number;
  person: string;
  /** ISO 8601, UTC */
  at: string;
  note: string;
  /** what it was set up with, and figures found, SI */
  setup: Readonly<Record<string, number>>;
  figures: Readonly<Record<string, number>>;
  /** the reading it wrote, by id; null where it wrote none */
  reading: string | null;
};

/** A part as it was found last. */
export type TestedPart = {
  /** of the component */
  id: number;
  place: number;
  /** the figure kept of it, SI; null where it was never tested */
  value: number | null;
  /** ISO 8601, UTC */
  at: string | null;
  person: string;
  /** it was changed since, alone or with the whole set: nothing is known of what is in now */
  stale: boolean;
};

/** What is known of parts as they are in now, SI. */
export function standingParts(parts: readonly TestedPart[]): { place: number; value: number }[] {
  return parts.flatMap(({ place, value, stale }) => (value === null || stale ? [] : [{ place, value }]));
}

export type PartDose = {
  /** newest first */
  ended: readonly Ended[];
  /** parts that are tested, by the key of their kind, each in its place of the row */
  parts: Readonly<Record<string, readonly TestedPart[]>>;
};

export const NOTHING_DOSED: PartDose = { ended: [], parts: {} };
