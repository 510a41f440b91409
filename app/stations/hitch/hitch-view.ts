/** The panel of the hitch station: what the linkage does, and how to make it right. */

import { onLinks } from "../../../core/dimension/attachment.ts";
import type { DimensionKey } from "../../../core/dimension/catalogue.ts";
import { drawLinkage, sideShape } from "../../../core/drawing/linkage.ts";
import type { SideShape } from "../../../core/drawing/linkage-side.ts";
import type { DrawnRig } from "../../../core/drawing/sheet.ts";
import type { Thread } from "../../../core/linkage/linkage.ts";
import { isLevel, pitchWords } from "../../../core/linkage/words.ts";
import { METRES_PER, printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { say, sayFine } from "../../../core/quantity/say.ts";
import { inInches, type Units } from "../../../core/quantity/units.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { chosen, known } from "../../../core/rig/whole.ts";
import { aheadWords } from "../../../core/subjects/hitch/checks.ts";
import { type HitchOf, habitOf, threadOf } from "../../../core/subjects/hitch/hitch-of-part.ts";
import { remediesOf } from "../../../core/subjects/hitch/remedies.ts";

export type HitchRow = { label: string; text: string };

export type StrokeChartView = {
  heightUnit: string;
  points: { height: number; pitch: number }[];
  work: number | null;
};

export type HitchView = {
  /** "make it right", in words; empty where nothing is to be turned */
  right: string[];
  rows: HitchRow[];
  chart: StrokeChartView | null;
  schools: string[];
  trial: Trial | null;
  drawing: { desk: DrawnRig; phone: DrawnRig; title: string } | null;
};

export function hitchView(
  rig: ResolvedRig,
  hitch: HitchOf,
  units: Units,
  name: string,
  lit: DimensionKey | null,
): HitchView {
  const linked = rig.attachment === "mounted" || rig.attachment === "front" || rig.attachment === "semi";
  const drawn = linked || rig.attachment === "links";
  const sheet = (width: number, height: number, only: DimensionKey | null) =>
    drawLinkage(rig, hitch, { width, height, units, only, labels: only ? "values" : "letters" });
  return {
    right: remediesOf(hitch).map((each) => inWords(each, units)),
    rows: rowsOf(rig, hitch, units),
    chart: chartOf(hitch, units),
    schools: schoolsOf(rig),
    trial: trialOf(rig, hitch, units),
    drawing: drawn
      ? {
          desk: sheet(424, 736, null),
          phone: sheet(390, lit ? 190 : 236, lit),
          title: `The hitch of ${name}, to scale`,
        }
      : null,
  };
}

/** The linkage to lift and turn on the screen; null until its lengths are read. */
export type Trial = {
  shape: SideShape;
  units: Units;
  /** from where to where the balls lift and the top link screws, metres */
  lift: { from: number; to: number };
  top: { from: number; to: number };
  thread: Thread | null;
};

function trialOf(rig: ResolvedRig, hitch: HitchOf, units: Units): Trial | null {
  const [low, high] = [known(rig, "hitch.ballLow"), known(rig, "hitch.ballHigh")];
  if (!hitch.linkage || hitch.tail || low === null || high === null || high <= low) return null;
  const shape = sideShape(rig, hitch);
  const now = hitch.linkage.topLink;
  return {
    shape,
    units,
    lift: { from: low, to: high },
    top: {
      from: Math.min(now, known(rig, "hitch.topShort") ?? now - 0.1),
      to: Math.max(now, known(rig, "hitch.topLong") ?? now + 0.1),
    },
    thread: threadOf(rig),
  };
}

function rowsOf(rig: ResolvedRig, hitch: HitchOf, units: Units): HitchRow[] {
  const { work, low, high, poses, plan, clearance, rods, links, frame } = hitch;
  const length = (metres: number) => printLength(metres, units.tape);
  const rows: HitchRow[] = [];
  if (hitch.tail) {
    if (hitch.tail.work !== null)
      rows.push({ label: "Pitch at work", text: inWords(pitchWords(hitch.tail.work), units) });
    if (hitch.tail.high !== null)
      rows.push({ label: "Pitch on the road", text: inWords(pitchWords(hitch.tail.high), units) });
  } else if (work?.ok) {
    const { pose } = work;
    rows.push(
      ...(hitch.pitch === null
        ? []
        : [{ label: "Pitch at work", text: inWords(pitchWords(hitch.pitch), units) }]),
      { label: "Lower links at work", text: slope(pose.angle, units) },
      { label: "Top link at work", text: slope(pose.topAngle, units) },
    );
    if (!hitch.ahead)
      rows.push({
        label: "Virtual hitch point",
        text: pose.virtual ? inWords(aheadWords(rig, -pose.virtual.x), units) : "none: links parallel",
      });
  }
  if (!hitch.tail && low?.ok && high?.ok)
    rows.push({ label: "Lifts the link ends by", text: length(high.pose.ball.z - low.pose.ball.z) });
  if (poses.length > 1) {
    const pitches = poses.map(({ pitch }) => (hitch.ahead ? -pitch : pitch));
    rows.push({
      label: "Tips through the lift",
      text: `${inWords(pitchWords(Math.min(...pitches)), units)} to ${inWords(pitchWords(Math.max(...pitches)), units)}`,
    });
  }
  if (clearance !== null) rows.push({ label: "Clear of the road", text: length(clearance) });
  if (plan && !hitch.ahead)
    rows.push({
      label: "Links cross, from above",
      text:
        plan.ahead === null
          ? "nowhere: parallel"
          : plan.aheadOfAxle === null
            ? `${length(plan.ahead)} ahead of the link ends`
            : inWords(aheadWords(rig, plan.aheadOfAxle), units),
    });
  if (links) rows.push({ label: "Lower links, left less right", text: equalOr(links.difference, units) });
  if (rods)
    rows.push({
      label: "Lift rods, left less right",
      text: `${equalOr(rods.difference, units)}${rods.lean === null || rods.difference === 0 ? "" : `, leans ${say("angle", Math.abs(rods.lean), units)}`}`,
    });
  if (frame) rows.push({ label: "Frame", text: inWords(pitchWords(frame.slope), units) });
  const habit = habitOf(rig);
  const work_ = chosen<string>(rig, "work.stabilisers");
  if (habit && onLinks(rig.attachment))
    rows.push({
      label: "Stabilisers",
      text: `work: ${work_ ?? `${habit.stabilisers} (usual)`}; road: rigid`,
    });
  return rows;
}

function equalOr(difference: number, units: Units): string {
  return difference === 0 ? "equal" : sayFine(difference, units);
}

/** A link's slope in words: where its tractor end is. */
function slope(angle: number, units: Units): string {
  return isLevel(angle)
    ? "level"
    : `${say("angle", Math.abs(angle), units)}, tractor end ${angle > 0 ? "lower" : "higher"}`;
}

function chartOf({ poses, work, ahead }: HitchOf, units: Units): StrokeChartView | null {
  if (poses.length < 2) return null;
  const unit = inInches(units.tape) ? "in" : "cm";
  const height = (metres: number) => metres / METRES_PER[unit];
  return {
    heightUnit: unit,
    points: poses.map(({ ball, pitch }) => ({
      height: height(ball.z),
      pitch: ((ahead ? -pitch : pitch) * 180) / Math.PI,
    })),
    work: work?.ok ? height(work.pose.ball.z) : null,
  };
}

function schoolsOf(rig: ResolvedRig): string[] {
  if (rig.attachment !== "mounted" && rig.attachment !== "semi" && rig.attachment !== "front") return [];
  const slot = chosen(rig, "work.topHole") === "slot";
  const front = chosen(rig, "work.slotSchool") === "front";
  return [
    slot
      ? `Slot: follows the ground, lifts quickly. ${front ? "School followed: pin a little to the front, free to move. The other: in the middle on level ground." : "School followed: pin in the middle on level ground. The other: a little to the front, free to move."}`
      : "Fixed hole: for level ground and stone-protected ploughs. A slot follows the ground and lifts quicker.",
    "Position control while coupling, always.",
  ];
}
