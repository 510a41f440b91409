/** What a whole rig needs of its tractor, from readings: the rule of thumb and the draft model side by side. */
import { isCarried, isFixed } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { steersBy } from "../rig/asked.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { together } from "../rig/swath.ts";
import { chosen, type Input, inputOf, known, type ToolOfRig, type WholeRig, works } from "../rig/whole.ts";
import { DRAFT_TABLE, type DraftKey, type Soil } from "../trade/draft.ts";
import { TOOL_KINDS, type ToolKind, type ToolKindKey } from "../trade/kinds.ts";
import {
  type Drive,
  type Efficiencies,
  MOTION_RESISTANCE,
  type Need,
  needOf,
  needOfAll,
  rotaryPower,
  type Surface,
  type Task,
  tractiveEfficiency,
  workRate,
} from "../trade/power.ts";
import { type CurvePoint, curveOf, fastest, type Instead, insteadOf } from "./curve.ts";
import { fullMass } from "./mass.ts";

export type PartPower = {
  kind: ToolKindKey | null;
  task: Task | null;
  need: Need | null;
  /** rule of thumb, watts; null where no width or no rule is known */
  thumb: { power: number; perMetre: number; own: boolean } | null;
  /** what is missing before the model can be reckoned */
  missing: DimensionKey[];
  /** metres of width, for the rate of work */
  width: number | null;
  /** where the shaft's power comes from; unknown: nobody told whether it is driven, or what that takes */
  shaft: "none" | "book" | "table" | "unknown";
  inputs: Input[];
};

export type RigPower = {
  /** of the whole rig, m/s */
  speed: Input;
  efficiencies: Efficiencies;
  traction: { drive: Drive; surface: Surface; measured: boolean };
  parts: PartPower[];
  /** watts at the PTO; null while a part cannot be reckoned */
  need: number | null;
  low: number | null;
  high: number | null;
  thumb: number | null;
  /** what the tractor has at the PTO, watts; null until its power is known */
  available: number | null;
  /** m/s; null where even standing still asks for more, or nothing can be reckoned */
  highest: number | null;
  /** of the first tool in the ground, at the speed asked for */
  instead: Instead | null;
  /** need over speed, watts at m/s */
  curve: CurvePoint[];
  /** m²/s */
  rate: number | null;
};

/** The first tool that works the field: the rig goes at its speed, on its ground. Of a rig that only carries, the first. */
export function leadOf({ parts }: Pick<WholeRig, "parts">): number {
  return Math.max(
    0,
    parts.findIndex(({ rig }) => works(rig)),
  );
}

/**
 * What a whole rig asks of its engine at the speed told, watts and m/s; null where a reading is missing,
 * which is then named.
 */
export function powerOf(whole: WholeRig): RigPower {
  const lead = whole.parts[leadOf(whole)]!.rig;
  const speed = inputOf(lead, "work.speed");
  const { efficiencies, traction } = efficienciesOf(lead);
  const parts = whole.parts.map((part) =>
    partPower(part, whole, speed.value!, traction.surface, efficiencies),
  );
  const tasks = parts.flatMap(({ task }) => task ?? []);
  const complete = tasks.length === parts.length && !whole.selfPropelled;
  const power = known(lead, "tractor.power");
  const available = power === null ? null : power * efficiencies.pto;
  const now = complete ? needOfAll(tasks, efficiencies) : null;
  const thumbs = parts.map(({ thumb }) => thumb?.power ?? null);
  return {
    speed,
    efficiencies,
    traction,
    parts,
    need: now?.need ?? null,
    low: now?.low ?? null,
    high: now?.high ?? null,
    thumb: thumbs.some((each) => each !== null)
      ? thumbs.reduce<number>((sum, each) => sum + (each ?? 0), 0)
      : null,
    available,
    highest: complete && available !== null ? fastest(tasks, efficiencies, available) : null,
    instead: complete && available !== null ? insteadOf(tasks, efficiencies, available) : null,
    curve: complete ? curveOf(tasks, efficiencies, speed.value!) : [],
    rate: rateOf(whole, parts, speed.value!),
  };
}

function efficienciesOf(rig: ResolvedRig): Pick<RigPower, "efficiencies" | "traction"> {
  const drive = steersBy(rig) === "tracks" ? "tracks" : chosen<Drive>(rig, "tractor.drive")!;
  const surface = chosen<Surface>(rig, "work.surface")!;
  const measured = known(rig, "tractor.traction");
  return {
    efficiencies: {
      traction: measured ?? tractiveEfficiency(drive, surface),
      axle: known(rig, "tractor.axleEfficiency")!,
      pto: known(rig, "tractor.ptoEfficiency")!,
    },
    traction: { drive, surface, measured: measured !== null },
  };
}

/** The row of the draft table a tool is reckoned by: the one chosen, or the usual one of its kind. */
export function draftRowOf(rig: ResolvedRig): DraftKey | null {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  return chosen<DraftKey>(rig, "tool.draft") ?? (kind ? usualDraft(kind, rig) : null);
}

