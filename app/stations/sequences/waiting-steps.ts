import { WAITS_HERE, type Waits } from "../../offline/use-waiting.ts";
import type { SequenceView } from "./sequences-view.server.ts";

export type ShownSequence = SequenceView & {
  /** the last that waits of this list, to be thrown away; null where nothing does */
  last: { id: string; said: string } | null;
};

/** The list as it will stand once what waits on this device is sent, in the order it was entered. */
export function withWaiting(view: SequenceView, waiting: readonly Waits[]): ShownSequence {
  const own = waiting.filter(({ fields }) => fields.intent === "run" && fields.kind === view.kind);
  const last = own.at(-1);
  if (!last) return { ...view, last: null };
  let { run } = view;
  // A list that was run through begins anew with the first step that waits.
  let done = view.over ? [] : view.steps.filter(({ state }) => state === "done").map(({ id }) => id);
  let through = false;
  for (const { fields } of own) {
    run = fields.run ?? null;
    if (fields.what === "done") done = [...done, fields.step!];
    else if (fields.what === "back") done = done.filter((id) => id !== fields.step);
    else [run, done] = [null, []];
    through = done.length === view.steps.length && view.steps.length > 0;
    if (through) run = null;
  }
  const next = view.steps.find(({ id }) => !done.includes(id));
  return {
    ...view,
    run,
    over: through ? { said: `Run through; ${WAITS_HERE}.`, next: view.following } : null,
    steps: view.steps.map((step) => ({
      ...step,
      state: done.includes(step.id) ? "done" : step.id === next?.id ? "now" : "later",
    })),
    done: done.length,
    back: null,
    last: { id: last.id, said: last.fields.said ?? "" },
  };
}
