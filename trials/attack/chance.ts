/** Chance that can be had again: the same seed, the same attack. */
export type Chance = {
  /** a whole number from 0 up to, not including, `most` */
  below: (most: number) => number;
  of: <T>(list: readonly T[]) => T;
  /** true in one of `times` */
  oneIn: (times: number) => boolean;
  bytes: (count: number) => Uint8Array;
};

/** The mulberry32 generator (public domain, Tommy Ettinger): 32 bits of state. */
export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  const below = (most: number) => Math.floor(next() * most);
  return {
    below,
    of: (list) => list[below(list.length)]!,
    oneIn: (times) => below(times) === 0,
    bytes: (count) => Uint8Array.from({ length: count }, () => below(256)),
  };
}
