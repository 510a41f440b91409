/**
 * One reference frame (that of ISO 11783-10): origin on the ground under the middle of the rear axle,
 * x forward, y to the right. Heights are kept as people say them, positive above ground (`up`).
 *
 * A point's coordinate is a sum of readings, each with a coefficient. The sums follow from the spans in
 * the catalogue: this file is the one place where a reading taken "straight back" turns into a coordinate
 * behind the axle.
 */
import { type Attachment, asHung, type Hung, hungName, isTrain } from "../dimension/attachment.ts";
import {
  catalogueOf,
  type DimensionKey,
  type Direction,
  dimension,
  hasDimension,
} from "../dimension/catalogue.ts";
import type { Axis, PointKey } from "../dimension/points.ts";

export type Term = { key: DimensionKey; coefficient: number };

/** +1 where two sums are of the same readings, −1 where the second is walked the other way round; 0 where they are not the same. */
export function sameSum(a: readonly Term[], b: readonly Term[]): 1 | -1 | 0 {
  if (a.length !== b.length || a.length === 0) return 0;
  const ratios = a.map(
    ({ key, coefficient }) => coefficient / (b.find((term) => term.key === key)?.coefficient ?? Number.NaN),
  );
  for (const way of [1, -1] as const) if (ratios.every((ratio) => Math.abs(ratio - way) < 1e-9)) return way;
  return 0;
}

/** The sign a reading taken in each direction has in the frame. */
export const SENSE: Record<Direction, 1 | -1> = { forward: 1, rearward: -1, right: 1, up: 1, across: 1 };

/** A point's coordinate on one attachment. */
type Along = (point: PointKey, axis: Axis) => readonly Term[];

/** Points that no single reading leads to: weighted from others, with a reading added where one is needed. */
const COMPOSED: Partial<Record<PointKey, Partial<Record<Axis, (at: Along, hung: Hung) => readonly Term[]>>>> =
  {
    workFront: { y: (at) => at("workMid", "y") },
    workRear: { y: (at) => at("workMid", "y"), x: (at, hung) => rearOfWork(at, hung) },
    workMid: {
      x: (at) => [...scaled(at("workFront", "x"), 0.5), ...scaled(at("workRear", "x"), 0.5)],
    },
    connector: { x: (at, { attachment }) => at(isTrain(attachment) ? "leadPin" : "pin", "x") },
    reference: { x: (at, hung) => at(hasDimension(hung, "pin.pivot") ? "pivot" : "pin", "x") },
    leftEdge: { x: (at) => at("workMid", "x"), y: (at) => edge(at, -0.5) },
    rightEdge: { x: (at) => at("workMid", "x"), y: (at) => edge(at, 0.5) },
  };

function edge(at: Along, coefficient: number): Term[] {
  return [...at("workMid", "y"), { key: "tool.width", coefficient }];
}

/** A head works along one line, its knife; so does a boom or a cutter bar. */
function rearOfWork(at: Along, hung: Hung): readonly Term[] {
  return hasDimension(hung, "pin.workRear")
    ? [...at("pin", "x"), { key: "pin.workRear", coefficient: senseOf(hung.attachment, "pin.workRear") }]
    : at("workFront", "x");
}

/** The sign a reading has in the frame on an attachment. */
export function senseOf(attachment: Attachment, key: DimensionKey): 1 | -1 {
  return SENSE[dimension(key, attachment).direction];
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
export function coordinate(of: Attachment | Hung, point: PointKey, axis: Axis): readonly Term[] {
  const hung = asHung(of);
  return once(`${hungName(hung)} ${point} ${axis}`, () => follow(hung, point, axis));
}

function follow(hung: Hung, point: PointKey, axis: Axis): Term[] {
  const composed = COMPOSED[point]?.[axis];
  if (composed) return sum(composed((to, along) => coordinate(hung, to, along), hung));
  const entry = catalogueOf(hung).find(({ span }) => span?.to === point && span.axis === axis);
  if (!entry?.span) return [];
  const way = { key: entry.key, coefficient: SENSE[entry.direction] };
  return [...coordinate(hung, entry.span.from, axis), way];
}

function sum(terms: readonly Term[]): Term[] {
  const sums = new Map<DimensionKey, number>();
  for (const { key, coefficient } of terms) sums.set(key, (sums.get(key) ?? 0) + coefficient);
  return [...sums].filter(([, total]) => total !== 0).map(([key, coefficient]) => ({ key, coefficient }));
}

/** The terms of A→B along an axis, B − A, in walking order from A; what both ends share cancels. */
export function termsBetween(
  of: Attachment | Hung,
  from: PointKey,
  to: PointKey,
  axis: Axis,
): readonly Term[] {
  const hung = asHung(of);
  return once(`${hungName(hung)} ${from} ${to} ${axis}`, () =>
    sum([...scaled(coordinate(hung, from, axis), -1).reverse(), ...coordinate(hung, to, axis)]),
  );
}
