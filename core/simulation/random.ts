/** Chance that can be repeated: the same seed gives the same field. */
export type Chance = {
  /** evenly between low and high */
  between: (low: number, high: number) => number;
  /** normal about zero */
  normal: (sigma: number) => number;
};

/** Mulberry32, a small generator of 32 bits (public domain, from memory): good enough for noise, no good for secrets. */
export function chance(seed: number): Chance {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  return {
    between: (low, high) => low + (high - low) * next(),
    normal: (sigma) => sigma * normal(),
  };
}
