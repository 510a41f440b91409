/** What a calibration asks for, as it is typed: read the same way in the browser and on the server. */
import type { Asked } from "../../../core/calibration/kind.ts";
import { isLengthStyle, parseLength, printLength } from "../../../core/quantity/length.ts";
import { FAMILIES, printMeasure } from "../../../core/quantity/measure.ts";
import { parseTyped } from "../../../core/quantity/typed.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import type { FieldErrors } from "../../session/validate.ts";

/** The name under which a field comes in a form; its unit is told beside it. */
export const fieldName = (key: string) => `f-${key}`;
export const unitName = (key: string) => `f-${key}Unit`;
/** Of one part of the tool. */
export const partName = (place: number) => `p-${place}`;

/** What a bare figure means in a field; empty where things are counted or chosen. */
export function unitOfField(asked: Asked, units: Units): string {
  if (asked.kind !== "measure") return "";
  if (asked.unit) return asked.unit;
  return asked.family === "length" ? units.tape : unitOf(asked.family, units);
}

/** A figure of a field as one would type it. */
export function printField(asked: Asked, value: number, unit: string): string {
  if (asked.kind !== "measure") return String(Math.round(value));
  if (asked.family === "length") return printLength(value, isLengthStyle(unit) ? unit : "m");
  return printMeasure(asked.family, value, unit as never);
}

export type ReadFields =
  | {
      ok: true;
      figures: Record<string, number>;
      choices: Record<string, string>;
      texts: Record<string, string>;
    }
  | { ok: false; errors: FieldErrors };

/** Reads every field of a form, or says what is wrong with which. */
export function readFields(asked: readonly Asked[], form: FormData): ReadFields {
  const figures: Record<string, number> = {};
  const choices: Record<string, string> = {};
  const texts: Record<string, string> = {};
  const errors: FieldErrors = {};
  for (const field of asked) {
    const text = String(form.get(fieldName(field.key)) ?? "").trim();
    if (text === "" && field.optional) continue;
    texts[field.key] = text;
    const read = readField(field, text, String(form.get(unitName(field.key)) ?? ""));
    if ("problem" in read) errors[fieldName(field.key)] = read.problem;
    else if (typeof read.value === "number") figures[field.key] = read.value;
    else choices[field.key] = read.value;
  }
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, figures, choices, texts };
}

/** What dashes are kept as. */
export const ABSENT = "absent";

/** Reads one field. */
export function readField(
  asked: Asked,
  text: string,
  unit: string,
): { value: number | string } | { problem: string } {
  if (asked.kind === "choice")
    return asked.choices.some(({ key }) => key === text)
      ? { value: text }
      : { problem: `Choose one for: ${asked.label.toLowerCase()}.` };
  if (text === "") return { problem: `${asked.label} is missing.` };
  if (asked.kind === "measure" && asked.absent && /^[-–—−]{1,5}$/.test(text)) return { value: ABSENT };
  const read =
    asked.kind === "count" ? readCount(text) : parseTyped({ family: asked.family, sides: null }, text, unit);
  if (!read.ok) return { problem: read.problem };
  const { value } = read.value;
  const [low, high] = asked.range;
  if (value < low || value > high) return { problem: rangeSaid(asked, unit) };
  return { value };
}

function readCount(text: string) {
  const digits = text.replace(/[ \u00a0\u202f]/g, "");
  return /^\d{1,7}$/.test(digits)
    ? ({ ok: true, value: { value: Number(digits), step: 1 } } as const)
    : ({ ok: false, problem: "A whole number, without a sign." } as const);
}

function rangeSaid(asked: Asked & { kind: "measure" | "count" }, unit: string): string {
  const [low, high] = asked.range;
  const known =
    asked.kind === "count" || asked.family === "length" || Object.hasOwn(FAMILIES[asked.family], unit);
  const own = known ? unit : Object.keys(FAMILIES[(asked as { family: keyof typeof FAMILIES }).family])[0]!;
  const from = printField(asked, low, own);
  return Number.isFinite(high)
    ? `That cannot be: from ${from} to ${printField(asked, high, own)}.`
    : `That cannot be: from ${from}.`;
}

/** Where plants stand along a tape, and what a bare figure of it means. */
export const POSITIONS = "positions";

/** Positions along a tape, one after another with a blank between: metres. */
export function readPositions(
  form: FormData,
): { ok: true; positions: number[] } | { ok: false; errors: FieldErrors } {
  const text = String(form.get(POSITIONS) ?? "").trim();
  if (text === "") return { ok: true, positions: [] };
  const unit = String(form.get(`${POSITIONS}Unit`) ?? "");
  const positions: number[] = [];
  for (const each of text.split(/[\s;]+/)) {
    const read = parseLength(each, isLengthStyle(unit) ? unit : "cm");
    if (!read.ok) return { ok: false, errors: { [POSITIONS]: `“${each}”: ${read.problem}` } };
    const { metres } = read.value;
    if (metres < (positions.at(-1) ?? 0))
      return {
        ok: false,
        errors: { [POSITIONS]: `“${each}” lies before the one before it: the tape runs on.` },
      };
    positions.push(metres);
  }
  return positions.length < 2
    ? { ok: false, errors: { [POSITIONS]: "Two plants at least." } }
    : { ok: true, positions };
}

/** The figure that is entered of each part; the other field is its place. */
export function figureOfPart<F extends { key: string }>(fields: readonly F[]): F {
  return fields.find(({ key }) => key !== "place")!;
}
