/** How well a machine came to its line and held it: metres, seconds. */
import type { Off } from "./off-line.ts";

export type Quality = {
  seconds: number;
  /** from the beginning (when it was engaged) until it stays within 5 cm for 5 s; null: it never did */
  settled: number | null;
  /** the first peak past the line; null where it began on it, or never came past it */
  overshoot: number | null;
  /** root mean square after settling; of the last half where it never settled */
  rms: number;
  /** mean after settling, to the right positive */
  bias: number;
  /** times a minute it goes over from one side to the other, after settling */
  crossings: number;
};

/** Settled is within so much, for so long (common practice, no source). */
export const WITHIN = 0.05;
export const FOR = 5;
/** A log shorter than this shows nothing, seconds (ours). */
export const SHORTEST = 20;
/** Going over by less is the receiver's own noise (ours). */
const NOISE = 0.01;

/** @throws RangeError for fewer than two positions: ask `isLongEnough` first */
export function qualityOf(offs: readonly Off[]): Quality {
  if (offs.length < 2) throw new RangeError("a log of fewer than two positions");
  const seconds = offs.at(-1)!.time - offs[0]!.time;
  const settled = settledAt(offs);
  const held = offs.filter(({ time }) => time >= (settled ?? offs[0]!.time + seconds / 2));
  const mean = held.reduce((sum, { off }) => sum + off, 0) / held.length;
  const span = held.at(-1)!.time - held[0]!.time;
  return {
    seconds,
    settled,
    overshoot: overshootOf(offs),
    rms: Math.sqrt(held.reduce((sum, { off }) => sum + off * off, 0) / held.length),
    bias: mean,
    crossings: span > 0 ? (60 * crossed(held.map(({ off }) => off - mean))) / span : 0,
  };
}

/** Whether a log shows anything: so many positions and seconds at least. */
export const isLongEnough = (offs: readonly Off[]): boolean =>
  offs.length >= SHORTEST && offs.at(-1)!.time - offs[0]!.time >= SHORTEST;

function settledAt(offs: readonly Off[]): number | null {
  const last = offs.at(-1)!.time;
  let from: number | null = null;
  for (const { time, off } of offs) {
    if (Math.abs(off) > WITHIN) from = null;
    else from ??= time;
    if (from !== null && time - from >= FOR) return from;
  }
  return from !== null && last - from >= FOR ? from : null;
}

function overshootOf(offs: readonly Off[]): number | null {
  const side = Math.sign(offs[0]!.off);
  if (Math.abs(offs[0]!.off) <= WITHIN) return null;
  const past = offs.findIndex(({ off }) => Math.sign(off) === -side);
  if (past < 0) return null;
  const back = offs.findIndex(({ off }, at) => at > past && Math.sign(off) === side);
  return offs
    .slice(past, back < 0 ? undefined : back)
    .reduce((peak, { off }) => Math.max(peak, Math.abs(off)), 0);
}

/** From one side to the other, each time by more than noise. */
function crossed(offs: readonly number[]): number {
  let [count, side] = [0, 0];
  for (const off of offs) {
    if (Math.abs(off) <= NOISE) continue;
    if (side !== 0 && Math.sign(off) !== side) count += 1;
    side = Math.sign(off);
  }
  return count;
}
