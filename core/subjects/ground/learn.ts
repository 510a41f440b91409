/** What two maps with adjusters turned between them teach: whether it came as foretold, and what a step of them does here. */
import type { Adjuster, DepthMap, StepEffect } from "../../yard/ground.ts";
import { fitMap, type MapFit } from "./depth-map.ts";
import { depthAdjusters, type Turned, turnedBetween } from "./moved.ts";

/** Depth along the front and along the rear, and right less left, metres, with their standard errors where there are points enough. */
export type Stand = { front: number; rear: number; across: number };

function standOf({ depth, fore, right }: MapFit, long: number, wide: number): Stand {
  const half = ((fore ?? 0) * long) / 2;
  return { front: depth + half, rear: depth - half, across: (right ?? 0) * wide };
}

function errorOf({ errors }: MapFit, long: number, wide: number): Stand | null {
  if (!errors) return null;
  // Depth in the middle and slopes hang together little on a grid: their errors are put together as if they did not.
  const end = Math.hypot(errors.depth, ((errors.fore ?? 0) * long) / 2);
  return { front: end, rear: end, across: (errors.right ?? 0) * wide };
}

export type Came = {
  key: keyof Stand;
  /** by how much it was to change, and by how much it did, metres; told is null where a step's effect was not known */
  told: number | null;
  came: number;
  /** standard error of the change; null where the points do not tell it */
  error: number | null;
};

/** What a step does, with its standard errors; null where the points do not tell them. */
export type LearntStep = { effect: StepEffect; error: StepEffect | null };

export type Learnt = {
  /** the map it is learnt from */
  from: string;
  turned: readonly Turned[];
  came: readonly Came[];
  /** what one step of each does by what was told and what came; null where that cannot be told */
  effect: {
    each: ReadonlyMap<number, LearntStep>;
    /** several were turned at once: what came is shared out among them */
    shared: boolean;
  } | null;
  /** it was learnt from this map already */
  done: boolean;
  /** it went the other way than told, beyond what the points leave open */
  wrongWay: boolean;
};

const KEYS = ["front", "rear", "across"] as const;

/** Two standard errors hold the truth about 95 times in a hundred. */
const SURE = 2;

/** Whether it went the other way than told, beyond what its standard error leaves open. One unit for all three. */
export function wentOtherWay(told: number, came: number, error: number): boolean {
  return told * came < 0 && Math.abs(came) > SURE * error && Math.abs(told) > error;
}

/** What the newest map teaches against the one before; null where nothing was turned between them, or one of them is no map. */
export function learnFrom(
  {
    before,
    map,
    adjusters,
  }: { before: DepthMap | null; map: DepthMap | null; adjusters: readonly Adjuster[] },
  long: number,
  wide: number,
): Learnt | null {
  if (!before || !map) return null;
  const turned = turnedBetween(before.settings, map.settings, depthAdjusters(adjusters));
  const [was, is] = [fitMap(before.points), fitMap(map.points)];
  if (turned.length === 0 || !was || !is) return null;
  const [from, to] = [standOf(was, long, wide), standOf(is, long, wide)];
  const [a, b] = [errorOf(was, long, wide), errorOf(is, long, wide)];
  const came = KEYS.map(
    (key): Came => ({
      key,
      told: turned.every(({ adjuster }) => adjuster.effect)
        ? turned.reduce((sum, { adjuster, steps }) => sum + steps * adjuster.effect![key], 0)
        : null,
      came: to[key] - from[key],
      error: a && b ? Math.hypot(a[key], b[key]) : null,
    }),
  );
  const wrongWay = came.some(
    ({ told, came: by, error }) => told !== null && error !== null && wentOtherWay(told, by, error),
  );
  return {
    from: map.id,
    turned,
    came,
    effect: effectOf(turned, came, wrongWay),
    done: turned.every(({ adjuster }) => adjuster.learntFrom === map.id),
    wrongWay,
  };
}

function effectOf(turned: readonly Turned[], came: readonly Came[], wrongWay: boolean): Learnt["effect"] {
  const told = turned.every(({ adjuster }) => adjuster.effect) && came.every(({ error }) => error !== null);
  if (turned.length === 1 && (wrongWay || !told)) return { each: ofItself(turned[0]!, came), shared: false };
  return told ? { each: weighed(turned, came), shared: turned.length > 1 } : null;
}

/** By what came alone. */
function ofItself({ adjuster, steps }: Turned, came: readonly Came[]): Map<number, LearntStep> {
  const [front, rear, across] = came.map(({ came: by }) => by / steps);
  const errors = came.map(({ error }) => error);
  const sure = errors.every((each) => each !== null);
  const [frontError, rearError, acrossError] = errors.map((each) => (each ?? 0) / Math.abs(steps));
  return new Map([
    [
      adjuster.id,
      {
        effect: { front: front!, rear: rear!, across: across! },
        error: sure ? { front: frontError!, rear: rearError!, across: acrossError! } : null,
      },
    ],
  ]);
}

/** How far a step may do otherwise than told, as a share of it, 1 σ (ours; a maker's figure holds for one soil and tyre). */
export const TRUST = 0.35;
/** A step that is told to do nothing somewhere may do as much there, metres, 1 σ. */
const LEAST = 0.0005;

/**
 * What came otherwise than foretold is shared out among those turned by how far each may do otherwise than told, and taken as far as the points say
 * it surely: one step of the linear least-squares estimate with a prior (Kalman, J. Basic Eng. 82, 1960; from memory), which gives its standard error
 * as well. A slip of the soil after half a turn changes little, ten turns change much.
 */
function weighed(turned: readonly Turned[], came: readonly Came[]): Map<number, LearntStep> {
  const each = new Map(
    turned.map(({ adjuster }) => [
      adjuster.id,
      { effect: { ...adjuster.effect! }, error: { front: 0, rear: 0, across: 0 } },
    ]),
  );
  for (const { key, told, came: by, error } of came) {
    const spread = turned.map(({ adjuster }) => (TRUST * Math.abs(adjuster.effect![key]) + LEAST) ** 2);
    const all = turned.reduce((sum, { steps }, at) => sum + spread[at]! * steps ** 2, 0) + error! ** 2;
    const surplus = (by - told!) / all;
    for (const [at, { adjuster, steps }] of turned.entries()) {
      const learnt = each.get(adjuster.id)!;
      learnt.effect[key] += spread[at]! * steps * surplus;
      learnt.error[key] = Math.sqrt(Math.max(0, spread[at]! - (spread[at]! * steps) ** 2 / all));
    }
  }
  return each;
}
