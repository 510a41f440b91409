/** Quantities in the operator's units, in one word: what every sentence of a finding is written with. */
import { printLength } from "./length.ts";
import { type Family, printMeasure } from "./measure.ts";
import { fineStyle, type Units, unitOf } from "./units.ts";

/** A quantity in SI, printed in the operator's unit of its family. */
export function say(family: Family, value: number, units: Units, decimals?: number): string {
  return printMeasure(family, value, unitOf(family, units) as never, decimals);
}

/** Diameters of pins and other small sizes: millimetres, or decimal inches. */
export function sayFine(metres: number, units: Units): string {
  const style = fineStyle(units);
  return printLength(metres, style, {
    decimals: style === "in" ? 3 : Number.isInteger(round(metres)) ? 0 : 1,
  });
}

const round = (metres: number) => Math.round(metres * 1e4) / 10;
