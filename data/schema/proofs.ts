import { integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import type { Evidence } from "../../core/job/evidence.ts";
import type { TestConditions } from "../../core/trade/field-conditions.ts";
import { rig } from "./machines.ts";
import { reading } from "./readings.ts";
import { fact, factSeq } from "./record.ts";

/** A field test that confirms a sum. It holds while the readings it was fitted to are the ones that count. */
export const proof = sqliteTable("proof", {
  seq: factSeq(),
  what: text().notNull(),
  how: text().notNull(),
  result: text().notNull(),
  /** standard error of the sum, SI; null where nobody fitted it */
  sigma: real(),
  /** the reading it wrote; null where it confirmed what stood */
  wrote: integer().references(() => reading.seq),
  /** the job it came of */
  test: integer().references(() => fact.seq),
  /** what it was fitted to, frozen: observations, conditions, figures */
  evidence: text({ mode: "json" }).$type<Evidence>(),
});

/** The sum a proof confirms: coefficient × dimension. */
export const proofTerm = sqliteTable(
  "proof_term",
  {
    proof: integer()
      .notNull()
      .references(() => proof.seq),
    dimension: text().$type<DimensionKey>().notNull(),
    coefficient: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.proof, table.dimension] })],
);

/** The readings a proof was fitted to. */
export const proofReading = sqliteTable(
  "proof_reading",
  {
    proof: integer()
      .notNull()
      .references(() => proof.seq),
    reading: integer()
      .notNull()
      .references(() => reading.seq),
  },
  (table) => [primaryKey({ columns: [table.proof, table.reading] })],
);

/** How a field test is set up: the newest counts. The test itself is a fact whose topic is its kind. */
export const testSetup = sqliteTable("test_setup", {
  seq: factSeq(),
  conditions: text({ mode: "json" }).$type<TestConditions>().notNull(),
  /** the track spacing the terminal had, metres */
  spacing: real(),
  /** joints taped from row to row */
  rowToRow: integer({ mode: "boolean" }).notNull().default(false),
  /** what was read in a log, in words */
  note: text().notNull().default(""),
});

/** One thing measured in a field test. */
export const observation = sqliteTable("observation", {
  seq: factSeq(),
  /** SI */
  values: text({ mode: "json" }).$type<Record<string, number>>().notNull(),
  choices: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
  /** as it was typed, by field; empty where it came in a file */
  texts: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
});

/** That an observation is left out of the fit, or again not: the newest counts. */
export const leftOut = sqliteTable("left_out", {
  seq: factSeq(),
  observation: integer()
    .notNull()
    .references(() => observation.seq),
  out: integer({ mode: "boolean" }).notNull(),
});

/** A rig of the simulated field: what it really is, which no page is told, and what its terminal was fed. A setting. */
export const practice = sqliteTable("practice", {
  rigId: integer()
    .primaryKey()
    .references(() => rig.id),
  seed: integer().notNull(),
  /** by coupling */
  truths: text({ mode: "json" }).$type<Record<string, unknown>>().notNull(),
  terminal: text({ mode: "json" }).$type<Record<string, unknown>>().notNull(),
  /** how often it was driven: each drive has its own chance */
  drives: integer().notNull().default(0),
  at: text().notNull(),
});
