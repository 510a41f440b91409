/** Power of all tools of a rig together: over speed, the highest speed held, and what would be held instead. SI. */
import { largestHeld } from "../statistics/bisection.ts";
import { DRAFT_TABLE } from "../trade/draft.ts";
import {
  deepest,
  type Efficiencies,
  FASTEST,
  highestSpeed,
  needOfAll,
  type Task,
  widthShare,
} from "../trade/power.ts";

export type Total = { need: number; low: number; high: number };
export type CurvePoint = Total & { speed: number };
/** depth in metres, width as a share of the present one; null where it makes no difference or none is held */
export type Instead = { depth: number | null; width: number | null };

const CURVE_STEPS = 30;

/** Power over speed, from standing to well past the speed asked for. */
export function curveOf(tasks: readonly Task[], efficiencies: Efficiencies, speed: number): CurvePoint[] {
  const most = Math.max(speed * 1.6, 12 / 3.6);
  return Array.from({ length: CURVE_STEPS + 1 }, (_, step) => {
    const at = (most * step) / CURVE_STEPS;
    return { speed: at, ...needOfAll(atSpeed(tasks, at), efficiencies) };
  });
}

/** The same work at another speed. */
export function atSpeed(tasks: readonly Task[], speed: number): Task[] {
  return tasks.map((task) => ({ ...task, speed }));
}

/** The same work with the first tool in the ground at another depth, or another share of its width. */
export function workedAs(tasks: readonly Task[], { depth, width }: { depth: number; width: number }): Task[] {
  const first = tasks.findIndex(({ draft }) => draft !== null);
  return tasks.map((task, index) =>
    index !== first
      ? task
      : {
          ...task,
          depth: task.draft && DRAFT_TABLE[task.draft].byDepth ? depth : task.depth,
          width: task.width * width,
          toolMass: task.toolMass * width,
          rotary: task.rotary * width,
        },
  );
}

/** The highest speed of all tasks together: power rises with speed, so the sum is halved like one. */
export function fastest(
  tasks: readonly Task[],
  efficiencies: Efficiencies,
  available: number,
): number | null {
  const need = (speed: number) => needOfAll(atSpeed(tasks, speed), efficiencies).need;
  const [only] = tasks;
  if (tasks.length === 1 && only) return highestSpeed(only, efficiencies, available);
  return largestHeld((speed) => need(speed) <= available, FASTEST);
}

/** What the first tool that has a draft would hold at the speed asked for, with what the others leave. */
export function insteadOf(
  tasks: readonly Task[],
  efficiencies: Efficiencies,
  available: number,
): Instead | null {
  const drawn = tasks.find(({ draft }) => draft !== null);
  if (!drawn) return null;
  const left =
    available -
    needOfAll(
      tasks.filter((task) => task !== drawn),
      efficiencies,
    ).need;
  const share = widthShare(drawn, efficiencies, left);
  return { depth: deepest(drawn, efficiencies, left), width: share };
}