function usualDraft(key: ToolKindKey, rig: ResolvedRig): DraftKey | null {
  const { drafts }: ToolKind = TOOL_KINDS[key];
  if (key !== "drill") return drafts[0] ?? null;
  const width = known(rig, "tool.width");
  if (width === null) return drafts[0] ?? null;
  return width < 2.4 ? "drill, narrow" : width <= 3.7 ? "drill, middle" : "drill, wide";
}

function partPower(
  part: ToolOfRig,
  whole: WholeRig,
  speed: number,
  surface: Surface,
  efficiencies: Efficiencies,
): PartPower {
  const { rig } = part;
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  const width = known(rig, "tool.width");
  const about: ToolKind | null = kind && TOOL_KINDS[kind];
  const row = draftRowOf(rig);
  const missing: DimensionKey[] = kind === null ? ["tool.kind"] : [];
  const counted = row === null ? 0 : widthFor(row, rig, missing);
  const depth = known(rig, "work.depth");
  if (row && DRAFT_TABLE[row].byDepth && depth === null) missing.push("work.depth");
  const shaft = shaftOf(rig, about, width, missing);
  const mass = known(rig, "tool.mass");
  const rolls = !isCarried(rig.attachment);
  if (rolls && mass === null) missing.push("tool.mass");
  const first = part === whole.parts[0];
  const machine = first ? tractorMass(rig) : 0;
  const carried = rolls || isFixed(rig.attachment) ? 0 : (fullMass(rig) ?? 0);
  const grade = known(rig, "work.slope") ?? 0;
  // Tractive efficiency has the machine's own rolling in it where something is pulled: without that, or uphill, its mass is asked.
  if (machine === null && !whole.selfPropelled && (row === null || grade !== 0)) missing.push("tractor.mass");
  const task: Task = {
    draft: row,
    width: counted,
    depth: depth ?? 0,
    soil: chosen<Soil>(rig, "work.soil")!,
    speed,
    toolMass: fullMass(rig) ?? 0,
    // The tractor climbs once, whatever hangs on it.
    tractorMass: machine ?? 0,
    grade,
    motionResistance: rolls ? MOTION_RESISTANCE[surface] : 0,
    ownResistance: MOTION_RESISTANCE[surface],
    onOwnWheels: (machine ?? 0) + carried,
    rotary: shaft.power,
  };
  const ready = missing.length === 0;
  const own = known(rig, "tool.perMetre");
  const perMetre = own ?? about?.perMetre ?? null;
  return {
    kind,
    task: ready ? task : null,
    need: ready ? needOf(task, efficiencies) : null,
    thumb:
      perMetre === null || width === null ? null : { power: perMetre * width, perMetre, own: own !== null },
    missing,
    width,
    shaft: shaft.from,
    inputs: (
      [
        "tool.width",
        "work.depth",
        "work.soil",
        "work.surface",
        "work.slope",
        "tool.mass",
        "tool.load",
      ] as const
    ).map((key) => inputOf(rig, key)),
  };
}

/** The width as the row counts it; names what is missing. */
function widthFor(row: DraftKey, rig: ResolvedRig, missing: DimensionKey[]): number {
  const keys = {
    metre: ["tool.width"],
    tool: ["tool.count", "rows.count"],
    row: ["rows.count", "tool.count"],
  } as const;
  const own = keys[DRAFT_TABLE[row].per];
  for (const key of own) {
    const value = known(rig, key);
    if (value !== null) return value;
  }
  // The number across the tool is the one people know; another at work is the exception.
  missing.push(DRAFT_TABLE[row].per === "metre" ? "tool.width" : "rows.count");
  return 0;
}

function shaftOf(
  rig: ResolvedRig,
  kind: ToolKind | null,
  width: number | null,
  missing: DimensionKey[],
): { power: number; from: PartPower["shaft"] } {
  const pto = chosen(rig, "tool.pto");
  if (pto === "none" || isFixed(rig.attachment)) return { power: 0, from: "none" };
  const book = known(rig, "tool.shaftPower");
  if (book !== null) return { power: book, from: "book" };
  if (!kind?.rotary) {
    if (pto === null && kind?.driven === false) return { power: 0, from: "none" };
    if (kind !== null) missing.push(pto === null ? "tool.pto" : "tool.shaftPower");
    return { power: 0, from: "unknown" };
  }
  if (width === null) missing.push("tool.width");
  return { power: rotaryPower(kind.rotary, width ?? 0, 0), from: "table" };
}

/** Both axles together, or the whole as it was weighed; null where neither is known. */
export function tractorMass(rig: ResolvedRig): number | null {
  const [front, rear] = [known(rig, "tractor.front"), known(rig, "tractor.rear")];
  return front !== null && rear !== null ? front + rear : known(rig, "tractor.mass");
}

/** What the tools work together, at the pace of the first; null where a width is not known, or there is a hole in it. */
function rateOf(whole: WholeRig, parts: readonly PartPower[], speed: number): number | null {
  const lead = leadOf(whole);
  const { kind } = parts[lead]!;
  const width = known(together(whole, lead), "tool.width");
  if (kind === null || width === null || !works(whole.parts[lead]!.rig)) return null;
  return workRate(speed, width, TOOL_KINDS[kind].fieldEfficiency);
}
