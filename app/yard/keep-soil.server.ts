/** How deep the ground may be pressed, as the yard says. */
import { printLength } from "../../core/quantity/length.ts";
import type { Units } from "../../core/quantity/units.ts";
import { SOIL_KEYS, SOIL_STATES, type SoilState } from "../../core/trade/pressed.ts";
import type { Database } from "../../data/handle.ts";
import type { Told } from "../../data/record.ts";
import { setSoilLimits, soilLimitsOf } from "../../data/settings.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { validateForm } from "../session/validate.ts";
import { amountOf } from "./amount.ts";
import { SoilLimitsDto } from "./limits.dto.ts";

const NAMES: Record<SoilState, string> = { wet: "Wet", moist: "Moist", dry: "Dry" };

export function soilShown(db: Database, units: Units) {
  const limits = soilLimitsOf(db);
  const length = (metres: number) => printLength(metres, units.small, { decimals: 0 });
  return {
    unit: units.small as string,
    states: SOIL_KEYS.map((state) => ({
      state,
      label: NAMES[state],
      typed: limits[state].told ? length(limits[state].depth) : "",
      ours: length(SOIL_STATES[state].limit),
    })),
  };
}

export function keepSoil(db: Database, form: FormData, by: Told): Outcome {
  const checked = validateForm(SoilLimitsDto, form);
  if (!checked.ok) return refused(checked.errors);
  const dto = checked.value;
  const depth = (state: SoilState) => {
    const read = amountOf(dto[state], { family: "length", unit: dto[`${state}Unit`], optional: true });
    return read.ok ? read.value : null;
  };
  const limits = { wet: depth("wet"), moist: depth("moist"), dry: depth("dry") };
  for (const state of SOIL_KEYS) {
    const it = limits[state];
    if (it !== null && !(it > 0 && it <= 2)) return refused({ [state]: "A depth under two metres." });
  }
  const of = (state: SoilState) => limits[state] ?? SOIL_STATES[state].limit;
  if (of("wet") > of("moist")) return refused({ wet: "Wet ground bears no more than moist." });
  if (of("moist") > of("dry")) return refused({ moist: "Moist ground bears no more than dry." });
  setSoilLimits(db, limits, by);
  return kept("Kept: ground pressure is held against these.");
}
