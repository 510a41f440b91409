import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { OperationKey } from "../../core/trade/operations.ts";
import {
  type AlarmKey,
  type AlarmState,
  type ReadoutKey,
  TRIGGER_KEYS,
  type TriggerKey,
} from "../../core/trade/recording.ts";
import type { Frozen } from "../../core/yard/log.ts";
import { VARIETY_WAYS, type VarietyWay } from "../../core/yard/work.ts";
import { oneOf } from "./checks.ts";
import { product } from "./doses.ts";
import { coupling } from "./machines.ts";
import { type Degrees, field } from "./places.ts";
import { fact, factSeq, photo } from "./record.ts";

/** What grows. A setting. */
export const crop = sqliteTable("crop", { id: integer().primaryKey(), name: text().notNull() }, (table) => [
  uniqueIndex("crop_name").on(table.name),
  check("crop_is_named", sql`${table.name} <> ''`),
]);

/** A variety of a crop. A setting. */
export const variety = sqliteTable(
  "variety",
  {
    id: integer().primaryKey(),
    cropId: integer()
      .notNull()
      .references(() => crop.id),
    name: text().notNull(),
  },
  (table) => [
    uniqueIndex("variety_of_crop").on(table.cropId, table.name),
    check("variety_is_named", sql`${table.name} <> ''`),
  ],
);

const WAYS = Object.keys(VARIETY_WAYS) as [VarietyWay, ...VarietyWay[]];
const TRIGGER = TRIGGER_KEYS as [TriggerKey, ...TriggerKey[]];

/** What a rig is set to do, confirmed by somebody: about the rig, the newest counts. */
export const work = sqliteTable(
  "work",
  {
    seq: factSeq(),
    fieldId: integer()
      .notNull()
      .references(() => field.id),
    operations: text({ mode: "json" }).$type<OperationKey[]>().notNull(),
    cropId: integer().references(() => crop.id),
    varietyWay: text({ enum: WAYS }).notNull(),
    varieties: text({ mode: "json" }).$type<{ id: number; rows: string }[]>().notNull(),
    /** rates in SI */
    products: text({ mode: "json" })
      .$type<{ id: number; rate: number | null; counted: boolean }[]>()
      .notNull(),
    recordedBy: text({ enum: TRIGGER }),
    /** the fact of the line */
    line: integer().references(() => fact.seq),
    season: text().notNull(),
    screen: text({ mode: "json" }).$type<Partial<Record<ReadoutKey, number>>>().notNull(),
    screenActive: integer({ mode: "boolean" }).notNull(),
    alarms: text({ mode: "json" }).$type<Partial<Record<AlarmKey, AlarmState>>>().notNull(),
    mutedRows: text().notNull().default(""),
  },
  (table) => [
    index("work_by_field").on(table.fieldId),
    oneOf("work_variety_way", table.varietyWay, WAYS),
    oneOf("work_recorded_by", table.recordedBy, TRIGGER),
    check("work_has_a_season", sql`${table.season} <> ''`),
  ],
);

/** That somebody began to drive a job, about the rig: what it was set to, and what held then. */
export const workBegun = sqliteTable(
  "work_begun",
  {
    seq: factSeq(),
    work: integer()
      .notNull()
      .references(() => work.seq),
    /** what it was driven with, frozen */
    frozen: text({ mode: "json" }).$type<Frozen>().notNull(),
  },
  (table) => [index("work_begun_of_work").on(table.work)],
);

/** That it was ended: part of its beginning. */
export const workEnded = sqliteTable(
  "work_ended",
  {
    seq: factSeq(),
    /** m²; null where nobody told */
    area: real(),
    /** m² with so many of the tool's parts at work, where it was not whole */
    parts: text({ mode: "json" }).$type<{ parts: number; of: number; area: number }[]>().notNull(),
    /** seconds at work; null where nobody told */
    time: real(),
    /** m³ */
    fuel: real(),
    note: text().notNull().default(""),
  },
  (table) => [
    check("work_ended_area", sql`${table.area} is null or ${table.area} > 0`),
    check("work_ended_time", sql`${table.time} is null or ${table.time} > 0`),
    check("work_ended_fuel", sql`${table.fuel} is null or ${table.fuel} > 0`),
  ],
);

/** What was used of a product, kg or m³ or grains, beside what the rate would have used: part of the beginning. */
export const workUsed = sqliteTable(
  "work_used",
  {
    seq: factSeq(),
    productId: integer()
      .notNull()
      .references(() => product.id),
    amount: real().notNull(),
  },
  (table) => [check("work_used_some", sql`${table.amount} > 0`)],
);

/** A load that left the field: part of the beginning. */
export const workLoad = sqliteTable(
  "work_load",
  {
    seq: factSeq(),
    name: text().notNull(),
    number: text().notNull().default(""),
    destination: text().notNull().default(""),
    /** kg; null where it was not weighed */
    mass: real(),
    /** share of water; null where nobody measured */
    moisture: real(),
  },
  (table) => [
    check("work_load_weighs", sql`${table.mass} is null or ${table.mass} > 0`),
    check("work_load_moisture", sql`${table.moisture} is null or ${table.moisture} between 0 and 1`),
  ],
);

/** Something seen while it was driven, perhaps with a picture: part of the beginning. */
export const workNote = sqliteTable("work_note", {
  seq: factSeq(),
  text: text().notNull(),
  photoId: text().references(() => photo.id),
});

/** Where it was driven, by a receiver's log: part of the beginning. Passes of the antenna, degrees north and east. */
export const workTrack = sqliteTable("work_track", {
  seq: factSeq(),
  fileName: text().notNull(),
  passes: text({ mode: "json" }).$type<{ points: Degrees[]; heading: number; length: number }[]>().notNull(),
});

/** Somebody is asked for one reading of a rig: about the rig, its topic the dimension. Answered by a newer reading. */
export const askedReading = sqliteTable("asked_reading", {
  seq: factSeq(),
  couplingId: integer()
    .notNull()
    .references(() => coupling.id),
  /** why, or how, in the words of who asks */
  note: text().notNull().default(""),
});

/** Which variety stands where on a field, by a file: a fact about the yard whose topic is the field's number; of a crop the newest counts. */
export const varietyMap = sqliteTable("variety_map", {
  seq: factSeq(),
  fieldId: integer()
    .notNull()
    .references(() => field.id),
  cropId: integer()
    .notNull()
    .references(() => crop.id),
  fileName: text().notNull(),
  zones: text({ mode: "json" })
    .$type<{ variety: string; parts: { outer: Degrees[]; holes: Degrees[][] }[] }[]>()
    .notNull(),
});
