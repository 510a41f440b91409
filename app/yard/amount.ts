import type { Parsed } from "../../core/quantity/figure.ts";
import type { Family } from "../../core/quantity/measure.ts";
import { parseTyped } from "../../core/quantity/typed.ts";
import { Reads } from "../session/reads.ts";

export type Amount = { family: Family | "length"; unit: string; optional: boolean };

/** SI of what was typed; null for an empty field that may be empty. */
export function amountOf(text: string, { family, unit, optional }: Amount): Parsed<number | null> {
  if (text.trim() === "" && optional) return { ok: true, value: null };
  const read = parseTyped({ family, sides: null }, text, unit);
  return read.ok ? { ok: true, value: read.value.value } : read;
}

/** The property's text is a quantity of a family; its unit stands in the field of the same name with `Unit` behind it. */
export function IsAmount(family: Amount["family"], optional: boolean) {
  return Reads((text, dto, property) => {
    const unit = String((dto as Record<string, unknown>)[`${property}Unit`] ?? "");
    const read = amountOf(text, { family, unit, optional });
    return read.ok ? null : read.problem;
  });
}
