/** What a terminal is told of rates: constants, what is declared, the rate that is set; one line for each that the tool has. */
import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import { MINUS } from "../quantity/figure.ts";
import type { LengthStyle } from "../quantity/length.ts";
import { FAMILIES, type Family, printMeasure } from "../quantity/measure.ts";
import { unitOf } from "../quantity/units.ts";
import { askedKeys } from "../rig/asked.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { isTimeUnit, type OfRate, type SchemeLine } from "./scheme.ts";

/** In the order they are entered: what is fitted, constants, the rate last (choosing a product sets it back on many terminals). */
const TOLD: readonly DimensionKey[] = [
  "rate.rows",
  "rate.rollDeclared",
  "rate.ranksDeclared",
  "rate.speedSource",
  "rate.pulsesPerMetre",
  "rate.nozzle",
  "rate.pulsesPerLitre",
  "rate.valve",
  "rate.displacement",
  "rate.startHeight",
  "rate.stopHeight",
  "rate.startSpeed",
  "rate.timeout",
  "rate.alarmLow",
  "rate.alarmHigh",
  "rate.flowFactor",
  "rate.scale",
  "rate.yield",
  "rate.moistureOffset",
  "rate.preset1",
  "rate.preset2",
  "rate.preset3",
  "rate.liquid",
  "rate.seed",
  "rate.seeds",
  "rate.spread",
];

/** May stand empty: a terminal has them whether anybody uses them or not. */
const MAY_LACK: ReadonlySet<DimensionKey> = new Set([
  "rate.preset1",
  "rate.preset2",
  "rate.preset3",
  "rate.startSpeed",
  "rate.timeout",
  "rate.alarmLow",
  "rate.alarmHigh",
  "rate.valve",
  "rate.moistureOffset",
]);

export type RateLine = Omit<SchemeLine, "measure"> & { measure: OfRate };

/** The lines a scheme that asks for rates asks of a rig, as far as anything is known: none where it does not ask, or the tool has none. */
export function rateLines(lines: readonly SchemeLine[], rig: ResolvedRig): RateLine[] {
  const asking = lines.find(({ measure }) => measure.kind === "rates");
  if (!asking) return [];
  return toldOf(rig)
    .filter((key) => rig.values[key].value !== null)
    .map((key) => {
      const entry = dimension(key, rig);
      const unit = entry.kind === "measure" ? unitOf(entry.family!, unitsLike(asking.unit)) : "";
      return { ...asking, label: entry.label, measure: { kind: "rate", key, unit } };
    });
}

/** What a scheme asks of rates and nobody knows, by label: it is not on the card. */
export function ratesLacking(lines: readonly SchemeLine[], rig: ResolvedRig): string[] {
  if (!lines.some(({ measure }) => measure.kind === "rates")) return [];
  return toldOf(rig)
    .filter((key) => !MAY_LACK.has(key) && rig.values[key].value === null)
    .map((key) => dimension(key, rig).label.toLowerCase());
}

function toldOf(rig: ResolvedRig): DimensionKey[] {
  const asked = askedKeys(rig);
  return TOLD.filter((key) => asked.has(key));
}

/** A terminal that asks lengths in inches asks rates in acres. */
function unitsLike(unit: SchemeLine["unit"]) {
  const tape: LengthStyle = isTimeUnit(unit) ? "m" : unit;
  return { tape, small: tape };
}

/** Digits of a rate as a terminal takes them. */
export function writeRate({ key, unit }: OfRate, value: number, rig: ResolvedRig): string {
  const { kind, family, sides } = dimension(key, rig);
  if (kind !== "measure" || !family) return String(value);
  const text = printMeasure(family, Math.abs(value), unit as never).split("\u00a0")[0]!;
  return sides && value < 0 ? `${MINUS}${text}` : text;
}

/** Decimals a rate is written with. */
export function decimalsOf(family: Family, unit: string): number {
  return (FAMILIES[family] as Record<string, { decimals: number }>)[unit]!.decimals;
}
