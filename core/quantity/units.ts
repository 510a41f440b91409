import { isFeet, type LengthStyle } from "./length.ts";

/** What a length is shown in, by what it is read with: a long tape, or a rule held across rows. */
export type Shown = "tape" | "small";

/** The operator's choice of units. */
export type Units = Record<Shown, LengthStyle>;

export const UNIT_SYSTEMS = ["metric", "us"] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

export const PRESETS: Record<UnitSystem, Units> = {
  metric: { tape: "m", small: "cm" },
  us: { tape: "ft-in", small: "in" },
};

/** Feet and inches, decimal inches: a choice counted in inches. */
export function inInches(style: LengthStyle): boolean {
  return isFeet(style) || style === "in";
}

/** For small lengths such as uncertainties: millimetres, or decimal inches beside a tape in inches. */
export function fineStyle({ tape }: Units): "mm" | "in" {
  return inInches(tape) ? "in" : "mm";
}
