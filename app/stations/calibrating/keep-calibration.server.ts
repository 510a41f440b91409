/** What is written of a calibration: its set-up, its runs, its end, and what the simulated bench makes of it. */
import { isDeepStrictEqual } from "node:util";
import { counted } from "../../../core/calibration/judge.ts";
import type { CalibrationKind, Run } from "../../../core/calibration/kind.ts";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { chance } from "../../../core/simulation/random.ts";
import { benchOf, nextRun, putOnBench } from "../../../data/bench.ts";
import {
  calibrationState,
  endCalibration,
  isOpenRun,
  keepRuns,
  leaveRunOut,
  type NewRun,
  setUpCalibration,
} from "../../../data/calibrations.ts";
import { changeParts } from "../../../data/components.ts";
import { factOf } from "../../../data/record.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { type FieldErrors, wrongIn } from "../../session/validate.ts";
import { spoiltWords } from "../../spoilt/spoilt-words.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { idOf } from "../reading/entry-ids.ts";
import { written } from "../writing/written.server.ts";
import {
  fieldName,
  figureOfPart,
  partName,
  printField,
  readField,
  readFields,
  readPositions,
  unitName,
} from "./asked-typed.ts";
import { CalibratingDto, ChangePartsDto, EndCalibrationDto, LeaveRunDto } from "./calibrating.dto.ts";
import { calibrationHere, nextOf, solveCalibration, testedOf } from "./solved.server.ts";

const NONE = refused({ form: "This tool has no such calibration." });
const OVER = refused({ form: "It was ended before: begin another." });

/** What a calibration's entry may be written to; a refusal where it may not. */
function here(open: OpenRig, { id, kind, calibration }: Pick<CalibratingDto, "id" | "kind" | "calibration">) {
  // What is sent twice was kept the first time.
  if (factOf(open.db, id)) return { barred: kept("", { id }) };
  const found = calibrationHere(open, kind);
  if (!found) return { barred: NONE };
  const state = calibrationState(open.db, open.rig, found.kind, calibration);
  if (state === "another's") return { barred: NONE };
  return state === "over" ? { barred: OVER } : found;
}

/** Sets a calibration up. */
export const keepSetup = written(CalibratingDto, ({ open, value, told, form }): Outcome => {
  const found = here(open, value);
  if ("barred" in found) return found.barred;
  const { kind } = found;
  const read = readFields(kind.setup, form);
  if (!read.ok) return refused(read.errors);
  const before = solveCalibration(open, found).setup;
  // A figure left as it was printed is left as it was: fewer digits were shown than are known.
  for (const asked of kind.setup) {
    const known = before.figures[asked.key];
    const unit = String(form.get(unitName(asked.key)) ?? "");
    if (known !== undefined && read.texts[asked.key] === printField(asked, known, unit))
      read.figures[asked.key] = known;
  }
  const { figures, choices } = read;
  const wrong = kind.wrongWith?.(
    { figures: {}, choices: {}, lists: {} },
    { figures, choices },
    open.resolved,
  );
  if (wrong && Object.keys(wrong).length > 0) return refused(named(wrong));
  setUpCalibration(open.db, open.rig, kind, { ...read, calibration: value.calibration, id: value.id }, told);
  return kept("Set up", { id: value.id });
});

const named = (wrong: Readonly<Record<string, string>>): FieldErrors =>
  Object.fromEntries(Object.entries(wrong).map(([key, said]) => [fieldName(key), said]));

/** Keeps a run, or all parts that were filled in. */
export const keepRun = written(CalibratingDto, ({ open, value, told, form }): Outcome => {
  const found = here(open, value);
  if ("barred" in found) return found.barred;
  const { kind } = found;
  const read = kind.entered === "by part" ? readParts(kind, form, value.id) : readOne(kind, form, value.id);
  if (!read.ok) return refused(read.errors);
  const { setup } = solveCalibration(open, found);
  for (const run of read.runs) {
    const wrong = kind.wrongWith?.(run, setup, open.resolved) ?? {};
    if (Object.keys(wrong).length > 0) return refused(named(wrong));
  }
  keepRuns(open.db, open.rig, kind, { calibration: value.calibration, runs: read.runs }, told);
  const count = read.runs.length;
  return kept(count === 1 ? "" : `Saved ${counted(count, kind.one)}`, { id: value.id });
});

type ReadRuns = { ok: true; runs: NewRun[] } | { ok: false; errors: FieldErrors };

function readOne(kind: CalibrationKind, form: FormData, id: string): ReadRuns {
  const read = readFields(kind.fields, form);
  const tape = kind.entered === "tapped" ? readPositions(form) : ({ ok: true, positions: [] } as const);
  const errors = wrongIn(read, tape);
  if (!read.ok || !tape.ok) return { ok: false, errors };
  const { figures, choices, texts } = read;
  if (kind.entered === "tapped" && tape.positions.length === 0 && tapped(figures) === 0)
    return { ok: false, errors: { form: "Nothing was counted in this row." } };
  const lists = tape.positions.length > 0 ? { positions: tape.positions } : {};
  return { ok: true, runs: [{ id, figures, choices, texts, lists }] };
}

const tapped = ({ plants = 0, skips = 0, doubles = 0 }: Record<string, number>) => plants + skips + doubles;

