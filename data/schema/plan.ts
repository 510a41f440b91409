import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { KeptPlan } from "../../core/season/plan/kept.ts";
import { RERIG_KEYS, type RerigAct } from "../../core/season/rerig.ts";
import { oneOf } from "./checks.ts";
import { machine, rig } from "./machines.ts";
import { field } from "./places.ts";
import { factSeq } from "./record.ts";

const ACTS = RERIG_KEYS as [RerigAct, ...RerigAct[]];

/** Something that has to be done in a season, within a window of days. A setting. SI. */
export const planJob = sqliteTable(
  "plan_job",
  {
    id: integer().primaryKey(),
    name: text().notNull(),
    /** null where it is on several fields, or none that is told */
    fieldId: integer().references(() => field.id),
    /** m²; null: the field's */
    area: real(),
    /** days, YYYY-MM-DD, both in it */
    opens: text().notNull(),
    closes: text().notNull(),
    /** seconds a day at most; null: as long as the day's */
    most: real(),
    /** m² a second, where somebody told; null: as the rigs do */
    rate: real(),
    archivedAt: text(),
  },
  (table) => [
    check("plan_job_is_named", sql`${table.name} <> ''`),
    check("plan_job_has_a_window", sql`${table.closes} >= ${table.opens}`),
    check(
      "plan_job_is_some",
      sql`coalesce(${table.area}, 1) > 0 and coalesce(${table.most}, 1) > 0 and coalesce(${table.rate}, 1) > 0`,
    ),
  ],
);

/** Rigs that may do it. A setting. */
export const planJobRig = sqliteTable(
  "plan_job_rig",
  {
    jobId: integer()
      .notNull()
      .references(() => planJob.id),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.rigId] })],
);

/** Somebody who drives. A setting. */
export const planPerson = sqliteTable(
  "plan_person",
  { id: integer().primaryKey(), name: text().notNull(), archivedAt: text() },
  (table) => [check("plan_person_is_named", sql`${table.name} <> ''`)],
);

/** Machines somebody drives; without any it is all of them. A setting. */
export const planDrives = sqliteTable(
  "plan_drives",
  {
    personId: integer()
      .notNull()
      .references(() => planPerson.id),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
  },
  (table) => [primaryKey({ columns: [table.personId, table.machineId] })],
);

/** Days a machine or a person is not there, both in it. A setting. */
export const planAway = sqliteTable(
  "plan_away",
  {
    id: integer().primaryKey(),
    machineId: integer().references(() => machine.id),
    personId: integer().references(() => planPerson.id),
    from: text().notNull(),
    to: text().notNull(),
    why: text().notNull().default(""),
  },
  (table) => [
    check("plan_away_is_somebody", sql`(${table.machineId} is null) <> (${table.personId} is null)`),
    check("plan_away_is_some_days", sql`${table.to} >= ${table.from}`),
  ],
);

/** From when to when is planned, and how long a day is: one row. A setting. */
export const planDays = sqliteTable(
  "plan_days",
  {
    id: integer().primaryKey(),
    first: text().notNull(),
    count: integer().notNull(),
    /** seconds on each day of the week, Monday first */
    week: text({ mode: "json" }).$type<number[]>().notNull(),
    late: integer().notNull(),
  },
  (table) => [
    check("plan_days_is_one_row", sql`${table.id} = 1`),
    check("plan_days_are_some", sql`${table.count} between 1 and 120 and ${table.late} between 0 and 60`),
  ],
);

/** A day that is another than its weekday. A setting. */
export const planDay = sqliteTable(
  "plan_day",
  { day: text().primaryKey(), time: real().notNull() },
  (table) => [check("plan_day_is_no_more_than_one", sql`${table.time} between 0 and 86400`)],
);

/** Work somebody pulled to a tractor and days: it stays there. A setting. */
export const planPin = sqliteTable(
  "plan_pin",
  {
    id: integer().primaryKey(),
    jobId: integer()
      .notNull()
      .references(() => planJob.id),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    day: text().notNull(),
    days: integer().notNull(),
    area: real().notNull(),
  },
  (table) => [
    index("plan_pin_by_job").on(table.jobId),
    check("plan_pin_is_some", sql`${table.days} > 0 and ${table.area} > 0`),
  ],
);

/** Seconds one act of setting a tractor takes here, where it is another than the usual. A setting. */
export const rerigTime = sqliteTable(
  "rerig_time",
  { act: text({ enum: ACTS }).primaryKey(), time: real().notNull() },
  (table) => [
    oneOf("rerig_time_act", table.act, ACTS),
    check("rerig_time_is_some", sql`${table.time} between 0 and 86400`),
  ],
);

/** A plan that was kept: about the yard, the newest counts. */
export const planKept = sqliteTable("plan_kept", {
  seq: factSeq(),
  plan: text({ mode: "json" }).$type<KeptPlan>().notNull(),
});
