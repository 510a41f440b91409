/** What was seen at a step as it is typed, read the same way in the browser and on the server. */
import { isFieldUnit } from "../../../core/dimension/entry.ts";
import { parseTyped } from "../../../core/quantity/typed.ts";
import type { SeenField } from "../../../core/subjects/ground/guide/guide.ts";
import type { Seen } from "../../../core/yard/ground.ts";
import type { FieldErrors } from "../../session/validate.ts";

/** More of one kind nobody takes in one go (ours). */
export const MOST = 12;

/** The names under which a field's text, the word beside it, and the unit it was shown in come in a form. */
export const textName = (key: string) => `f-${key}`;
export const listName = (key: string, at: number) => `f-${key}-${at}`;
export const wordName = (key: string) => `w-${key}`;
export const unitName = (key: string) => `u-${key}`;

export type ReadSeen =
  | { ok: true; seen: Seen; texts: Record<string, string> }
  | { ok: false; errors: FieldErrors };

type Found = {
  figures: Record<string, number>;
  lists: Record<string, number[]>;
  choices: Record<string, string>;
};

/** Reads every field; `wrong` names what cannot be together. Nothing is read unless all of it is right. */
export function readSeen(
  fields: readonly SeenField[],
  form: FormData,
  wrong: ((seen: Seen) => Readonly<Record<string, string>>) | undefined,
): ReadSeen {
  const found: Found = { figures: {}, lists: {}, choices: {} };
  const texts: Record<string, string> = {};
  const errors: FieldErrors = {};
  for (const field of fields) {
    if (field.kind === "lengths") readList(field, form, found, texts, errors);
    else readOne(field, form, found, texts, errors);
  }
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  const together = Object.entries(wrong?.(found) ?? {}).map(
    ([key, problem]) => [textName(key), problem] as const,
  );
  return together.length > 0
    ? { ok: false, errors: Object.fromEntries(together) }
    : { ok: true, seen: found, texts };
}

const typedIn = (form: FormData, name: string) => String(form.get(name) ?? "").trim();

function readList(
  field: Extract<SeenField, { kind: "lengths" }>,
  form: FormData,
  found: Found,
  texts: Record<string, string>,
  errors: FieldErrors,
): void {
  const typed = Array.from({ length: MOST }, (_, at) => typedIn(form, listName(field.key, at)));
  const values: number[] = [];
  for (const [at, text] of typed.entries()) {
    if (text === "") continue;
    const read = amountOf(field, text, form);
    if ("problem" in read) errors[listName(field.key, at)] = read.problem;
    else values.push(read.value);
  }
  if (values.length === 0 && field.optional) return;
  if (values.length < field.fewest && !typed.some((_, at) => errors[listName(field.key, at)]))
    errors[listName(field.key, 0)] = `At least ${field.fewest} of them.`;
  found.lists[field.key] = values;
  texts[field.key] = typed.filter(Boolean).join("; ");
}

function readOne(
  field: Exclude<SeenField, { kind: "lengths" }>,
  form: FormData,
  found: Found,
  texts: Record<string, string>,
  errors: FieldErrors,
): void {
  const name = textName(field.key);
  const text = typedIn(form, name);
  if (text === "" && field.optional) return;
  const word = typedIn(form, wordName(field.key));
  if (field.kind === "choice") {
    if (Object.hasOwn(field.choices, text)) found.choices[field.key] = text;
    else errors[name] = `Choose: ${field.label.toLowerCase()}.`;
  } else if (field.kind === "count") {
    if (!/^\d{1,4}$/.test(text)) errors[name] = "A whole number.";
    else if (Number(text) < field.least) errors[name] = `At least ${field.least}.`;
    else found.figures[field.key] = Number(text);
  } else {
    const read = amountOf(field, text, form, word);
    if ("problem" in read) errors[name] = read.problem;
    else found.figures[field.key] = read.value;
  }
  texts[field.key] = [text, word].filter(Boolean).join(" ");
}

/** No length at a tool is longer (ours). */
const LONGEST = 60;

function amountOf(
  field: Extract<SeenField, { kind: "length" | "lengths" | "measure" }>,
  text: string,
  form: FormData,
  word = "",
): { value: number } | { problem: string } {
  const unit = typedIn(form, unitName(field.key));
  if (!isFieldUnit(unit)) return { problem: "The unit was not understood." };
  const sides = field.kind === "lengths" ? null : (field.sides ?? null);
  const family = field.kind === "measure" ? field.family : "length";
  const read = parseTyped({ family, sides, mustSay: sides !== null }, text, unit, word);
  if (!read.ok) return { problem: read.problem };
  const { value } = read.value;
  if (!sides && value < 0) return { problem: "It is counted without a sign." };
  if (value === 0 && !field.zero) return { problem: "It is more than nothing." };
  if (family === "length" && Math.abs(value) > LONGEST)
    return { problem: "So long is nothing here: look at the unit." };
  return { value };
}
