/** A figure of a field test accepted: the words, the uncertainty and the evidence it is proven by. */
import type { Hung } from "../dimension/attachment.ts";
import { type DimensionKey, dimension, isDimensionKey } from "../dimension/catalogue.ts";
import { printEntry } from "../dimension/entry.ts";
import type { Units } from "../quantity/units.ts";
import type { Term } from "../rig/frame.ts";
import { NORMAL_95 } from "../statistics/student.ts";
import type { TestConditions } from "../trade/field-conditions.ts";
import type { JudgedFigure } from "./corrections.ts";
import type { Evidence } from "./evidence.ts";
import type { JobKind } from "./kind.ts";
import { halfWords, offWords } from "./words.ts";

export type Accepted = {
  what: string;
  how: string;
  result: string;
  terms: readonly Term[];
  /** standard error of the fit; null where one observation gave none */
  sigma: number | null;
  evidence: Evidence;
  /** the reading it changes; null where it confirms what stands */
  correction: { key: DimensionKey; value: number; rawText: string } | null;
};

/** A test that was solved and judged, as its proofs cite it. */
export type Tested = {
  kind: JobKind;
  conditions: TestConditions;
  /** metres */
  spacing: number | null;
  rowToRow: boolean;
  observations: Evidence["observations"];
  verdicts: readonly JudgedFigure[];
};

/** `chosen` is the reading to correct, or "confirm"; a problem says in a sentence why it cannot be accepted so. */
export function acceptFigure(
  test: Tested,
  { measured, verdict, unproven, corrections }: JudgedFigure,
  chosen: string,
  hung: Hung,
  units: Units,
): Accepted | { problem: string } {
  if (unproven.length > 0) return { problem: unproven[0]! };
  const correction = corrections.find(({ key }) => key === chosen);
  if (chosen !== "confirm" && !(correction && isDimensionKey(chosen)))
    return { problem: "Choose which reading to correct." };
  if (chosen === "confirm" && verdict !== "agrees")
    return { problem: "It does not agree: choose which reading to correct." };
  const half = halfWords(measured.unit, measured.off, units);
  const found = `${measured.label}: off by ${offWords(measured, units)}${half ? `, ${half} (95 %)` : ""}.`;
  const entry = correction && dimension(correction.key, hung);
  const said = entry
    ? ` ${entry.label} ${printEntry(entry, correction.to, units)} from now on.`
    : " Confirmed.";
  const { title, one } = test.kind;
  const count = test.observations.filter(({ leftOut }) => !leftOut).length;
  return {
    what: measured.label.charAt(0).toLowerCase() + measured.label.slice(1),
    how: `${title}, ${count} ${one}${count === 1 ? "" : "s"}.`,
    result: `${found}${said}`,
    terms: measured.terms,
    // Of few observations the interval is wider than two standard errors: what is kept stands for the same interval.
    sigma: measured.off.half === null ? measured.off.error : measured.off.half / NORMAL_95,
    correction: correction
      ? { key: correction.key, value: correction.to, rawText: printEntry(entry!, correction.to, units) }
      : null,
    evidence: {
      kind: test.kind.key,
      conditions: test.conditions,
      spacing: test.spacing,
      rowToRow: test.rowToRow,
      observations: test.observations.map(({ values, choices, leftOut }) => ({ values, choices, leftOut })),
      figures: test.verdicts.map(({ measured: { label, entered, off } }) => ({
        label,
        entered,
        off: off.value,
        error: off.error,
        half: off.half,
      })),
    },
  };
}
