import { sqliteTable, text } from "drizzle-orm/sqlite-core";
import type { Step } from "../../core/sequence/step.ts";
import { oneOf } from "./checks.ts";
import { factSeq } from "./record.ts";

/** A list of steps as somebody edited it for an implement, of the kind its topic says; the newest counts, and without steps the template does. */
export const sequenceList = sqliteTable("sequence_list", {
  seq: factSeq(),
  steps: text({ mode: "json" }).$type<Step[] | null>(),
});

/** What happened in a run, as it read then; its topic is the step. The run is a fact whose topic is its kind. */
export const runEvent = sqliteTable(
  "run_event",
  {
    seq: factSeq(),
    what: text({ enum: ["done", "back", "aborted", "finished"] }).notNull(),
    said: text().notNull(),
  },
  (table) => [oneOf("run_event_what", table.what, table.what.enumValues)],
);
