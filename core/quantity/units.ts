import { isFeet, type LengthStyle } from "./length.ts";
import { FAMILIES, type Family, type UnitOf } from "./measure.ts";

/** What a length is shown in, by what it is read with: a long tape, a rule held across rows, or callipers on a pin. */
export type Shown = "tape" | "small" | "fine";

/** The operator's choice of units; what callipers read follows the tape. */
export type Units = Record<Exclude<Shown, "fine">, LengthStyle>;

export const UNIT_SYSTEMS = ["metric", "us"] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

export const PRESETS: Record<UnitSystem, Units> = {
  metric: { tape: "m", small: "cm" },
  us: { tape: "ft-in", small: "in" },
};

/** Feet and inches, decimal inches or decimal feet: a choice of the foot's family. */
export function inInches(style: LengthStyle): boolean {
  return isFeet(style) || style === "in" || style === "ft";
}

/** For small lengths such as uncertainties: millimetres, or decimal inches beside a tape in inches. */
export function fineStyle({ tape }: Units): "mm" | "in" {
  return inInches(tape) ? "in" : "mm";
}

/** The style a length is shown in. */
export function styleOf(shown: Shown, units: Units): LengthStyle {
  return shown === "fine" ? fineStyle(units) : units[shown];
}

const IN_US: Partial<Record<Family, string>> = {
  speed: "mph",
  mass: "lb",
  area: "ac",
  pressure: "psi",
  power: "hp",
  "power per length": "hp/ft",
  force: "lbf",
  flow: "gal/min",
  volume: "gal",
  displacement: "in³",
  "count per length": "/ft",
  "count per volume": "/gal",
  "mass per count": "lb each",
  "mass per volume": "lb/gal",
  "mass per time": "lb/min",
  "mass per area": "lb/ac",
  "volume per area": "gal/ac",
  "count per area": "/ac",
};

/** The unit a family is shown in, following the tape: one choice for all of them. */
export function unitOf<F extends Family>(family: F, { tape }: Units): UnitOf<F> {
  const [first] = Object.keys(FAMILIES[family]);
  return ((inInches(tape) ? IN_US[family] : undefined) ?? first) as UnitOf<F>;
}
