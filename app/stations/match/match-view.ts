/** The panel of the match station: two ways to the power, and what each figure comes from. */

import type { CurvePoint } from "../../../core/forces/curve.ts";
import type { RigPower } from "../../../core/forces/power-of-rig.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { FAMILIES } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import type { WholeRig } from "../../../core/rig/whole.ts";
import { chosen, inputOf } from "../../../core/rig/whole.ts";
import { DRAFT_TABLE, type DraftRow } from "../../../core/trade/draft.ts";
import { TOOL_KINDS } from "../../../core/trade/kinds.ts";
import { type Efficiencies, FASTEST, type Task } from "../../../core/trade/power.ts";

export type PowerLine = { label: string; text: string; source: string };

export type PowerChartView = {
  speedUnit: string;
  powerUnit: string;
  points: { speed: number; need: number; band: [number, number] }[];
  available: number;
  now: number;
  highest: number | null;
};

export type MatchView = {
  /** null for what drives itself: it is its own match */
  thumb: { total: string; lines: PowerLine[] } | null;
  model: { total: string; lines: PowerLine[] } | null;
  has: string | null;
  verdict: string;
  chart: PowerChartView | null;
  trial: PowerTrial | null;
  rate: string | null;
};

const factorOf = (family: "speed" | "power", units: Units) =>
  (FAMILIES[family] as Record<string, { factor: number }>)[unitOf(family, units)]!.factor;

export function matchView(whole: WholeRig, power: RigPower, units: Units): MatchView {
  const { available, need, highest } = power;
  return {
    thumb: whole.selfPropelled ? null : thumbView(whole, power, units),
    model: whole.selfPropelled ? null : modelView(whole, power, units),
    has: available === null ? null : say("power", available, units),
    verdict: verdictOf(whole, power, units),
    chart:
      need === null || available === null
        ? null
        : chartOf({ curve: power.curve, available, speed: power.speed.value!, highest }, units),
    trial: available === null ? null : trialOf(power, available, units),
    rate:
      power.rate === null
        ? null
        : `${rateText(power.rate, units)}${power.speed.assumed === null ? "" : ` at ${say("speed", power.speed.value!, units)}, assumed`}`,
  };
}

/** The chart in the operator's units. */
export function chartOf(
  {
    curve,
    available,
    speed: now,
    highest,
  }: { curve: readonly CurvePoint[]; available: number; speed: number; highest: number | null },
  units: Units,
): PowerChartView {
  const [fast, strong] = [factorOf("speed", units), factorOf("power", units)];
  return {
    speedUnit: unitOf("speed", units),
    powerUnit: unitOf("power", units),
    points: curve.map(({ speed, need, low, high }) => ({
      speed: speed / fast,
      need: need / strong,
      band: [low / strong, high / strong],
    })),
    available: available / strong,
    now: now / fast,
    highest: highest === null ? null : highest / fast,
  };
}

/** What a screen needs to reckon with another speed, depth or width: SI. */
export type PowerTrial = {
  tasks: Task[];
  efficiencies: Efficiencies;
  available: number;
  speed: number;
  /** of the first tool in the ground, metres; null where it makes no difference or is not known */
  depth: number | null;
  width: number | null;
  units: Units;
};

function trialOf(
  { parts, efficiencies, speed, need }: RigPower,
  available: number,
  units: Units,
): PowerTrial | null {
  if (need === null) return null;
  const drawn = parts.find(({ task }) => task?.draft);
  const byDepth = drawn?.task?.draft ? DRAFT_TABLE[drawn.task.draft].byDepth : false;
  return {
    tasks: parts.map(({ task }) => task!),
    efficiencies,
    available,
    speed: speed.value!,
    depth: byDepth ? drawn!.task!.depth : null,
    width: drawn?.width ?? null,
    units,
  };
}

function rateText(rate: number, units: Units): string {
  return `${say("area", rate * 3600, units)} in an hour`;
}

/** Speeds are looked for only so far: past that every speed is held. */
export function heldWords(highest: number | null, units: Units): string {
  if (highest === null) return "holds no speed";
  return highest >= FASTEST - 1e-6
    ? `holds ${say("speed", FASTEST, units)} and more`
    : `holds ${say("speed", highest, units)}`;
}

function verdictOf(whole: WholeRig, { available, need, low, highest }: RigPower, units: Units): string {
  if (whole.selfPropelled)
    return "It drives itself: its maker matched tool and engine. Load, road and balance are looked at below.";
  if (available === null)
    return "Enter the tractor's power, and the two ways of reckoning can be held against it.";
  if (need === null) return "The draft model cannot be reckoned yet: what is missing is below.";
  const most = `it ${heldWords(highest, units)}`;
  if (need <= available) return `Enough: ${most}.`;
  return low !== null && low <= available
    ? `Close: by the model ${most}; within its range it may do.`
    : `Not enough: ${most}.`;
}

