import { sql } from "drizzle-orm";
import { check, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { LINE_KINDS } from "../../core/place/line.ts";
import { oneOf } from "./checks.ts";
import { fact, factSeq } from "./record.ts";

/** Whom work is done for. A setting. */
export const client = sqliteTable(
  "client",
  { id: integer().primaryKey(), name: text().notNull(), archivedAt: text() },
  (table) => [check("client_is_named", sql`${table.name} <> ''`)],
);

/** A farm of a client. A setting. */
export const farm = sqliteTable(
  "farm",
  {
    id: integer().primaryKey(),
    /** null where nobody told whose it is */
    clientId: integer().references(() => client.id),
    name: text().notNull(),
    archivedAt: text(),
  },
  (table) => [check("farm_is_named", sql`${table.name} <> ''`)],
);

/** A field by its name; where it lies is a fact. A setting. */
export const field = sqliteTable(
  "field",
  {
    id: integer().primaryKey(),
    /** null where nobody told whose it is */
    farmId: integer().references(() => farm.id),
    name: text().notNull(),
    archivedAt: text(),
  },
  (table) => [check("field_is_named", sql`${table.name} <> ''`)],
);

/** Latitude and longitude in degrees, nine decimals at most. */
export type Degrees = [latitude: number, longitude: number];

export const BOUNDARY_SOURCES = ["coordinates", "log", "file"] as const;
export type BoundarySource = (typeof BOUNDARY_SOURCES)[number];

/** Where a field ends: its fact is about the yard and its topic the field's number, so that the newest counts. */
export const boundary = sqliteTable(
  "boundary",
  {
    seq: factSeq(),
    fieldId: integer()
      .notNull()
      .references(() => field.id),
    parts: text({ mode: "json" }).$type<{ outer: Degrees[]; holes: Degrees[][] }[]>().notNull(),
    source: text({ enum: BOUNDARY_SOURCES }).notNull(),
    /** the file, or how it was driven */
    note: text().notNull().default(""),
  },
  (table) => [oneOf("boundary_source", table.source, BOUNDARY_SOURCES)],
);

/** A guidance line of a field: a fact about the yard whose topic is the field's number. */
export const guidanceLine = sqliteTable(
  "guidance_line",
  {
    seq: factSeq(),
    fieldId: integer()
      .notNull()
      .references(() => field.id),
    name: text().notNull(),
    kind: text({ enum: LINE_KINDS }).notNull(),
    points: text({ mode: "json" }).$type<Degrees[]>().notNull(),
    /** degrees clockwise of north, of a line told by one */
    heading: real(),
    /** metres, of a circle */
    radius: real(),
  },
  (table) => [
    oneOf("guidance_line_kind", table.kind, LINE_KINDS),
    check("guidance_line_is_named", sql`${table.name} <> ''`),
    check("guidance_line_has_its_heading", sql`(${table.kind} = 'heading') = (${table.heading} is not null)`),
    check("guidance_line_has_its_radius", sql`(${table.kind} = 'circle') = (${table.radius} is not null)`),
  ],
);

/** A line was shifted in a terminal: part of no other fact, so that it is taken back by itself. */
export const lineShift = sqliteTable(
  "line_shift",
  {
    seq: factSeq(),
    line: integer()
      .notNull()
      .references(() => fact.seq),
    /** metres to the right of the way from A to B; outwards of a circle */
    amount: real().notNull(),
    reason: text().notNull(),
  },
  (table) => [
    check("line_shift_moves_it", sql`${table.amount} <> 0`),
    check("line_shift_has_a_reason", sql`${table.reason} <> ''`),
  ],
);

/** The base a receiver was corrected from stood elsewhere than it was told: a fact about the yard. A mark measured before shows by how much. */
export const baseShift = sqliteTable(
  "base_shift",
  {
    seq: factSeq(),
    /** which base, in the words of who says so */
    base: text().notNull(),
    /** work on fields of this farm only; null: on all */
    farmId: integer().references(() => farm.id),
    /** ISO 8601, UTC; `until` null: it still stands there */
    since: text().notNull(),
    until: text(),
    /** where the mark is, and where the receiver showed it */
    mark: text({ mode: "json" }).$type<Degrees>().notNull(),
    shown: text({ mode: "json" }).$type<Degrees>().notNull(),
  },
  (table) => [
    check("base_shift_names_it", sql`${table.base} <> ''`),
    check("base_shift_ends_later", sql`${table.until} is null or ${table.until} > ${table.since}`),
  ],
);
