/**
 * Where the weight of every tool goes: to its hitch, to its own wheels, and through a hitch of its own from what hangs behind it.
 * The one place pin and link loads come from. kg and metres; loads as the mass a scale would show, downward positive.
 */
import { isBuiltOn, isCarried } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { known, type ToolOfRig } from "../rig/whole.ts";

export type Fill = "empty" | "half" | "full";

export const SHARE: Record<Fill, number> = { empty: 0, half: 0.5, full: 1 };

export type Hung = {
  mass: number;
  /** back from where it hangs, of empty mass and product together; ahead for a tool in front */
  cg: number;
};

/** What must be known of a tool before its weight can be placed from its own hitch; null where all of it is. */
export function unplaced(rig: ResolvedRig): DimensionKey | null {
  const filled = (known(rig, "tool.load") ?? 0) > 0;
  const keys: DimensionKey[] = isBuiltOn(rig.attachment) ? [] : ["tool.mass", "tool.cg"];
  if (filled) keys.push("tool.loadCg");
  if ((known(rig, "tool.ballast") ?? 0) > 0) keys.push("tool.ballastCg");
  if (!isCarried(rig.attachment)) keys.push("pin.pivot");
  return keys.find((key) => known(rig, key) === null) ?? null;
}

/** How far behind its own hitch the implement ahead has the hitch this one hangs on. */
export function rearHitchKey({ attachment }: ResolvedRig): DimensionKey {
  return attachment === "third" ? "train.second" : "train.hitch";
}

/** Mass and common centre of gravity at a fill, with the weights that sit on it; null while one of them is not known. */
export function hungOf(rig: ResolvedRig, fill: Fill): Hung | null {
  const load = (known(rig, "tool.load") ?? 0) * SHARE[fill];
  const placed = [
    { mass: known(rig, "tool.mass"), at: known(rig, "tool.cg") },
    { mass: known(rig, "tool.ballast"), at: known(rig, "tool.ballastCg") },
    { mass: load, at: known(rig, "tool.loadCg") },
  ].filter(({ mass }, index) => index === 0 || mass !== 0);
  if (placed.some(({ mass, at }) => mass === null || at === null)) return null;
  const mass = placed.reduce((sum, each) => sum + each.mass!, 0);
  const moment = placed.reduce((sum, each) => sum + each.mass! * each.at!, 0);
  return { mass, cg: mass === 0 ? placed[0]!.at! : moment / mass };
}

/** How a tool stands in a state: its fill, and the share of its own weight that hangs on the lift, where it is carried. */
export type Stand = { fill: Fill; coupled: boolean; hung: number };

export type LoadPath = {
  /** on what carries it; negative: it lifts that */
  hitch: number;
  /** moment of that load about the hitch, kg·m, away from the machine positive; 0 where it stands on wheels */
  moment: number;
  /** on its own wheels; null where it has none */
  wheels: number | null;
};

/**
 * Every tool's load path in one state, from the last tool forward: what hangs behind lands on the implement ahead before that one's is
 * told. Null for a tool that is uncoupled, or that something is missing of.
 */
export function loadPaths(parts: readonly ToolOfRig[], stands: readonly Stand[]): (LoadPath | null)[] {
  const paths: (LoadPath | null)[] = parts.map(() => null);
  for (let index = parts.length - 1; index >= 0; index--) {
    const stand = stands[index]!;
    const { rig } = parts[index]!;
    if (!stand.coupled || unplaced(rig) !== null || isBuiltOn(rig.attachment)) continue;
    const behind = parts.flatMap(({ behind: on, rig: tool }, at) =>
      on === index && stands[at]!.coupled ? [{ path: paths[at]!, at: known(tool, rearHitchKey(tool)) }] : [],
    );
    if (behind.some(({ path, at }) => path === null || at === null)) continue;
    paths[index] = pathOf(rig, stand, behind as { path: LoadPath; at: number }[]);
  }
  return paths;
}

function pathOf(rig: ResolvedRig, { fill, hung }: Stand, behind: { path: LoadPath; at: number }[]): LoadPath {
  const { mass, cg } = hungOf(rig, fill)!;
  const more = behind.reduce((sum, { path }) => sum + path.hitch, 0);
  const moreMoment = behind.reduce((sum, { path, at }) => sum + path.hitch * at, 0);
  if (isCarried(rig.attachment))
    // What hangs behind a carried tool hangs on the lift with it, also while its own tines stand in the ground.
    return { hitch: mass * hung + more, moment: mass * hung * cg + moreMoment, wheels: null };
  const wheels = (mass * cg + moreMoment) / known(rig, "pin.pivot")!;
  return { hitch: mass + more - wheels, moment: 0, wheels };
}

/** One tank's state in the words of a check: "Hopper full, drill empty"; for one tank "full"; empty where nothing can be filled. */
function wordsOf(tanks: readonly { name: string; full: boolean }[]): string {
  const [only] = tanks;
  if (!only) return "";
  if (tanks.length === 1) return only.full ? "full" : "empty";
  return tanks.map(({ name, full }) => `${name} ${full ? "full" : "empty"}`).join(", ");
}

/** A load on a hitch and the fills it belongs to. */
export type HitchLoad = {
  load: number;
  /** away from the machine, metres: where a load that is carried has its centre; null where it stands on wheels */
  at: number | null;
  words: string;
};

/**
 * What a tool puts on its hitch, lifted where it is carried, with every tank of it and of all behind it empty and full in every
 * combination. Empty while something is missing.
 */
export function hitchLoads(parts: readonly ToolOfRig[], index: number): HitchLoad[] {
  const below = subtree(parts, index);
  const tanks = below.filter((at) => (known(parts[at]!.rig, "tool.load") ?? 0) > 0);
  return Array.from({ length: 2 ** tanks.length }, (_, pattern) => {
    const full = (at: number) => tanks.includes(at) && (pattern & (1 << tanks.indexOf(at))) !== 0;
    const stands = parts.map(
      (_, at): Stand => ({ coupled: below.includes(at), hung: 1, fill: full(at) ? "full" : "empty" }),
    );
    const path = loadPaths(parts, stands)[index];
    if (!path) return [];
    const words = wordsOf(tanks.map((at) => ({ name: parts[at]!.name, full: full(at) })));
    const carried = isCarried(parts[index]!.rig.attachment) && path.hitch !== 0;
    return [{ load: path.hitch, at: carried ? path.moment / path.hitch : null, words }];
  }).flat();
}

/** A tool and all that hang behind it, by their place in the rig. */
export function subtree(parts: readonly ToolOfRig[], index: number): number[] {
  return [index, ...parts.flatMap((part, at) => (part.behind === index ? subtree(parts, at) : []))];
}

/** What is missing of a tool or of one behind it before its load on the hitch can be told. */
export function missingOfHitchLoad(
  parts: readonly ToolOfRig[],
  index: number,
): { key: DimensionKey; part: number } | null {
  for (const part of subtree(parts, index)) {
    const { rig } = parts[part]!;
    // Its own hitch lies on what carries it: its load there does not hang on how far back that is, theirs on it does.
    const key =
      unplaced(rig) ?? (part === index || known(rig, rearHitchKey(rig)) !== null ? null : rearHitchKey(rig));
    if (key) return { key, part };
  }
  return null;
}
