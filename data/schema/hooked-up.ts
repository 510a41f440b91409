import { integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { oneOf } from "./checks.ts";
import { factSeq } from "./record.ts";
import { weight } from "./settings.ts";

/** When a rig was really hitched up and taken apart. Ticks count from the last of these. */
export const couplingEvent = sqliteTable(
  "coupling_event",
  { seq: factSeq(), what: text({ enum: ["coupled", "uncoupled"] }).notNull() },
  (table) => [oneOf("coupling_event_what", table.what, table.what.enumValues)],
);

/** A line of the hook-up list or a rung of the ladder ticked, or declared not to apply; its topic is the line. */
export const tick = sqliteTable(
  "tick",
  {
    seq: factSeq(),
    /** the line as it read when it was ticked: said otherwise since, the tick no longer holds */
    said: text().notNull(),
    state: text({ enum: ["done", "not applicable"] }).notNull(),
    reason: text().notNull().default(""),
  },
  (table) => [oneOf("tick_state", table.state, table.state.enumValues)],
);

/** How many of a weight are on for a rig; the newest of each weight counts. */
export const weightFitted = sqliteTable("weight_fitted", {
  seq: factSeq(),
  weightId: integer()
    .notNull()
    .references(() => weight.id),
  count: integer().notNull(),
});
