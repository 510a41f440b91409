/**
 * An implement of the simulated field: what its adjusters really do, how its soil gives, and what is bent, soft or open on it. Known to nobody
 * who works on it.
 */
import {
  type Adjuster,
  type DepthPoint,
  MEASURES,
  type MeasureKey,
  type StepEffect,
} from "../yard/ground.ts";
import { type Chance, chance } from "./random.ts";

/** What no screw cures. */
export const FAULTS = [
  "bent point",
  "soft tyre",
  "tap open",
  "unequal stack",
  "lock in",
  "worn point",
] as const;
export type Fault = (typeof FAULTS)[number];

/** True depth along the front and the rear, and right less left, metres, and points that lie off the plane by so much. */
export type TruePlane = StepEffect & { bent: Readonly<Record<string, number>> };

export type TrueTool = {
  seed: number;
  /** true values, SI, while its adjusters stood at `at` */
  values: Partial<Record<MeasureKey, number>>;
  plane: TruePlane | null;
  /** in steps, by adjuster */
  at: Readonly<Record<number, number>>;
  /** what one step more really does, by adjuster: to the depth, or to its one measure, SI */
  effects: Readonly<Record<number, StepEffect | { measure: MeasureKey; by: number }>>;
  faults: readonly Fault[];
};

/** The soil gives by as much under a point, metres, 1 σ: ± 8 mm holds it 95 times in a hundred. */
const GIVE = 0.004;
/** A ruler is read so well, metres, 1 σ: ± 6 mm. */
const RULER = 0.003;
/** A step really does so much of what its book says. */
const OF_BOOK = [0.6, 1.6] as const;

type Book = Pick<Adjuster, "id" | "effect" | "acts" | "setting" | "pair">;

/** What the adjusters really do: each its own share of its book, and one of them the other way. */
export function trueEffects(adjusters: readonly Book[], seed: number): TrueTool["effects"] {
  const random = chance(seed + 31);
  const share = new Map<number, number>();
  for (const { id, pair } of adjusters)
    share.set(id, (pair && share.get(pair.id)) ?? random.between(...OF_BOOK));
  // What only shows a way, and what is kept equal with another, is as its book says: nobody would find out which.
  const turnable = adjusters.filter(({ id, acts, pair }) => {
    const alone = pair === null && !adjusters.some((other) => other.pair?.id === id);
    return alone && acts?.by != null && MEASURES[acts.measure].family !== null;
  });
  const reversed = turnable[Math.floor(random.between(0, turnable.length))];
  return Object.fromEntries(
    adjusters.map(({ id, effect, acts }) => {
      const by = share.get(id)! * (reversed?.id === id ? -1 : 1);
      if (acts) return [id, { measure: acts.measure, by: trueStep(acts.measure, acts.by, by) }];
      const told = effect ?? { front: RULER * 2, rear: RULER * 2, across: 0 };
      return [id, { front: told.front * by, rear: told.rear * by, across: told.across * by }];
    }),
  );
}

function trueStep(measure: MeasureKey, told: number | null, by: number): number {
  const { family, sigma } = MEASURES[measure];
  if (family === null) return Math.sign(told ?? 1);
  return (told ?? sigma * 4) * by;
}

/** Steps an adjuster was turned since; 0 where nobody told where it stands. */
function turned(tool: TrueTool, id: number, settings: ReadonlyMap<number, number>): number {
  const now = settings.get(id);
  return now === undefined ? 0 : now - (tool.at[id] ?? now);
}

/** The true value of a measure with the adjusters at these settings, SI; 0 where it was never drawn. */
export function trueValue(
  tool: TrueTool,
  measure: MeasureKey,
  settings: ReadonlyMap<number, number>,
): number {
  const movers = Object.entries(tool.effects).flatMap(([id, effect]) =>
    "measure" in effect && effect.measure === measure ? [{ id: Number(id), by: effect.by }] : [],
  );
  // Several that move one measure sit left and right: together they do what one is said to do.
  const moved = movers.map(({ id, by }) => by * turned(tool, id, settings));
  const share = movers.length > 1 && moved.every((each) => each === moved[0]) ? moved.length : 1;
  return (tool.values[measure] ?? 0) + moved.reduce((sum, each) => sum + each, 0) / share;
}

/** Depths one digs at these places, metres: the true plane, what is bent, the soil's give and the ruler. */
export function dug(
  tool: TrueTool,
  places: readonly Pick<DepthPoint, "label" | "x" | "y">[],
  { long, wide, run }: { long: number; wide: number; run: number },
  settings: ReadonlyMap<number, number>,
): DepthPoint[] {
  const { plane } = tool;
  if (!plane) return [];
  const random = chance(tool.seed + 101 * run);
  const now = { front: plane.front, rear: plane.rear, across: plane.across };
  for (const [id, effect] of Object.entries(tool.effects)) {
    if ("measure" in effect) continue;
    const steps = turned(tool, Number(id), settings);
    for (const key of ["front", "rear", "across"] as const) now[key] += steps * effect[key];
  }
  const straight = !tool.faults.includes("bent point");
  return places.map(({ label, x, y }) => {
    const along = long > 0 ? x / long : 0;
    const depth =
      (now.front + now.rear) / 2 + (now.front - now.rear) * along + (wide > 0 ? (now.across * y) / wide : 0);
    const bent = straight ? 0 : (plane.bent[label] ?? 0);
    const read = depth + bent + random.normal(GIVE) + random.normal(RULER);
    return { label, x, y, depth: Math.max(0, Math.round(read * 1000) / 1000) };
  });
}

/** What the tool really is at one look, and what a rule or gauge makes of it. */
export type TrueWorld = {
  chance: Chance;
  /** true value now, SI */
  value(measure: MeasureKey): number;
  /** as it is read: SI, with the error of one reading */
  read(measure: MeasureKey): number;
  faults: ReadonlySet<Fault>;
};

/** The tool with its adjusters at these settings; `run` is how often it was looked at before: each look errs otherwise. */
export function worldOf(tool: TrueTool, settings: ReadonlyMap<number, number>, run: number): TrueWorld {
  const random = chance(tool.seed + 977 * (run + 1));
  const value = (measure: MeasureKey) => trueValue(tool, measure, settings);
  return {
    chance: random,
    value,
    read: (measure) => value(measure) + random.normal(MEASURES[measure].sigma),
    faults: new Set(tool.faults),
  };
}
