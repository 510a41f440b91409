/** Calibrations: begun, set up, run by run, and ended by accepting what they found or leaving it. */
import { randomUUID } from "node:crypto";
import { and, eq, sql } from "drizzle-orm";
import type { CalibrationKind, Filled, FoundAt, Run } from "../core/calibration/kind.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import { testedKinds } from "../core/subjects/calibrations.ts";
import type { Ended, PartDose, TestedPart } from "../core/yard/dose.ts";
import {
  addComponents,
  changedParts,
  componentReadings,
  componentsOf,
  keepOnComponent,
} from "./components.ts";
import { aboutsOfRig, ofSubject, subjectColumns } from "./facts.ts";
import type { Database } from "./handle.ts";
import { liveChanges } from "./live.ts";
import { prepared } from "./prepared.ts";
import { push } from "./push.ts";
import { keepReading } from "./readings.ts";
import {
  aboutsOf,
  backing,
  factOf,
  inOrder,
  isOfKind,
  isTakenBack,
  type NewFact,
  newestFirst,
  record,
  standing,
  standingOf,
  TAKES_BACK,
  type Told,
} from "./record.ts";
import type { RigTool } from "./rigs.ts";
import {
  calibrationEnd,
  calibrationRun,
  calibrationSetup,
  type CalibrationEvidence as Evidence,
  fact,
  runLeftOut,
} from "./schema/index.ts";

export const CALIBRATION = "calibration";
const SET_UP = "calibration set-up";
export const RUN = "calibration run";
const LEFT_OUT = "run left out";
export const CALIBRATION_END = "calibration end";

/** A calibration that goes on. */
export type Calibration = {
  id: string;
  seq: number;
  person: string;
  at: string;
  /** null where nobody set it up otherwise than it begins */
  setup: (Filled & { texts: Readonly<Record<string, string>> }) | null;
};

export type KeptRun = Run & {
  id: string;
  texts: Readonly<Record<string, string>>;
  simulated: boolean;
  leftOut: boolean;
  person: string;
  at: string;
};

/** What a calibration is of: what its constant is of, or where it tells of parts the implement. */
function aboutOf(kind: Pick<CalibrationKind, "constant">, rig: RigTool) {
  const columns = kind.constant && subjectColumns(kind.constant, rig);
  return columns ? ofSubject(columns) : { about: { machineId: rig.implement.id }, variantId: null };
}

const named = ({ about }: ReturnType<typeof aboutOf>) => {
  const [[key, id]] = Object.entries(about) as [[string, number]];
  return `${key.replace("Id", "")} ${id}`;
};

/** The calibration of a kind that goes on with a rig; null where none does. */
export function openCalibration(db: Database, rig: RigTool, kind: CalibrationKind): Calibration | null {
  const row = db
    .select()
    .from(fact)
    .where(
      and(
        eq(fact.about, named(aboutOf(kind, rig))),
        isOfKind(CALIBRATION),
        eq(fact.topic, kind.key),
        standing(),
        sql`not exists (select 1 from calibration_end e join fact f on f.seq = e.seq where e.calibration = ${fact.seq} and ${standing("f")})`,
      ),
    )
    .orderBy(...newestFirst)
    .get();
  if (!row) return null;
  const setup = db
    .select({ setup: calibrationSetup })
    .from(calibrationSetup)
    .innerJoin(fact, eq(fact.seq, calibrationSetup.seq))
    .where(eq(fact.partOf, row.seq))
    .orderBy(...newestFirst)
    .get()?.setup;
  const { id, seq, person, happened: at } = row;
  return { id, seq, person, at, setup: setup ? { ...setup } : null };
}

/** Of which calibration something is part: begun with it where the device began it out of reach. @throws RangeError where the number is another fact's */
function within(db: Database, rig: RigTool, kind: CalibrationKind, id: string, told: Told): Part {
  record(db, { kind: CALIBRATION, ...aboutOf(kind, rig), id, topic: kind.key }, told);
  const begun = factOf(db, id)!;
  if (begun.kind !== CALIBRATION || begun.topic !== kind.key || begun.about !== named(aboutOf(kind, rig)))
    throw new RangeError("no such calibration");
  return { ...aboutOf(kind, rig), partOf: begun.seq };
}

type Part = Pick<NewFact, "about" | "variantId"> & { partOf: number };

/** How a calibration of a number stands for a tool: nobody began it, it goes on, it was ended or taken back, or it is another's. */
export function calibrationState(
  db: Database,
  rig: RigTool,
  kind: CalibrationKind,
  id: string,
): "unbegun" | "open" | "over" | "another's" {
  const known = factOf(db, id);
  if (!known) return "unbegun";
  if (known.kind !== CALIBRATION || known.topic !== kind.key || known.about !== named(aboutOf(kind, rig)))
    return "another's";
  return isOver(db, known.seq) ? "over" : "open";
}

