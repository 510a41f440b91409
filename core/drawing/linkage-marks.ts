/** What both views of a linkage are lettered with. */
import { type DimensionKey, dimension, hasDimension } from "../dimension/catalogue.ts";
import type { Box } from "../picture/box.ts";
import type { Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { toMark } from "./marks.ts";
import { type Offers, placeAll, type Request } from "./place.ts";
import type { DimensionMark, DrawnRig, Sheet } from "./sheet.ts";

export type LinkageSheet = {
  width: number;
  height: number;
  units: Units;
  only: DimensionKey | null;
  labels: "letters" | "values";
};

export type Spot = { x: number; y: number };

export type LinkagePart = Pick<DrawnRig, "blocks" | "strokes" | "marks"> &
  Required<Pick<DrawnRig, "spots" | "notes">> & { scale: number };

/** A value to draw; where nobody read it, or it cannot be, its usual size. */
export function drawn(rig: ResolvedRig, key: DimensionKey): number {
  const { value, doubt } = rig.values[key];
  return value === null || doubt === "sign" || doubt === "zero" ? dimension(key, rig).typical : value;
}

/** The spot midway between two. */
export const between = (a: Spot, b: Spot): Spot => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

/** Letters with every one clear of the others, of pins and of words, where the sheet has room. */
export function placed(
  rig: ResolvedRig,
  offers: Partial<Record<DimensionKey, (text: string) => Offers>>,
  sheet: LinkageSheet,
  keepClear: Box[],
  top = 0,
): DimensionMark[] {
  // A small sheet has no room for all of them: there the list below leads to each.
  if (sheet.only === null && sheet.height < 300) return [];
  const wanted = (Object.keys(offers) as DimensionKey[]).filter(
    (key) => hasDimension(rig, key) && (sheet.only === null || sheet.only === key),
  );
  const requests: Request[] = wanted.map((key) => ({
    target: key,
    candidates: offers[key]!(""),
    letterOnly: () => offers[key]!(""),
  }));
  const around = {
    frame: { x: 2, y: top + 2, w: sheet.width - 4, h: sheet.height - top - 4 },
    keepClear,
    outlines: [],
  };
  const full: Sheet = {
    width: sheet.width,
    height: sheet.height,
    region: "rig",
    labels: "letters",
    station: null,
    only: null,
    units: sheet.units,
  };
  return placeAll(requests, around).map((each) => toMark(each, rig, full));
}