function thumbView(whole: WholeRig, power: RigPower, units: Units): MatchView["thumb"] {
  const lines = power.parts.map(({ thumb, kind }, index): PowerLine => {
    const name = whole.parts[index]!.name;
    if (!thumb)
      return {
        label: name,
        text: "no rule",
        source: kind ? `${TOOL_KINDS[kind].label}: none is common` : "say what it is first",
      };
    return {
      label: name,
      text: say("power", thumb.power, units),
      source: `${say("power per length", thumb.perMetre, units)}, ${thumb.own ? "your own figure" : "common practice"}`,
    };
  });
  return { total: power.thumb === null ? "–" : say("power", power.thumb, units), lines };
}

function modelView(whole: WholeRig, power: RigPower, units: Units): MatchView["model"] {
  const several = whole.parts.length > 1;
  const lines = power.parts.flatMap((part, index): PowerLine[] => {
    const { need, task } = part;
    if (!need || !task) return [];
    const { rig, name } = whole.parts[index]!;
    const of = several ? `${name}: ` : "";
    const row: DraftRow | null = task.draft && DRAFT_TABLE[task.draft];
    return [
      ...(row
        ? [
            {
              label: `${of}draft`,
              text: `${say("force", need.draft.force, units)} ± ${Math.round(row.band * 100)} %`,
              source: `ASABE D497, from memory: ${row.label.toLowerCase()}, ${rowInputs(rig, row, task.width, units)}`,
            },
          ]
        : []),
      ...(need.rolling > 0
        ? [
            {
              label: `${of}rolling`,
              text: say("force", need.rolling, units),
              source: "common practice, share of its weight on its wheels",
            },
          ]
        : []),
      ...(need.gradient !== 0
        ? [
            {
              label: `${of}uphill`,
              text: say("force", need.gradient, units),
              source: `${say("ratio", task.grade, units)} slope`,
            },
          ]
        : []),
      ...(need.rotary > 0
        ? [
            {
              label: `${of}at the shaft`,
              text: say("power", need.rotary, units),
              source: part.shaft === "book" ? "its book" : "ASABE D497 table 2, from memory",
            },
          ]
        : []),
    ];
  });
  const { efficiencies, traction, parts } = power;
  const drawbar = parts.reduce((sum, { need }) => sum + (need?.drawbar ?? 0), 0);
  const climbing = parts.reduce((sum, { need }) => sum + (need?.climbing ?? 0), 0);
  const [pull, rolling] = [
    parts.reduce((sum, { need }) => sum + (need?.pull ?? 0), 0),
    parts.reduce((sum, { need }) => sum + (need?.ownRolling ?? 0), 0),
  ];
  if (power.need === null) return null;
  return {
    total: `${say("power", power.need, units)}${power.low !== power.high ? ` (${say("power", power.low!, units)} to ${say("power", power.high!, units)})` : ""}`,
    lines: [
      ...lines,
      {
        label: "At the drawbar",
        text: say("power", drawbar, units),
        source: `pull × ${say("speed", power.speed.value!, units)}${power.speed.assumed ? `, ${power.speed.assumed}` : ""}`,
      },
      ...(pull + rolling > pull / efficiencies.traction
        ? [
            {
              label: "The machine's own rolling",
              text: say("force", rolling, units),
              source:
                "of the weight on its wheels, by the ground (common practice); it pulls little, so no efficiency has it in",
            },
          ]
        : []),
      ...(climbing !== 0
        ? [{ label: "Tractor uphill", text: say("power", climbing, units), source: "its own weight" }]
        : []),
      {
        label: "Wheels keep",
        text: say("ratio", efficiencies.traction, units),
        source: traction.measured
          ? "measured here"
          : `${traction.drive} on ${traction.surface} ground: ASABE D497, from memory`,
      },
      {
        label: "Gears keep",
        text: say("ratio", efficiencies.axle, units),
        source: sourceOf(whole, "tractor.axleEfficiency"),
      },
      {
        label: "Engine",
        text: say("power", power.need / efficiencies.pto, units),
        source: `PTO power ÷ ${say("ratio", efficiencies.pto, units)}`,
      },
    ],
  };
}

function sourceOf(whole: WholeRig, key: "tractor.axleEfficiency"): string {
  const { assumed, grade } = inputOf(whole.parts[0]!.rig, key);
  return assumed ?? grade;
}

function rowInputs(
  rig: WholeRig["parts"][number]["rig"],
  row: DraftRow,
  width: number,
  units: Units,
): string {
  const counted = row.per === "metre" ? `${printLength(width, units.tape)} wide` : `${width} ${row.per}s`;
  const soil = chosen<string>(rig, "work.soil");
  const depth = row.byDepth ? inputOf(rig, "work.depth").value : null;
  const assumed = rig.values["work.soil"].reading === null ? " (assumed)" : "";
  return [counted, depth === null ? "" : `${printLength(depth, units.small)} deep`, `${soil} soil${assumed}`]
    .filter(Boolean)
    .join(", ");
}
