import { v4 as uuid } from "uuid";
import { printMeasure } from "../../../core/quantity/measure.ts";
import { unitOf } from "../../../core/quantity/units.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import {
  crossString,
  driveCircle,
  driveJoints,
  type Field,
  parkOnCoordinates,
  parkTwice,
} from "../../../core/simulation/drive.ts";
import { recordRun } from "../../../core/simulation/receiver.ts";
import { entryProblem } from "../../../core/simulation/terminal.ts";
import { seedTruth } from "../../../core/simulation/truth.ts";
import { type Fix, UNKNOWN_CONDITIONS } from "../../../core/subjects/proof/conditions.ts";
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
import { validateForm } from "../../session/validate.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { takeLog } from "../proof/keep-proof.server.ts";
import { type Outcome, refused } from "../writing/outcome.ts";
import { written } from "../writing/written.server.ts";
import { BeginPracticeDto, DriveDto, type DriveKey } from "./field.dto.ts";
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
    { seed, truths, terminal: {} },
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
    [String(open.rig.couplingId)]: { typed },
  });
  const said = text("press") === "cancel" ? `${page} left without saving` : `${page} saved in the terminal`;
  return { ok: true, kept: { id: page, said }, person: null };
}

/** Drives, and writes what is found on the ground into the test it belongs to. */
export const keepDriven = written(DriveDto, ({ open, value: { id, drive, fix, person }, told }): Outcome => {
  const ground = groundOf(open);
  if (!ground) return refused(NO_PRACTICE);
  const { db, rig } = open;
  const field = fieldOf(ground, nextDrive(db, rig.id), fix);
  if (drive === "joints" && field.believed.spacing <= 0)
    return refused({
      form: "The terminal's spacing is zero: it lays no lines. Type it on its guidance page.",
    });
  const testId = testFor(open, drive, id, { fix, spacing: field.believed.spacing, told });
  if (drive === "run-log") {
    const log = writeLog(recordRun(field, 3), 7);
    return takeLog(open, testId, log, uuid(), told) ?? driven(testId, person);
  }
  keepObservations(db, testId, foundOn(field, drive, open), told);
  return driven(testId, person);
});

const driven = (id: string, person: string): Outcome => ({
  ok: true,
  kept: { id, said: "Driven and measured" },
  person,
});

/** The test that is being driven, or a new one. A log begins a test of its own. */
function testFor(
  { db, rig }: OpenRig,
  kind: DriveKey,
  id: string,
  { fix, spacing, told }: { fix: Fix; spacing: number; told: Told },
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
  if (going && kind !== "run-log") {
    setTest(db, going.id, { conditions, spacing: kind === "joints" ? spacing : null }, told);
    return going.id;
  }
  beginTest(db, rig, {
    id,
    kind,
    conditions,
    spacing: kind === "joints" ? spacing : null,
    ...told,
  });
  return id;
}

function foundOn(
  field: Field,
  drive: Exclude<DriveKey, "run-log">,
  { preferences }: OpenRig,
): NewObservation[] {
  const made = (
    values: Record<string, number>,
    choices: Record<string, string> = {},
    texts: Record<string, string> = {},
  ): NewObservation => ({ id: uuid(), values, choices, texts });
  switch (drive) {
    case "joints":
      return driveJoints(field, 10).map(({ left, gap }) =>
        made({ joint: toMillimetres(gap) }, { pair: left === 1 ? "up-down" : "down-up" }),
      );
    case "wheel-marks":
      return Array.from({ length: 4 }, () => {
        const { first, second, along } = parkTwice(field);
        return made({
          first: toMillimetres(first),
          second: toMillimetres(second),
          along: toMillimetres(along),
        });
      });
    case "wheel-coordinates":
      return Array.from({ length: 4 }, () => {
        const { heading, first, second } = parkOnCoordinates(field);
        const values = {
          heading,
          latitude1: first.latitude,
          longitude1: first.longitude,
          latitude2: second.latitude,
          longitude2: second.longitude,
        };
        const texts = Object.entries(values).map(([key, radians]): [string, string] => [
          key,
          ((radians * 180) / Math.PI).toFixed(key === "heading" ? 0 : 8),
        ]);
        return made(values, { shown: "antenna" }, Object.fromEntries(texts));
      });
    case "headland": {
      const shift = field.random.normal(0.05);
      const unit = unitOf("speed", preferences.units);
      return [1.5, 3].flatMap((speed) =>
        (["on", "off"] as const).flatMap((edge) =>
          ([1, -1, 1, -1] as const).map((way) =>
            made(
              { speed, mark: toMillimetres(crossString(field, { edge, way, speed, shift })) },
              { edge, way: way === 1 ? "there" : "back" },
              { speed: printMeasure("speed", speed, unit) },
            ),
          ),
        ),
      );
    }
    case "circle":
      return Array.from({ length: 4 }, () =>
        made(
          Object.fromEntries(
            Object.entries(driveCircle(field)).map(([key, value]) => [key, toMillimetres(value)]),
          ),
        ),
      );
  }
}

function toMillimetres(metres: number): number {
  return Math.round(metres * 1000) / 1000;
}
