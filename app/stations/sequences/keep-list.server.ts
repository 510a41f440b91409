import { IsIn, Length } from "class-validator";
import { type EditedStep, OWN, stepsOf } from "../../../core/sequence/edit.ts";
import { SEQUENCE_KINDS, type SequenceKind } from "../../../core/sequence/step.ts";
import { listOf } from "../../../core/sequence/templates.ts";
import { keepList } from "../../../data/sequences.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { written } from "../writing/written.server.ts";
import { openSequence } from "./open-sequence.server.ts";

class ListDto {
  @IsIn(SEQUENCE_KINDS, { message: "There is no such list." })
  kind!: SequenceKind;

  @Length(1, 60, { message: "Say who you are." })
  person!: string;

  /** the steps as JSON; "template" gives the list back to its template */
  @Length(1, 40_000, { message: "The list is empty." })
  steps!: string;
}

export const MOST_STEPS = 40;

/** Keeps a list as edited. Known steps keep what they need and set; whoever edits decides their words and their order. */
export const keepEdited = written(ListDto, ({ open, value: { kind, steps }, told }): Outcome => {
  const { db, rig } = open;
  const { run, lists, machine } = openSequence(open, kind);
  if (run) return refused({ form: `${run.person} runs this list now. Finish or give it up first.` });
  if (steps === "template") {
    keepList(db, rig.implement.id, kind, null, told);
    return kept("As the template has it");
  }
  const edited = editedIn(steps);
  if (typeof edited === "string") return refused({ form: edited });
  const known = [...(lists[kind] ?? []), ...listOf(kind, machine).steps];
  keepList(db, rig.implement.id, kind, stepsOf(edited, known), told);
  return kept("The list is saved");
});

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
