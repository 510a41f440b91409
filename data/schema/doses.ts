import { sql } from "drizzle-orm";
import { check, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { TrueDose } from "../../core/simulation/dose.ts";
import { PRODUCT_FORMS } from "../../core/yard/product.ts";
import { oneOf } from "./checks.ts";
import { coupling } from "./machines.ts";
import { fact, factSeq } from "./record.ts";

/** How a calibration is set up: the newest counts. The calibration itself is a fact whose topic is its kind, about what its constant is of. */
export const calibrationSetup = sqliteTable("calibration_setup", {
  seq: factSeq(),
  /** SI */
  figures: text({ mode: "json" }).$type<Record<string, number>>().notNull(),
  choices: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
  /** as it was typed, by field */
  texts: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
});

/** One run of a calibration, one part caught, one row counted: part of it. */
export const calibrationRun = sqliteTable("calibration_run", {
  seq: factSeq(),
  /** SI */
  figures: text({ mode: "json" }).$type<Record<string, number>>().notNull(),
  choices: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
  /** positions along a row, SI */
  lists: text({ mode: "json" }).$type<Record<string, number[]>>().notNull(),
  /** as it was typed, by field; empty where the bench made it */
  texts: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
  /** the simulated bench made it */
  simulated: integer({ mode: "boolean" }).notNull().default(false),
});

/** That a run is left out, or again not: the newest counts. */
export const runLeftOut = sqliteTable("run_left_out", {
  seq: factSeq(),
  run: integer()
    .notNull()
    .references(() => calibrationRun.seq),
  out: integer({ mode: "boolean" }).notNull(),
});

/** What a calibration was told from, frozen when it was ended. SI. */
export type CalibrationEvidence = {
  setup: Record<string, number>;
  choices: Record<string, string>;
  figures: Record<string, number>;
  runs: {
    figures: Record<string, number>;
    choices: Record<string, string>;
    lists: Record<string, number[]>;
    leftOut: boolean;
    simulated: boolean;
  }[];
};

/** A calibration was ended: what it found accepted, with the readings that are part of it, or left. */
export const calibrationEnd = sqliteTable(
  "calibration_end",
  {
    seq: factSeq(),
    calibration: integer()
      .notNull()
      .references(() => fact.seq),
    /** the dimension it tells; null where it tells of parts alone */
    constant: text(),
    accepted: integer({ mode: "boolean" }).notNull(),
    /** SI */
    had: real(),
    found: real(),
    error: real(),
    variation: real(),
    runs: integer().notNull(),
    note: text().notNull().default(""),
    /** what it was told from, frozen */
    evidence: text({ mode: "json" }).$type<CalibrationEvidence>().notNull(),
  },
  (table) => [
    check("calibration_end_counts_runs", sql`${table.runs} >= 0`),
    check(
      "calibration_end_accepts_something",
      sql`${table.accepted} = 0 or ${table.constant} is null or ${table.found} is not null`,
    ),
  ],
);

/** What is put out, sown or harvested. A setting. */
export const product = sqliteTable(
  "product",
  {
    id: integer().primaryKey(),
    name: text().notNull(),
    form: text({ enum: PRODUCT_FORMS }).notNull(),
    /** kg/m³; null where nobody told */
    density: real(),
    /** kg for each grain */
    grainMass: real(),
    /** share that comes up in the field */
    establishment: real(),
    /** money for each kg, or for each m³ of a liquid */
    price: real(),
    /** what the price is in, as the yard writes it */
    money: text().notNull().default(""),
    /** what its label permits or advises, kg or m³ on a m²; null where nobody told */
    doseLow: real(),
    doseHigh: real(),
    archivedAt: text(),
  },
  (table) => [
    oneOf("product_form", table.form, PRODUCT_FORMS),
    check("product_is_named", sql`${table.name} <> ''`),
  ],
);

/** What a machine was filled with, or harvests: about the machine. */
export const loaded = sqliteTable("loaded", {
  seq: factSeq(),
  productId: integer()
    .notNull()
    .references(() => product.id),
});

/** What a coupled tool really is on the simulated bench, which no page is told. A setting. */
export const bench = sqliteTable("bench", {
  couplingId: integer()
    .primaryKey()
    .references(() => coupling.id),
  truth: text({ mode: "json" }).$type<TrueDose>().notNull(),
  /** how often it was run: each run has its own chance */
  runs: integer().notNull().default(0),
});
