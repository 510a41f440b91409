/** From draft to engine: forces add first, then each efficiency on the way divides. SI throughout. */
import { largestHeld } from "../statistics/bisection.ts";
import { DRAFT_TABLE, type DraftKey, draftOf, type Soil } from "./draft.ts";

/** Standard acceleration of free fall, m/s² (NIST SP 811). */
export const GRAVITY = 9.80665;

export const DRIVES = ["two-wheel", "front-wheel assist", "four-wheel", "tracks"] as const;
export type Drive = (typeof DRIVES)[number];
export const SURFACES = ["concrete", "firm", "tilled", "soft"] as const;
export type Surface = (typeof SURFACES)[number];

/** Tractive efficiency by drive and surface, in the order of SURFACES (ASABE D497 figure 1, from memory). */
export const TRACTIVE_EFFICIENCY: Record<Drive, readonly [number, number, number, number]> = {
  "two-wheel": [0.87, 0.72, 0.67, 0.55],
  "front-wheel assist": [0.87, 0.77, 0.73, 0.65],
  "four-wheel": [0.88, 0.78, 0.75, 0.7],
  tracks: [0.88, 0.82, 0.8, 0.78],
};

/** Motion resistance of an implement's wheels, share of the weight on them, by surface (common practice, no source). */
export const MOTION_RESISTANCE: Record<Surface, number> = {
  concrete: 0.02,
  firm: 0.05,
  tilled: 0.09,
  soft: 0.14,
};

/** Share of axle power that becomes pull, by drive and ground. */
export function tractiveEfficiency(drive: Drive, surface: Surface): number {
  return TRACTIVE_EFFICIENCY[drive][SURFACES.indexOf(surface)]!;
}

/** Rotary power P = a + b·w + c·F, in kW with w in metres and F in t/h (ASABE D497 table 2, from memory). */
export type Rotary = { a: number; b: number; c: number };

/** Watts; `width` metres, `feed` kg/s. */
export function rotaryPower({ a, b, c }: Rotary, width: number, feed: number): number {
  return (a + b * width + c * feed * 3.6) * 1000;
}

export type Task = {
  /** null: the implement's draft is in no table */
  draft: DraftKey | null;
  /** metres, tools or rows, as the draft row counts */
  width: number;
  /** metres */
  depth: number;
  soil: Soil;
  /** m/s */
  speed: number;
  /** kg, of everything drawn or carried */
  toolMass: number;
  tractorMass: number;
  /** rise over run, uphill positive */
  grade: number;
  /** share of the tool's weight its wheels resist with; 0 for a mounted tool */
  motionResistance: number;
  /** share of the weight on the machine's own wheels that they resist with */
  ownResistance: number;
  /** kg on the machine's own wheels: itself, and what it carries of this tool */
  onOwnWheels: number;
  /** watts at the shaft */
  rotary: number;
};

export type Efficiencies = { traction: number; axle: number; pto: number };

export type Need = {
  /** newtons */
  draft: { force: number; low: number; high: number };
  gradient: number;
  rolling: number;
  pull: number;
  /** watts at the drawbar */
  drawbar: number;
  rotary: number;
  /** watts that lift the tractor itself up the slope */
  climbing: number;
  /** newtons of the machine's own rolling; in tractive efficiency already where much is pulled */
  ownRolling: number;
  /** watts, as PTO power: what a tractor is compared by */
  pto: number;
  engine: number;
  /** `pto` at the ends of the draft's range */
  low: number;
  high: number;
};

/**
 * Watts at the PTO that move a rig. Tractive efficiency is drawbar power over axle power of a machine that pulls as it should: its own
 * rolling is in it. One that pulls little, as with a mounted tool on its shaft, still rolls: never less than pull and own rolling together.
 */
function movingPower(
  { pull, rolling, climbing, speed }: { pull: number; rolling: number; climbing: number; speed: number },
  { traction, axle }: Efficiencies,
): number {
  return Math.max(0, Math.max(pull / traction, pull + rolling) * (speed / axle) + climbing);
}

