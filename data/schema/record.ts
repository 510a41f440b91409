import { type SQL, sql } from "drizzle-orm";
import {
  type AnySQLiteColumn,
  blob,
  check,
  index,
  integer,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import { atMostOne, oneOf } from "./checks.ts";
import { component, coupling, machine, point, rig, variant } from "./machines.ts";

/**
 * What happened: one row each, whatever kind it is, numbered in the order it came in. Nothing changes or deletes a fact, the database itself
 * refuses it; taking one back is a fact too. What a kind has of its own stands in a table under the same number.
 */
export const fact = sqliteTable(
  "fact",
  {
    seq: integer().primaryKey({ autoIncrement: true }),
    /** given by the device that wrote it, so that what is sent twice is kept once */
    id: text().notNull(),
    kind: text().notNull(),
    /** what it is about: one of these, or with none the yard */
    machineId: integer().references(() => machine.id),
    pointId: integer().references(() => point.id),
    couplingId: integer().references(() => coupling.id),
    rigId: integer().references(() => rig.id),
    componentId: integer().references(() => component.id),
    /** the variant of the implement it speaks of; null: the implement works whole, or it is the same on all */
    variantId: integer().references(() => variant.id),
    /** what of it: a dimension, a line of a list; empty where the kind says all */
    topic: text().notNull().default(""),
    /** ISO 8601, UTC: by the device's clock set right, and by the server's */
    happened: text().notNull(),
    arrived: text().notNull(),
    /** in whose name, as it was said */
    named: text().notNull(),
    /** who the device belongs to it was sent from, where that is known */
    deviceOf: text(),
    /** the fact it came with: an import, an accepted test, a card. What it belongs to is taken back with all of it */
    partOf: integer().references((): AnySQLiteColumn => fact.seq),
    /** of a take-back: what it takes back */
    takesBack: integer().references((): AnySQLiteColumn => fact.seq),
    about: text().generatedAlwaysAs(
      (): SQL =>
        sql`case when machine_id is not null then 'machine ' || machine_id when point_id is not null then 'point ' || point_id when coupling_id is not null then 'coupling ' || coupling_id when rig_id is not null then 'rig ' || rig_id when component_id is not null then 'component ' || component_id else 'yard' end`,
    ),
    /** in whose name, and whose device it came from where that is somebody else's */
    person: text()
      .notNull()
      .generatedAlwaysAs(
        (): SQL =>
          sql`case when device_of is null or lower(trim(named)) = lower(trim(device_of)) then named else named || ' (on ' || device_of || '’s device)' end`,
      ),
    /** facts of one kind in one slot displace each other: the newest counts */
    slot: text().generatedAlwaysAs((): SQL => sql`topic || '/' || coalesce(variant_id, '')`),
  },
  (table) => [
    uniqueIndex("fact_id").on(table.id),
    uniqueIndex("fact_taken_back_once").on(table.takesBack).where(sql`${table.takesBack} is not null`),
    index("fact_by_slot").on(table.about, table.kind, table.slot, table.happened),
    index("fact_settings").on(table.kind).where(sql`${table.kind} = 'setting'`),
    index("fact_by_part").on(table.partOf).where(sql`${table.partOf} is not null`),
    atMostOne("fact_is_about_one_thing", [
      table.machineId,
      table.pointId,
      table.couplingId,
      table.rigId,
      table.componentId,
    ]),
    check("fact_kind_is_told", sql`${table.kind} <> ''`),
    check(
      "fact_is_a_take_back_or_none",
      sql`(${table.kind} = 'take-back') = (${table.takesBack} is not null)`,
    ),
    check("fact_has_times", sql`${table.happened} >= '2' and ${table.arrived} >= '2'`),
  ],
);

/** A picture somebody took with a reading. Nothing changes or deletes one. */
export const photo = sqliteTable(
  "photo",
  {
    id: text().primaryKey(),
    type: text({ enum: ["image/jpeg", "image/png", "image/webp"] }).notNull(),
    bytes: blob({ mode: "buffer" }).notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [oneOf("photo_type", table.type, table.type.enumValues)],
);

/** The number of the fact a row says more of. */
export const factSeq = () =>
  integer()
    .primaryKey()
    .references(() => fact.seq);

/** A file that was read and waits for somebody to look at it; the import is a fact once it was taken over. A setting. */
export const upload = sqliteTable("upload", {
  id: text().primaryKey(),
  fileName: text().notNull(),
  /** SHA-256 of the file */
  hash: text().notNull(),
  /** what was read in it, as JSON */
  content: text().notNull(),
  arrived: text().notNull(),
});

/** A file that was taken over: what it wrote is part of it. */
export const imported = sqliteTable("imported", {
  seq: factSeq(),
  fileName: text().notNull(),
  hash: text().notNull(),
  content: text().notNull(),
});
