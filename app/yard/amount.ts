import { registerDecorator, type ValidationArguments } from "class-validator";
import type { Parsed } from "../../core/quantity/figure.ts";
import type { Family } from "../../core/quantity/measure.ts";
import { parseTyped } from "../../core/quantity/typed.ts";

export type Amount = { family: Family | "length"; unit: string; optional: boolean };

/** SI of what was typed; null for an empty field that may be empty. */
export function amountOf(text: string, { family, unit, optional }: Amount): Parsed<number | null> {
  if (text.trim() === "" && optional) return { ok: true, value: null };
  const read = parseTyped({ family, sides: null }, text, unit);
  return read.ok ? { ok: true, value: read.value.value } : read;
}

/** The property's text is a quantity of a family; its unit stands in the field of the same name with `Unit` behind it. */
export function IsAmount(family: Amount["family"], optional: boolean) {
  const problem = (text: unknown, { object, property }: ValidationArguments) => {
    const unit = String((object as Record<string, unknown>)[`${property}Unit`] ?? "");
    const read = amountOf(String(text ?? ""), { family, unit, optional });
    return read.ok ? null : read.problem;
  };
  return (target: object, propertyName: string) =>
    registerDecorator({
      name: "isAmount",
      target: target.constructor,
      propertyName,
      validator: {
        validate: (text, args) => problem(text, args!) === null,
        defaultMessage: (args) => problem(args!.value, args!) ?? "",
      },
    });
}
