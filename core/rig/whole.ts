/** A whole rig: the machine that drives, everything coupled to it in order, and what it may carry. */

import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import type { CameraProfile } from "../steering/camera.ts";
import { TOOL_KINDS, type ToolKind, type ToolKindKey } from "../trade/kinds.ts";
import type { PartDose } from "../yard/dose.ts";
import type { PartGround } from "../yard/ground.ts";
import type { RigHoses } from "../yard/rig-hoses.ts";
import type { RoadLimits } from "../yard/road.ts";
import type { TyreTable } from "../yard/tyres.ts";
import type { Weight } from "../yard/weights.ts";
import type { Work } from "../yard/work.ts";
import type { Grade } from "./grade.ts";
import { isBelieved, type ResolvedRig } from "./resolve.ts";

/** One tool of a rig. Its `rig` knows the machine that drives as well: the same in every part. */
export type ToolOfRig = {
  /** of the coupling */
  id: number;
  name: string;
  rig: ResolvedRig;
  /** index of the part it hangs behind; null: on the machine that drives */
  behind: number | null;
  /** what the people here call the point it hangs on: "hole 2" */
  hitch: string;
};

export type StockWeight = Weight & { fitted: number };

export type AxleTyres = {
  label: string;
  /** on this axle */
  count: number;
  table: TyreTable;
};

export type WholeRig = {
  tractor: string;
  selfPropelled: boolean;
  /** at least one, in the order they are coupled */
  parts: readonly ToolOfRig[];
  weights: readonly StockWeight[];
  tyres: { front: AxleTyres | null; rear: AxleTyres | null; tools: readonly (AxleTyres | null)[] };
  limits: RoadLimits;
  hoses: RigHoses;
  /** of each part */
  ground: readonly PartGround[];
  dose: readonly PartDose[];
  /** what it is set to do; null where nobody confirmed a job */
  work: Work | null;
  /** profiles of the machine's row camera, the newest first; none where nobody kept one */
  camera: readonly CameraProfile[];
};

/** The tools between the machine that drives and one tool, by their place in the rig, the first nearest the machine. */
export function aheadOf(parts: readonly Pick<ToolOfRig, "behind">[], index: number): number[] {
  const behind = parts[index]?.behind ?? null;
  return behind === null ? [] : [...aheadOf(parts, behind), behind];
}

/** A number something is reckoned with, and how it was come by. */
export type Input = {
  key: DimensionKey;
  /** SI; null where nothing is known and nothing is assumed */
  value: number | null;
  grade: Grade;
  stale: boolean;
  /** what it was assumed from, where nobody read it */
  assumed: string | null;
};

/** A value one may reckon with: read and believed, or else what the catalogue assumes and says so. */
export function inputOf(rig: ResolvedRig, key: DimensionKey): Input {
  const { value, doubt, grade, stale } = rig.values[key];
  const believed = value !== null && isBelieved(doubt);
  if (believed) return { key, value, grade, stale: stale !== null, assumed: null };
  const { otherwise } = dimension(key, rig);
  return typeof otherwise?.value === "number"
    ? { key, value: otherwise.value, grade: "assumed", stale: false, assumed: otherwise.source }
    : { key, value: null, grade: "missing", stale: false, assumed: null };
}

/** False for a cart or tank: no part of it works the field, and nothing is asked of its work. */
export function works(rig: ResolvedRig): boolean {
  return isWorking(chosen<ToolKindKey>(rig, "tool.kind"));
}

/** The same of a tool of which only its kind is known; null: nobody told. */
export function isWorking(tool: ToolKindKey | null): boolean {
  return tool === null || (TOOL_KINDS[tool] as ToolKind).works !== false;
}

/** True for what rests on nothing but its lift, at work too. */
export function hangsAtWork(rig: ResolvedRig): boolean {
  return kindOf(rig)?.hangs === true;
}

function kindOf(rig: ResolvedRig): ToolKind | null {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  return kind && TOOL_KINDS[kind];
}

/** The number alone. */
export function known(rig: ResolvedRig, key: DimensionKey): number | null {
  return inputOf(rig, key).value;
}

/** What was chosen of a list, or what the catalogue assumes; null where neither is there, or the list has it no more. */
export function chosen<T extends string>(rig: ResolvedRig, key: DimensionKey): T | null {
  const { otherwise, choices } = dimension(key, rig);
  const picked = rig.values[key].choice ?? (typeof otherwise?.value === "string" ? otherwise.value : null);
  return choices?.some((each) => each.key === picked) ? (picked as T) : null;
}
