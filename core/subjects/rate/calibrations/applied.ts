/** Why the product does not add up: what was used against rate × hectares, shared out over what may be wrong. */
import {
  type Calibrating,
  type CalibrationKind,
  NOTHING_FOUND,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { percent } from "../../../calibration/percent.ts";
import { type Said, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { isOneOf, told } from "./common.ts";

export type Applied = {
  /** wanted, in any one unit of amount for each m² */
  rate: number;
  /** m²: of the field as it is known, and as the terminal counted */
  field: number;
  counted: number;
  /** amounts in that unit: gone out of tank or hopper, and as the terminal counted */
  used: number;
  shown: number;
};

export type ShareOf = "constant" | "control" | "area";
export type AppliedShare = {
  key: ShareOf;
  /** what is ÷ what should be */
  factor: number;
  /** of the whole difference, by logarithms: they add up to one; null where there is no difference to share */
  share: number | null;
};

/**
 * Used ÷ (rate × field) is a product: amount really gone ÷ amount shown, shown ÷ (rate × hectares shown), hectares shown ÷ hectares there are.
 * Example: 5 % too much of which hectares shown make 5 %: the whole of it is the area.
 */
export function shareOut({ rate, field, counted, used, shown }: Applied): {
  total: number;
  shares: AppliedShare[];
} {
  const factors: Record<ShareOf, number> = {
    constant: used / shown,
    control: shown / (rate * counted),
    area: counted / field,
  };
  const total = used / (rate * field);
  const whole = Math.log(total);
  return {
    total,
    shares: (Object.entries(factors) as [ShareOf, number][])
      .map(([key, factor]) => ({
        key,
        factor,
        share: Math.abs(whole) < 1e-3 ? null : Math.log(factor) / whole,
      }))
      .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor))),
  };
}

const SAID: Readonly<Record<ShareOf, { label: string; test: string }>> = {
  constant: {
    label: "Gone against shown",
    test: "What the terminal calls a litre or a kilogram is wrong: flow constant, meter displacement or scale. Calibrate that first.",
  },
  control: {
    label: "Shown against rate × hectares shown",
    test: "The terminal itself did not hold the rate: look at valve or meter speed, at a rate that was trimmed, and at the speed window.",
  },
  area: {
    label: "Hectares shown against the field",
    test: "Hectares are counted wrong: working width, speed constant, or overlap and headland worked twice. Tape the width, then 100 m for the speed.",
  },
};

/** Less than this is nothing to look for (common practice, no source). */
const NOTHING = 0.02;

function solve({ setup, runs, left }: Calibrating): Outcome {
  const { rate } = setup.figures;
  const kept = runs.filter((_, at) => !left.has(at));
  const sum = (key: string) => kept.reduce((total, { figures }) => total + (figures[key] ?? Number.NaN), 0);
  const told_ = {
    rate: rate ?? Number.NaN,
    field: sum("field"),
    counted: sum("counted"),
    used: sum("used"),
    shown: sum("shown"),
  };
  if (rate === undefined) return { ...NOTHING_FOUND, barred: ["Tell the rate that was wanted."] };
  if (kept.length === 0 || Object.values(told_).some((each) => !(each > 0)))
    return { ...NOTHING_FOUND, barred: ["No field was entered yet."] };
  const { total, shares } = shareOut(told_);
  const worst = shares[0]!;
  const right = Math.abs(total - 1) < NOTHING;
  return {
    ...NOTHING_FOUND,
    figures: { total, ...Object.fromEntries(shares.map(({ key, factor }) => [key, factor])) },
    also: [
      { key: "total", label: "Put out against wanted", said: tell`${percent(total - 1)}` },
      ...shares.map(({ key, factor, share }) => ({
        key,
        label: SAID[key].label,
        said: shareSaid(factor, share),
      })),
    ],
    next: [
      right && Math.abs(worst.factor - 1) < NOTHING
        ? "It adds up: nothing to look for."
        : right
          ? tell`It adds up, but only because two errors cancel. ${SAID[worst.key].test}`
          : SAID[worst.key].test,
    ],
    barred: [],
  };
}

function shareSaid(factor: number, share: number | null): Said {
  const lead = tell`${percent(factor - 1)}`;
  return share === null
    ? lead
    : tell`${lead}, ${percent(share, { sign: false, decimals: 0 })} of the difference`;
}

/** As it is asked of litres, and of kilograms. */
function applied(volume: boolean): CalibrationKind {
  const family = volume ? ("volume" as const) : ("mass" as const);
  const rate = volume ? ("rate.liquid" as const) : null;
  const amount = { kind: "measure" as const, family, range: [1e-3, 1e6] as const };
  const area = { kind: "measure" as const, family: "area" as const, range: [100, 1e7] as const };
  return {
    key: volume ? "applied-liquid" : "applied",
    title: "Does the product add up?",
    tells: "What was used against rate × hectares: which calibration explains the difference.",
    constant: null,
    kit: ["delivery notes, or tank and hopper gauged before and after"],
    steps: [
      "At the end of a field write down what the terminal counted: hectares and amount.",
      "Gauge or weigh what is gone: filled, less what is left.",
      "Hectares of the field from the map, less what was not worked.",
    ],
    cautions: [],
    one: "field",
    enough: { count: 1, why: "each field tells; several tell it better" },
    setup: [
      {
        key: "rate",
        label: "Rate wanted",
        hint: "as it was set",
        kind: "measure",
        family: volume ? "volume per area" : "mass per area",
        range: [1e-7, 1],
      },
    ],
    fields: [
      { key: "field", label: "Field", hint: "by the map, less what was left out", ...area },
      { key: "counted", label: "Area counted", hint: "by the terminal", ...area },
      { key: "used", label: "Really gone", hint: "filled, less what is left", ...amount },
      { key: "shown", label: "Amount counted", hint: "by the terminal", ...amount },
    ],
    entered: "singly",
    asked: volume
      ? isOneOf("sprayer")
      : (rig) =>
          rig.tool === "spreader" ||
          ((rig.tool === "drill" || rig.tool === "cart") &&
            ["wheel", "PTO generator", "oil generator", "motor"].includes(
              rig.values["tool.meterDrive"].choice ?? "",
            )),
    first: (rig) =>
      told(rig, { rate: rate ?? (known(rig, "rate.seed") !== null ? "rate.seed" : "rate.spread") }),
    solve,
    bench: ({ constants }, { figures }, rig, random) => {
      const field = known(rig, "work.area") ?? 1e5;
      const wanted = figures.rate;
      if (wanted === undefined) return [];
      const ratio = (key: keyof typeof constants, inverse = false) => {
        const [real, had] = [constants[key], known(rig, key)];
        return real === undefined || had === null ? 1 : inverse ? had / real : real / had;
      };
      const counted = field * ratio("rate.pulsesPerMetre");
      const each = volume
        ? ratio("rate.pulsesPerLitre", true)
        : ratio("rate.displacement") * ratio("rate.flowFactor");
      const shown = wanted * counted;
      return [runOf({ field, counted, shown, used: shown * each * (1 + random.normal(0.01)) })];
    },
  };
}

export const APPLIED_LIQUID = applied(true);
export const APPLIED = applied(false);
