import { sql } from "drizzle-orm";
import { check, index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import {
  SERVICE_KINDS,
  SERVICE_ROUNDS,
  type ServiceKind,
  type ServiceRound,
} from "../../core/season/service.ts";
import { oneOf } from "./checks.ts";
import { machine } from "./machines.ts";
import { factSeq } from "./record.ts";

const ROUNDS = Object.keys(SERVICE_ROUNDS) as [ServiceRound, ...ServiceRound[]];
const KINDS = Object.keys(SERVICE_KINDS) as [ServiceKind, ...ServiceKind[]];

/** What is done to a machine again and again. A setting. SI. */
export const serviceItem = sqliteTable(
  "service_item",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    name: text().notNull(),
    kind: text({ enum: KINDS }).notNull(),
    round: text({ enum: ROUNDS }).notNull(),
    points: integer(),
    everyTime: real(),
    everyArea: real(),
    everyDays: real(),
    everySeason: integer({ mode: "boolean" }).notNull().default(false),
    note: text().notNull().default(""),
    archivedAt: text(),
  },
  (table) => [
    index("service_item_by_machine").on(table.machineId),
    oneOf("service_item_kind", table.kind, KINDS),
    oneOf("service_item_round", table.round, ROUNDS),
    check("service_item_is_named", sql`${table.name} <> ''`),
    check(
      "service_item_has_an_interval",
      sql`(${table.round} = 'interval') = (coalesce(${table.everyTime}, ${table.everyArea}, ${table.everyDays}) is not null or ${table.everySeason} = 1)`,
    ),
  ],
);

/** That it was done: about the machine, its topic the item's number. */
export const serviceDone = sqliteTable(
  "service_done",
  {
    seq: factSeq(),
    itemId: integer()
      .notNull()
      .references(() => serviceItem.id),
    /** seconds by the hour meter; null where nobody wrote it down */
    meter: real(),
    note: text().notNull().default(""),
  },
  (table) => [index("service_done_by_item").on(table.itemId)],
);

/** What a machine's hour meter showed, seconds: about the machine. */
export const meterReading = sqliteTable(
  "meter_reading",
  { seq: factSeq(), reading: real().notNull() },
  (table) => [check("meter_reading_runs", sql`${table.reading} >= 0`)],
);

/** A part that wears and is changed: points, blades, nozzles, boards. A setting. SI. */
export const wearPart = sqliteTable(
  "wear_part",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    name: text().notNull(),
    count: integer().notNull(),
    fresh: real().notNull(),
    limit: real().notNull(),
    stock: integer().notNull().default(0),
    delivery: integer().notNull().default(0),
    /** money for one of them; null where nobody told */
    price: real(),
    archivedAt: text(),
  },
  (table) => [
    index("wear_part_by_machine").on(table.machineId),
    check("wear_part_is_named", sql`${table.name} <> ''`),
    check("wear_part_counts", sql`${table.count} > 0 and ${table.stock} >= 0 and ${table.delivery} >= 0`),
    check("wear_part_wears", sql`${table.limit} > 0 and ${table.fresh} > ${table.limit}`),
  ],
);

/** How worn the most worn of them was, or that new ones were fitted: about the machine, its topic the part's number. */
export const wearMeasured = sqliteTable(
  "wear_measured",
  {
    seq: factSeq(),
    partId: integer()
      .notNull()
      .references(() => wearPart.id),
    size: real().notNull(),
    replaced: integer({ mode: "boolean" }).notNull(),
  },
  (table) => [
    check("wear_measured_is_something", sql`${table.size} > 0`),
    index("wear_measured_by_part").on(table.partId),
  ],
);

/** What the yard reckons with: one row. A setting. */
export const prices = sqliteTable(
  "prices",
  {
    id: integer().primaryKey(),
    /** money for a m³ of fuel, and for a second of somebody's work; null where nobody told */
    fuel: real(),
    labour: real(),
    /** what it is in, as the yard writes it */
    money: text().notNull(),
  },
  (table) => [
    check("prices_are_one_row", sql`${table.id} = 1`),
    check("prices_are_some", sql`coalesce(${table.fuel}, 1) > 0 and coalesce(${table.labour}, 1) > 0`),
  ],
);
