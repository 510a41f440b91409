/** Three-point hitch categories (ISO 730, from memory), metres. */

export const CATEGORIES = ["1N", "1", "2N", "2", "3N", "3", "4N", "4"] as const;
export type Category = (typeof CATEGORIES)[number];

export type CategorySizes = {
  upperPin: number;
  lowerPin: number;
  ballWidth: number;
  /** lower pins, shoulder to shoulder */
  span: number;
  mast: number;
  /** PTO power the category reaches to, watts */
  power: number;
  /** false where sources disagree */
  certain: boolean;
};

const sizes = (
  upperPin: number,
  lowerPin: number,
  ballWidth: number,
  span: number,
  mast: number,
  kilowatts: number,
  certain = true,
): CategorySizes => ({
  upperPin: upperPin / 1000,
  lowerPin: lowerPin / 1000,
  ballWidth: ballWidth / 1000,
  span: span / 1000,
  mast: mast / 1000,
  power: kilowatts * 1000,
  certain,
});

/** The span of 4N is given as 965 or 920 mm: marked as uncertain. */
export const CATEGORY_SIZES: Record<Category, CategorySizes> = {
  "1N": sizes(19, 22, 35, 400, 360, 35),
  "1": sizes(19, 22, 35, 683, 460, 48),
  "2N": sizes(25.5, 28, 45, 683, 610, 92),
  "2": sizes(25.5, 28, 45, 825, 610, 92),
  "3N": sizes(31.75, 36.6, 45, 825, 685, 185),
  "3": sizes(31.75, 36.6, 45, 965, 685, 185),
  "4N": sizes(45, 50.8, 57.5, 965, 685, 350, false),
  "4": sizes(45, 50.8, 57.5, 1166.5, 685, 350),
};

/** A pin and a ball of one size run together with this much play at most (common practice, no source), metres. */
const PLAY = 0.0006;

export type PinFit =
  | { kind: "fits" }
  /** inner and outer diameter of the sleeve that takes the slack up, metres */
  | { kind: "bushing"; inner: number; outer: number }
  /** by how much the pin is too thick, metres */
  | { kind: "too thick"; by: number };

/** A pin in a ball's bore, both diameters in metres. */
export function fitPin(pin: number, bore: number): PinFit {
  if (pin > bore + PLAY) return { kind: "too thick", by: pin - bore };
  return bore - pin <= PLAY ? { kind: "fits" } : { kind: "bushing", inner: pin, outer: bore };
}

/** Spans that differ by no more than this are taken as one (common practice, no source), metres. */
const SPAN_PLAY = 0.006;

export type SpanFit =
  | { kind: "fits" }
  /** free links are drawn in or out to it; `slack` is what is left to the nearer end of their reach, null where that is not known */
  | { kind: "reaches"; by: number; slack: number | null }
  | { kind: "short"; by: number }
  | { kind: "rigid"; by: number };

/**
 * The implement's span against the links. A rigid quick coupler has one span; free links reach between their narrowest and
 * widest, where somebody measured it. `by` is implement less links, metres.
 */
export function fitSpan(
  span: number,
  links: { span: number; rigid: boolean; reach: { narrowest: number; widest: number } | null },
): SpanFit {
  const by = span - links.span;
  if (Math.abs(by) <= SPAN_PLAY) return { kind: "fits" };
  if (links.rigid) return { kind: "rigid", by };
  if (!links.reach) return { kind: "reaches", by, slack: null };
  const slack = Math.min(span - links.reach.narrowest, links.reach.widest - span);
  return slack >= 0 ? { kind: "reaches", by, slack } : { kind: "short", by: slack };
}

/** The mast against a rigid coupler's hook; free top links take any height. Metres, implement less coupler. */
export function fitMast(mast: number, coupler: number): { kind: "fits" } | { kind: "rigid"; by: number } {
  const by = mast - coupler;
  return Math.abs(by) <= MAST_PLAY ? { kind: "fits" } : { kind: "rigid", by };
}

/** A coupler's hook still catches within this (common practice, no source), metres. */
const MAST_PLAY = 0.012;
