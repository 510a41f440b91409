/**
 * Ground as cells of a bit each, in square tiles that are made where something is worked: one plane of what was worked, one of what was worked
 * twice. A cell is worked where its middle is, so that quads that share an edge share no cell.
 */

export type Spot = { x: number; y: number };

/** Cells along a side of a tile, and words of 32 cells in a row of it. */
const SIDE = 256;
const WORDS = SIDE / 32;

type Tile = { once: Uint32Array; twice: Uint32Array | null };

export type Raster = {
  /** metres along a side of a cell */
  cell: number;
  /** metres: the corner cells are counted from */
  left: number;
  bottom: number;
  columns: number;
  rows: number;
  tiles: (Tile | undefined)[];
  across: number;
};

export type Box = { left: number; bottom: number; right: number; top: number };

/** An empty one over a box. @throws RangeError where the box is none, or a cell no length */
export function rasterOver({ left, bottom, right, top }: Box, cell: number): Raster {
  if (!(cell > 0) || !(right > left) || !(top > bottom))
    throw new RangeError("there is no ground in this box");
  const columns = Math.ceil((right - left) / cell);
  const rows = Math.ceil((top - bottom) / cell);
  const across = Math.ceil(columns / SIDE);
  return { cell, left, bottom, columns, rows, across, tiles: new Array(across * Math.ceil(rows / SIDE)) };
}

/** Sets the cells of one row from a column to before another. */
function setRow(raster: Raster, row: number, from: number, to: number): void {
  const { across, tiles } = raster;
  const first = Math.floor(row / SIDE) * across;
  const inRow = (row % SIDE) * WORDS;
  for (let start = from; start < to; ) {
    const column = Math.floor(start / SIDE);
    const end = Math.min(to, (column + 1) * SIDE);
    let tile = tiles[first + column];
    if (!tile) {
      tile = { once: new Uint32Array(SIDE * WORDS), twice: null };
      tiles[first + column] = tile;
    }
    setBits(tile, inRow, start - column * SIDE, end - column * SIDE);
    start = end;
  }
}

function setBits(tile: Tile, inRow: number, from: number, to: number): void {
  const { once } = tile;
  const last = (to - 1) >> 5;
  for (let word = from >> 5; word <= last; word += 1) {
    const low = word === from >> 5 ? -1 << (from & 31) : -1;
    const high = word === last && (to & 31) !== 0 ? -1 >>> (32 - (to & 31)) : -1;
    const mask = low & high;
    const at = inRow + word;
    const again = once[at]! & mask;
    if (again !== 0) {
      tile.twice ??= new Uint32Array(SIDE * WORDS);
      tile.twice[at]! |= again;
    }
    once[at]! |= mask;
  }
}

/** Works a ring of corners, whichever way round, also one that is not convex (even and odd crossings). What lies beyond the box is left out. */
export function fillRing(raster: Raster, ring: readonly Spot[]): void {
  fillRings(raster, [ring]);
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
  const first = Math.max(0, Math.ceil((low - bottom) / cell - 0.5));
  const last = Math.min(rows - 1, Math.ceil((high - bottom) / cell - 0.5) - 1);
  const crossings: number[] = [];
  for (let row = first; row <= last; row += 1) {
    const y = bottom + (row + 0.5) * cell;
    crossings.length = 0;
    for (const ring of rings)
      for (let at = 0, before = ring.length - 1; at < ring.length; before = at, at += 1) {
        const [a, b] = [ring[before]!, ring[at]!];
        // A corner belongs to the edge below it: each crossing counts once.
        if (a.y <= y === b.y <= y) continue;
        crossings.push(a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x));
      }
    if (crossings.length > 2) crossings.sort((a, b) => a - b);
    else if (crossings.length === 2 && crossings[0]! > crossings[1]!) crossings.reverse();
    for (let at = 0; at + 1 < crossings.length; at += 2) {
      const from = Math.max(0, Math.ceil((crossings[at]! - left) / cell - 0.5));
      const to = Math.min(columns, Math.ceil((crossings[at + 1]! - left) / cell - 0.5));
      if (to > from) setRow(raster, row, from, to);
    }
  }
}

function bits(word: number): number {
  let v = word - ((word >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return (((v + (v >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

const count = (words: Uint32Array): number => {
  let sum = 0;
  for (const word of words) sum += bits(word);
  return sum;
};

export type Covered = {
  /** m² */
  once: number;
  /** of them worked again */
  twice: number;
};

/** What was worked, and what of it more than once. */
export function covered({ tiles, cell }: Raster): Covered {
  let [once, twice] = [0, 0];
  for (const tile of tiles) {
    if (!tile) continue;
    once += count(tile.once);
    if (tile.twice) twice += count(tile.twice);
  }
  return { once: once * cell * cell, twice: twice * cell * cell };
}

/** Of ground laid over the same box: m² of the one that are worked in the other, and that are not. @throws RangeError where their boxes differ */
export function within(worked: Raster, field: Raster): { inside: number; outside: number; left: number } {
  if (worked.columns !== field.columns || worked.rows !== field.rows || worked.cell !== field.cell)
    throw new RangeError("two pieces of ground with other cells");
  let [inside, outside, left] = [0, 0, 0];
  for (let at = 0; at < worked.tiles.length; at += 1) {
    const [a, b] = [worked.tiles[at]?.once, field.tiles[at]?.once];
    if (!a && !b) continue;
    if (!a) left += count(b!);
    else if (!b) outside += count(a);
    else
      for (let word = 0; word < a.length; word += 1) {
        const [one, other] = [a[word]!, b[word]!];
        inside += bits(one & other);
        outside += bits(one & ~other);
        left += bits(other & ~one);
      }
  }
  const area = worked.cell * worked.cell;
  return { inside: inside * area, outside: outside * area, left: left * area };
}

/** Bytes it holds. */
export const bytesOf = ({ tiles }: Raster): number =>
  tiles.reduce((sum, tile) => sum + (tile ? tile.once.byteLength + (tile.twice?.byteLength ?? 0) : 0), 0);
