import { dimension } from "../../../core/dimension/catalogue.ts";
import { toleranceOf } from "../../../core/job/tolerance.ts";
import { size } from "../../../core/job/words.ts";
import { parseMeasure, printMeasure } from "../../../core/quantity/measure.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import {
  alongTrack,
  type Budget,
  type Circumstances,
  crossTrack,
  RECEIVERS,
  type ReceiverClass,
} from "../../../core/rig/budget.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { chosen } from "../../../core/rig/whole.ts";

export type BudgetView = {
  key: "across" | "along";
  title: string;
  verdict: string;
  good: boolean;
  bars: { label: string; millimetres: number }[];
  rows: { key: string; label: string; from: string; sigma: string; share: string }[];
  next: { label: string; href: string; why: string } | null;
  /** why no tape brings it within the tolerance, and what does; empty where one can */
  forbids: string;
};

export type BudgetsView = {
  receiver: ReceiverClass;
  slope: string;
  speed: string;
  errors: { slope?: string; speed?: string };
  speedUnit: string;
  tolerance: string;
  budgets: BudgetView[];
};

type Asked = { receiver: string | null; slope: string | null; speed: string | null };

const STEEPEST = (25 * Math.PI) / 180;

export function budgetsView(
  rig: ResolvedRig,
  { receiver, slope, speed }: Asked,
  units: Units,
  hrefOf: (station: string, key: string) => string,
): BudgetsView {
  const speedUnit = unitOf("speed", units);
  const kind = receiver !== null && Object.hasOwn(RECEIVERS, receiver) ? (receiver as ReceiverClass) : "rtk";
  const angle = parseMeasure("angle", slope ?? "0", "°");
  const pace = speed === null || speed === "" ? null : parseMeasure("speed", speed, speedUnit);
  const usual = rig.values["work.speed"].value ?? 2.5;
  const errors: BudgetsView["errors"] = {
    ...(angle.ok && Math.abs(angle.value.value) <= STEEPEST
      ? {}
      : { slope: angle.ok ? "Steeper than one may work across." : angle.problem }),
    ...(pace === null || pace.ok ? {} : { speed: pace.problem }),
  };
  const found: Circumstances = {
    receiver: kind,
    slope: angle.ok && !errors.slope ? angle.value.value : 0,
    speed: pace?.ok ? pace.value.value : usual,
  };
  const { across, along, why } = toleranceOf(rig);
  return {
    receiver: kind,
    slope: slope ?? "0",
    speed: speed ?? printMeasure("speed", usual, speedUnit).replace(/[^\d.,]/g, ""),
    speedUnit,
    errors,
    tolerance: `This work allows ${size(across, units)} to the side and ${size(along, units)} along the line, 95 % confidence: ${why} (common practice).`,
    budgets: [
      view("across", "Across the line", crossTrack(rig, found, across), rig, units, hrefOf),
      view("along", "Along the line, where work begins", alongTrack(rig, found, along), rig, units, hrefOf),
    ],
  };
}

function view(
  key: BudgetView["key"],
  title: string,
  { contributors, total, half, tolerance, good, floor }: Budget,
  rig: ResolvedRig,
  units: Units,
  hrefOf: (station: string, key: string) => string,
): BudgetView {
  const open = contributors.filter((each) => each.taped !== null).sort((a, b) => a.taped! - b.taped!)[0];
  const entry = open?.tape ? dimension(open.tape, rig) : null;
  return {
    key,
    title,
    good,
    verdict: `Within ${size(half, units)} either way, 95 % confidence${good ? ": good enough" : `: more than the ${size(tolerance, units)} this work allows`}.`,
    bars: contributors.map(({ label, sigma }) => ({ label, millimetres: Math.round(sigma * 10_000) / 10 })),
    rows: contributors.map(({ key: each, label, from, sigma, share }) => ({
      key: each,
      label,
      from,
      sigma: size(sigma, units),
      share: `${Math.round(share * 100)} %`,
    })),
    forbids: floor ? forbidsText(floor, key, rig, units) : "",
    next:
      open && entry
        ? {
            label: `Tape this next: ${entry.label.toLowerCase()}`,
            href: hrefOf(entry.station, entry.key),
            why: `It brings ${size(1.96 * total, units)} down to ${size(1.96 * open.taped!, units)}.`,
          }
        : null,
  };
}

/** What stands in the way with every length perfect, and the way round it. */
function forbidsText(
  floor: NonNullable<Budget["floor"]>,
  key: BudgetView["key"],
  rig: ResolvedRig,
  units: Units,
): string {
  const what = `With every length perfect ${size(floor.half, units)} remain, most of them from: ${floor.label.toLowerCase()}.`;
  if (key === "along") return `${what} Measure the delays, or drive slower at boundaries.`;
  if (chosen(rig, "tool.kind") === "hoe")
    return `${what} A hoe this near to the row needs row guidance: a camera or feelers on the tool.`;
  return `${what} A better fix, or the joints proved in the field: then the roll sensor's constant part is found with them.`;
}
