import { type Accepted, acceptFigure } from "../../../core/job/accepting.ts";
import { parseLength } from "../../../core/quantity/length.ts";
import { parseMeasure } from "../../../core/quantity/measure.ts";
import { jobKind, jobsOf } from "../../../core/subjects/jobs.ts";
import { mostlyFix, UNKNOWN_CONDITIONS } from "../../../core/trade/field-conditions.ts";
import {
  acceptedOf,
  acceptTest,
  beginTest,
  findTest,
  keepObservations,
  leaveOut,
  type NewObservation,
  observationsOf,
  setTest,
} from "../../../data/field-tests.ts";
import type { Told } from "../../../data/record.ts";
import { DECIMALS_WANTED, type Log, readLog } from "../../../formats/nmea/log.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { spoiltWords } from "../../spoilt/spoilt-words.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { idOf } from "../reading/entry-ids.ts";
import { written } from "../writing/written.server.ts";
import { readObservation, stylesIn } from "./observation.ts";
import { AcceptTestDto, BeginTestDto, LeaveOutDto, ObserveDto, TestConditionsDto } from "./proof.dto.ts";
import { solved, spacingAtFirst } from "./solved.server.ts";

const GONE = { form: "There is no such test on this rig any more." };
const CLOSED = { form: "This test was accepted. Take the proof back first, or begin a new one." };

export const keepBegun = written(BeginTestDto, ({ open, value: { id, kind }, told }): Outcome => {
  const { db, rig } = open;
  const job = jobsOf(rig.attachment).find(({ key }) => key === kind);
  if (!job) return refused({ form: "This tool has no such test." });
  const spacing = spacingAtFirst(open, job);
  beginTest(db, rig, {
    id,
    kind,
    conditions: UNKNOWN_CONDITIONS,
    spacing,
    ...told,
    person: told.person || "unnamed",
  });
  return kept("", { id });
});

/** The test a form speaks of, while it may still be written to. */
function writable({ db, rig }: OpenRig, id: string): Outcome | null {
  if (!findTest(db, rig, id)) return refused(GONE);
  return acceptedOf(db, rig).has(id) ? refused(CLOSED) : null;
}

export const keepConditions = written(
  TestConditionsDto,
  ({
    open,
    value: { id, test, fix, source, slope, soil, speed, spacing, rowToRow, styles },
    told,
  }): Outcome => {
    const barred = writable(open, test);
    if (barred) return barred;
    const units = stylesIn(styles)!;
    const read = speed === "" ? null : parseMeasure("speed", speed, units.speed);
    const lines = spacing === "" ? null : parseLength(spacing, units.tape);
    const conditions = {
      fix: fix || null,
      source,
      slope: slope || null,
      soil: soil || null,
      speed: read?.ok ? read.value.value : null,
    };
    const set = { conditions, spacing: lines?.ok ? lines.value.metres : null, rowToRow: rowToRow === "yes" };
    setTest(open.db, test, set, { ...told, id });
    return kept("Conditions saved", { id });
  },
);

export const keepObserved = written(
  ObserveDto,
  ({ open, value: { id, test: testId, styles }, told, form }): Outcome => {
    const barred = writable(open, testId);
    if (barred) return barred;
    const { fields, fromLog } = jobKind(findTest(open.db, open.rig, testId)!.kind);
    const read = readObservation(fields, (name) => String(form.get(name) ?? ""), stylesIn(styles)!);
    if (!read.ok) return refused(read.errors);
    if (fromLog) return refused({ form: "Passes come out of a log. Give the file." });
    const { values, choices, texts } = read;
    keepObservations(open.db, testId, [{ id, values, choices, texts }], told);
    return kept("Saved", { id });
  },
);

