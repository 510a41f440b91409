/** A reading and a section layout as facts: the one way they are written, whoever brings them. */
import { sql } from "drizzle-orm";
import type { SectionPart } from "../core/rig/facts.ts";
import type { Instrument } from "../core/rig/grade.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { type NewFact, record, type Told } from "./record.ts";
import { reading, section, sectionLayout } from "./schema/index.ts";
import { numberOf } from "./sent.ts";

export const READING = "reading";
export const SECTIONS = "sections";

/** What a fact is given besides its kind. */
type Of = Omit<NewFact, "kind">;
type ReadingRow = Omit<typeof reading.$inferInsert, "seq" | "sitting"> & {
  /** repeats share it; without one the reading stands alone */
  sitting?: string | undefined;
};

/** Writes a reading, its topic the dimension, and what comes with it; returns its id. One whose id is there already is left as it is. */
export function writeReading(
  db: Database,
  { id = numberOf(), ...of }: Of,
  told: Told,
  { sitting = id, reason = "", note = "", conditions = [], photoId = null, ...read }: ReadingRow,
  more: (seq: number) => void = () => {},
): string {
  return record(db, { kind: READING, id, ...of }, told, (seq) => {
    readingAdded(db).run({ ...read, seq, sitting, reason, note, conditions, photoId });
    more(seq);
  });
}

/** Adds what a reading keeps of its own: built once, as it is what phones send all day. */
const readingAdded = (db: Database) =>
  prepared(db, "reading added", () =>
    db
      .insert(reading)
      .values({
        seq: sql.placeholder("seq"),
        rawText: sql.placeholder("rawText"),
        value: sql.placeholder("value"),
        step: sql.placeholder("step"),
        reason: sql.placeholder("reason"),
        sitting: sql.placeholder("sitting"),
        conditions: sql.placeholder("conditions"),
        note: sql.placeholder("note"),
        photoId: sql.placeholder("photoId"),
        instrument: sql.placeholder("instrument"),
      })
      .prepare(),
  );

export type Layout = {
  instrument: Instrument;
  /** metres, left to right */
  widths: readonly number[];
  /** one a section; empty where all lie on one line and put out the same */
  parts?: readonly SectionPart[];
};

/** Writes a section layout, whole; returns its id. */
export function writeSections(
  db: Database,
  of: Of,
  told: Told,
  { instrument, widths, parts = [] }: Layout,
): string {
  return record(db, { kind: SECTIONS, ...of }, told, (seq) => {
    db.insert(sectionLayout).values({ seq, instrument }).run();
    db.insert(section)
      .values(widths.map((width, index) => ({ layout: seq, number: index + 1, width, ...parts[index] })))
      .run();
  });
}
