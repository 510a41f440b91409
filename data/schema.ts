import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { LengthStyle } from "../core/quantity/length.ts";
import type { Instrument } from "../core/rig/grade.ts";

export const machine = sqliteTable("machine", {
  id: integer().primaryKey(),
  kind: text({ enum: ["tractor", "implement"] }).notNull(),
  make: text().notNull(),
  model: text().notNull(),
  fleetNumber: text().notNull().default(""),
  serial: text().notNull().default(""),
  /** ISO 11783-5 NAME, 16 hex digits; empty where the machine has no bus or nobody read it */
  busName: text().notNull().default(""),
});

/** A hole, a mount: which one is identity. Back in hole 2, its readings are current again. */
export const point = sqliteTable("point", {
  id: integer().primaryKey(),
  machineId: integer()
    .notNull()
    .references(() => machine.id),
  kind: text({ enum: ["receiver mount", "drawbar hole"] }).notNull(),
  label: text().notNull(),
});

export const rig = sqliteTable("rig", {
  id: integer().primaryKey(),
  name: text().notNull(),
  tractorId: integer()
    .notNull()
    .references(() => machine.id),
  receiverPointId: integer()
    .notNull()
    .references(() => point.id),
});

export const coupling = sqliteTable("coupling", {
  id: integer().primaryKey(),
  rigId: integer()
    .notNull()
    .references(() => rig.id),
  parentPointId: integer()
    .notNull()
    .references(() => point.id),
  implementId: integer()
    .notNull()
    .references(() => machine.id),
});

const stamps = {
  instrument: text().$type<Instrument>().notNull(),
  person: text().notNull(),
  /** ISO 8601, UTC */
  measuredAt: text().notNull(),
  recordedAt: text().notNull(),
};

/** What somebody read: append only. Exactly one of machine, point and coupling is the subject. */
export const reading = sqliteTable(
  "reading",
  {
    id: text().primaryKey(),
    dimension: text().$type<DimensionKey>().notNull(),
    machineId: integer().references(() => machine.id),
    pointId: integer().references(() => point.id),
    couplingId: integer().references(() => coupling.id),
    rawText: text().notNull(),
    /** SI, in the dimension's own direction */
    value: real().notNull(),
    step: real().notNull(),
    /** why a lower grade was let displace a higher one; empty where it did not */
    reason: text().notNull().default(""),
    ...stamps,
  },
  (table) => [
    index("reading_by_machine").on(table.machineId, table.dimension),
    index("reading_by_point").on(table.pointId, table.dimension),
    index("reading_by_coupling").on(table.couplingId, table.dimension),
    check(
      "reading_has_one_subject",
      sql`(${table.machineId} IS NOT NULL) + (${table.pointId} IS NOT NULL) + (${table.couplingId} IS NOT NULL) = 1`,
    ),
  ],
);

/** The sections of an implement, written whole. */
export const sectionLayout = sqliteTable(
  "section_layout",
  {
    id: text().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    ...stamps,
  },
  (table) => [index("section_layout_by_machine").on(table.machineId)],
);

export const section = sqliteTable(
  "section",
  {
    layoutId: text()
      .notNull()
      .references(() => sectionLayout.id),
    /** 1 at the left end */
    number: integer().notNull(),
    width: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.layoutId, table.number] })],
);

/** Undo: takes a reading or a section layout back without deleting it. */
export const retraction = sqliteTable(
  "retraction",
  {
    id: text().primaryKey(),
    readingId: text().references(() => reading.id),
    layoutId: text().references(() => sectionLayout.id),
    person: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [
    index("retraction_by_reading").on(table.readingId),
    index("retraction_by_layout").on(table.layoutId),
  ],
);

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
    unit: text().$type<LengthStyle>().notNull(),
    decimals: integer().notNull(),
    sign: text({ enum: ["signed", "words", "unsigned"] }).notNull(),
    plusWord: text().notNull().default(""),
    minusWord: text().notNull().default(""),
  },
  (table) => [primaryKey({ columns: [table.schemeId, table.position] })],
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
});
