/** What a plough asks of the tractor's wheels and of its own cross shaft, before its first furrow. */
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { fineLength, tapeLength, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { onTracks } from "../../rig/supports.ts";
import { chosen, known } from "../../rig/whole.ts";
import { EQUAL } from "./hitch-of-part.ts";

/** How much wider apart the front tyres' inner faces are than the rear ones', by school, metres. */
export const WHEEL_SCHOOLS = {
  "0 to 10": [0, 0.1],
  "2 to 10": [0.02, 0.1],
  "2.5 to 5": [0.025, 0.05],
} as const;
type School = keyof typeof WHEEL_SCHOOLS;

/** Inner faces of the rear tyres, as plough makers usually allow, metres (common practice, no source). */
const REAR_INSIDE = [1, 1.5] as const;

/** Wheels and cross shaft of a tractor with a plough; nothing for any other tool. */
export function ploughChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  if (chosen(rig, "tool.kind") !== "plough") return [];
  return [...(onTracks(rig) ? [] : [wheelCheck(rig, rowOf)]), shaftCheck(rig, rowOf)];
}

function wheelCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("inside", "Wheels, taped inside");
  const [front, rear] = [known(rig, "tractor.insideFront"), known(rig, "tractor.insideRear")];
  const school = chosen<School>(rig, "work.wheelSchool")!;
  const [least, most] = WHEEL_SCHOOLS[school];
  const wanted = tell`in front ${fineLength(least)} to ${fineLength(most)} wider than behind`;
  if (front === null || rear === null)
    return row.note(
      front === null ? "tractor.insideFront" : "tractor.insideRear",
      tell`Nobody taped between the tyres. While ploughing they stand ${wanted} by this school.`,
      "The first furrow's width hangs on where the wheel in the furrow runs.",
    );
  const wider = front - rear;
  const now = tell`Inside ${tapeLength(front)} in front, ${tapeLength(rear)} behind`;
  if (wider < least - EQUAL || wider > most + EQUAL)
    return row.fix(
      "tractor.insideFront",
      tell`${now}: ${wider < 0 ? tell`${fineLength(-wider)} narrower` : tell`${fineLength(wider)} wider`} in front. Wanted ${wanted}.`,
      tell`Set the front wheels ${fineLength(Math.abs(wider - (wider < least ? least : most)))} ${wider < least ? "further apart" : "closer"}, half of it on each side, or take another school.`,
    );
  if (rear < REAR_INSIDE[0] || rear > REAR_INSIDE[1])
    return row.check(
      "tractor.insideRear",
      tell`${now}. Ploughs are usually made for ${tapeLength(REAR_INSIDE[0])} to ${tapeLength(REAR_INSIDE[1])} behind.`,
      "Look in the plough's manual: it is then the plough that is set to the wheels.",
    );
  return row.good("tractor.insideFront", tell`${now}, as wanted.`);
}

function shaftCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("shaft-middle", "Cross shaft in the middle");
  const off = known(rig, "tool.shaftSide");
  if (off === null)
    return row.note(
      "tool.shaftSide",
      "Nobody taped how the cross shaft lies in the headstock.",
      "Off the middle, the first furrow is wider one way than the other.",
    );
  if (Math.abs(off) <= EQUAL) return row.good("tool.shaftSide", "In the middle of the headstock.");
  return row.fix(
    "tool.shaftSide",
    tell`The cross shaft lies ${fineLength(Math.abs(off))} to the ${off > 0 ? "right" : "left"} of the headstock's middle.`,
    "Slide it over by that much: else the first furrow is wider one way than the other.",
  );
}
