import { integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { ONLY_FOR, type OnlyFor } from "../../core/card/only.ts";
import type { EntryStep } from "../../core/card/order.ts";
import { type FigureForm, type LineUnit, MEASURES } from "../../core/card/scheme.ts";
import { oneOf } from "./checks.ts";
import { machine, variant } from "./machines.ts";
import { factSeq } from "./record.ts";

export const scheme = sqliteTable("scheme", {
  id: text().primaryKey(),
  name: text().notNull(),
  asks: text().notNull(),
  /** the steps its terminal is set up by, as a list of their names; empty: the usual ones */
  entryOrder: text({ mode: "json" }).$type<EntryStep[]>().notNull().default([]),
});

export const schemeLine = sqliteTable(
  "scheme_line",
  {
    schemeId: text()
      .notNull()
      .references(() => scheme.id),
    position: integer().notNull(),
    page: text().notNull(),
    label: text().notNull(),
    measure: text({ enum: MEASURES }).notNull(),
    fromPoint: text(),
    toPoint: text(),
    axis: text(),
    dimension: text(),
    choice: text(),
    sense: integer().notNull(),
    unit: text().$type<LineUnit>().notNull(),
    decimals: integer().notNull(),
    sign: text({ enum: ["signed", "words", "unsigned"] }).notNull(),
    plusWord: text().notNull().default(""),
    minusWord: text().notNull().default(""),
    /** which tools it is shown for */
    onlyFor: text({ enum: ONLY_FOR as [OnlyFor, ...OnlyFor[]] })
      .notNull()
      .default("every"),
  },
  (table) => [
    primaryKey({ columns: [table.schemeId, table.position] }),
    oneOf("scheme_line_measure", table.measure, table.measure.enumValues),
    oneOf("scheme_line_sign", table.sign, table.sign.enumValues),
    oneOf("scheme_line_only_for", table.onlyFor, ONLY_FOR),
    oneOf("scheme_line_sense", table.sense, ["1", "-1"]),
  ],
);

/** The terminal in a tractor's cab, and which scheme it asks by. */
export const terminal = sqliteTable("terminal", {
  tractorId: integer()
    .primaryKey()
    .references(() => machine.id),
  schemeId: text()
    .notNull()
    .references(() => scheme.id),
  /** what the people here call it */
  name: text().notNull().default(""),
});

/** What a terminal's profile of an implement is called, of each of its variants; without one it is that of the whole tool. */
export const profile = sqliteTable(
  "profile",
  {
    id: integer().primaryKey(),
    implementId: integer()
      .notNull()
      .references(() => machine.id),
    variantId: integer().references(() => variant.id),
    name: text().notNull(),
  },
  (table) => [uniqueIndex("profile_of").on(table.implementId, table.variantId)],
);

/** A card as it went to the cab, numbered by tractor; its lines are frozen. */
export const card = sqliteTable(
  "card",
  {
    seq: factSeq(),
    tractorId: integer()
      .notNull()
      .references(() => machine.id),
    number: integer().notNull(),
    schemeName: text().notNull(),
    profileName: text().notNull(),
    terminalName: text().notNull().default(""),
    /** in which order it was to be typed in; empty: the usual one */
    entryOrder: text({ mode: "json" }).$type<EntryStep[]>().notNull().default([]),
  },
  (table) => [uniqueIndex("card_number").on(table.tractorId, table.number)],
);

export const cardLine = sqliteTable(
  "card_line",
  {
    card: integer()
      .notNull()
      .references(() => card.seq),
    position: integer().notNull(),
    page: text().notNull(),
    label: text().notNull(),
    figure: text().notNull(),
    word: text().notNull(),
    form: text({ mode: "json" }).$type<FigureForm>().notNull(),
    derivation: text().notNull(),
    grade: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.card, table.position] })],
);

/** What a terminal showed for one line of a numbered card, the fact's topic; the newest counts. */
export const readback = sqliteTable(
  "readback",
  {
    seq: factSeq(),
    position: integer().notNull(),
    shown: text().notNull(),
    word: text().notNull(),
    outcome: text({ enum: ["match", "differs", "missing"] }).notNull(),
    /** "−1.2 in", empty on a match */
    by: text().notNull(),
    /** where it differs: whose number is wrong */
    wrong: text({ enum: ["", "terminal", "card"] }).notNull(),
  },
  (table) => [
    oneOf("readback_outcome", table.outcome, table.outcome.enumValues),
    oneOf("readback_wrong", table.wrong, table.wrong.enumValues),
  ],
);
