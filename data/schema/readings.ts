import { index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { ConditionKey } from "../../core/dimension/condition.ts";
import { ALL_INSTRUMENTS, type Instrument } from "../../core/rig/grade.ts";
import { oneOf } from "./checks.ts";
import { factSeq, photo } from "./record.ts";

/** What somebody read of a dimension, the fact's topic. */
export const reading = sqliteTable(
  "reading",
  {
    seq: factSeq(),
    rawText: text().notNull(),
    /** SI, in the dimension's own direction */
    value: real().notNull(),
    step: real().notNull(),
    /** why a lower grade was let displace a higher one; empty where it did not */
    reason: text().notNull().default(""),
    /** readings of one sitting are repeats of each other */
    sitting: text().notNull(),
    conditions: text({ mode: "json" }).$type<ConditionKey[]>().notNull().default([]),
    note: text().notNull().default(""),
    photoId: text().references(() => photo.id),
    instrument: text().$type<Instrument>().notNull(),
  },
  (table) => [
    index("reading_by_sitting").on(table.sitting),
    oneOf("reading_instrument", table.instrument, ALL_INSTRUMENTS),
  ],
);

/** The sections of an implement, written whole. */
export const sectionLayout = sqliteTable(
  "section_layout",
  { seq: factSeq(), instrument: text().$type<Instrument>().notNull() },
  (table) => [oneOf("section_layout_instrument", table.instrument, ALL_INSTRUMENTS)],
);

export const section = sqliteTable(
  "section",
  {
    layout: integer()
      .notNull()
      .references(() => sectionLayout.seq),
    /** 1 at the left end */
    number: integer().notNull(),
    width: real().notNull(),
    /** metres ahead of the middle of the work; a wing swept back is behind, − */
    ahead: real().notNull().default(0),
    /** what it puts out, where sections differ in that */
    product: text().notNull().default(""),
  },
  (table) => [primaryKey({ columns: [table.layout, table.number] })],
);

/** Something on a machine was changed, of the kind its topic says; older readings it touches are stale. */
export const change = sqliteTable("change", { seq: factSeq(), note: text().notNull().default("") });

/** What an implement told a terminal about itself, a dimension the fact's topic; the newest counts, beside the readings and never among them. */
export const implementTold = sqliteTable("implement_told", {
  seq: factSeq(),
  /** SI, in the dimension's own direction */
  value: real().notNull(),
  rawText: text().notNull(),
});
