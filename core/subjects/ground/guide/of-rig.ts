/** The guided strip of each tool of a rig that has one, as it stands. */
import type { WholeRig } from "../../../rig/whole.ts";
import { type GroundOf, groundOf } from "../ground-of-rig.ts";
import { guideFor } from "./index.ts";
import { givenOf, type StripStanding, stripStanding } from "./standing.ts";

function stripsOf(
  { parts, ground }: Pick<WholeRig, "parts" | "ground">,
  maps: readonly GroundOf[],
): StripStanding[] {
  return parts.flatMap((part, index) => {
    const guide = guideFor(part.rig.tool);
    if (!guide) return [];
    const map = maps.find((each) => each.part === index) ?? null;
    return [stripStanding(guide, index, givenOf(part, ground[index]!, map))];
  });
}

export type GroundReckoned = {
  /** of each tool that has a depth map */
  maps: GroundOf[];
  /** of each tool there is a guide for */
  strips: StripStanding[];
};

/** Depth maps and guided strips of a rig. */
export function reckonGround(whole: WholeRig): GroundReckoned {
  const maps = groundOf(whole);
  return { maps, strips: stripsOf(whole, maps) };
}
