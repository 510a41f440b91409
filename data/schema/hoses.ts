import { sql } from "drizzle-orm";
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import type { PhaseKey } from "../../core/trade/phases.ts";
import { PLACES, type Use } from "../../core/yard/circuit.ts";
import { oneOf } from "./checks.ts";
import { machine, rig } from "./machines.ts";
import { factSeq } from "./record.ts";

/** A machine's hydraulics: what a tractor gives; of an implement only the sockets it needs, and that its functions are told. */
export const hydraulics = sqliteTable("hydraulics", {
  machineId: integer()
    .primaryKey()
    .references(() => machine.id),
  /** m³/s at rated engine speed */
  pumpFlow: real(),
  /** Pa */
  pressure: real(),
  freeReturn: integer({ mode: "boolean" }).notNull().default(false),
  powerBeyond: integer({ mode: "boolean" }).notNull().default(false),
  loadSensing: integer({ mode: "boolean" }).notNull().default(false),
  /** m³ implements may keep */
  spareOil: real(),
  /** number of the remote whose lever the driver uses most */
  mainLever: integer(),
  sockets: text({ mode: "json" }).$type<string[]>().notNull().default([]),
});

/** A remote of a tractor: a pair of couplings, or one, with what it can do. */
export const remote = sqliteTable(
  "remote",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    number: integer().notNull(),
    lever: text().notNull().default(""),
    action: text({ enum: ["double", "single"] }).notNull(),
    float: integer({ mode: "boolean" }).notNull(),
    detent: integer({ mode: "boolean" }).notNull(),
    timed: integer({ mode: "boolean" }).notNull(),
    automatic: integer({ mode: "boolean" }).notNull(),
    /** m³/s */
    flow: real(),
    place: text({ enum: PLACES }).notNull(),
    coupling: text().notNull().default(""),
    /** taken out, and since when; null: in use */
    archivedAt: text(),
  },
  (table) => [
    uniqueIndex("remote_number_in_use")
      .on(table.machineId, table.number)
      .where(sql`${table.archivedAt} is null`),
    oneOf("remote_action", table.action, table.action.enumValues),
    oneOf("remote_place", table.place, PLACES),
  ],
);

/** A function of an implement that moves by the tractor's oil. */
export const hoseFunction = sqliteTable(
  "hose_function",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    /** from the front of the implement */
    position: integer().notNull(),
    name: text().notNull(),
    kind: text().notNull(),
    action: text({ enum: ["double", "single", "motor"] }).notNull(),
    uses: text({ mode: "json" }).$type<Partial<Record<PhaseKey, Use>>>().notNull(),
    automatic: integer({ mode: "boolean" }).notNull(),
    trigger: integer({ mode: "boolean" }).notNull(),
    lockable: integer({ mode: "boolean" }).notNull(),
    place: text({ enum: PLACES }).notNull(),
    coupling: text().notNull().default(""),
    /** least it works at, Pa */
    pressure: real(),
    /** wanted, m³/s */
    flow: real(),
    /** metres; null together where there is no cylinder */
    bore: real(),
    rod: real(),
    stroke: real(),
    cylinders: integer(),
    /** m³ a turn, turns a second; null together where there is no motor */
    displacement: real(),
    speed: real(),
    caseDrain: integer({ mode: "boolean" }).notNull().default(false),
    /** Pa it is charged to before its tap is shut; null where it is not */
    charge: real(),
    /** what shuts it off: "blue tap behind the headstock"; empty where nothing does */
    tap: text().notNull().default(""),
    /** taken out, and since when; null: in use */
    archivedAt: text(),
  },
  (table) => [
    index("hose_function_by_machine").on(table.machineId),
    oneOf("hose_function_action", table.action, table.action.enumValues),
    oneOf("hose_function_place", table.place, PLACES),
  ],
);

/** Where somebody wants a function of a rig plugged in, whatever the arithmetic would choose. */
export const hosePin = sqliteTable(
  "hose_pin",
  {
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    functionId: integer()
      .notNull()
      .references(() => hoseFunction.id, { onDelete: "cascade" }),
    remoteId: integer()
      .notNull()
      .references(() => remote.id, { onDelete: "cascade" }),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.functionId] })],
);

/** How the hoses of a rig were really plugged in: what the same levers are compared with; the newest counts. */
export const hosePlan = sqliteTable("hose_plan", {
  seq: factSeq(),
  places: text({ mode: "json" }).$type<{ kind: string; number: number }[]>().notNull(),
});
