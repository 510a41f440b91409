import { sql } from "drizzle-orm";
import { check, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import {
  ADJUSTER_FORMS,
  type AdjusterForm,
  MEASURES,
  type MeasureKey,
  MOISTURES,
  type Seen,
  SOILS,
} from "../../core/yard/ground.ts";
import { oneOf } from "./checks.ts";
import { component, coupling } from "./machines.ts";
import { factSeq } from "./record.ts";

const keysOf = <K extends string>(of: Record<K, unknown>) => Object.keys(of) as [K, ...K[]];
const MEASURED: [MeasureKey, ...MeasureKey[]] = keysOf(MEASURES);
const SOIL = keysOf(SOILS);
const MOISTURE = keysOf(MOISTURES);
const FORMS = Object.keys(ADJUSTER_FORMS) as [AdjusterForm, ...AdjusterForm[]];

/** What is told of an adjuster, besides where it stands, which is a reading on it. A setting. */
export const adjuster = sqliteTable(
  "adjuster",
  {
    componentId: integer()
      .primaryKey()
      .references(() => component.id),
    form: text({ enum: FORMS }).notNull(),
    /** ends of its range, in steps */
    low: integer().notNull(),
    high: integer().notNull(),
    /** the position it is only stored in; null: none */
    storage: integer(),
    /** where its book has one begin; null where nobody said */
    start: integer(),
    /** metres deeper in front, deeper behind, and right deeper than left, for one step more; null together where nobody knows */
    front: real(),
    rear: real(),
    across: real(),
    /** a single thing it moves instead, and by how much one step more does, SI; null: nobody knows */
    measure: text({ enum: MEASURED }),
    amount: real(),
    /** standard errors of what was learnt of a step, in the same units; null where it is as it was told, or nobody can say */
    frontError: real(),
    rearError: real(),
    acrossError: real(),
    amountError: real(),
    /** the adjuster it is kept equal with, and by how many steps it stands above that on purpose */
    pairId: integer().references(() => component.id),
    difference: integer().notNull().default(0),
    /** the adjuster it follows, whose slave it is; null: it follows none */
    masterId: integer().references(() => component.id),
    /** metres above the ground at work; null where nobody said */
    up: real(),
    /** id of the map or look it was learnt from last; null: it is as it was told */
    learntFrom: text(),
    /** how one sets it */
    how: text().notNull().default(""),
  },
  (table) => [
    oneOf("adjuster_form", table.form, FORMS),
    oneOf("adjuster_measure", table.measure, MEASURED),
    check("adjuster_moves_one_thing", sql`${table.measure} is null or ${table.front} is null`),
    check("adjuster_amount_is_of_a_measure", sql`${table.measure} is not null or ${table.amount} is null`),
    check("adjuster_has_a_range", sql`${table.low} <= ${table.high}`),
    check(
      "adjuster_effect_is_whole",
      sql`(${table.front} is null) = (${table.rear} is null) and (${table.front} is null) = (${table.across} is null)`,
    ),
  ],
);

/** What was measured after one strip, about a coupling: the field, what was wanted, and the points. */
export const depthMap = sqliteTable(
  "depth_map",
  {
    seq: factSeq(),
    field: text().notNull().default(""),
    /** metres */
    wanted: real().notNull(),
  },
  (table) => [check("depth_map_wants_some", sql`${table.wanted} > 0`)],
);

/** Where an adjuster stood while a map was measured. */
export const depthSetting = sqliteTable(
  "depth_setting",
  {
    map: integer()
      .notNull()
      .references(() => depthMap.seq),
    componentId: integer()
      .notNull()
      .references(() => component.id),
    steps: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.map, table.componentId] })],
);

export const depthPoint = sqliteTable(
  "depth_point",
  {
    map: integer()
      .notNull()
      .references(() => depthMap.seq),
    position: integer().notNull(),
    label: text().notNull(),
    /** metres ahead of the middle of the work, right of its middle, and below the surface */
    x: real().notNull(),
    y: real().notNull(),
    depth: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.map, table.position] })],
);

/** In what ground. */
const ground = () => ({
  field: text().notNull(),
  soil: text({ enum: SOIL }),
  moisture: text({ enum: MOISTURE }),
  crop: text().notNull().default(""),
});

/** A guided strip that was begun, about a coupling. */
export const strip = sqliteTable("strip", { seq: factSeq(), ...ground() }, (table) => [
  oneOf("strip_soil", table.soil, SOIL),
  oneOf("strip_moisture", table.moisture, MOISTURE),
]);

/** What was seen at one step of a strip, which is the fact's topic; it is part of the strip. */
export const look = sqliteTable("look", {
  seq: factSeq(),
  figures: text({ mode: "json" }).$type<Seen["figures"]>().notNull(),
  lists: text({ mode: "json" }).$type<Seen["lists"]>().notNull(),
  choices: text({ mode: "json" }).$type<Seen["choices"]>().notNull(),
  /** as it was typed, by field */
  texts: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
});

/** Where an adjuster stood at a look. */
export const lookSetting = sqliteTable(
  "look_setting",
  {
    look: integer()
      .notNull()
      .references(() => look.seq),
    componentId: integer()
      .notNull()
      .references(() => component.id),
    steps: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.look, table.componentId] })],
);

/** What a strip came to, about the implement. */
export const preset = sqliteTable(
  "preset",
  {
    seq: factSeq(),
    name: text().notNull(),
    ...ground(),
    /** metres, as reached; null where none was measured */
    depth: real(),
    good: integer().notNull(),
    steps: integer().notNull(),
  },
  (table) => [
    oneOf("preset_soil", table.soil, SOIL),
    oneOf("preset_moisture", table.moisture, MOISTURE),
    check("preset_counts", sql`${table.good} between 0 and ${table.steps}`),
  ],
);

/** Where an adjuster stood when it was kept. */
export const presetSetting = sqliteTable(
  "preset_setting",
  {
    preset: integer()
      .notNull()
      .references(() => preset.seq),
    componentId: integer()
      .notNull()
      .references(() => component.id),
    steps: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.preset, table.componentId] })],
);

/** The school that is followed: the yard's, or with a coupling that one's. A setting. */
export const school = sqliteTable(
  "school",
  {
    id: integer().primaryKey(),
    key: text().notNull(),
    couplingId: integer().references(() => coupling.id),
    practice: text().notNull(),
  },
  (table) => [
    uniqueIndex("school_of_yard").on(table.key).where(sql`${table.couplingId} is null`),
    uniqueIndex("school_of_coupling")
      .on(table.key, table.couplingId)
      .where(sql`${table.couplingId} is not null`),
  ],
);
