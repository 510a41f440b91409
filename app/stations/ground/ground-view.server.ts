import { printLength } from "../../../core/quantity/length.ts";
import { known } from "../../../core/rig/whole.ts";
import { ACROSS, gridOf, type Place } from "../../../core/subjects/ground/grid.ts";
import { type GroundOf, worksTheSoil } from "../../../core/subjects/ground/ground-of-rig.ts";
import { DEPTH_STEP } from "../../../core/subjects/ground/guide/depth.ts";
import { guideFor } from "../../../core/subjects/ground/guide/index.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { adjustersView } from "./adjusters-view.server.ts";
import { mapView } from "./map-view.server.ts";

export type GroundView = ReturnType<typeof groundView>;

/** The ground under the tool in view: its newest map, what to turn, its adjusters, and the form for the next map. `width` of its drawings, pixels. */
export function groundView(open: OpenRig, width?: number) {
  const { whole, index, judged, preferences, resolved } = open;
  const { units } = preferences;
  const part = whole.parts[index]!;
  const guide = guideFor(resolved.tool);
  const of = judged.reckoned.ground.maps.find((each) => each.part === index) ?? null;
  const wanted = of?.map.wanted ?? known(resolved, "work.depth");
  return {
    /** false for what works at no depth */
    digs: worksTheSoil(part),
    guided: guide !== null,
    /** a depth map is of use: a tool whose guide asks for none has none */
    mapped: worksTheSoil(part) && (guide === null || guide.steps.some(({ key }) => key === DEPTH_STEP)),
    map: of && mapView(of, guide, open),
    adjusters: adjustersView(open, guide, width),
    form: {
      style: units.small,
      wanted: wanted === null ? "" : printLength(wanted, units.small, { bare: true }),
      across: of ? acrossOf(of) : ACROSS.usual,
      /** places for each number of points across */
      places: Object.fromEntries(
        Array.from({ length: ACROSS.most - ACROSS.fewest + 1 }, (_, at) => {
          const count = ACROSS.fewest + at;
          return [count, gridOf(part, count)];
        }),
      ) as Record<number, Place[]>,
    },
  };
}

/** How many points the last map had across. */
function acrossOf({ map }: GroundOf): number {
  const numbers = map.points.map(({ label }) => Number(/\d+$/.exec(label)?.[0] ?? 0));
  return Math.min(ACROSS.most, Math.max(ACROSS.fewest, ...numbers));
}
