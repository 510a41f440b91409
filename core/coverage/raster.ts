/**
 * Ground as cells of a bit each, row by row: one plane of what was worked, one of what was worked twice. A cell is worked where its middle is, so
 * that quads that share an edge share no cell.
 */

export type Spot = { x: number; y: number };

export type Box = { left: number; bottom: number; right: number; top: number };

export type Raster = {
  /** metres along a side of a cell */
  cell: number;
  /** metres: the corner cells are counted from */
  left: number;
  bottom: number;
  columns: number;
  rows: number;
  /** words of 32 cells in a row */
  words: number;
  once: Int32Array;
  twice: Int32Array;
  /** cells set in either: counted as they are set */
  set: { once: number; twice: number };
};

/** An empty one over a box. @throws RangeError where the box is none, or a cell no length */
export function rasterOver({ left, bottom, right, top }: Box, cell: number): Raster {
  if (!(cell > 0) || !(right > left) || !(top > bottom))
    throw new RangeError("there is no ground in this box");
  const columns = Math.ceil((right - left) / cell - 1e-9);
  const rows = Math.ceil((top - bottom) / cell - 1e-9);
  const words = Math.ceil(columns / 32);
  const plane = () => new Int32Array(words * rows);
  return {
    cell,
    left,
    bottom,
    columns,
    rows,
    words,
    once: plane(),
    twice: plane(),
    set: { once: 0, twice: 0 },
  };
}

/** Nothing is worked any more, and its rows begin at another height. */
export function movedTo(raster: Raster, bottom: number): Raster {
  raster.once.fill(0);
  raster.twice.fill(0);
  raster.set.once = 0;
  raster.set.twice = 0;
  raster.bottom = bottom;
  return raster;
}

/** Whether the cell at a place is worked; never beyond the box. */
export function isWorked(
  { cell, left, bottom, columns, rows, words, once }: Raster,
  { x, y }: Spot,
): boolean {
  const [column, row] = [Math.floor((x - left) / cell), Math.floor((y - bottom) / cell)];
  if (column < 0 || row < 0 || column >= columns || row >= rows) return false;
  return (once[row * words + (column >> 5)]! & (1 << (column & 31))) !== 0;
}

/** Sets the cells of one row from a column to before another; none where that is no further on. */
function setRow({ once, twice, words, set }: Raster, row: number, from: number, to: number): void {
  if (to <= from) return;
  set.once += to - from;
  const first = row * words + (from >> 5);
  const last = row * words + ((to - 1) >> 5);
  const head = -1 << (from & 31);
  const tail = -1 >>> ((32 - (to & 31)) & 31);
  for (let at = first; at <= last; at += 1) {
    const mask = (at === first ? head : -1) & (at === last ? tail : -1);
    const before = once[at]!;
    const again = before & mask;
    if (again !== 0) {
      const lapped = twice[at]!;
      set.once -= bits(again);
      set.twice += bits(again & ~lapped);
      twice[at] = lapped | again;
    }
    once[at] = before | mask;
  }
}

/** Works a ring of corners, whichever way round, also one that is not convex (even and odd crossings). What lies beyond the box is left out. */
export function fillRing(raster: Raster, ring: readonly Spot[]): void {
  if (ring.length === 4 && isConvex(ring)) fillConvex(raster, ring);
  else fillRings(raster, [ring]);
}

/** Whether it turns one way at every corner. */
function isConvex(ring: readonly Spot[]): boolean {
  let [left, right] = [false, false];
  for (let at = 0; at < ring.length; at += 1) {
    const [a, b, c] = [ring[at]!, ring[(at + 1) % ring.length]!, ring[(at + 2) % ring.length]!];
    const turns = (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
    if (turns > 0) left = true;
    if (turns < 0) right = true;
  }
  return !(left && right);
}

/** The first row whose middle lies at a height or above it. */
const rowAt = ({ cell, bottom }: Raster, y: number): number => Math.ceil((y - bottom) / cell - 0.5);

/** Where each row enters and leaves what is filled: kept between calls, grown as needed. */
let enters = new Float64Array(256);
let leaves = new Float64Array(256);

/** A convex ring has one piece in a row: two edges cross it, whichever they are. */
function fillConvex(raster: Raster, ring: readonly Spot[]): void {
  const { cell, left, columns } = raster;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { y } of ring) {
    if (y < low) low = y;
    if (y > high) high = y;
  }
  const first = Math.max(0, rowAt(raster, low));
  const count = Math.min(raster.rows, rowAt(raster, high)) - first;
  const last = first + count - 1;
  if (count <= 0) return;
  if (count > enters.length) {
    enters = new Float64Array(count * 2);
    leaves = new Float64Array(count * 2);
  }
  for (let row = 0; row < count; row += 1) {
    enters[row] = Number.POSITIVE_INFINITY;
    leaves[row] = Number.NEGATIVE_INFINITY;
  }
  for (let at = 0, before = ring.length - 1; at < ring.length; before = at, at += 1)
    crossRows(raster, ring[before]!, ring[at]!, first, last);
  const each = 1 / cell;
  for (let row = 0; row < count; row += 1) {
    const from = Math.ceil((enters[row]! - left) * each - 0.5);
    const to = Math.ceil((leaves[row]! - left) * each - 0.5);
    setRow(raster, first + row, Math.max(0, from), Math.min(columns, to));
  }
}

