/** How well a receiver knows where it is: one table, for what is reckoned beforehand and for what a field test may be held to. */

/** Half the 95 % interval of one position against the next days', metres, by kind of fix (common practice, no source). */
export const FIX_95 = { fixed: 0.025, float: 0.12, differential: 0.2, single: 2 } as const;
type Fix = keyof typeof FIX_95;

/** The same as a standard uncertainty, 1 σ: figures for 95 % are two of them. */
export const FIX_SIGMA: Readonly<Record<Fix, number>> = {
  fixed: FIX_95.fixed / 2,
  float: FIX_95.float / 2,
  differential: FIX_95.differential / 2,
  single: FIX_95.single / 2,
};

/** What of it one pass differs from the next by, within a quarter of an hour, as a share (common practice, no source). */
export const PASS_TO_PASS = 0.7;
