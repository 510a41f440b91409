/** Sections switched by what the terminal believes: it looks ahead by the time it takes, at the map and at the boundary. */
import {
  type Box,
  fillRing,
  fillRings,
  isWorked,
  type Raster,
  rasterOver,
  type Spot,
} from "../coverage/raster.ts";

/** When a section is shut over ground that was worked or lies outside: once so much of its width does. */
export const OVERLAP_RULES = {
  whole: {
    share: 1,
    label: "Nothing is left",
    says: "shut only once all of a section's width was worked: it laps",
  },
  half: { share: 0.5, label: "Half of it", says: "shut once half of a section's width was worked" },
  none: {
    share: 0,
    label: "Nothing twice",
    says: "shut as soon as any of a section's width was worked: it leaves tips",
  },
} as const;
export type OverlapRule = keyof typeof OVERLAP_RULES;

/** Cells the terminal's own map has, metres. */
const MAP_CELL = 0.1;
/** Places across a section it looks at. */
const ACROSS = 5;

/** What the terminal believes of the ground: the boundary, and what was worked. */
export type GroundMap = { field: Raster; worked: Raster };

/** A map over a box, with nothing worked yet; outlines and holes x east, y north. */
export function mapOver(box: Box, rings: readonly (readonly Spot[])[]): GroundMap {
  const field = rasterOver(box, MAP_CELL);
  fillRings(field, rings);
  return { field, worked: rasterOver(box, MAP_CELL) };
}

/** Paints pieces as worked. */
export const paint = ({ worked }: GroundMap, quads: readonly (readonly Spot[])[]): void => {
  for (const quad of quads) fillRing(worked, quad);
};

/** Whether a section over this line, from its left to its right end, is to be shut. */
export function isShut({ field, worked }: GroundMap, left: Spot, right: Spot, rule: OverlapRule): boolean {
  let done = 0;
  for (let at = 0; at < ACROSS; at += 1) {
    const share = (at + 0.5) / ACROSS;
    const spot = { x: left.x + share * (right.x - left.x), y: left.y + share * (right.y - left.y) };
    if (!isWorked(field, spot) || isWorked(worked, spot)) done += 1;
  }
  const { share } = OVERLAP_RULES[rule];
  return share === 0 ? done > 0 : done >= share * ACROSS;
}
