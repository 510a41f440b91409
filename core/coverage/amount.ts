/** How much lies where: what pieces put down, summed in squares of a grid. */
import type { Box, Spot } from "./raster.ts";

export type Amounts = {
  box: Box;
  /** metres along a side of a square */
  side: number;
  columns: number;
  rows: number;
  /** m² that were passed over in each square, each time counted; row by row from the south-west */
  passed: Float64Array;
};

/** A piece is looked at in points no further apart than a part of a square. */
const POINTS = 8;

const at = (quad: readonly Spot[], along: number, across: number): Spot => {
  const [a, b, c, d] = quad as [Spot, Spot, Spot, Spot];
  const near = { x: a.x + across * (b.x - a.x), y: a.y + across * (b.y - a.y) };
  const far = { x: d.x + across * (c.x - d.x), y: d.y + across * (c.y - d.y) };
  return { x: near.x + along * (far.x - near.x), y: near.y + along * (far.y - near.y) };
};

const apart = (a: Spot, b: Spot) => Math.hypot(b.x - a.x, b.y - a.y);

function areaOf(quad: readonly Spot[]): number {
  const [a, b, c, d] = quad as [Spot, Spot, Spot, Spot];
  return Math.abs((c.x - a.x) * (d.y - b.y) - (d.x - b.x) * (c.y - a.y)) / 2;
}

/** Sums pieces of four corners in squares of a side; what lies beyond the box is left out. @throws RangeError where the box or the side is none */
export function amountsOf(pieces: readonly (readonly Spot[])[], box: Box, side: number): Amounts {
  if (!(side > 0) || !(box.right > box.left) || !(box.top > box.bottom))
    throw new RangeError("there is no ground in this box");
  const columns = Math.ceil((box.right - box.left) / side);
  const rows = Math.ceil((box.top - box.bottom) / side);
  const passed = new Float64Array(columns * rows);
  for (const quad of pieces) {
    const [a, b, c, d] = quad as [Spot, Spot, Spot, Spot];
    const across = Math.max(1, Math.ceil((POINTS * Math.max(apart(a, b), apart(d, c))) / side));
    const along = Math.max(1, Math.ceil((POINTS * Math.max(apart(a, d), apart(b, c))) / side));
    const share = areaOf(quad) / (across * along);
    for (let u = 0; u < along; u += 1)
      for (let v = 0; v < across; v += 1) {
        const { x, y } = at(quad, (u + 0.5) / along, (v + 0.5) / across);
        const [column, row] = [Math.floor((x - box.left) / side), Math.floor((y - box.bottom) / side)];
        if (column >= 0 && row >= 0 && column < columns && row < rows)
          passed[row * columns + column]! += share;
      }
  }
  return { box, side, columns, rows, passed };
}

export type Square = { west: number; south: number; side: number; passed: number };

/** Squares something was put on, with how much of them was passed over: 1 where it is all of it, once. */
export function squaresOf({ box, side, columns, passed }: Amounts): Square[] {
  return [...passed].flatMap((area, index) =>
    area === 0
      ? []
      : [
          {
            west: box.left + (index % columns) * side,
            south: box.bottom + Math.floor(index / columns) * side,
            side,
            passed: area / (side * side),
          },
        ],
  );
}
