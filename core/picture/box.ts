/** Boxes on the sheet, in pixels: x to the right, y down. */
export type Box = { x: number; y: number; w: number; h: number };

/** How much two boxes cover of each other, square pixels. */
export function overlapArea(a: Box, b: Box): number {
  const w = Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y);
  return w > 0 && h > 0 ? w * h : 0;
}

/** How much of `box` lies outside `frame`, in square pixels. */
export function outside(box: Box, frame: Box): number {
  return box.w * box.h - overlapArea(box, frame);
}

/** The box with this many pixels more on every side. */
export function grow({ x, y, w, h }: Box, by: number): Box {
  return { x: x - by, y: y - by, w: w + 2 * by, h: h + 2 * by };
}