/** A receiver's log: the passes found in it become the test's observations, in the place of an earlier log's. */
export const keepLog = written(
  ObserveDto,
  async ({ open, value: { id, test: testId }, told, form }): Promise<Outcome> => {
    const barred = writable(open, testId);
    if (barred) return barred;
    const file = form.get("log");
    if (!(file instanceof File) || file.size === 0) return refused({ log: "Choose the log's file." });
    if (file.size > 20_000_000) return refused({ log: "The log is over 20 MB. Cut it to the run." });
    const refusal = takeLog(open, testId, await file.text(), id, told);
    return refusal ?? kept("Log read", { id });
  },
);

/** Reads a log into a test; returns what is wrong with it, or null. */
export function takeLog(
  { db, rig }: OpenRig,
  testId: string,
  text: string,
  id: string,
  told: Told,
): Outcome | null {
  const read = readLog(text);
  if (!read.ok) return refused({ log: read.problem });
  const { log } = read;
  if (log.decimals < DECIMALS_WANTED)
    return refused({
      log: `The log has ${log.decimals} decimals of a minute, ${(1852 / 10 ** log.decimals).toFixed(log.decimals > 4 ? 3 : 2)} m a step: set the receiver to six or more and drive again.`,
    });
  const test = findTest(db, rig, testId)!;
  const { fromLog } = jobKind(test.kind);
  if (!fromLog) return refused({ log: "This test is measured on the ground, not read out of a log." });
  const found = fromLog.read(log.points);
  if ("problem" in found) return refused({ log: found.problem });
  const observations = found.map(
    ({ values, choices = {}, texts = {} }, index): NewObservation => ({
      id: idOf(id, index),
      values,
      choices,
      texts,
    }),
  );
  if (observationsOf(db, testId).length > 0)
    return refused({ log: "A log was read into this test before. Begin a new test for another." });
  const fix = mostlyFix(log.fixes);
  const conditions = { ...test.conditions, fix: fix ?? test.conditions.fix };
  keepObservations(db, testId, observations, told);
  setTest(db, testId, { conditions, note: logNote(log, found.length) }, told);
  return null;
}

function logNote({ points, rate, decimals, spoiled, fixes }: Log, passes: number): string {
  const fixed = fixes.fixed === undefined ? "" : `, ${(100 * fixes.fixed).toFixed(0)} % of them fixed`;
  return `${points.length} positions, ${rate.toFixed(0)} a second, ${decimals} decimals of a minute${fixed}; ${spoiled} spoiled lines; ${passes} passes found.`;
}

export const keepLeftOut = written(
  LeaveOutDto,
  ({ open, value: { observation, test, out }, told }): Outcome => {
    const barred = writable(open, test);
    if (barred) return barred;
    if (!observationsOf(open.db, test).some(({ id }) => id === observation)) return refused(GONE);
    leaveOut(open.db, observation, out === "yes", told);
    return kept();
  },
);

/**
 * Accepts what a test found, in one act: for each figure the form names the reading to correct, or "confirm" where it
 * agrees. Nothing is written unless every figure named may be called proven.
 */
export const keepAccepted = written(
  AcceptTestDto,
  ({ open, value: { test: testId }, told, form }): Outcome => {
    const barred = writable(open, testId);
    if (barred) return barred;
    const job = solved(open, findTest(open.db, open.rig, testId)!);
    const { test, observations, verdicts } = job;
    const tested = { ...test, kind: job.kind, observations, verdicts };
    const accepted: Accepted[] = [];
    for (const verdict of job.verdicts) {
      const chosen = String(form.get(`accept-${verdict.measured.key}`) ?? "");
      if (chosen === "") continue;
      const made = acceptFigure(tested, verdict, chosen, open.resolved, open.preferences.units);
      if ("problem" in made) return refused({ [`accept-${verdict.measured.key}`]: made.problem });
      accepted.push(made);
    }
    if (accepted.length === 0) return refused({ form: "Choose at least one figure to accept." });
    const id = acceptTest(open.db, open.rig, testId, accepted, told);
    const figures = accepted.length === 1 ? "One figure" : `${accepted.length} figures`;
    return kept(`${figures} proven${spoiltWords(open)}`, { id });
  },
);
