import { v4 as uuid } from "uuid";
import type { JobKind } from "../../../core/job/kind.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import { entryProblem, keptTerminal } from "../../../core/simulation/terminal.ts";
import { seedTruth } from "../../../core/simulation/truth.ts";
import { seedTool } from "../../../core/subjects/ground/guide/practise.ts";
import { jobsOf } from "../../../core/subjects/jobs.ts";
import { seedDose } from "../../../core/subjects/rate/practise.ts";
import { type Fix, UNKNOWN_CONDITIONS } from "../../../core/trade/field-conditions.ts";
import { rigFacts } from "../../../data/facts.ts";
import {
  acceptedOf,
  beginTest,
  keepObservations,
  type NewObservation,
  setTest,
  testsOfRig,
} from "../../../data/field-tests.ts";
import { feedTerminal, makePractice, nextDrive, practiceOf, truthKey } from "../../../data/practice.ts";
import type { Told } from "../../../data/record.ts";
import { variantsOf } from "../../../data/variants.ts";
import { writeLog } from "../../../formats/nmea/write.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { validateForm } from "../../session/validate.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { takeLog } from "../proof/keep-proof.server.ts";
import { written } from "../writing/written.server.ts";
import { BeginPracticeDto, DriveDto } from "./field.dto.ts";
import { fieldOf, groundOf } from "./field-view.server.ts";

const NO_PRACTICE = { form: "This rig stands in the yard: make a practice copy of it first." };

/** Copies the rig for practice; returns the copy's id. */
export function beginPractice(open: OpenRig, form: FormData, seed: number): number | Outcome {
  const checked = validateForm(BeginPracticeDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { db, parts } = open;
  const { person } = open.preferences;
  if (practiceOf(db, open.rig.id)) return refused({ form: "This is a practice rig already." });
  const truths = Object.fromEntries(
    parts.flatMap((part, index) =>
      [null, ...variantsOf(db, part.implement.id)].map((variant) => {
        // The same seed on each variant: the same tool, but for what the variant changes.
        const rig = resolveRig(rigFacts(db, { ...part, variant }));
        return [truthKey(part.couplingId, variant?.id ?? null), seedTruth(rig, seed + index)] as const;
      }),
    ),
  );
  return makePractice(
    db,
    parts,
    { name: `Practice: ${parts[0]!.name}`.slice(0, 60), start: checked.value.start, person, at: new Date() },
    { seed, truths, terminal: {}, tools: toolsToPractise(open, seed), doses: dosesToPractise(open, seed) },
  );
}

/** What each tool that doses, or is pulled, really is on the bench. */
function dosesToPractise({ parts, whole }: OpenRig, seed: number) {
  return new Map(
    parts.map(
      ({ couplingId }, index) => [couplingId, seedDose(whole.parts[index]!.rig, seed + index)] as const,
    ),
  );
}

/** What each tool there is a guide for does to its ground, like what was seen of it. */
function toolsToPractise({ parts, judged: { reckoned } }: OpenRig, seed: number) {
  return new Map(
    reckoned.ground.strips.map(({ part, guide, given }) => {
      const map = reckoned.ground.maps.find((each) => each.part === part) ?? null;
      return [parts[part]!.couplingId, seedTool(guide, given, map, seed + part)] as const;
    }),
  );
}

/** One page of the terminal saved, or cancelled: then everything on it is as it was, and the axle is steered again. */
export function keepTerminal(open: OpenRig, form: FormData): Outcome {
  const ground = groundOf(open);
  if (!ground) return refused(NO_PRACTICE);
  const { scheme, terminal, practice } = ground;
  const page = String(form.get("page"));
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const errors: Record<string, string> = {};
  const typed = terminal.typed.map((before, at) => {
    const line = scheme.lines[at]!;
    if (line.page !== page) return before;
    if (text("press") === "cancel")
      return line.measure.kind === "choice" ? { text: "steered", word: "" } : before;
    const now = { text: text(`line-${at}`), word: text(`side-${at}`) };
    const problem = entryProblem(line, now);
    if (problem) errors[`line-${at}`] = problem;
    return now;
  });
  if (Object.keys(errors).length > 0) return refused(errors);
  feedTerminal(open.db, open.rig.id, {
    ...practice.terminal,
    [String(open.rig.couplingId)]: keptTerminal({ typed }, scheme),
  });
  const said = text("press") === "cancel" ? `${page} left without saving` : `${page} saved in the terminal`;
  return kept(said, { id: page });
}

/** Drives, and writes what is found on the ground into the test it belongs to. */
export const keepDriven = written(DriveDto, ({ open, value: { id, drive, fix }, told }): Outcome => {
  const ground = groundOf(open);
  if (!ground) return refused(NO_PRACTICE);
  const { db, rig } = open;
  const job = jobsOf(rig.attachment).find(({ key }) => key === drive);
  if (!job?.drill) return refused({ drive: "There is no such drive." });
  const field = fieldOf(ground, nextDrive(db, rig.id), fix);
  const { spacing } = field.believed;
  if (job.asksSpacing && spacing <= 0)
    return refused({
      form: "The terminal's spacing is zero: it lays no lines. Type it on its guidance page.",
    });
  const testId = testFor(open, job, id, { fix, spacing: job.asksSpacing ? spacing : null, told });
  if ("recorded" in job.drill) {
    const log = writeLog(job.drill.recorded(field), 7);
    return takeLog(open, testId, log, uuid(), told) ?? driven(testId);
  }
  const found = job.drill
    .found(field)
    .map(({ values, choices = {}, texts = {} }): NewObservation => ({ id: uuid(), values, choices, texts }));
  keepObservations(db, testId, found, told);
  return driven(testId);
});

const driven = (id: string): Outcome => kept("Driven and measured", { id });

/** The test that is being driven, or a new one. A log begins a test of its own. */
function testFor(
  { db, rig }: OpenRig,
  { key: kind, fromLog }: JobKind,
  id: string,
  { fix, spacing, told }: { fix: Fix; spacing: number | null; told: Told },
): string {
  const accepted = acceptedOf(db, rig);
  const conditions = {
    ...UNKNOWN_CONDITIONS,
    fix,
    source: "simulated field",
    slope: "level" as const,
    soil: "firm" as const,
  };
  const going = testsOfRig(db, rig).find((each) => each.kind === kind && !accepted.has(each.id));
  if (going && !fromLog) {
    setTest(db, going.id, { conditions, spacing }, told);
    return going.id;
  }
  beginTest(db, rig, { id, kind, conditions, spacing, ...told });
  return id;
}
