/** What a job found, in words. */
import { isNothing } from "../quantity/figure.ts";
import { printLength } from "../quantity/length.ts";
import { printMeasure } from "../quantity/measure.ts";
import { fineStyle, inInches, type Units } from "../quantity/units.ts";
import type { Estimate } from "../statistics/estimate.ts";
import type { JudgedFigure } from "./corrections.ts";
import type { Measured } from "./result.ts";

/** "2.4 cm right ± 0.6 cm" */
export function offWords({ unit, off, sides }: Measured, units: Units): string {
  if (unit === "time") return `${signed(off.value)}${printMeasure("time", Math.abs(off.value), "s")}`;
  const text = size(off.value, units);
  if (isNothing(text)) return text;
  if (sides) return `${text} ${off.value > 0 ? sides.plus : sides.minus}`;
  return `${signed(off.value)}${text}`;
}

/** "± 6 mm": the half-width of the 95 % interval; null where there is none yet. */
export function halfWords(unit: Measured["unit"], { half }: Estimate, units: Units): string | null {
  if (half === null) return null;
  return `± ${unit === "time" ? printMeasure("time", half, "s") : size(half, units)}`;
}

function signed(value: number): string {
  return value < 0 ? "−" : "+";
}

/** Small lengths in millimetres or hundredths of an inch, long ones on the tape. */
export function size(metres: number, units: Units): string {
  const style = fineStyle(units);
  if (Math.abs(metres) >= 1) return printLength(Math.abs(metres), units.tape);
  return style === "in"
    ? printLength(Math.abs(metres), "in", { decimals: 2 })
    : Math.abs(metres) >= 0.1
      ? printLength(Math.abs(metres), "cm", { decimals: 1 })
      : printLength(Math.abs(metres), "mm");
}

export const VERDICTS: Record<JudgedFigure["verdict"], string> = {
  agrees: "agrees with what is entered",
  differs: "is not what is entered",
  uncertain: "not certain enough to say",
};

/** "+2.4 cm": a small length with its sign, as it stands in a sketch. */
export function signedSmall(metres: number, { small }: Units): string {
  return printLength(metres, small, { signed: true, ...(inInches(small) ? {} : { decimals: 1 }) });
}

/** "+24 mm": how far something lies off, with its sign. */
export function signedFine(metres: number, units: Units): string {
  return `${signed(metres)}${size(metres, units)}`;
}
