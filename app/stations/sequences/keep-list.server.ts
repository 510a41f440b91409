import { Length } from "class-validator";
import { type EditedStep, OWN, stepsOf } from "../../../core/sequence/edit.ts";
import { isSequenceKind } from "../../../core/sequence/step.ts";
import { listOf } from "../../../core/sequence/templates.ts";
import { keepList } from "../../../data/sequences.ts";
import { validateForm } from "../../session/validate.ts";
import { type Outcome, refused } from "../outcome.ts";
import type { OpenRig } from "../rig-view.server.ts";
import { openSequence } from "./open-sequence.server.ts";

class ListDto {
  @Length(1, 60, { message: "Say who you are." })
  person!: string;

  /** the steps as JSON; "template" gives the list back to its template */
  @Length(1, 40_000, { message: "The list is empty." })
  steps!: string;
}

export const MOST_STEPS = 40;

/** Keeps a list as edited. Known steps keep what they need and set; whoever edits decides their words and their order. */
export function keepEdited(open: OpenRig, form: FormData): Outcome {
  const kind = form.get("kind");
  if (!isSequenceKind(kind)) return refused({ form: "There is no such list." });
  const checked = validateForm(ListDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { person, steps } = checked.value;
  const { db, rig } = open;
  const { run, lists, machine } = openSequence(open, kind);
  if (run) return refused({ form: `${run.person} runs this list now. Finish or give it up first.` });
  const stamp = { person, at: new Date() };
  if (steps === "template") {
    keepList(db, rig.implement.id, kind, null, stamp);
    return { ok: true, kept: { id: "", said: "As the template has it" }, person };
  }
  const edited = editedIn(steps);
  if (typeof edited === "string") return refused({ form: edited });
  const known = [...(lists[kind] ?? []), ...listOf(kind, machine).steps];
  keepList(db, rig.implement.id, kind, stepsOf(edited, known), stamp);
  return { ok: true, kept: { id: "", said: "The list is kept" }, person };
}

/** The edited steps that were sent, or what is wrong with them. */
function editedIn(text: string): EditedStep[] | string {
  let sent: unknown;
  try {
    sent = JSON.parse(text);
  } catch {
    return "The list could not be read.";
  }
  if (!Array.isArray(sent) || sent.length > MOST_STEPS) return `A list has up to ${MOST_STEPS} steps.`;
  const steps: EditedStep[] = [];
  for (const [at, each] of sent.entries()) {
    const { id, text: words, look, caution, after } = (each ?? {}) as Record<string, unknown>;
    const short = (value: unknown, most: number): value is string =>
      typeof value === "string" && value.length <= most;
    if (
      !short(id, 80) ||
      !short(look, 300) ||
      !short(caution, 300) ||
      !Array.isArray(after) ||
      !after.every((other) => short(other, 80))
    )
      return `Step ${at + 1} could not be read.`;
    if (!short(words, 300) || words.trim().length < 3) return `Say what to do in step ${at + 1}.`;
    if (id === OWN) return `Step ${at + 1} could not be read.`;
    steps.push({ id, text: words.trim(), look: look.trim(), caution: caution.trim(), after });
  }
  return steps;
}
