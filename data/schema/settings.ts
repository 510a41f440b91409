import { sql } from "drizzle-orm";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { SOIL_STATES, type SoilState } from "../../core/trade/pressed.ts";
import { oneOf } from "./checks.ts";
import { machine } from "./machines.ts";

/** Weights a tractor can take: so many of one mass at one place. */
export const weight = sqliteTable(
  "weight",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    label: text().notNull(),
    /** kg, of one */
    mass: real().notNull(),
    /** metres forward of the rear axle */
    place: real().notNull(),
    count: integer().notNull(),
    archivedAt: text(),
  },
  (table) => [index("weight_by_machine").on(table.machineId)],
);

/** A tyre maker's table: what one tyre carries at a speed and a pressure. */
export const tyre = sqliteTable("tyre", {
  id: integer().primaryKey(),
  label: text().notNull(),
  source: text().notNull().default(""),
});

export const tyreCell = sqliteTable(
  "tyre_cell",
  {
    tyreId: integer()
      .notNull()
      .references(() => tyre.id),
    /** m/s */
    speed: real().notNull(),
    /** Pa */
    pressure: real().notNull(),
    /** kg on one tyre */
    load: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.tyreId, table.speed, table.pressure] })],
);

/** Which tyre an axle of a machine runs on, and how many of them. */
export const axleTyre = sqliteTable(
  "axle_tyre",
  {
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    axle: text({ enum: ["front", "rear", "tool"] }).notNull(),
    tyreId: integer()
      .notNull()
      .references(() => tyre.id),
    count: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.machineId, table.axle] }),
    oneOf("axle_tyre_axle", table.axle, table.axle.enumValues),
  ],
);

/** Limits of the road in this yard's country, as its people entered them; null where they gave none. One row. */
export const roadLimits = sqliteTable("road_limits", {
  id: integer().primaryKey(),
  country: text().notNull().default(""),
  /** metres */
  width: real(),
  height: real(),
  /** m/s */
  speed: real(),
  /** kg a tool without brakes may weigh */
  unbraked: real(),
});

const SOILS = Object.keys(SOIL_STATES) as [SoilState, ...SoilState[]];

/** How deep the soil may be pressed as wet as it is, metres, where it is another than ours. A setting. */
export const soilLimit = sqliteTable(
  "soil_limit",
  { state: text({ enum: SOILS }).primaryKey(), depth: real().notNull() },
  (table) => [
    oneOf("soil_limit_state", table.state, SOILS),
    check("soil_limit_is_some", sql`${table.depth} > 0`),
  ],
);
