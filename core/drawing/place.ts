/**
 * Label placement: each dimension offers candidate places, and the cheapest that touches nothing placed
 * before is taken. Greedy, deterministic, a few thousand rectangle tests for a full drawing.
 */
import type { DimensionKey } from "../dimension/catalogue.ts";
import { type Box, grow, outside, overlapArea } from "../picture/box.ts";

export type LetterTarget = DimensionKey | "sections";

/** A letter, the value beside it, and the boxes both fill. */
export type Label = {
  letter: { x: number; y: number };
  value: { x: number; y: number; anchor: "start" | "middle" | "end" } | null;
  label: Box[];
};

/** One way of drawing a dimension. Most are refused for their label alone, so lines are worked out when asked for. */
export type Candidate = Label & {
  /** a leader only points at something: it may cross lines, and in a crowd run under a label */
  leader: boolean;
  /** the boxes its line fills */
  line: () => Box[];
  strokes: () => { path: Segment[]; arrows: Segment[] };
};

/** A place not yet worked out: most are never looked at, so only their cost is known beforehand. */
export type Offer = {
  /** how far this is from the best place, in pixels */
  cost: number;
  build: () => Candidate;
};

/** From the cheapest to the dearest; may be walked again and again. */
export type Offers = Iterable<Offer>;

/** The nearest first, equals as they came. */
export const ascending = <T extends { cost: number }>(offers: readonly T[]): T[] =>
  [...offers].sort((a, b) => a.cost - b.cost);

export type Segment = { x1: number; y1: number; x2: number; y2: number };

export type Placed = Label & {
  target: LetterTarget;
  clear: boolean;
  leader: boolean;
  line: Box[];
  path: Segment[];
  arrows: Segment[];
};

export type Surroundings = {
  frame: Box;
  /** never to be covered by a label: named points, scale bar, section numbers */
  keepClear: readonly Box[];
  /** better not covered: the machine's own outlines */
  outlines: readonly Box[];
};

const COLLISION = 1e4;
/** A leader under a label: to be avoided, though it hides nothing, since labels are drawn on a ground of their own. */
const CROSSING = 250;

export type Request = {
  target: LetterTarget;
  candidates: Offers;
  /** where the label finds no clear place with its value: the letter alone */
  letterOnly: () => Offers;
};

/**
 * Places in the order given; the first have the widest choice. A label that finds no clear place goes before
 * all others and everything is placed anew; where no order found gives each a clear place, the one that left
 * the fewest without is kept, and those say so.
 */
export function placeAll(requests: readonly Request[], around: Surroundings): Placed[] {
  let order = requests;
  let placed = placeInOrder(order, around);
  let best = placed;
  for (let again = 0; again < REORDERINGS && unclear(best) > 0; again += 1) {
    const stuck = new Set(placed.filter(({ clear }) => !clear).map(({ target }) => target));
    order = [...order].sort((a, b) => Number(stuck.has(b.target)) - Number(stuck.has(a.target)));
    placed = placeInOrder(order, around);
    if (unclear(placed) < unclear(best)) best = placed;
  }
  return inOrder(best, requests);
}

const REORDERINGS = 6;
const unclear = (placed: readonly Placed[]) => placed.filter(({ clear }) => !clear).length;

function inOrder(placed: readonly Placed[], requests: readonly Request[]): Placed[] {
  const at = new Map(requests.map(({ target }, index) => [target, index]));
  return [...placed].sort((a, b) => at.get(a.target)! - at.get(b.target)!);
}

function placeInOrder(requests: readonly Request[], around: Surroundings): Placed[] {
  const placed: Placed[] = [];
  for (const { target, candidates, letterOnly } of requests) {
    const full = cheapest(candidates, placed, around);
    const best = full && full.price < COLLISION ? full : (cheapest(letterOnly(), placed, around) ?? full);
    if (!best) continue;
    const { letter, value, label, leader, line, strokes } = best.candidate;
    const clear = best.price < COLLISION;
    placed.push({ letter, value, label, leader, line: line(), ...strokes(), target, clear });
  }
  return placed;
}

function cheapest(offers: Offers, placed: readonly Placed[], around: Surroundings) {
  let best: { candidate: Candidate; price: number } | null = null;
  for (const { cost, build } of offers) {
    const limit: number = best?.price ?? Number.POSITIVE_INFINITY;
    if (cost >= limit) break;
    const candidate = build();
    const price: number = cost + priceOf(candidate, placed, around, limit - cost);
    if (price < limit) best = { candidate, price };
  }
  return best;
}

/** The candidate's price, or any figure above `limit` as soon as it is known to exceed that. */
function priceOf(
  candidate: Candidate,
  placed: readonly Placed[],
  around: Surroundings,
  limit: number,
): number {
  let price = 0;
  for (const box of candidate.label) {
    price += labelPrice(box, placed, around, limit - price);
    if (price >= limit) return price;
  }
  for (const box of candidate.line()) {
    price += linePrice(box, candidate.leader, placed, around);
    if (price >= limit) return price;
  }
  return price;
}

function labelPrice(
  box: Box,
  placed: readonly Placed[],
  { frame, keepClear, outlines }: Surroundings,
  limit: number,
): number {
  let price = outside(box, frame) > 0.5 ? COLLISION : 0;
  for (const clear of keepClear) if (overlapArea(box, clear) > 0) price += COLLISION;
  const wide = grow(box, 2);
  for (const other of placed) {
    if (price >= limit) return price;
    for (const label of other.label) if (overlapArea(wide, label) > 0) price += COLLISION;
    for (const line of other.line)
      if (overlapArea(box, line) > 0) price += other.leader ? CROSSING : COLLISION;
  }
  for (const outline of outlines) price += overlapArea(box, outline) / 60;
  return price;
}

function linePrice(box: Box, leader: boolean, placed: readonly Placed[], { frame }: Surroundings): number {
  let price = outside(box, frame) > 0.5 ? COLLISION : 0;
  const wide = grow(box, 5);
  for (const other of placed) {
    for (const label of other.label) if (overlapArea(box, label) > 0) price += leader ? CROSSING : COLLISION;
    const cross = leader || other.leader ? 12 : COLLISION / 4;
    for (const line of other.line) if (overlapArea(wide, line) > 0) price += cross;
  }
  return price;
}
