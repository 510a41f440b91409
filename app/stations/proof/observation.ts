/** One observation of a field test as it is typed, read the same way in the browser and on the server. */

import { pointOf } from "../../../core/dimension/points.ts";
import type { AskedField } from "../../../core/job/kind.ts";
import { isLengthStyle, type LengthStyle } from "../../../core/quantity/length.ts";
import { FAMILIES, type UnitOf } from "../../../core/quantity/measure.ts";
import { parseTyped } from "../../../core/quantity/typed.ts";

/** What a bare number means in each kind of field. */
export type Styles = { tape: LengthStyle; small: LengthStyle; speed: UnitOf<"speed"> };

export function stylesIn(text: string): Styles | null {
  const [tape = "", small = "", speed = ""] = text.split(",");
  return isLengthStyle(tape) && isLengthStyle(small) && Object.hasOwn(FAMILIES.speed, speed)
    ? { tape, small, speed: speed as Styles["speed"] }
    : null;
}

export const stylesText = ({ tape, small, speed }: Styles) => `${tape},${small},${speed}`;

/** The names under which a field's text, and the word beside it, come in a form. */
export const textName = (key: string) => `f-${key}`;
export const wordName = (key: string) => `w-${key}`;

/** An observation as it was typed: "0.15 left, first". */
export function typedWords(fields: readonly AskedField[], told: Readonly<Record<string, string>>): string {
  return fields
    .flatMap((field) => {
      const text = told[textName(field.key)] ?? "";
      const chosen =
        field.kind === "choice" ? field.choices.find(({ key }) => key === text)?.label : undefined;
      const words = [chosen ?? text, told[wordName(field.key)] ?? ""].filter(Boolean).join(" ");
      return words === "" ? [] : [words];
    })
    .join(", ");
}

export type ReadObservation =
  | {
      ok: true;
      values: Record<string, number>;
      choices: Record<string, string>;
      texts: Record<string, string>;
    }
  | { ok: false; errors: Record<string, string> };

type Told = (name: string) => string;

export function readObservation(fields: readonly AskedField[], told: Told, styles: Styles): ReadObservation {
  const values: Record<string, number> = {};
  const choices: Record<string, string> = {};
  const texts: Record<string, string> = {};
  const errors: Record<string, string> = {};
  for (const field of fields) {
    const text = told(textName(field.key)).trim();
    if (text === "" && field.optional) continue;
    const read = readField(field, text, told(wordName(field.key)), styles);
    if ("problem" in read) errors[textName(field.key)] = read.problem;
    else if (typeof read.value === "number") values[field.key] = read.value;
    else choices[field.key] = read.value;
    texts[field.key] = [text, told(wordName(field.key))].filter(Boolean).join(" ");
  }
  if (choices.from && choices.from === choices.to)
    errors[textName("to")] = "That is the same point: choose another.";
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, values, choices, texts };
}

type ReadField = { value: number | string } | { problem: string };

function readField(field: AskedField, text: string, word: string, styles: Styles): ReadField {
  switch (field.kind) {
    case "choice":
      return field.choices.some(({ key }) => key === text)
        ? { value: text }
        : { problem: `Choose: ${field.label.toLowerCase()}.` };
    case "point":
      return pointOf(text) ? { value: text } : { problem: "Choose a point." };
    case "speed":
      return within(parseTyped({ family: "speed", sides: null }, text, styles.speed), {
        ok: (value) => value > 0 && value < 15,
        problem: "No field is crossed at that speed.",
      });
    case "length":
      return within(parseTyped({ family: "length", sides: null }, text, styles.tape), {
        ok: (value) => value > 0,
        problem: "It is a distance, more than nothing.",
      });
    case "sided":
      return within(
        parseTyped({ family: "length", sides: field, mustSay: true }, text, styles.small, word),
        null,
      );
    case "heading":
    case "coordinate":
      return readAngle(text, field.kind === "coordinate" ? field.most : 360, field.kind === "coordinate");
  }
}

/** Seven decimals of a degree are a centimetre. */
const DECIMALS = 7;

/** Decimal degrees to radians. */
function readAngle(text: string, most: number, fine: boolean): ReadField {
  const found = /^[-−–]?\d{1,3}(?:[.,](\d+))?\s*°?$/.exec(text);
  if (!found) return { problem: "Decimal degrees, like 55.1234567." };
  if (fine && (found[1]?.length ?? 0) < DECIMALS)
    return {
      problem: `Seven decimals or more: ${found[1]?.length ?? 0} resolve no more than a metre or so.`,
    };
  const degrees = Number(text.replace(/[−–]/, "-").replace(",", ".").replace(/\s*°$/, ""));
  return Math.abs(degrees) <= most
    ? { value: (degrees * Math.PI) / 180 }
    : { problem: `No more than ${most}°.` };
}

function within(
  read: ReturnType<typeof parseTyped>,
  asked: { ok: (value: number) => boolean; problem: string } | null,
): ReadField {
  if (!read.ok) return { problem: read.problem };
  const { value } = read.value;
  return asked && !asked.ok(value) ? { problem: asked.problem } : { value };
}
