import { IsIn, IsUUID, Length, Matches, MaxLength } from "class-validator";
import { isFieldUnit } from "../../../core/dimension/entry.ts";
import { isLengthStyle, type LengthStyle, parseLength } from "../../../core/quantity/length.ts";
import { parseTyped, type Sides } from "../../../core/quantity/typed.ts";
import type { Place } from "../../../core/subjects/ground/grid.ts";
import {
  type Acts,
  ADJUSTER_FORMS,
  type DepthPoint,
  MEASURES,
  type MeasureKey,
  type StepEffect,
} from "../../../core/yard/ground.ts";
import type { FieldErrors } from "../../session/validate.ts";

/** Deeper nobody works (ours). */
const DEEPEST = 1;

export class KeepMapDto {
  @IsUUID(undefined, { message: "This map has no number of its own." })
  id!: string;

  @MaxLength(60, { message: "The field's name is at most 60 letters." })
  field!: string;

  @Matches(/^([2-9]|1[0-5])$/, { message: "From 2 to 15 points lie across." })
  across!: string;

  @Length(1, 60, { message: "Say who measured." })
  person!: string;
}

const WHOLE = /^[-−]?\d{1,3}$/;

/** What is told of an adjuster, besides where it sits and what it moves. */
export class AdjusterDto {
  @Length(1, 60, { message: "Say what it is called." })
  label!: string;

  @IsIn(Object.keys(ADJUSTER_FORMS), { message: "Choose what it is." })
  form!: keyof typeof ADJUSTER_FORMS;

  @Matches(WHOLE, { message: "A whole number of steps." })
  low!: string;

  @Matches(WHOLE, { message: "A whole number of steps." })
  high!: string;

  @Matches(/^([-−]?\d{1,3})?$/, { message: "A whole number of steps, or nothing." })
  storage!: string;

  @Matches(/^([-−]?\d{1,3})?$/, { message: "A whole number of steps, or nothing." })
  start!: string;

  @Matches(/^([-−]?\d{1,3})?$/, { message: "A whole number of steps, or nothing." })
  difference!: string;

  @MaxLength(200, { message: "At most 200 letters." })
  how!: string;

  @Length(1, 60, { message: "Say who tells it." })
  person!: string;
}

export class AdjusterNamedDto {
  @Matches(/^\d+$/, { message: "No adjuster was named." })
  adjuster!: string;

  @Length(1, 60, { message: "Say who does it." })
  person!: string;
}

export const depthName = (key: string) => `d-${key}`;
export const settingName = (id: number) => `s-${id}`;

const whole = (text: string) => Number(text.replace("−", "-"));

/** Steps as they were typed; null where they are no whole number. */
export function readSteps(text: string): number | null {
  return WHOLE.test(text.trim()) ? whole(text.trim()) : null;
}

export type ReadMap = { wanted: number; points: DepthPoint[] };

/** Reads a map as it was typed: what stands empty was skipped; at least three points, and some of them side by side. */
export function readMap(
  form: FormData,
  places: readonly Place[],
): { ok: true; value: ReadMap } | { ok: false; errors: FieldErrors } {
  const errors: FieldErrors = {};
  const style = String(form.get("style") ?? "");
  if (!isLengthStyle(style)) return { ok: false, errors: { form: "The unit was not understood." } };
  if (places.length === 0)
    return { ok: false, errors: { form: "Give the working width first: the points lie across it." } };
  const wanted = depthOf(form, "wanted", style, errors);
  if (wanted === null && !errors.wanted) errors.wanted = "Say how deep it shall work.";
  const points = places.flatMap(({ key, label, x, y }): DepthPoint[] => {
    const depth = depthOf(form, depthName(key), style, errors);
    return depth === null ? [] : [{ label, x, y, depth }];
  });
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  if (points.length < 3)
    return { ok: false, errors: { form: "Measure at least three points: two tell no level." } };
  if (new Set(points.map(({ y }) => y)).size < 2)
    return { ok: false, errors: { form: "All points lie in one line: measure some beside each other." } };
  return { ok: true, value: { wanted: wanted!, points } };
}

function depthOf(form: FormData, name: string, style: LengthStyle, errors: FieldErrors): number | null {
  const text = String(form.get(name) ?? "").trim();
  if (text === "") return null;
  const read = parseLength(text, style);
  if (!read.ok) errors[name] = read.problem;
  else if (read.value.metres < 0) errors[name] = "A depth is counted downward, without a sign.";
  else if (name === "wanted" && read.value.metres === 0) errors[name] = "Say how deep it shall work.";
  else if (read.value.metres > DEEPEST) errors[name] = "So deep works no tool: look at the unit.";
  else return read.value.metres;
  return null;
}