function isOver(db: Database, seq: number): boolean {
  const ends = db
    .select({ seq: calibrationEnd.seq })
    .from(calibrationEnd)
    .innerJoin(fact, eq(fact.seq, calibrationEnd.seq))
    .where(and(eq(calibrationEnd.calibration, seq), standing()))
    .get();
  return ends !== undefined || isTakenBack(db, seq);
}

/** Whether a run of this rig may still be left out: it stands, and its calibration goes on. */
export function isOpenRun(db: Database, rig: RigTool, id: string): boolean {
  const run = factOf(db, id);
  if (run?.kind !== RUN || run.partOf === null || isTakenBack(db, run.seq)) return false;
  return aboutsOfRig(rig).includes(run.about ?? "") && !isOver(db, run.partOf);
}

/** Sets a calibration up otherwise; begins it where nobody did. */
export function setUpCalibration(
  db: Database,
  rig: RigTool,
  kind: CalibrationKind,
  { calibration, id, ...setup }: Filled & { texts: Record<string, string>; calibration: string; id: string },
  told: Told,
): void {
  db.transaction(() => {
    const of = within(db, rig, kind, calibration, told);
    record(db, { kind: SET_UP, ...of, id }, told, (seq) =>
      db
        .insert(calibrationSetup)
        .values({ seq, figures: { ...setup.figures }, choices: { ...setup.choices }, texts: setup.texts })
        .run(),
    );
  });
}

export type NewRun = Run & { id: string; texts: Record<string, string>; simulated?: boolean };

/** Keeps runs of a calibration, all or none; begins it where nobody did. One that was sent twice is kept once. */
export function keepRuns(
  db: Database,
  rig: RigTool,
  kind: CalibrationKind,
  { calibration, runs }: { calibration: string; runs: readonly NewRun[] },
  told: Told,
): void {
  db.transaction(() => {
    const of = within(db, rig, kind, calibration, told);
    for (const { id, figures, choices, lists, texts, simulated = false } of runs)
      record(db, { kind: RUN, ...of, id }, told, (seq) =>
        db
          .insert(calibrationRun)
          .values({
            seq,
            figures: { ...figures },
            choices: { ...choices },
            lists: Object.fromEntries(Object.entries(lists).map(([key, list]) => [key, [...list]])),
            texts,
            simulated,
          })
          .run(),
      );
  });
}

/** Runs of a calibration that nobody took back, in the order they were made. */
export function runsOf(db: Database, { seq }: Pick<Calibration, "seq">): KeptRun[] {
  const out = sql<number>`coalesce((select l.out from run_left_out l join fact f on f.seq = l.seq where l.run = ${calibrationRun.seq} order by f.happened desc, f.seq desc limit 1), 0)`;
  return db
    .select({ fact, run: calibrationRun, out, taken: backing.seq })
    .from(fact)
    .innerJoin(calibrationRun, eq(calibrationRun.seq, fact.seq))
    .leftJoin(backing, TAKES_BACK)
    .where(eq(fact.partOf, seq))
    .orderBy(...inOrder)
    .all()
    .flatMap(({ fact: { id, person, happened: at }, run: { seq: _, ...row }, out: left, taken }) =>
      taken === null ? [{ ...row, id, leftOut: left === 1, person, at }] : [],
    );
}

/** Leaves a run out, or takes it in again. @throws RangeError where there is no such run */
export function leaveRunOut(db: Database, id: string, out: boolean, told: Told): void {
  const of = factOf(db, id);
  if (of?.kind !== RUN) throw new RangeError("no such run");
  const { seq: run, machineId, couplingId, variantId, partOf } = of;
  record(
    db,
    { kind: LEFT_OUT, about: { machineId, couplingId }, variantId, topic: id, partOf },
    told,
    (seq) => db.insert(runLeftOut).values({ seq, run, out }).run(),
  );
}

export type Ending = Pick<Ended, "accepted" | "had" | "found" | "error" | "variation" | "runs" | "note"> & {
  id: string;
  calibration: Calibration;
  /** the constant as it is written into its reading */
  rawText: string;
  parts: readonly FoundAt[];
  evidence: Evidence;
};

/**
 * Ends a calibration. Accepted, its constant becomes the reading that counts and each part keeps what was found of it, all of it as one fact and
 * taken back as one; the calibration then goes on.
 */
export function endCalibration(
  db: Database,
  rig: RigTool,
  kind: CalibrationKind,
  { id, calibration, rawText, parts, evidence, ...end }: Ending,
  told: Told,
): void {
  const of = aboutOf(kind, rig);
  record(db, { kind: CALIBRATION_END, ...of, id, topic: kind.key }, told, (seq) => {
    db.insert(calibrationEnd)
      .values({ seq, calibration: calibration.seq, constant: kind.constant, evidence, ...end })
      .run();
    if (!end.accepted) return;
    if (kind.constant && end.found !== null)
      keepReading(db, rig, {
        id: randomUUID(),
        key: kind.constant,
        rawText,
        value: end.found,
        step: 0,
        instrument: "field test",
        note: kind.title,
        partOf: seq,
        ...told,
      });
    if (kind.parts) keepParts(db, rig, kind.parts, parts, seq, told);
  });
}