/** Where an edge crosses rows. Taken from its lower end whichever way it runs, so that two rings that share it share its crossings to the last bit. */
function crossRows(raster: Raster, a: Spot, b: Spot, first: number, last: number): void {
  const { cell, bottom } = raster;
  const [low, high] = a.y < b.y ? [a, b] : [b, a];
  const from = Math.max(first, rowAt(raster, low.y));
  const to = Math.min(last, rowAt(raster, high.y) - 1);
  const slope = (high.x - low.x) / (high.y - low.y);
  for (let row = from; row <= to; row += 1) {
    const x = low.x + (bottom + (row + 0.5) * cell - low.y) * slope;
    const at = row - first;
    if (x < enters[at]!) enters[at] = x;
    if (x > leaves[at]!) leaves[at] = x;
  }
}

/** Works what lies within an odd number of rings: a field with its holes. */
export function fillRings(raster: Raster, rings: readonly (readonly Spot[])[]): void {
  const { cell, left, bottom, columns, rows } = raster;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const ring of rings)
    for (const { y } of ring) {
      low = Math.min(low, y);
      high = Math.max(high, y);
    }
  const first = Math.max(0, rowAt(raster, low));
  const last = Math.min(rows, rowAt(raster, high)) - 1;
  const each = 1 / cell;
  const crossings: number[] = [];
  for (let row = first; row <= last; row += 1) {
    const y = bottom + (row + 0.5) * cell;
    crossings.length = 0;
    for (const ring of rings)
      for (let at = 0, before = ring.length - 1; at < ring.length; before = at, at += 1) {
        const [a, b] = [ring[before]!, ring[at]!];
        // A corner belongs to the edge below it: each crossing counts once.
        if (a.y <= y === b.y <= y) continue;
        const [under, over] = a.y < b.y ? [a, b] : [b, a];
        crossings.push(under.x + (y - under.y) * ((over.x - under.x) / (over.y - under.y)));
      }
    crossings.sort((a, b) => a - b);
    for (let at = 0; at + 1 < crossings.length; at += 2) {
      const from = Math.ceil((crossings[at]! - left) * each - 0.5);
      const to = Math.ceil((crossings[at + 1]! - left) * each - 0.5);
      setRow(raster, row, Math.max(0, from), Math.min(columns, to));
    }
  }
}

function bits(word: number): number {
  let v = word - ((word >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

export type Covered = {
  /** m² */
  once: number;
  /** of them worked again */
  twice: number;
};

/** What was worked, and what of it more than once. */
export function covered({ set, cell }: Raster): Covered {
  return { once: set.once * cell * cell, twice: set.twice * cell * cell };
}

/** Of ground laid over the same box: m² of the one that are worked in the other, and that are not. @throws RangeError where their boxes differ */
export function within(worked: Raster, field: Raster): { inside: number; outside: number; left: number } {
  if (worked.columns !== field.columns || worked.rows !== field.rows || worked.cell !== field.cell)
    throw new RangeError("two pieces of ground with other cells");
  let [inside, outside, left] = [0, 0, 0];
  for (let at = 0; at < worked.once.length; at += 1) {
    const [one, other] = [worked.once[at]!, field.once[at]!];
    if (one === 0 && other === 0) continue;
    const both = one & other;
    inside += both === -1 ? 32 : bits(both);
    if (one !== both) outside += bits(one & ~both);
    if (other !== both) left += bits(other & ~both);
  }
  const area = worked.cell * worked.cell;
  return { inside: inside * area, outside: outside * area, left: left * area };
}