export const AHEAD = { plus: "ahead", minus: "behind" } as const;
export const ASIDE = { plus: "right", minus: "left" } as const;

/** Where an adjuster sits: metres ahead of the coupling point, right of its middle, above the ground; null where nobody said. */
export type Sits = { x: number | null; y: number | null; up: number | null };

/** No adjuster sits further from where its tool is coupled (ours). */
const FURTHEST = 40;

/** Reads where it sits, as it was typed; ahead and aside are told together, since neither draws it alone. */
export function readPlace(form: FormData): { ok: true; value: Sits } | { ok: false; errors: FieldErrors } {
  const errors: FieldErrors = {};
  const of = (name: string, sides: Sides | null): number | null => {
    const text = String(form.get(name) ?? "").trim();
    if (text === "") return null;
    const unit = String(form.get("tape") ?? "");
    const typed = { family: "length", sides, mustSay: sides !== null } as const;
    const read = parseTyped(typed, text, unit, String(form.get(`${name}-way`) ?? ""));
    if (!read.ok) errors[name] = read.problem;
    else if (Math.abs(read.value.value) > FURTHEST) errors[name] = "So far away none sits: look at the unit.";
    else if (sides === null && read.value.value < 0) errors[name] = "It is counted upward, without a sign.";
    else return read.value.value;
    return null;
  };
  const [x, y, up] = [of("ahead", AHEAD), of("aside", ASIDE), of("up", null)];
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  if (x === null && y !== null)
    return { ok: false, errors: { ahead: "Say this too: one alone draws nothing." } };
  if (y === null && x !== null)
    return { ok: false, errors: { aside: "Say this too: one alone draws nothing." } };
  return { ok: true, value: { x, y, up } };
}

export type Moves = { effect: StepEffect | null; acts: Acts | null };

/** What a step does: to the depth, or to the one thing it was told to move. */
export function readMoves(form: FormData): { ok: true; value: Moves } | { ok: false; errors: FieldErrors } {
  const measure = String(form.get("measure") ?? "");
  if (measure === "") {
    const read = readEffect(form);
    return read.ok ? { ok: true, value: { effect: read.effect, acts: null } } : read;
  }
  if (!isMeasure(measure)) return { ok: false, errors: { measure: "Choose what it moves." } };
  const by = readAmount(form, measure);
  return typeof by === "object" && by !== null
    ? { ok: false, errors: by }
    : { ok: true, value: { effect: null, acts: { measure, by } } };
}

const isMeasure = (key: string): key is MeasureKey => Object.hasOwn(MEASURES, key);

/** SI with its sign; null where nobody knows; else what is wrong, by field. */
function readAmount(form: FormData, measure: MeasureKey): number | null | FieldErrors {
  const { family } = MEASURES[measure];
  const way = String(form.get("way") ?? "");
  const text = String(form.get("amount") ?? "").trim();
  const unit = String(form.get("unit") ?? "");
  const sign = way === "more" ? 1 : way === "less" ? -1 : 0;
  if (family === null) return sign === 0 ? null : sign;
  if (text === "") return null;
  if (sign === 0) return { way: "Say which way, or leave the figure empty." };
  if (!isFieldUnit(unit)) return { amount: "The unit was not understood." };
  const read = parseTyped({ family, sides: null }, text, unit);
  if (!read.ok) return { amount: read.problem };
  return read.value.value > 0 ? sign * read.value.value : { amount: "It is more than nothing." };
}

/** What a step does, in the reader's fine unit; all three or none. */
function readEffect(
  form: FormData,
): { ok: true; effect: StepEffect | null } | { ok: false; errors: FieldErrors } {
  const style = String(form.get("fine") ?? "");
  const errors: FieldErrors = {};
  if (!isLengthStyle(style)) return { ok: false, errors: { form: "The unit was not understood." } };
  const texts = (["front", "rear", "across"] as const).map(
    (name) => [name, String(form.get(name) ?? "").trim()] as const,
  );
  if (texts.every(([, text]) => text === "")) return { ok: true, effect: null };
  const effect = { front: 0, rear: 0, across: 0 };
  for (const [name, text] of texts) {
    if (text === "") continue;
    const read = parseLength(text, style);
    if (!read.ok) errors[name] = read.problem;
    else if (Math.abs(read.value.metres) > 0.2)
      errors[name] = "One step does not move it so far: look at the unit.";
    else effect[name] = read.value.metres;
  }
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, effect };
}
