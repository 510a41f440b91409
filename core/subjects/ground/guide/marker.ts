/** The marker test: how wide the first body cuts, from what one pass took off the distance to a marker. */

export type Marker = {
  bodies: number;
  /** of one body, metres */
  cut: number;
  /** furrow wall to marker before the pass and after it, metres */
  before: number;
  after: number;
};

export type FirstFurrow = { ok: true; first: number; worked: number } | { ok: false; problem: string };

/**
 * What the pass took is what it worked: all bodies but the first cut their own width, the rest is the first one's. Metres.
 *
 * first = cut + (before − after − bodies · cut); with the marker at the theoretical width and 1 m, 1 m is left where it is right, less where it is
 * too wide (common practice, no source).
 */
export function firstFurrow({ bodies, cut, before, after }: Marker): FirstFurrow {
  if (!(bodies >= 1) || !(cut > 0))
    return { ok: false, problem: "Bodies and their cut are more than nothing." };
  if (after >= before)
    return {
      ok: false,
      problem: "The marker is no nearer after the pass than before: one of the two was misread.",
    };
  const worked = before - after;
  const first = cut + (worked - bodies * cut);
  return first > 0
    ? { ok: true, first, worked }
    : {
        ok: false,
        problem:
          "The pass took less than its other bodies cut: a figure was misread, or not all bodies worked.",
      };
}
