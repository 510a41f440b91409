import { READING } from "../../../data/entries.ts";
import { readingText } from "../../../data/readings.ts";
import type { FactRow } from "../../../data/record.ts";
import { type Outcome, refused } from "../../session/outcome.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

/**
 * Why what comes under the id of something that was kept before is not the same: with both texts, so that neither is lost unseen. Null
 * where it is the same, sent again.
 */
export function otherThan({ db }: OpenRig, known: FactRow, form: FormData): Outcome | null {
  if (form.get("intent") !== "keep-reading") return null;
  if (known.kind !== READING)
    return refused({
      form: "Something else was kept under the number of this entry: open it anew, and enter it again.",
    });
  const [before, now] = [readingText(db, known.seq), String(form.get("text") ?? "")];
  if (known.topic === form.get("dimension") && before === now) return null;
  const of = known.topic === form.get("dimension") ? "" : ", of another reading,";
  return refused({
    text: `This entry was kept before${of} as “${before}”; “${now}” was not. Open it anew to enter that as well.`,
  });
}
