/** Left and right: what hangs to one side stands on one wheel. Masses in kg, lengths in metres, right positive. */
import { isAhead, isBuiltOn } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { type LoadPath, SHARE, type Stand } from "../../forces/load-path.ts";
import { steersBy } from "../../rig/asked.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { known, type ToolOfRig } from "../../rig/whole.ts";

/** Loads on the wheels of the axle that takes what hangs to one side. */
export type Sides = {
  axle: "front" | "rear";
  left: number;
  right: number;
  /** what the heavier wheel carries of the lighter; infinite where that lifts */
  ratio: number;
};

/** A tool whose work lies this near to the middle, as a share of its width, has its weight there unless somebody read otherwise (ours). */
const IN_THE_MIDDLE = 0.1;

/** Where the empty tool's weight lies sideways: as read; in the middle, where its work is; else not known. */
function sideOf(rig: ResolvedRig): number | null {
  const side = known(rig, "tool.cgSide");
  if (side !== null) return side;
  const [work, width] = [known(rig, "tool.lateral"), known(rig, "tool.width")];
  if (work === null) return width === null ? 0 : null;
  return Math.abs(work) <= IN_THE_MIDDLE * (width ?? 0) ? 0 : null;
}

/** What is asked before a tool's weight can be placed sideways; null where nothing is. */
export function unplacedSideways(rig: ResolvedRig): DimensionKey | null {
  if (isBuiltOn(rig.attachment)) return null;
  if (sideOf(rig) === null) return "tool.cgSide";
  return (known(rig, "tool.ballast") ?? 0) > 0 && known(rig, "tool.ballastSide") === null
    ? "tool.ballastSide"
    : null;
}

/** kg·m to the right of what a tool hangs on the machine; what stands on wheels of its own takes its side there. */
function momentOf({ rig }: ToolOfRig, path: LoadPath, { fill, hung }: Stand): number {
  const side = sideOf(rig) ?? 0;
  if (path.wheels !== null) return 0;
  const load = (known(rig, "tool.load") ?? 0) * SHARE[fill];
  const ballast = known(rig, "tool.ballast") ?? 0;
  return (
    hung *
    ((known(rig, "tool.mass") ?? 0) * side +
      load * (known(rig, "tool.loadSide") ?? side) +
      ballast * (known(rig, "tool.ballastSide") ?? 0))
  );
}

/**
 * The wheels of the axle fixed to the frame that carries the tools: of a tractor the rear one (its front axle swings on its pin), of a
 * combine the drive axle, of a jointed machine the axle of each frame, of tracks their two sides. The difference is 2·M / s, wherever
 * along the machine the moment M comes from (statics). Null where nothing hangs to one side and no track width is told.
 */
export function sidesOf(
  parts: readonly ToolOfRig[],
  paths: readonly (LoadPath | null)[],
  stands: readonly Stand[],
  { front, rear }: { front: number; rear: number },
): { sides: Sides[]; missing: DimensionKey | null } {
  const lead = parts[0]!.rig;
  const jointed = steersBy(lead) === "articulated";
  const onTracks = steersBy(lead) === "tracks";
  const moment = { front: 0, rear: 0 };
  for (const [index, part] of parts.entries()) {
    const path = paths[index];
    if (path)
      moment[jointed && isAhead(part.rig.attachment) ? "front" : "rear"] += momentOf(
        part,
        path,
        stands[index]!,
      );
  }
  const head = lead.attachment === "head";
  const sides: Sides[] = [];
  for (const axle of ["front", "rear"] as const) {
    if (axle === "front" && !jointed) continue;
    // A combine's fixed axle is the drive axle, in front of it; its states call it the other one.
    const key: DimensionKey = (axle === "front") !== head ? "tractor.trackFront" : "tractor.trackRear";
    const track = known(lead, key);
    if (track === null) {
      if (moment[axle] === 0) continue;
      return { sides: [], missing: key };
    }
    const load = onTracks ? front + rear : axle === "front" ? front : rear;
    sides.push(sided(axle, load / 2 - moment[axle] / track, load / 2 + moment[axle] / track));
  }
  return { sides, missing: null };
}

/** Weights on the machine sit in its middle: half on either side. */
export function withMiddle(sides: readonly Sides[], added: { front: number; rear: number }): Sides[] {
  return sides.map(({ axle, left, right }) => sided(axle, left + added[axle] / 2, right + added[axle] / 2));
}

function sided(axle: Sides["axle"], left: number, right: number): Sides {
  const [light, heavy] = [Math.min(left, right), Math.max(left, right)];
  return { axle, left, right, ratio: light <= 0 ? Number.POSITIVE_INFINITY : heavy / light };
}
