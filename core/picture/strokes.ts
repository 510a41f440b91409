/** What stands on any sheet, in pixels: boxes, lines, spots and words; x to the right, y down. */
import type { Box } from "./box.ts";

export type BlockRole = "tyre" | "bonnet" | "cab" | "hopper" | "rank" | "packer" | "soil" | "ground";
/** `assumed`: an outline nobody measured, drawn dashed */
export type PlanBlock = Box & { role: BlockRole; assumed: boolean; round?: boolean };
export type PlanStroke = { role: string; points: string; assumed: boolean };
/** Pins and balls, and points that are only reckoned. */
export type Spot = { x: number; y: number; kind: "pin" | "virtual" };

export type Note = {
  x: number;
  y: number;
  text: string;
  anchor: "start" | "middle" | "end";
  tone?: "stop" | "dye";
};

/** Kept free along the edges of a sketch, pixels. */
export const SKETCH_MARGIN = 18;

/** A box that somebody measured, pixels. */
export function block(role: BlockRole, x: number, y: number, w: number, h: number): PlanBlock {
  return { role, x, y, w, h, assumed: false };
}

/** A line through these points, pixels. */
export function line(role: string, ...points: (readonly [number, number])[]): PlanStroke {
  return { role, assumed: false, points: points.map(([x, y]) => `${x},${y}`).join(" ") };
}

/** An arrow along the y of the sheet. */
export function arrow(x: number, from: number, to: number): PlanStroke {
  const head = to < from ? 9 : -9;
  return line("rod", [x, from], [x, to], [x - 6, to + head], [x, to], [x + 6, to + head]);
}
