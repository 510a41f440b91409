/** Guided strips: begun for a field, looked at step by step, and what they came to. */
import { and, eq, inArray, isNull, or, sql } from "drizzle-orm";
import type { Ground, Look, PartGround, Preset, Seen, Strip } from "../core/yard/ground.ts";
import type { Database } from "./handle.ts";
import { listed, prepared } from "./prepared.ts";
import { aboutsOf, factOf, newestFirst, record, settingChanged, standingOf, type Told } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { fact, look, lookSetting, preset, presetSetting, school, strip } from "./schema/index.ts";

export const STRIP = "strip";
export const LOOK = "look";
export const PRESET = "preset";

/** Where adjusters stand, in steps, by component. */
type Settings = ReadonlyMap<number, number>;

/** As the tables hold it. */
export const settingRows = (settings: Settings) =>
  Array.from(settings, ([componentId, steps]) => ({ componentId, steps }));

/** Begins a strip of a coupled tool; returns its id. */
export function beginStrip(
  db: Database,
  couplingId: number,
  ground: Ground & { id?: string },
  told: Told,
): string {
  const { id, ...rest } = ground;
  return record(db, { kind: STRIP, about: { couplingId }, id }, told, (seq) => {
    db.insert(strip)
      .values({ seq, ...rest })
      .run();
  });
}

export type NewLook = Seen & { step: string; texts: Readonly<Record<string, string>>; id?: string };

/** Keeps what was seen at a step of a strip, with where the adjusters stand; returns its id. @throws RangeError where there is no such strip */
export function keepLook(
  db: Database,
  stripId: string,
  settings: Settings,
  { step, id, figures, lists, choices, texts }: NewLook,
  told: Told,
): string {
  const begun = factOf(db, stripId);
  if (begun?.kind !== STRIP) throw new RangeError(`no strip ${stripId}`);
  const about = { couplingId: begun.couplingId };
  return record(db, { kind: LOOK, about, topic: step, partOf: begun.seq, id }, told, (seq) => {
    db.insert(look)
      .values({ seq, figures, lists, choices, texts: { ...texts } })
      .run();
    const stood = settingRows(settings);
    if (stood.length > 0)
      db.insert(lookSetting)
        .values(stood.map((each) => ({ look: seq, ...each })))
        .run();
  });
}

export type NewPreset = Ground & {
  name: string;
  depth: number | null;
  good: number;
  all: number;
  id?: string;
};

/** Keeps what a strip of an implement came to; returns its id. */
export function keepPreset(
  db: Database,
  machineId: number,
  settings: Settings,
  { id, all: steps, ...rest }: NewPreset,
  told: Told,
): string {
  return record(db, { kind: PRESET, about: { machineId }, id }, told, (seq) => {
    db.insert(preset)
      .values({ seq, ...rest, steps })
      .run();
    const stood = settingRows(settings);
    if (stood.length > 0)
      db.insert(presetSetting)
        .values(stood.map((each) => ({ preset: seq, ...each })))
        .run();
  });
}

/** Follows a school: the yard does, or with a coupling that one alone. Null leaves a coupling to the yard's. */
export function followSchool(
  db: Database,
  { key, couplingId, practice }: { key: string; couplingId: number | null; practice: string | null },
  by: Told,
): void {
  db.transaction(() => {
    settingChanged(db, `school ${key}`, couplingId === null ? {} : { couplingId }, by);
    const of = couplingId === null ? isNull(school.couplingId) : eq(school.couplingId, couplingId);
    db.delete(school)
      .where(and(eq(school.key, key), of))
      .run();
    if (practice !== null) db.insert(school).values({ key, couplingId, practice }).run();
  });
}

/** Strip, looks, presets and schools of each tool, by the id of its coupling. */
export function stripsOfTools(
  db: Database,
  tools: readonly Pick<RigTool, "couplingId" | "implement">[],
): Map<number, Pick<PartGround, "strip" | "looks" | "presets" | "schools">> {
  const couplings = tools.map(({ couplingId }) => couplingId);
  const abouts = aboutsOf({ coupling: couplings });
  const strips = newestStrips(db, abouts);
  const looks = looksOf(
    db,
    abouts,
    [...strips.values()].map(({ seq }) => seq),
  );
  const presets = presetsOf(
    db,
    tools.map(({ implement }) => implement.id),
  );
  const schools = schoolsOf(db, couplings);
  return new Map(
    tools.map(({ couplingId, implement }) => {
      const begun = strips.get(couplingId);
      return [
        couplingId,
        {
          strip: begun?.strip ?? null,
          looks: begun ? (looks.get(begun.seq) ?? []) : [],
          presets: presets.get(implement.id) ?? [],
          schools: schools.get(couplingId)!,
        },
      ];
    }),
  );
}

