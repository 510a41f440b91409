import { sql } from "drizzle-orm";
import {
  type AnySQLiteColumn,
  check,
  index,
  integer,
  real,
  sqliteTable,
  text,
} from "drizzle-orm/sqlite-core";
import { ATTACHMENT_KEYS, type Attachment } from "../../core/dimension/attachment.ts";
import { POINT_KINDS } from "../../core/dimension/point-kinds.ts";
import { oneOf } from "./checks.ts";

/** A machine as its people call it. A setting: what is changed in it is logged. */
export const machine = sqliteTable(
  "machine",
  {
    id: integer().primaryKey(),
    kind: text({ enum: ["tractor", "self-propelled", "implement"] }).notNull(),
    /** how an implement hangs on what carries it; of no meaning on what drives itself */
    attachment: text().$type<Attachment>().notNull().default("drawn"),
    make: text().notNull(),
    model: text().notNull(),
    fleetNumber: text().notNull().default(""),
    serial: text().notNull().default(""),
    /** ISO 11783-5 NAME, 16 hex digits; empty where the machine has no bus or nobody read it */
    busName: text().notNull().default(""),
    /** made for the simulated field: no iron stands behind it */
    practice: integer({ mode: "boolean" }).notNull().default(false),
    archivedAt: text(),
  },
  (table) => [
    oneOf("machine_kind", table.kind, table.kind.enumValues),
    oneOf("machine_attachment", table.attachment, ATTACHMENT_KEYS),
  ],
);

/** A hole, a mount, a linkage, a shaft end: which one is identity. Back in hole 2, its readings are current again. */
export const point = sqliteTable(
  "point",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    kind: text({ enum: POINT_KINDS }).notNull(),
    label: text().notNull(),
  },
  (table) => [index("point_by_machine").on(table.machineId), oneOf("point_kind", table.kind, POINT_KINDS)],
);

/**
 * A part of a machine of which there are several: nozzle 7, the adjuster at the rear on the left, opener 12. Facts sit on it as they do on a
 * point. A setting.
 */
export const component = sqliteTable(
  "component",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    /** which kind of part, by the key its subject gives it */
    kind: text().notNull(),
    label: text().notNull(),
    /** metres in the machine's own frame: forward, and to the right; null where nobody said where it sits */
    x: real(),
    y: real(),
    /** its number in a row of its kind, 1 at the left or in front; null where it stands alone */
    place: integer(),
    archivedAt: text(),
  },
  (table) => [
    index("component_by_machine").on(table.machineId, table.kind, table.place),
    check("component_kind_is_told", sql`${table.kind} <> ''`),
    check("component_place_counts_from_one", sql`${table.place} is null or ${table.place} >= 1`),
  ],
);

/** Another way the same implement works: one wing folded, one of two ranks, the short boom. Without one it works whole. */
export const variant = sqliteTable(
  "variant",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    name: text().notNull(),
    archivedAt: text(),
  },
  (table) => [index("variant_by_machine").on(table.machineId)],
);

export const rig = sqliteTable(
  "rig",
  {
    id: integer().primaryKey(),
    name: text().notNull(),
    tractorId: integer()
      .notNull()
      .references(() => machine.id),
    receiverPointId: integer()
      .notNull()
      .references(() => point.id),
    archivedAt: text(),
  },
  (table) => [index("rig_by_tractor").on(table.tractorId)],
);

export const coupling = sqliteTable(
  "coupling",
  {
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
    /** the coupling whose implement this one hangs behind; null: it hangs on the machine that drives */
    parentCouplingId: integer().references((): AnySQLiteColumn => coupling.id),
    /** 1 is the first to be coupled, and the one in view when a rig is opened */
    position: integer().notNull().default(1),
    /** the variant it works as now; null: whole */
    variantId: integer().references(() => variant.id),
  },
  (table) => [index("coupling_by_rig").on(table.rigId, table.position)],
);
