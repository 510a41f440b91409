/** How much ground a list of pieces works, band by band over its box: no more of it is held at a time than one band, however large the field. */
import {
  type Box,
  type Covered,
  covered,
  fillRing,
  fillRings,
  movedTo,
  rasterOver,
  type Spot,
  within,
} from "./raster.ts";

/** What was worked of a field, m². */
export type Ground = Covered & {
  /** worked within the boundary, beyond it, and what of the field nobody worked; all worked where there is no boundary */
  inside: number;
  outside: number;
  left: number;
};

export type Pieces = {
  box: Box;
  /** metres along a side of a cell */
  cell: number;
  /** outlines and holes; none: nothing bounds it */
  field: readonly (readonly Spot[])[];
  pieces: readonly (readonly Spot[])[];
};

/** Rows of cells in a band: its planes stay where a processor reads fast. */
const BAND = 128;

/** The pieces that reach into each band, by their place in the list. */
function banded({ box, cell, pieces }: Pieces, bands: number): number[][] {
  const high = BAND * cell;
  const into: number[][] = Array.from({ length: bands }, () => []);
  for (const [place, ring] of pieces.entries()) {
    let [low, top] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const { y } of ring) {
      if (y < low) low = y;
      if (y > top) top = y;
    }
    const first = Math.max(0, Math.floor((low - box.bottom) / high));
    const last = Math.min(bands - 1, Math.floor((top - box.bottom) / high));
    for (let band = first; band <= last; band += 1) into[band]!.push(place);
  }
  return into;
}

/** Measures one band after the other; whoever asks may stop between two. Ends with the whole. @throws RangeError where the box or a cell is none */
export function* measured(asked: Pieces): Generator<{ done: number; all: number }, Ground> {
  const { box, cell, field, pieces } = asked;
  const bands = Math.max(1, Math.ceil((box.top - box.bottom) / cell / BAND - 1e-9));
  const over = { ...box, top: box.bottom + BAND * cell };
  const worked = rasterOver(over, cell);
  const ground = field.length > 0 ? rasterOver(over, cell) : null;
  const sum = { once: 0, twice: 0, inside: 0, outside: 0, left: 0 };
  for (const [band, into] of banded(asked, bands).entries()) {
    movedTo(worked, box.bottom + band * BAND * cell);
    for (const place of into) fillRing(worked, pieces[place]!);
    const { once, twice } = covered(worked);
    sum.once += once;
    sum.twice += twice;
    if (ground) {
      movedTo(ground, worked.bottom);
      fillRings(ground, field);
      const parts = within(worked, ground);
      sum.inside += parts.inside;
      sum.outside += parts.outside;
      sum.left += parts.left;
    } else sum.inside += once;
    yield { done: band + 1, all: bands };
  }
  return sum;
}

/** The same in one go. */
export function measure(asked: Pieces): Ground {
  const bands = measured(asked);
  for (;;) {
    const { done, value } = bands.next();
    if (done) return value;
  }
}