function newestStrips(db: Database, abouts: string): Map<number, { seq: number; strip: Strip }> {
  const query = prepared(db, "strips", () =>
    db
      .select({ fact, strip })
      .from(fact)
      .innerJoin(strip, eq(strip.seq, fact.seq))
      .where(standingOf(STRIP))
      .orderBy(...newestFirst)
      .prepare(),
  );
  const found = new Map<number, { seq: number; strip: Strip }>();
  for (const { fact: of, strip: row } of query.all({ abouts })) {
    const { id, seq, couplingId, person, happened: at } = of;
    const { field, soil, moisture, crop } = row;
    if (!found.has(couplingId!))
      found.set(couplingId!, { seq, strip: { id, field, soil, moisture, crop, person, at } });
  }
  return found;
}

/** Of these strips alone: looks of earlier ones are history, and may be many. */
const ofStrips = sql`${fact.partOf} in (select value from json_each(${sql.placeholder("strips")}))`;

/** Looks that stand, by the number of the strip they are part of, the newest first. */
function looksOf(db: Database, abouts: string, seqs: readonly number[]): Map<number, Look[]> {
  const strips = listed(seqs);
  const query = prepared(db, "looks", () =>
    db
      .select({ fact, look })
      .from(fact)
      .innerJoin(look, eq(look.seq, fact.seq))
      .where(and(standingOf(LOOK), ofStrips))
      .orderBy(...newestFirst)
      .prepare(),
  );
  const settings = prepared(db, "settings of looks", () =>
    db
      .select({ look: lookSetting.look, componentId: lookSetting.componentId, steps: lookSetting.steps })
      .from(fact)
      .innerJoin(lookSetting, eq(lookSetting.look, fact.seq))
      .where(and(standingOf(LOOK), ofStrips))
      .prepare(),
  );
  const found = new Map<number, Look[]>();
  const bySeq = new Map<number, Map<number, number>>();
  for (const { fact: of, look: row } of query.all({ abouts, strips })) {
    const stood = new Map<number, number>();
    bySeq.set(of.seq, stood);
    const { figures, lists, choices, texts } = row;
    const read: Look = {
      id: of.id,
      step: of.topic,
      figures,
      lists,
      choices,
      texts,
      settings: stood,
      person: of.person,
      at: of.happened,
    };
    found.set(of.partOf!, [...(found.get(of.partOf!) ?? []), read]);
  }
  for (const { look: seq, componentId, steps } of settings.all({ abouts, strips }))
    bySeq.get(seq)?.set(componentId, steps);
  return found;
}

function presetsOf(db: Database, machineIds: readonly number[]): Map<number, Preset[]> {
  const query = prepared(db, "presets", () =>
    db
      .select({ fact, preset })
      .from(fact)
      .innerJoin(preset, eq(preset.seq, fact.seq))
      .where(standingOf(PRESET))
      .orderBy(...newestFirst)
      .prepare(),
  );
  const settings = prepared(db, "settings of presets", () =>
    db
      .select({
        preset: presetSetting.preset,
        componentId: presetSetting.componentId,
        steps: presetSetting.steps,
      })
      .from(fact)
      .innerJoin(presetSetting, eq(presetSetting.preset, fact.seq))
      .where(standingOf(PRESET))
      .prepare(),
  );
  const abouts = aboutsOf({ machine: machineIds });
  const found = new Map<number, Preset[]>();
  const bySeq = new Map<number, Map<number, number>>();
  for (const { fact: of, preset: row } of query.all({ abouts })) {
    const stood = new Map<number, number>();
    bySeq.set(of.seq, stood);
    const { seq: _, steps: all, ...rest } = row;
    const read: Preset = { ...rest, all, id: of.id, settings: stood, person: of.person, at: of.happened };
    found.set(of.machineId!, [...(found.get(of.machineId!) ?? []), read]);
  }
  for (const { preset: seq, componentId, steps } of settings.all({ abouts }))
    bySeq.get(seq)?.set(componentId, steps);
  return found;
}

/** The yard's schools, and over them each coupling's own. */
function schoolsOf(db: Database, couplings: readonly number[]): Map<number, ReadonlyMap<string, string>> {
  const rows = db
    .select()
    .from(school)
    .where(or(isNull(school.couplingId), inArray(school.couplingId, [...couplings])))
    .all();
  const pairs = (of: number | null) =>
    rows.filter(({ couplingId }) => couplingId === of).map(({ key, practice }) => [key, practice] as const);
  const yard = pairs(null);
  return new Map(couplings.map((id) => [id, new Map([...yard, ...pairs(id)])]));
}
