import { sql } from "drizzle-orm";
import { check, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { Off } from "../../core/steering/off-line.ts";
import type { Quality } from "../../core/steering/quality.ts";
import { factSeq } from "./record.ts";

/** One drive along a line with sensitivities set so, by its receiver's log: about the machine that drives. */
export const steeringDrive = sqliteTable(
  "steering_drive",
  {
    seq: factSeq(),
    /** name of the line it was driven on */
    line: text().notNull(),
    fileName: text().notNull(),
    /** as the terminal shows them; null where it has none */
    lineSensitivity: real(),
    headingSensitivity: real(),
    headingLead: real(),
    quality: text({ mode: "json" }).$type<Quality>().notNull(),
    /** for its picture, thinned */
    offs: text({ mode: "json" }).$type<Off[]>().notNull(),
    note: text().notNull().default(""),
  },
  (table) => [check("steering_drive_has_a_line", sql`${table.line} <> ''`)],
);

/** A profile of the row camera, made by a calibration: about the machine that carries it. SI. */
export const cameraProfile = sqliteTable(
  "camera_profile",
  {
    seq: factSeq(),
    name: text().notNull(),
    rowSpacing: real().notNull(),
    sideOffset: real().notNull(),
    aim: real().notNull(),
    quality: real().notNull(),
    straight: real().notNull(),
    flat: integer({ mode: "boolean" }).notNull(),
    stand: integer({ mode: "boolean" }).notNull(),
    wind: real().notNull(),
    speed: real().notNull(),
  },
  (table) => [
    check("camera_profile_is_named", sql`${table.name} <> ''`),
    check("camera_profile_spacing", sql`${table.rowSpacing} > 0`),
    check("camera_profile_quality", sql`${table.quality} between 0 and 1`),
  ],
);
