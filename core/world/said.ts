/** What came of a drive, in sentences: what stays open, what alternates, which figure does so. */
import { quantity, type Said, smallLength, tell } from "../quantity/said.ts";
import type { JointsSaid } from "./joints.ts";
import type { Outcome } from "./outcome.ts";

/** Less nobody sees on the ground: 3 cm of a joint, a half in a hundred of a field (ours). */
const JOINT = 0.03;
const SHARE = 0.005;

export type WorldSaid = {
  key: "alternate" | "width" | "left" | "twice" | "shown" | "dose" | "nothing";
  said: Said;
};

export type JointsOfBoth = { map: JointsSaid | null; ground: JointsSaid | null };

/** How far the work lies right of where it is believed, by joints that alternate: a quarter of how far they differ. */
export const asideByJoints = ({ after }: JointsSaid): number => (after.down - after.up) / 4;

/** The worst first; one sentence where nothing is to be seen. `shown`: hectares the counter shows for each done. */
export function worldSaid(
  { truth, believed, field, dose }: Outcome,
  { ground: joints, map }: JointsOfBoth,
  shown: number,
): WorldSaid[] {
  const all: WorldSaid[] = [];
  if (joints && map && Number.isFinite(joints.after.up) && Number.isFinite(joints.after.down)) {
    const aside = asideByJoints(joints);
    if (Math.abs(aside) > JOINT / 2)
      all.push({
        key: "alternate",
        said: tell`Joints alternate, ${smallLength(Math.abs(joints.after.up))} ${joints.after.up > 0 ? "open" : "lapped"} and ${smallLength(Math.abs(joints.after.down))} ${joints.after.down > 0 ? "open" : "lapped"}: the work lies ${smallLength(Math.abs(aside))} to the ${aside < 0 ? "left" : "right"} of where the terminal has it.`,
      });
    const wider = map.mean - joints.mean;
    if (Math.abs(wider) > JOINT)
      all.push({
        key: "width",
        said: tell`Joints are ${smallLength(Math.abs(joints.mean))} ${joints.mean > 0 ? "open" : "lapped"} in the mean, on the map ${smallLength(Math.abs(map.mean))} ${map.mean > 0 ? "open" : "lapped"}: the tool is ${smallLength(Math.abs(wider))} ${wider < 0 ? "narrower" : "wider"} than it was told.`,
      });
  }
  const left = truth.left - believed.left;
  if (left > SHARE * field)
    all.push({ key: "left", said: tell`${quantity("area", left)} stay open that the map has as worked.` });
  const twice = truth.twice - believed.twice;
  if (twice > SHARE * field)
    all.push({
      key: "twice",
      said: tell`${quantity("area", twice)} are worked twice that the map has once.`,
    });
  const counted = (believed.counted * shown) / truth.counted - 1;
  if (Math.abs(counted) > SHARE)
    all.push({
      key: "shown",
      said: tell`The counter shows ${Math.abs(100 * counted).toFixed(1)} % ${counted > 0 ? "more" : "fewer"} hectares than are worked.`,
    });
  if (Math.abs(dose - 1) > SHARE)
    all.push({
      key: "dose",
      said: tell`${Math.abs(100 * (dose - 1)).toFixed(1)} % ${dose > 1 ? "more" : "less"} falls on each square metre than was ordered.`,
    });
  if (all.length === 0) all.push({ key: "nothing", said: "Map and ground are the same, to what one sees." });
  return all;
}
