/** What rings on a plane have in common, and what one has without the other (by Clipper). Outlines run anticlockwise, holes clockwise. Metres. */
import { differenceD, FillRule, intersectD, unionD } from "clipper2-ts";
import { DECIMALS, toPath, toRing } from "./offset.ts";
import type { OnPlane } from "./plane.ts";

type Rings = readonly (readonly OnPlane[])[];

/** What lies within both. */
export function common(one: Rings, other: Rings): OnPlane[][] {
  return intersectD(one.map(toPath), other.map(toPath), FillRule.NonZero, DECIMALS).map(toRing);
}

/** What lies within the first and not within the second. */
export function without(one: Rings, other: Rings): OnPlane[][] {
  return differenceD(one.map(toPath), other.map(toPath), FillRule.NonZero, DECIMALS).map(toRing);
}

/** What lies within the one or the other. */
export function either(one: Rings, other: Rings): OnPlane[][] {
  return unionD(one.map(toPath), other.map(toPath), FillRule.NonZero, DECIMALS).map(toRing);
}
