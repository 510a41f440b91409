import { integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { FigureForm, LineUnit } from "../../core/card/scheme.ts";
import { oneOf } from "./checks.ts";
import { machine } from "./machines.ts";
import { factSeq } from "./record.ts";

export const scheme = sqliteTable("scheme", {
  id: text().primaryKey(),
  name: text().notNull(),
  asks: text().notNull(),
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
    measure: text({ enum: ["between", "dimension", "track spacing", "choice"] }).notNull(),
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
  },
  (table) => [
    primaryKey({ columns: [table.schemeId, table.position] }),
    oneOf("scheme_line_measure", table.measure, table.measure.enumValues),
    oneOf("scheme_line_sign", table.sign, table.sign.enumValues),
    oneOf("scheme_line_sense", table.sense, ["1", "-1"]),
  ],
);

/** The terminal in a tractor's cab: which scheme it asks by, and what the rig's profile is called there. */
export const terminal = sqliteTable("terminal", {
  tractorId: integer()
    .primaryKey()
    .references(() => machine.id),
  schemeId: text()
    .notNull()
    .references(() => scheme.id),
  profileName: text().notNull().default(""),
  /** what the people here call it */
  name: text().notNull().default(""),
});

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