/** Newtons of the machine's own rolling, and watts that lift it up the slope. */
function ownOf(task: Task, { axle }: Efficiencies): { rolling: number; climbing: number } {
  const slope = Math.atan(task.grade);
  return {
    rolling: task.ownResistance * task.onOwnWheels * GRAVITY * Math.cos(slope),
    climbing: (task.tractorMass * GRAVITY * Math.sin(slope) * task.speed) / axle,
  };
}

/**
 * Drawbar power is pull × speed; PTO power is drawbar / (TE · η_axle) plus what the shaft takes; engine power is PTO / η_PTO.
 * Gradient and motion resistance are added as forces. Downhill a rig pushes: power never falls below zero.
 */
export function needOf(task: Task, efficiencies: Efficiencies): Need {
  const { pto: ptoEfficiency } = efficiencies;
  const slope = Math.atan(task.grade);
  const draft = task.draft ? draftOf(task.draft, task) : { force: 0, low: 0, high: 0 };
  const gradient = task.toolMass * GRAVITY * Math.sin(slope);
  const rolling = task.motionResistance * task.toolMass * GRAVITY * Math.cos(slope);
  const own = ownOf(task, efficiencies);
  const { climbing } = own;
  const ptoAt = (force: number) =>
    movingPower(
      { pull: force + gradient + rolling, rolling: own.rolling, climbing, speed: task.speed },
      efficiencies,
    ) + task.rotary;
  const pull = draft.force + gradient + rolling;
  const pto = ptoAt(draft.force);
  return {
    draft,
    gradient,
    rolling,
    pull,
    drawbar: pull * task.speed,
    rotary: task.rotary,
    climbing,
    ownRolling: own.rolling,
    pto,
    engine: pto / ptoEfficiency,
    low: ptoAt(draft.low),
    high: ptoAt(draft.high),
  };
}

/** Watts at the PTO of several tools on one machine at one speed, and the ends of their range: their pulls add before any efficiency. */
export function needOfAll(
  tasks: readonly Task[],
  efficiencies: Efficiencies,
): { need: number; low: number; high: number } {
  const needs = tasks.map((task) => needOf(task, efficiencies));
  const own = tasks.map((task) => ownOf(task, efficiencies));
  const total = (amounts: readonly number[]) => amounts.reduce((sum, each) => sum + each, 0);
  const at = (pulls: readonly number[]) =>
    movingPower(
      {
        pull: total(pulls),
        rolling: total(own.map((each) => each.rolling)),
        climbing: total(own.map((each) => each.climbing)),
        speed: tasks[0]?.speed ?? 0,
      },
      efficiencies,
    ) + total(needs.map(({ rotary }) => rotary));
  return {
    need: at(needs.map(({ pull }) => pull)),
    low: at(needs.map(({ pull, draft }) => pull - draft.force + draft.low)),
    high: at(needs.map(({ pull, draft }) => pull - draft.force + draft.high)),
  };
}

/** Speeds are looked for up to here, m/s: 30 km/h, faster than any tool is pulled through soil. */
export const FASTEST = 30 / 3.6;

/** The highest speed `available` watts hold, m/s. */
export function highestSpeed(task: Task, efficiencies: Efficiencies, available: number): number | null {
  return largestHeld((speed) => needOf({ ...task, speed }, efficiencies).pto <= available, FASTEST);
}

/** The depth held at the task's own speed, metres; null where draft does not grow with depth, or none is held. */
export function deepest(task: Task, efficiencies: Efficiencies, available: number): number | null {
  if (!task.draft || !DRAFT_TABLE[task.draft].byDepth) return null;
  return largestHeld((depth) => needOf({ ...task, depth }, efficiencies).pto <= available, 1);
}

/** The share of the task's width held at its own speed and depth, 1 at most; mass and shaft power shrink along. */
export function widthShare(task: Task, efficiencies: Efficiencies, available: number): number | null {
  return largestHeld(
    (share) =>
      needOf(
        {
          ...task,
          width: task.width * share,
          toolMass: task.toolMass * share,
          rotary: task.rotary * share,
        },
        efficiencies,
      ).pto <= available,
    1,
  );
}

/** Area worked in a second, m²/s (ASABE EP496: speed × width × field efficiency). */
export function workRate(speed: number, width: number, fieldEfficiency: number): number {
  return speed * width * fieldEfficiency;
}
