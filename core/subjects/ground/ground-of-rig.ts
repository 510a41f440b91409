/** What is known of each tool's depth, and what to turn: from its newest map, its adjusters and what is wanted. */
import { hasDimension } from "../../dimension/catalogue.ts";
import { known, type ToolOfRig, type WholeRig } from "../../rig/whole.ts";
import { NO_SOIL } from "../../trade/kinds.ts";
import type { Adjuster, DepthMap, PartGround, StepEffect } from "../../yard/ground.ts";
import { fitMap, type MapFit } from "./depth-map.ts";
import { type Learnt, learnFrom } from "./learn.ts";
import { depthAdjusters } from "./moved.ts";
import { type GroundTolerance, groundTolerance } from "./tolerance.ts";
import { mastersOf, type Turn, turnAdjusters } from "./turning.ts";
import { type Zone, zonesOf } from "./zones.ts";

export type Off = { key: "depth" | "fore" | "across"; off: number; tolerance: number };

export type Advice = {
  turns: readonly Turn[];
  within: boolean;
  /** what is left afterwards */
  left: readonly Off[];
  /** adjusters at an end of their range that would have to go on */
  binds: readonly Adjuster[];
};

export type GroundOf = {
  part: number;
  map: DepthMap;
  fit: MapFit;
  tolerance: GroundTolerance;
  /** from the front to the rear of the work, and across it, metres */
  long: number;
  wide: number;
  off: readonly Off[];
  /** its wings against its middle; none where they were not dug */
  zones: readonly Zone[];
  /** null where no adjuster says where it stands and what a step does */
  advice: Advice | null;
  /** what the last turning did; null where nothing was turned since the map before */
  learnt: Learnt | null;
};

/** Whether a tool works at a depth in the soil: so until somebody says what it is. */
export function worksTheSoil({ rig }: Pick<ToolOfRig, "rig">): boolean {
  return rig.tool === null || !NO_SOIL.includes(rig.tool);
}

/** Front to rear of the work; 0 where it works along one line, or nobody knows. */
export function longOf({ rig }: Pick<ToolOfRig, "rig">): number {
  if (!hasDimension(rig, "pin.workRear")) return 0;
  const [front, rear] = [known(rig, "pin.workFront"), known(rig, "pin.workRear")];
  return front === null || rear === null ? 0 : Math.abs(rear - front);
}

/** Of each tool that has a depth map: what it says, and what to turn. */
export function groundOf({ parts, ground }: Pick<WholeRig, "parts" | "ground">): GroundOf[] {
  return parts.flatMap((part, index): GroundOf[] => {
    const { map, adjusters } = ground[index]!;
    const fit = map && fitMap(map.points);
    if (!map || !fit) return [];
    const across = map.points.map(({ y }) => y);
    const long = longOf(part);
    const wide = known(part.rig, "tool.width") ?? Math.max(...across) - Math.min(...across);
    const tolerance = groundTolerance(part.rig.tool, long, wide);
    const off = offOf(fit, map.wanted, tolerance, long, wide);
    const learnt = learnFrom(ground[index]!, long, wide);
    const zones = zonesOf(map.points, wide, fit.odd);
    const advice = adviceOf(off, adjusters);
    return [{ part: index, map, fit, tolerance, long, wide, off, zones, advice, learnt }];
  });
}

/** How far depth, fore-aft and across are off: positive is too deep, deeper in front, deeper on the right. */
function offOf(
  { depth, fore, right }: MapFit,
  wanted: number,
  tolerance: GroundTolerance,
  long: number,
  wide: number,
): Off[] {
  return [
    { key: "depth", off: depth - wanted, tolerance: tolerance.depth },
    ...(fore === null || long === 0
      ? []
      : [{ key: "fore" as const, off: fore * long, tolerance: tolerance.fore }]),
    ...(right === null ? [] : [{ key: "across" as const, off: right * wide, tolerance: tolerance.across }]),
  ];
}

const EFFECTS: Record<Off["key"], (effect: StepEffect) => number> = {
  depth: ({ front, rear }) => (front + rear) / 2,
  fore: ({ front, rear }) => front - rear,
  across: ({ across }) => across,
};

type Ready = Adjuster & { effect: StepEffect; setting: number };

function adviceOf(off: readonly Off[], adjusters: readonly Adjuster[]): Advice | null {
  const ready = mastersOf(depthAdjusters(adjusters)).filter(
    (each): each is Ready => each.effect !== null && each.setting !== null,
  );
  if (ready.length === 0) return null;
  const { left, ...answer } = turnAdjusters(off, ready, (together) =>
    off.map(({ key }) => together.reduce((sum, { effect }) => sum + EFFECTS[key](effect), 0)),
  );
  return { ...answer, left: off.map((each, at) => ({ ...each, off: left[at]! })) };
}

/** Two maps of which both question the same point: it is bent or worn, and no slip of the ruler. */
export function questionedTwice({ map, before }: PartGround): string[] {
  const odd = (of: DepthMap | null) =>
    of === null ? [] : (fitMap(of.points)?.odd ?? []).map((at) => of.points[at]!.label);
  const again = new Set(odd(before));
  return odd(map).filter((label) => again.has(label));
}
