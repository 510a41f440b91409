import { drawDepthMap } from "../../../core/drawing/depth-map.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { fineStyle } from "../../../core/quantity/units.ts";
import { foretoldPoints } from "../../../core/subjects/ground/foretold.ts";
import type { GroundOf } from "../../../core/subjects/ground/ground-of-rig.ts";
import { WING } from "../../../core/subjects/ground/guide/folding.ts";
import type { Guide } from "../../../core/subjects/ground/guide/guide.ts";
import {
  cameSaid,
  offSaid,
  thenSaid,
  turnedSaid,
  turnSaid,
  zoneSaid,
} from "../../../core/subjects/ground/words.ts";
import type { DepthPoint } from "../../../core/yard/ground.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { settingName } from "./ground.dto.ts";

/** Width of the drawn map, pixels: wider where so many points lie across that their figures would touch. */
const SHEET = 640;

export type MapView = ReturnType<typeof mapView>;

/** A tool's newest depth map: drawn on the tool, what it is off, what to turn, and what the last turning did. */
export function mapView(of: GroundOf, guide: Guide | null, { resolved, preferences: { units } }: OpenRig) {
  const { map, fit, off, advice, learnt } = of;
  // Thirds are told apart where a wing may stand by itself.
  const zones = guide?.steps.some(({ ofMap }) => ofMap) ? of.zones : [];
  const { drawn, view, points } = drawDepthMap(resolved, map.points, of, SHEET, units);
  const deepest = Math.max(
    of.tolerance.depth * 2,
    ...map.points.map(({ depth }) => Math.abs(depth - map.wanted)),
  );
  const dug = ({ label, depth }: DepthPoint) => ({
    label,
    depth: printLength(depth, units.small, { bare: true }),
    by: printLength(depth - map.wanted, fineStyle(units), { signed: true }),
    /** −1 much too shallow … 1 much too deep, for its shade */
    shade: (depth - map.wanted) / deepest,
  });
  return {
    field: map.field,
    when: `${map.person}, ${moment(map.at)}`,
    wanted: printLength(map.wanted, units.small),
    drawn,
    view,
    points: map.points.map((point, at) => ({ ...dug(point), ...points[at]!, odd: fit.odd.includes(at) })),
    /** the same with the adjusters turned as advised; none where nothing is to be turned */
    foretold: fit.odd.length > 0 ? [] : foretoldPoints(of).map(dug),
    off: [
      ...off.map((each) => ({
        key: each.key as string,
        said: inWords(offSaid(each), units),
        good: Math.abs(each.off) <= each.tolerance,
      })),
      ...zones.map((zone) => ({
        key: zone.side as string,
        said: inWords(zoneSaid(zone), units),
        good: Math.abs(zone.by) <= WING,
      })),
    ],
    learnt: learnt && {
      turned: turnedSaid(learnt),
      came: learnt.came.map((each) => inWords(cameSaid(each), units)),
      /** what a step does can be taken over */
      tells: learnt.effect !== null && !learnt.done,
      shared: learnt.effect?.shared ?? false,
      wrongWay: learnt.wrongWay,
    },
    /** the first thing to do is to measure a point again */
    odd: fit.odd.length > 0,
    advice: advice && {
      after: inWords(thenSaid(advice), units),
      within: advice.within,
      turns: advice.turns.map((turn) => ({
        id: turn.adjuster.id,
        name: settingName(turn.adjuster.id),
        said: turnSaid(turn),
        to: turn.to,
        how: turn.adjuster.how,
      })),
    },
  };
}
