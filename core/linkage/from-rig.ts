/** The linkage of a rig as its readings give it. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { known } from "../rig/whole.ts";
import type { Linkage } from "./linkage.ts";

export type LinkageOf = { linkage: Linkage; missing: null } | { linkage: null; missing: DimensionKey[] };

const NEEDED = [
  "hitch.lowerBack",
  "hitch.lowerUp",
  "hitch.upperBack",
  "hitch.upperUp",
  "hitch.pivots",
  "tool.span",
  "tool.mast",
  "work.topLink",
] as const;

/**
 * The linkage in coordinates of its own: rearward from the rear axle, or forward from the front axle for a front hitch. Links
 * of unequal length are taken at their mean. Names what is missing instead of guessing it.
 */
export function linkageOf(rig: ResolvedRig): LinkageOf {
  const missing: DimensionKey[] = NEEDED.filter((key) => known(rig, key) === null);
  const links = (["hitch.linkLeft", "hitch.linkRight"] as const).flatMap((key) => known(rig, key) ?? []);
  if (links.length === 0) missing.push("hitch.linkLeft");
  if (missing.length > 0) return { linkage: null, missing };
  const at = (key: DimensionKey) => known(rig, key)!;
  return {
    missing: null,
    linkage: {
      lowerPivot: { x: at("hitch.lowerBack"), z: at("hitch.lowerUp") },
      upperPivot: { x: at("hitch.upperBack"), z: at("hitch.upperUp") },
      lowerLink: links.reduce((sum, each) => sum + each, 0) / links.length,
      topLink: at("work.topLink"),
      pivotSpacing: at("hitch.pivots"),
      span: at("tool.span"),
      mast: at("tool.mast"),
      setback: at("tool.setback"),
    },
  };
}
