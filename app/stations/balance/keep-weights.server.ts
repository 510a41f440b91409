import { keepChange } from "../../../data/readings.ts";
import { fitWeights } from "../../../data/settings.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { PersonDto } from "../card/terminal.dto.ts";
import { written } from "../writing/written.server.ts";

/** Keeps how many of each weight are on for this rig; another number than before is a change, and makes stale what hangs on it. */
export const keepWeights = written(PersonDto, ({ open: { db, rig, whole }, told, form }): Outcome => {
  const errors: FieldErrors = {};
  const counts = new Map<number, number>();
  for (const { id, count } of whole.weights) {
    const text = String(form.get(`count-${id}`) ?? "").trim();
    if (!/^\d{1,3}$/.test(text)) errors[`count-${id}`] = "Give a whole number; 0 for none.";
    else if (Number(text) > count) errors[`count-${id}`] = `There are only ${count}.`;
    else counts.set(id, Number(text));
  }
  if (Object.keys(errors).length > 0) return refused(errors);
  const changed = whole.weights.filter(({ id, fitted }) => counts.get(id) !== fitted);
  if (changed.length === 0) return refused({ form: "Nothing was changed: these were on already." });
  const note = changed.map(({ id, what }) => `${counts.get(id)} × ${what}`).join(", ");
  const id = db.transaction(() => {
    fitWeights(db, rig.id, new Map(changed.map((each) => [each.id, counts.get(each.id)!])), told);
    return keepChange(db, rig, { kind: "ballast", note: note.slice(0, 200), ...told });
  });
  return kept(`On now: ${note}`, { id });
});
