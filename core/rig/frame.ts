/**
 * One reference frame (that of ISO 11783-10): origin on the ground under the middle of the rear axle,
 * x forward, y to the right. Heights are kept as people say them, positive above ground (`up`).
 *
 * A point's coordinate is a sum of readings, each with a coefficient. The sums follow from the spans in
 * the catalogue: this file is the one place where a reading taken "straight back" turns into a coordinate
 * behind the axle.
 */
import { CATALOGUE, type DimensionKey, type Direction } from "../dimension/catalogue.ts";
import type { Axis, PointKey } from "../dimension/points.ts";

export type Term = { key: DimensionKey; coefficient: number };

/** The sign a reading taken in each direction has in the frame. */
export const SENSE: Record<Direction, 1 | -1> = { forward: 1, rearward: -1, right: 1, up: 1, across: 1 };

/** Points that no single reading leads to: weighted from others, with a reading added where one is needed. */
const COMPOSED: Partial<Record<PointKey, Partial<Record<Axis, () => readonly Term[]>>>> = {
  workFront: { y: () => coordinate("workMid", "y") },
  workRear: { y: () => coordinate("workMid", "y") },
  workMid: {
    x: () => [...scaled(coordinate("workFront", "x"), 0.5), ...scaled(coordinate("workRear", "x"), 0.5)],
  },
  leftEdge: { x: () => coordinate("workMid", "x"), y: () => edge(-0.5) },
  rightEdge: { x: () => coordinate("workMid", "x"), y: () => edge(0.5) },
};

function edge(coefficient: number): Term[] {
  return [...coordinate("workMid", "y"), { key: "tool.width", coefficient }];
}

function scaled(terms: readonly Term[], by: number): Term[] {
  return terms.map(({ key, coefficient }) => ({ key, coefficient: coefficient * by }));
}

/** The catalogue does not change while the program runs, so each sum is worked out once. */
const known = new Map<string, readonly Term[]>();

function once(name: string, work: () => readonly Term[]): readonly Term[] {
  const found = known.get(name) ?? work();
  known.set(name, found);
  return found;
}

/** A point's coordinate as terms, in walking order from the axle; empty where the point lies on the axis itself. */
export function coordinate(point: PointKey, axis: Axis): readonly Term[] {
  return once(`${point} ${axis}`, () => follow(point, axis));
}

function follow(point: PointKey, axis: Axis): Term[] {
  const composed = COMPOSED[point]?.[axis];
  if (composed) return sum(composed());
  const entry = CATALOGUE.find(({ span }) => span?.to === point && span.axis === axis);
  if (!entry?.span) return [];
  return [...coordinate(entry.span.from, axis), { key: entry.key, coefficient: SENSE[entry.direction] }];
}

function sum(terms: readonly Term[]): Term[] {
  const sums = new Map<DimensionKey, number>();
  for (const { key, coefficient } of terms) sums.set(key, (sums.get(key) ?? 0) + coefficient);
  return [...sums].filter(([, total]) => total !== 0).map(([key, coefficient]) => ({ key, coefficient }));
}

/** The terms of A→B along an axis, B − A, in walking order from A; what both ends share cancels. */
export function termsBetween(from: PointKey, to: PointKey, axis: Axis): readonly Term[] {
  return once(`${from} ${to} ${axis}`, () =>
    sum([...scaled(coordinate(from, axis), -1).reverse(), ...coordinate(to, axis)]),
  );
}
