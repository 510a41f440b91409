/** What two rigs did, row by row: where either was at a moment, and which of its sections were open from then on. */
import { edgesOf, quadsBetween } from "../coverage/passes.ts";
import type { Spot } from "../coverage/raster.ts";
import type { Motion } from "../motion/machine.ts";
import { type WorldRig, workAt } from "./rig.ts";

export const WORLDS = ["truth", "believed"] as const;
/** What is so, and what the terminal takes for so. */
export type World = (typeof WORLDS)[number];
export type Both<T> = Readonly<Record<World, T>>;

export type Row = Both<Motion> & {
  seconds: number;
  /** from this row to the next, left to right */
  open: Both<readonly boolean[]>;
  /** index into STRETCHES, and which pass or round */
  stretch: number;
  number: number;
};

export type Driven = { rigs: Both<WorldRig>; rows: readonly Row[] };

/** Pieces of ground worked from one row to the next, corners in order, x east and y north. */
export function piecesBetween(rig: WorldRig, world: World, before: Row, now: Row): Spot[][] {
  const open = before.open[world];
  if (!open.includes(true)) return [];
  const at = (row: Row) => ({ ...workAt(rig, row[world]), open });
  return quadsBetween(edgesOf(rig.work), at(before), at(now));
}

/** All pieces one of them worked, in the order they were. */
export function piecesOf({ rigs, rows }: Driven, world: World): Spot[][] {
  return rows.slice(1).flatMap((row, at) => piecesBetween(rigs[world], world, rows[at]!, row));
}
