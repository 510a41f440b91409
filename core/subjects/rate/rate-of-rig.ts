/** What the rate station works out of a rig: which calibrations each tool has, how each constant stands, and what the nozzles leave. */
import type { CalibrationKind } from "../../calibration/kind.ts";
import { type DimensionKey, isDimensionKey } from "../../dimension/catalogue.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { known, type WholeRig } from "../../rig/whole.ts";
import { pressureAt, type Spraying, speedWindow } from "../../trade/spraying.ts";
import { type Ended, type PartDose, standingParts } from "../../yard/dose.ts";
import { CALIBRATIONS } from "./calibrations/index.ts";
import { type JudgedNozzles, judgeNozzles, ratedFlow } from "./calibrations/nozzles.ts";
import { NOZZLE } from "./parts.ts";

/** How a constant stands. */
export type ConstantStanding = {
  key: DimensionKey;
  /** the calibrations that tell it, the usual one first */
  by: readonly CalibrationKind[];
  /** SI; null where nobody read it */
  value: number | null;
  /** the calibration that wrote the reading that counts; null where it was only read */
  calibrated: Ended | null;
  /** the newest calibration that was left without taking its constant over, after what counts */
  leftSince: Ended | null;
};

export type SprayWindow = {
  spraying: Spraying;
  /** m³/s of a new one at 3 bar */
  rated: number;
  /** Pa; null where nobody told the nozzle's table */
  pressures: { low: number; high: number } | null;
  /** m/s */
  speeds: { low: number; high: number } | null;
  /** at the speed that is driven; null where that is not known */
  now: { speed: number; pressure: number; boomFlow: number } | null;
};

export type PartRate = {
  part: number;
  calibrations: readonly CalibrationKind[];
  constants: readonly ConstantStanding[];
  nozzles: JudgedNozzles | null;
  window: SprayWindow | null;
};

export type RateReckoned = readonly PartRate[];

/** The calibrations of a rig seen from one of its tools. */
export function calibrationsOf(rig: ResolvedRig): CalibrationKind[] {
  return CALIBRATIONS.filter(({ asked }) => asked(rig));
}

/** One entry for each tool of a rig that doses, or is harvested with. */
export function reckonRate({ parts, dose }: WholeRig): RateReckoned {
  return parts.flatMap(({ rig }, part): PartRate[] => {
    const calibrations = calibrationsOf(rig);
    if (calibrations.length === 0 && !doses(rig)) return [];
    const own = dose[part]!;
    return [
      {
        part,
        calibrations,
        constants: constantsOf(rig, calibrations, own),
        nozzles: nozzlesOf(rig, own),
        window: windowOf(rig),
      },
    ];
  });
}

/** Whether a tool puts something out that has a rate, or takes something in that is counted. */
export function doses({ tool, values }: ResolvedRig): boolean {
  if (tool === "sprayer" || tool === "spreader" || tool === "planter" || tool === "header") return true;
  const meters = values["tool.meterDrive"].choice;
  return tool === "drill" ? meters !== "none" : tool === "cart" && meters !== null && meters !== "none";
}

function constantsOf(
  { values }: ResolvedRig,
  calibrations: readonly CalibrationKind[],
  { ended }: PartDose,
): ConstantStanding[] {
  const keys = [...new Set(calibrations.flatMap(({ constant }) => constant ?? []))];
  return keys.filter(isDimensionKey).map((key) => {
    const { value, reading } = values[key];
    const calibrated = (reading && ended.find((each) => each.reading === reading.id)) ?? null;
    const since = reading?.measuredAt ?? "";
    return {
      key,
      by: calibrations.filter(({ constant }) => constant === key),
      value,
      calibrated,
      leftSince: ended.find((each) => each.constant === key && !each.accepted && each.at > since) ?? null,
    };
  });
}

function nozzlesOf(rig: ResolvedRig, { parts }: PartDose): JudgedNozzles | null {
  const flows = standingParts(parts[NOZZLE.key] ?? []).map(({ place, value }) => ({ place, flow: value }));
  return flows.length === 0 ? null : judgeNozzles(flows, ratedFlow(rig));
}

function windowOf(rig: ResolvedRig): SprayWindow | null {
  const rated = ratedFlow(rig);
  const rate = known(rig, "rate.liquid");
  const spacing = known(rig, "rows.spacing");
  const count = known(rig, "rows.count");
  if (rig.tool !== "sprayer" || rated === null || rate === null || spacing === null) return null;
  const spraying = { rate, spacing, density: known(rig, "rate.density")! };
  const [low, high] = [known(rig, "rate.pressureLow"), known(rig, "rate.pressureHigh")];
  const pressures = low !== null && high !== null && low < high ? { low, high } : null;
  const speed = known(rig, "work.speed");
  return {
    spraying,
    rated,
    pressures,
    speeds: pressures && speedWindow(spraying, rated, pressures),
    now:
      speed === null
        ? null
        : {
            speed,
            pressure: pressureAt(spraying, rated, speed),
            boomFlow: rate * speed * spacing * (count ?? 0),
          },
  };
}