function readParts(kind: CalibrationKind, form: FormData, id: string): ReadRuns {
  const asked = figureOfPart(kind.fields);
  const unit = String(form.get(unitName(asked.key)) ?? "");
  const errors: FieldErrors = {};
  const runs: NewRun[] = [];
  for (const [name, text] of form.entries()) {
    const place = Number(/^p-(\d{1,3})$/.exec(name)?.[1]);
    if (!place || typeof text !== "string" || text.trim() === "") continue;
    const read = readField(asked, text.trim(), unit);
    if ("problem" in read) errors[partName(place)] = read.problem;
    else if (typeof read.value === "number")
      runs.push({
        id: idOf(id, place),
        figures: { place, [asked.key]: read.value },
        choices: {},
        lists: {},
        texts: { [asked.key]: text.trim() },
      });
  }
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  return runs.length > 0
    ? { ok: true, runs }
    : { ok: false, errors: { form: `Nothing was entered of any ${kind.one}.` } };
}

/** Leaves a run out, or counts it again. */
export const keepRunLeft = written(LeaveRunDto, ({ open, value: { run, out }, told }): Outcome => {
  if (!isOpenRun(open.db, open.rig, run)) return refused({ run: "There is no such run." });
  leaveRunOut(open.db, run, out === "yes", told);
  return kept();
});

/** Ends a calibration: what it found is accepted, or left. */
export const keepEnd = written(EndCalibrationDto, ({ open, value, told }): Outcome => {
  const found = here(open, value);
  if ("barred" in found) return found.barred;
  const { kind, calibration, outcome, runs, setup } = solveCalibration(open, found);
  if (!calibration || calibration.id !== value.calibration)
    return refused({ form: "Nothing was measured yet." });
  const accepted = value.accepted === "yes";
  const { units } = open.preferences;
  if (accepted && outcome.barred.length > 0) return refused({ form: inWords(outcome.barred[0]!, units) });
  if (!accepted && value.note === "") return refused({ note: "Say why it is left." });
  const { constant } = outcome;
  const text = constant
    ? printEntry(dimension(constant.key, open.resolved), constant.estimate.value, units)
    : "";
  endCalibration(
    open.db,
    open.rig,
    kind,
    {
      id: value.id,
      calibration,
      accepted,
      had: constant?.had ?? null,
      found: constant?.estimate.value ?? null,
      error: constant?.estimate.error ?? null,
      variation: constant?.variation ?? null,
      runs: runs.filter(({ leftOut }) => !leftOut).length,
      note: value.note,
      rawText: text,
      parts: outcome.parts,
      evidence: {
        setup: { ...setup.figures },
        choices: { ...setup.choices },
        figures: { ...outcome.figures },
        runs: runs.map(({ figures, choices, lists, leftOut, simulated }) => ({
          figures: { ...figures },
          choices: { ...choices },
          lists: Object.fromEntries(Object.entries(lists).map(([key, list]) => [key, [...list]])),
          leftOut,
          simulated,
        })),
      },
    },
    told,
  );
  return kept(
    accepted ? `${text ? `Accepted: ${text}` : "Accepted"}${spoiltWords(open)}` : "Left as it stood",
    {
      id: value.id,
      undo: { intent: "take-back", id: value.id },
    },
  );
});

/** Runs a calibration on the simulated bench: what it gives is kept as a run. */
export const keepBenchRun = written(CalibratingDto, ({ open, value, told, form }): Outcome => {
  const { db, rig, resolved } = open;
  const found = here(open, value);
  if ("barred" in found) return found.barred;
  const truth = benchOf(db, rig.couplingId);
  if (!truth || !found.kind.bench) return refused({ form: "It does not stand on the bench." });
  const solvedNow = solveCalibration(open, found);
  const { setup } = solvedNow;
  const number = nextRun(db, rig.couplingId);
  const next = nextOf(open, solvedNow);
  const random = chance(truth.seed * 7919 + number);
  const made: readonly Run[] = found.kind.bench(truth, setup, resolved, random, next);
  const again = String(form.get("places") ?? "");
  const wanted = new Set(again.split(",").filter(Boolean).map(Number));
  if (made.length === 0)
    return refused({ form: "The bench needs more: the constant in the terminal, and what is fitted." });
  keepRuns(
    db,
    rig,
    found.kind,
    {
      calibration: value.calibration,
      runs: made
        .filter(({ figures: { place } }) => wanted.size === 0 || wanted.has(place ?? 0))
        .map((run, at) => ({
          ...run,
          id: at === 0 ? value.id : idOf(value.id, at),
          texts: {},
          simulated: true,
        })),
    },
    told,
  );
  return kept("", { id: value.id });
});

/** Parts that were changed for new ones: what was found of them before is of what was taken off. */
export const keepChangedParts = written(
  ChangePartsDto,
  ({ open, value: { kind: key, places }, told }): Outcome => {
    const { db, rig } = open;
    const found = calibrationHere(open, key);
    if (!found?.kind.parts) return NONE;
    const numbers = [...new Set(places.split(/[,;]/).map((each) => Number(each.trim())))];
    const tested = testedOf(open, found.kind);
    const missing = numbers.filter((place) => !tested.some((each) => each.place === place));
    if (missing.length > 0)
      return refused({
        places: `Nothing was ever found of ${missing.join(", ")}: there is nothing to change.`,
      });
    db.transaction(() => {
      changeParts(
        db,
        numbers.map((place) => tested.find((each) => each.place === place)!.id),
        told,
      );
      const truth = benchOf(db, rig.couplingId);
      const renewed = truth && found.kind.renew?.(truth, numbers);
      if (renewed && !isDeepStrictEqual(renewed, truth)) putOnBench(db, rig.couplingId, renewed);
    });
    return kept(`Changed: ${numbers.join(", ")}. Test them again.`);
  },
);
