import { heldBy, openWords } from "../../../core/hookup/ticks.ts";
import { WAITS_HERE, type Waits } from "../../offline/use-waiting.ts";
import type { HookupRow, HookupView } from "./hookup-view.server.ts";

/** A line that counts as done here: by what was kept, or by an entry that waits. */
export type ShownRow = HookupRow & { waits: string | null };
export type ShownView = Omit<HookupView, "rows" | "coupled"> & {
  rows: ShownRow[];
  coupled: { said: string } | null;
};

/** The list as it will be once what waits on this device is sent, in the order it was entered. */
export function withWaiting(view: HookupView, waiting: readonly Waits[]): ShownView {
  let rows = view.rows.map((row): ShownRow => ({ ...row, waits: null }));
  let coupled: ShownView["coupled"] = view.coupled;
  for (const { id, fields } of waiting) {
    if (fields.intent === "tick")
      rows = rows.map((row) => (row.key === fields.line && !row.done ? ticked(row, id, fields) : row));
    else if (fields.intent === "coupling") {
      coupled = fields.kind === "coupled" ? { said: WAITS_HERE } : null;
      if (fields.kind === "uncoupled") rows = rows.map((row) => ({ ...row, done: null, waits: null }));
    }
  }
  const states = rows.map((row) => ({ line: row, tick: row.done }));
  const open = rows.filter(({ protects, done }) => protects && !done).length;
  return {
    ...view,
    rows: rows.map((row) => ({ ...row, held: row.done ? null : heldBy(states, row.key) })),
    done: rows.filter(({ done }) => done).length,
    coupled,
    open: waiting.length === 0 ? view.open : open > 0 ? openWords(open) : null,
  };
}

function ticked(row: HookupRow, id: string, { state, reason, person }: Waits["fields"]): ShownRow {
  const said = state === "done" ? "done" : `does not apply: ${reason}`;
  return { ...row, waits: id, done: { id, said: `${said}, ${person}; ${WAITS_HERE}` } };
}
