import { sql } from "drizzle-orm";
import {
  blob,
  check,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import type { FigureForm } from "../core/card/scheme.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { ChangeKind } from "../core/dimension/change.ts";
import type { ConditionKey } from "../core/dimension/condition.ts";
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
  archivedAt: text(),
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
  archivedAt: text(),
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

/** What somebody brought in at once: an imported file, first as a preview, then taken over. Append only but for its state. */
export const batch = sqliteTable("batch", {
  id: text().primaryKey(),
  kind: text({ enum: ["import"] }).notNull(),
  fileName: text().notNull(),
  /** SHA-256 of the file */
  hash: text().notNull(),
  /** what was read in it, as JSON */
  content: text().notNull(),
  state: text({ enum: ["preview", "taken"] }).notNull(),
  person: text().notNull().default(""),
  recordedAt: text().notNull(),
});

export const photo = sqliteTable("photo", {
  id: text().primaryKey(),
  type: text({ enum: ["image/jpeg", "image/png", "image/webp"] }).notNull(),
  bytes: blob({ mode: "buffer" }).notNull(),
  recordedAt: text().notNull(),
});

const stamps = {
  instrument: text().$type<Instrument>().notNull(),
  person: text().notNull(),
  /** ISO 8601, UTC */
  measuredAt: text().notNull(),
  recordedAt: text().notNull(),
  batchId: text().references(() => batch.id),
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
    /** readings of one sitting are repeats of each other */
    sitting: text().notNull().default(""),
    conditions: text({ mode: "json" }).$type<ConditionKey[]>().notNull().default([]),
    note: text().notNull().default(""),
    photoId: text().references(() => photo.id),
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

/** Something on a machine was changed; older readings it touches are stale. Append only. */
export const change = sqliteTable(
  "change",
  {
    id: text().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    kind: text().$type<ChangeKind>().notNull(),
    note: text().notNull().default(""),
    person: text().notNull(),
    /** when it was changed, ISO 8601, UTC */
    at: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [index("change_by_machine").on(table.machineId)],
);

/** A field test of a rig. Append only. */
export const proof = sqliteTable(
  "proof",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    what: text().notNull(),
    how: text().notNull(),
    result: text().notNull(),
    person: text().notNull(),
    at: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [index("proof_by_rig").on(table.rigId)],
);

/** The sum a proof confirms: coefficient × dimension. */
export const proofTerm = sqliteTable(
  "proof_term",
  {
    proofId: text()
      .notNull()
      .references(() => proof.id),
    dimension: text().$type<DimensionKey>().notNull(),
    coefficient: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.proofId, table.dimension] })],
);

/** Undo: takes a reading, a layout, an import, a change or a proof back without deleting it. */
export const retraction = sqliteTable(
  "retraction",
  {
    id: text().primaryKey(),
    readingId: text().references(() => reading.id),
    layoutId: text().references(() => sectionLayout.id),
    batchId: text().references(() => batch.id),
    changeId: text().references(() => change.id),
    proofId: text().references(() => proof.id),
    person: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [
    index("retraction_by_reading").on(table.readingId),
    index("retraction_by_layout").on(table.layoutId),
    index("retraction_by_batch").on(table.batchId),
    index("retraction_by_change").on(table.changeId),
    index("retraction_by_proof").on(table.proofId),
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
  /** what the people here call it */
  name: text().notNull().default(""),
});

/** A card as it went to the cab, numbered by tractor; its lines are frozen. Append only. */
export const card = sqliteTable(
  "card",
  {
    id: integer().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    tractorId: integer()
      .notNull()
      .references(() => machine.id),
    number: integer().notNull(),
    schemeName: text().notNull(),
    profileName: text().notNull(),
    terminalName: text().notNull().default(""),
    person: text().notNull(),
    issuedAt: text().notNull(),
  },
  (table) => [
    uniqueIndex("card_number").on(table.tractorId, table.number),
    index("card_by_rig").on(table.rigId),
  ],
);

export const cardLine = sqliteTable(
  "card_line",
  {
    cardId: integer()
      .notNull()
      .references(() => card.id),
    position: integer().notNull(),
    page: text().notNull(),
    label: text().notNull(),
    figure: text().notNull(),
    word: text().notNull(),
    form: text({ mode: "json" }).$type<FigureForm>().notNull(),
    derivation: text().notNull(),
    grade: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.cardId, table.position] })],
);

/** What a terminal showed for one line of a numbered card. Append only; the newest counts. */
export const readback = sqliteTable(
  "readback",
  {
    id: text().primaryKey(),
    cardId: integer()
      .notNull()
      .references(() => card.id),
    position: integer().notNull(),
    shown: text().notNull(),
    word: text().notNull(),
    outcome: text({ enum: ["match", "differs", "missing"] }).notNull(),
    /** "−1.2 in", empty on a match */
    by: text().notNull(),
    /** where it differs: whose number is wrong */
    wrong: text({ enum: ["", "terminal", "card"] }).notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("readback_by_card").on(table.cardId)],
);