/** Keeps what was found of each part; parts nobody entered before are added, each in its place of the row. */
function keepParts(
  db: Database,
  { implement }: RigTool,
  { kind, figure }: Pick<NonNullable<CalibrationKind["parts"]>, "kind" | "figure">,
  found: readonly FoundAt[],
  partOf: number,
  told: Told,
): void {
  const known = new Map(
    (componentsOf(db, [implement.id], kind).get(implement.id) ?? []).map((each) => [each.place, each.id]),
  );
  const lacking = found.filter(({ place }) => !known.has(place));
  if (lacking.length > 0) {
    const ids = addComponents(
      db,
      implement.id,
      kind,
      lacking.map(({ place }) => ({ label: String(place), x: null, y: null, place })),
      told,
    );
    for (const [index, { place }] of lacking.entries()) known.set(place, ids[index]!);
  }
  for (const { place, value } of found)
    keepOnComponent(
      db,
      known.get(place)!,
      { key: figure, value, rawText: String(value), step: 0, instrument: "field test", partOf },
      told,
    );
}

type Tool = Pick<RigTool, "couplingId" | "implement" | "tractor">;

/** What is known of each tool that doses, by the id of its coupling. */
export function doseOfTools(db: Database, tools: readonly Tool[]): Map<number, PartDose> {
  const ended = endedOf(db, tools);
  const implementIds = tools.map(({ implement }) => implement.id);
  const tested = testedKinds().map((kind) => [kind, testedParts(db, implementIds, kind)] as const);
  return new Map(
    tools.map(({ couplingId, implement, tractor }) => [
      couplingId,
      {
        ended: [`coupling ${couplingId}`, `machine ${implement.id}`, `machine ${tractor.id}`]
          .flatMap((about) => ended.get(about) ?? [])
          .sort((a, b) => (a.at < b.at ? 1 : -1)),
        parts: Object.fromEntries(
          tested.flatMap(([kind, found]) => {
            const own = found.get(implement.id);
            return own ? [[kind, own]] : [];
          }),
        ),
      },
    ]),
  );
}

/** Calibrations that were ended, of all that a tool's constants may be of, by what they are about. */
function endedOf(db: Database, tools: readonly Tool[]): Map<string, Ended[]> {
  const query = prepared(db, "ended calibrations", () =>
    db
      .select({
        fact,
        end: calibrationEnd,
        reading: sql<
          string | null
        >`(select r.id from fact r where r.part_of = ${fact.seq} and r.kind = 'reading' and r.topic = ${calibrationEnd.constant})`,
      })
      .from(fact)
      .innerJoin(calibrationEnd, eq(calibrationEnd.seq, fact.seq))
      .where(standingOf(CALIBRATION_END))
      .orderBy(...newestFirst)
      .prepare(),
  );
  const abouts = aboutsOf({
    machine: tools.flatMap(({ implement, tractor }) => [implement.id, tractor.id]),
    coupling: tools.map(({ couplingId }) => couplingId),
  });
  const found = new Map<string, Ended[]>();
  for (const { fact: of, end, reading } of query.all({ abouts })) {
    const { id, topic: kind, person, happened: at, about } = of;
    const { seq: _, calibration: __, evidence, constant, ...rest } = end;
    push(found, about!, {
      ...rest,
      setup: evidence.setup,
      figures: evidence.figures,
      id,
      kind,
      constant: constant as DimensionKey | null,
      person,
      at,
      reading,
    });
  }
  return found;
}

/** Parts of a kind with what was found of each last, by machine, in their row. */
function testedParts(db: Database, machineIds: readonly number[], kind: string): Map<number, TestedPart[]> {
  const parts = componentsOf(db, machineIds, kind);
  if (parts.size === 0) return new Map();
  const ids = [...parts.values()].flat().map(({ id }) => id);
  const readings = componentReadings(db, ids);
  const changes = liveChanges(db, [...parts.keys()]);
  const changed = changedParts(db, ids);
  return new Map(
    [...parts].map(([machineId, own]) => {
      const set = changes.get(machineId)?.findLast((each) => each.kind === "nozzles")?.at ?? "";
      return [
        machineId,
        own.flatMap(({ id, place }): TestedPart[] => {
          if (place === null) return [];
          const reading = readings.get(id)?.at(-1);
          if (!reading) return [{ id, place, value: null, at: null, person: "", stale: false }];
          const { value, measuredAt: at, person } = reading;
          return [{ id, place, value, at, person, stale: set > at || (changed.get(id) ?? "") > at }];
        }),
      ];
    }),
  );
}
