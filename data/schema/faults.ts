import { sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { Hidden } from "../../core/fault/hidden.ts";
import type { Ground } from "../../core/fault/observe.ts";
import type { Answer } from "../../core/fault/player.ts";
import type { Scored } from "../../core/fault/score.ts";
import type { Reading } from "../../core/fault/weigh.ts";
import { factSeq } from "./record.ts";

/** What is hidden in a case somebody practises on, and what its ground really is: never sent to a page before it was named. */
export const faultCase = sqliteTable("fault_case", {
  seq: factSeq(),
  hidden: text({ mode: "json" }).$type<Hidden>().notNull(),
  ground: text({ mode: "json" }).$type<Ground>().notNull(),
});

export type FaultStep =
  | { kind: "measured"; reading: Reading }
  | { kind: "named"; answer: Answer; score: Scored };

/** What was done on a case, in order: measured, and named in the end, with what it was worth. A part of it. */
export const faultStep = sqliteTable("fault_step", {
  seq: factSeq(),
  step: text({ mode: "json" }).$type<FaultStep>().notNull(),
});
