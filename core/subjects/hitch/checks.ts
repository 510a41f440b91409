/** The hitch station: is it hitched right, and what to turn by how much? */

import { isBuiltOn, onLinks, onPin } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { hasDimension } from "../../dimension/catalogue.ts";
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf, type Row } from "../../finding/checking.ts";
import { pitchWords } from "../../linkage/words.ts";
import { capital } from "../../quantity/capital.ts";
import { fineLength, quantity, type Said, tapeLength, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { frontSupportOf, onTracks } from "../../rig/supports.ts";
import { chosen, known, type WholeRig, works } from "../../rig/whole.ts";
import type { ToolKindKey } from "../../trade/kinds.ts";
import { BEHIND_FRONT, EQUAL, findsItsLine, type HitchOf, habitOf } from "./hitch-of-part.ts";
import { ploughChecks } from "./plough-checks.ts";
import { rakeChecks } from "./rake-checks.ts";

/** What is looked at of each tool's hitch. */
export function hitchChecks(whole: WholeRig, hitches: readonly HitchOf[]): Check[] {
  return whole.parts.flatMap(({ rig }, index) =>
    checksOf(rig, hitches[index]!, checkerOf("hitch", rig, whole.parts.length > 1 ? index : undefined)),
  );
}

function checksOf(rig: ResolvedRig, hitch: HitchOf, at: Checker): Check[] {
  if (rig.attachment === "head")
    return [
      at("fixed", "Mount").good(
        "axle.pin",
        "Fixed: the head hooks on the feeder house and is locked there.",
        "Look at both locks before lifting.",
      ),
    ];
  if (isBuiltOn(rig.attachment))
    return [
      at("fixed", "Mount").good(
        "axle.pin",
        "Built on: the boom's lift and its frame stay on the machine.",
        "Look at the frame's pins, pendulum and springs before the season.",
      ),
    ];
  if (onPin(rig.attachment)) return [levelCheck(hitch, at), ...rakeChecks(rig, at)];
  return [
    ...(onLinks(rig.attachment) ? [linksCheck(rig, hitch, at)] : []),
    ...(rig.attachment === "links" ? [] : linkageChecks(rig, hitch, at)),
    ...crossingCheck(rig, hitch, at),
    ...stabiliserCheck(rig, at),
    ...ploughChecks(rig, at),
    ...rakeChecks(rig, at),
  ];
}

/** The one advice about two that should be alike, wherever it is given: the longer comes in to the other's length. */
export function shorten(difference: number, what: "link" | "rod"): Said {
  const longer = difference > 0 ? "left" : "right";
  return tell`Shorten the ${longer} ${what} by ${fineLength(Math.abs(difference))}, unless its maker wants them different.`;
}

/** Of a pair the one that is not read yet, the left first. */
function openOf(rig: ResolvedRig, left: DimensionKey, right: DimensionKey): DimensionKey {
  return known(rig, left) === null ? left : right;
}

function linksCheck(rig: ResolvedRig, { links }: HitchOf, rowOf: Checker): Check {
  const row = rowOf("links", "Lower links equal");
  if (!links) return row.unknown(openOf(rig, "hitch.linkLeft", "hitch.linkRight"));
  const { difference, turn } = links;
  const by = fineLength(Math.abs(difference));
  if (Math.abs(difference) <= EQUAL)
    return row.good("hitch.linkLeft", difference === 0 ? "Equal." : tell`Within ${by}.`);
  const longer = difference > 0 ? "left" : "right";
  return row.fix(
    difference > 0 ? "hitch.linkLeft" : "hitch.linkRight",
    tell`The ${longer} lower link is ${by} longer: the cross shaft stands ${turn === null ? "askew" : tell`${quantity("angle", Math.abs(turn))} askew`}.`,
    tell`The tool pulls to the side. ${shorten(difference, "link")}`,
  );
}

function rodsCheck(rig: ResolvedRig, { rods }: HitchOf, rowOf: Checker): Check {
  const row = rowOf("rods", "Lift rods equal");
  if (!rods) return row.unknown(openOf(rig, "hitch.rodLeft", "hitch.rodRight"));
  const by = fineLength(Math.abs(rods.difference));
  if (Math.abs(rods.difference) <= EQUAL)
    return row.good("hitch.rodLeft", rods.difference === 0 ? "Equal." : tell`Within ${by}.`);
  const longer = rods.difference > 0 ? "left" : "right";
  return row.fix(
    rods.difference > 0 ? "hitch.rodLeft" : "hitch.rodRight",
    tell`The ${longer} lift rod is ${by} longer: the tool leans ${rods.lean === null ? "" : tell`${quantity("angle", Math.abs(rods.lean))} `}to the ${longer}.`,
    tell`One side works deeper. ${shorten(rods.difference, "rod")}`,
  );
}

function linkageChecks(rig: ResolvedRig, hitch: HitchOf, at: Checker): Check[] {
  const [missing] = hitch.missing;
  if (hitch.tail)
    return [
      rodsCheck(rig, hitch, at),
      tailPitchCheck(rig, hitch, at),
      clearanceCheck(rig, hitch, at),
      ...controlCheck(rig, at),
    ];
  if (hitch.slotted && works(rig))
    return [
      rodsCheck(rig, hitch, at),
      slotCheck(rig, at),
      clearanceCheck(rig, hitch, at),
      ...controlCheck(rig, at),
    ];
  return [
    rodsCheck(rig, hitch, at),
    ...(!works(rig)
      ? [at("pitch", "Pitch at work").good("tool.kind", "It only carries: it need not hang level.")]
      : missing
        ? [at("pitch", "Pitch at work").unknown(missing)]
        : [pitchCheck(hitch, at)]),
    ...(missing ? [] : strokeChecks(hitch, at)),
    ...(missing ? [] : virtualCheck(rig, hitch, at)),
    ...(missing ? [] : slopeCheck(rig, hitch, at)),
    clearanceCheck(rig, hitch, at),
    ...controlCheck(rig, at),
  ];
}

/** A pitch this near to the wanted one is right, radians: half a degree. */
const PITCH_PLAY = (0.5 * Math.PI) / 180;

function pitchCheck(hitch: HitchOf, rowOf: Checker): Check {
  const row = rowOf("pitch", "Pitch at work");
  const { work, pitch, wantedPitch, cure } = hitch;
  if (!work) return row.unknown("work.ballHeight");
  if (!work.ok) return brokenTriangle(row, work);
  const off = pitch! - wantedPitch;
  const now = pitchWords(pitch!);
  if (Math.abs(off) <= PITCH_PLAY)
    return row.good("work.topLink", tell`${now}; wanted ${pitchWords(wantedPitch)}.`);
  return row.fix(
    "work.topLink",
    tell`${now}; wanted ${pitchWords(wantedPitch)}. ${cureText(cure)}`,
    "Front and rear of the tool work at different depths.",
    "Set top link",
    cure && !cure.beyond ? cure.length : undefined,
  );
}

/** In a slot the top link sets nothing: what is looked at is where its pin lies. The lower links set the front, the depth wheel the rear. */
function slotCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("pitch", "Pin in its slot");
  const pin = chosen<"front" | "middle" | "rear" | "end">(rig, "work.slotPin");
  if (pin === null) return row.unknown("work.slotPin");
  const school = chosen<"middle" | "front">(rig, "work.slotSchool")!;
  const wanted = school === "front" ? "a little to the front" : "in the middle";
  const cure =
    "Lift or lower the link ends a little for the front of the tool, and set its depth wheel for the rear: no turn of the top link does it.";
  if (pin === "end")
    return row.fix(
      "work.slotPin",
      `It lies at an end of the slot; wanted ${wanted}.`,
      `The tool cannot follow the ground. ${cure}`,
    );
  return pin === school
    ? row.good("work.slotPin", `It lies ${wanted}, free to move.`)
    : row.check("work.slotPin", `It does not lie ${wanted}, as this school wants it.`, cure);
}

/** A semi-mounted tool is level where the balls are as high as its pins stand with the frame level: links up or down, no top link. */
function tailPitchCheck(rig: ResolvedRig, { tail, wantedPitch }: HitchOf, rowOf: Checker): Check {
  const row = rowOf("pitch", "Pitch at work");
  const pitch = tail?.work ?? null;
  const [level, wheel] = [known(rig, "tool.eyeHeight"), known(rig, "pin.pivot")];
  if (pitch === null || level === null || wheel === null) {
    const open = (["tool.eyeHeight", "pin.pivot", "work.ballHeight"] as const).find(
      (key) => known(rig, key) === null,
    );
    return row.unknown(open ?? "work.ballHeight");
  }
  const now = pitchWords(pitch);
  const height = level + wheel * Math.sin(wantedPitch);
  if (Math.abs(pitch - wantedPitch) <= PITCH_PLAY)
    return row.good("work.ballHeight", tell`${now}; wanted ${pitchWords(wantedPitch)}.`);
  return row.fix(
    "work.ballHeight",
    tell`${now}; wanted ${pitchWords(wantedPitch)}. Set the link ends to ${tapeLength(height)} above ground.`,
    "It hangs on the link ends and stands on its wheel: the lower links set its pitch, no top link does.",
    "Set the lift",
  );
}

/** How to set the top link, and how far it is from that; empty where there is nothing to set. */
export function cureText(cure: HitchOf["cure"]): Said {
  if (!cure) return "";
  const length = tapeLength(cure.length);
  if (cure.beyond)
    return tell`It would take a top link of ${length}, ${fineLength(cure.beyond.by)} ${cure.beyond.end === "short" ? "shorter" : "longer"} than it can be screwed: use another hole.`;
  const turns = cure.turns?.direction ? `, ${cure.turns.turns.toFixed(1)} turns ${cure.turns.direction}` : "";
  return tell`Set the top link to ${length}, ${fineLength(Math.abs(cure.change))} ${cure.change > 0 ? "longer" : "shorter"}${turns}.`;
}

function brokenTriangle(row: Row, broken: Extract<NonNullable<HitchOf["work"]>, { ok: false }>): Check {
  const by = tapeLength(broken.by);
  const said = {
    "too short": tell`The triangle does not close: the top link is ${by} too short.`,
    "too long": tell`The triangle does not close: the top link is ${by} too long.`,
    "lower links": tell`The lower links cannot reach that height or span: ${by} are missing.`,
  }[broken.reason];
  return row.stop(
    broken.reason === "lower links" ? "work.ballHeight" : "work.topLink",
    said,
    "One of the lengths was read or written wrong: no linkage looks like that.",
  );
}

/** The whole lift: does the triangle close everywhere, and how far does the tool tip? */
function strokeChecks({ low, high, poses, ahead }: HitchOf, rowOf: Checker): Check[] {
  const row = rowOf("stroke", "Through the lift");
  if (!low) return [row.unknown("hitch.ballLow")];
  if (!high) return [row.unknown("hitch.ballHigh")];
  if (!low.ok) return [brokenTriangle(row, low)];
  if (!high.ok) return [brokenTriangle(row, high)];
  const pitches = poses.map(({ pitch }) => (ahead ? -pitch : pitch));
  const [least, most] = [Math.min(...pitches), Math.max(...pitches)];
  return [
    row.good(
      "hitch.ballHigh",
      tell`Lifts ${tapeLength(high.pose.ball.z - low.pose.ball.z)}; tips from ${pitchWords(least)} to ${pitchWords(most)}.`,
    ),
  ];
}

function virtualCheck(rig: ResolvedRig, { work, ahead }: HitchOf, rowOf: Checker): Check[] {
  if (!work?.ok || ahead || !findsItsLine(rig)) return [];
  const row = rowOf("virtual", "Virtual hitch point");
  const { x: wheelbase, missing } = frontSupportOf(rig);
  if (wheelbase === null) return [row.unknown(missing)];
  const { virtual } = work.pose;
  if (!virtual)
    return [
      row.check(
        "hitch.upperUp",
        "Top and lower links are parallel: they cross nowhere.",
        "The tool does not find its depth by itself. Pin the top link lower on the tractor.",
      ),
    ];
  const forward = -virtual.x;
  const where = tell`${aheadWords(rig, forward)}, ${tapeLength(Math.abs(virtual.z))} ${virtual.z >= 0 ? "above" : "under"} ground`;
  const inside = forward >= BEHIND_FRONT.from * wheelbase && forward <= BEHIND_FRONT.to * wheelbase;
  return [
    row.judged(
      inside ? "good" : "check",
      "hitch.upperUp",
      inside
        ? tell`${where}.`
        : tell`The links' lines cross ${where}; common practice wants it just behind the front axle: ${tapeLength(BEHIND_FRONT.from * wheelbase)} to ${tapeLength(wheelbase)} ahead of the rear one (our band).`,
      inside
        ? ""
        : "It decides how weight moves to the tractor and how the tool follows the ground. Try another hole for the top link.",
    ),
  ];
}

/** A plough's links both fall toward the tractor while it works (common practice, no source); other tools have no such rule. */
function slopeCheck(rig: ResolvedRig, { work }: HitchOf, rowOf: Checker): Check[] {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  if (kind !== "plough" || !work?.ok) return [];
  const { angle, topAngle } = work.pose;
  const rising = [angle < 0 ? "lower links" : "", topAngle < 0 ? "top link" : ""].filter(Boolean);
  const slopes = tell`Lower links ${quantity("angle", Math.abs(angle))}, top link ${quantity("angle", Math.abs(topAngle))}`;
  return [
    rising.length === 0
      ? rowOf("slope", "Links fall toward the tractor").good(
          "work.topLink",
          tell`${slopes}, both falling toward the tractor.`,
        )
      : rowOf("slope", "Links fall toward the tractor").check(
          topAngle < 0 ? "hitch.upperUp" : "work.ballHeight",
          tell`${slopes}: the ${rising.join(" and the ")} rise${rising.length === 1 && rising[0] === "top link" ? "s" : ""} toward the tractor at work.`,
          "A plough draws itself in when both fall slightly toward the tractor: another hole on the headstock, or on the tractor.",
        ),
  ];
}

/** What should be left under a lifted tool on the road (common practice, no source), metres. */
const ROAD_CLEARANCE = 0.3;

function clearanceCheck(rig: ResolvedRig, { clearance, missing, tail }: HitchOf, rowOf: Checker): Check {
  const row = rowOf("clearance", "Clear of the road");
  if (clearance === null) {
    const own: DimensionKey[] = tail ? ["tool.eyeHeight", "pin.pivot", "tool.tailLift"] : [];
    const keys: DimensionKey[] = ["hitch.ballHigh", "tool.under", "tool.underBack", ...own];
    const open = keys.find((key) => known(rig, key) === null);
    return row.unknown(open ?? missing[0] ?? "work.topLink");
  }
  const height = tapeLength(Math.abs(clearance));
  if (clearance >= ROAD_CLEARANCE)
    return row.good("hitch.ballHigh", tell`${height} under its lowest part, lift right up.`);
  return row.judged(
    clearance <= 0.05 ? "stop" : "fix",
    tail ? "tool.tailLift" : "hitch.upperUp",
    clearance <= 0
      ? tell`Its lowest part stays ${height} in the ground with the lift right up.`
      : tell`Only ${height} under its lowest part with the lift right up.`,
    tell`Common practice leaves ${tapeLength(ROAD_CLEARANCE)}. ${tail ? "Its wheel lifts the tail: let its cylinder right out." : "Another top link hole lifts the tail higher."}`,
  );
}

/** "1.04 m ahead of the rear axle", or on tracks of the axle of the drive wheels. */
export function aheadWords(rig: ResolvedRig, ahead: number): Said {
  const axle = onTracks(rig) ? "the drive wheels' axle" : "the rear axle";
  return tell`${tapeLength(Math.abs(ahead))} ${ahead >= 0 ? "ahead of" : "behind"} ${axle}`;
}

function crossingCheck(rig: ResolvedRig, { plan, ahead }: HitchOf, rowOf: Checker): Check[] {
  if (ahead) return [];
  const row = rowOf("crossing", "Links' crossing, from above");
  if (!plan) return [row.unknown(known(rig, "hitch.pivots") === null ? "hitch.pivots" : "tool.span")];
  const { band, wanted } = plan;
  const where = plan.aheadOfAxle === null ? "" : aheadWords(rig, plan.aheadOfAxle);
  if (chosen(rig, "tool.kind") === null) return [row.unknown("tool.kind")];
  if (!findsItsLine(rig))
    return [
      row.good(
        "tool.span",
        tell`${where === "" ? "" : tell`They cross ${where}. `}Only ploughs and subsoilers find their line by it.`,
      ),
    ];
  const cure = wanted
    ? tell` The cross shaft of category ${wanted.category}, ${tapeLength(wanted.span)}, would bring it to ${tapeLength(wanted.aheadOfAxle)}.`
    : "";
  if (plan.ahead === null || plan.ahead < 0)
    return [
      row.fix(
        "tool.span",
        tell`The lower links run ${plan.ahead === null ? "parallel" : "together rearward"}: the tool does not steer itself.${cure}`,
        "It wanders behind the tractor.",
      ),
    ];
  if (plan.aheadOfAxle === null) return [row.unknown("axle.pin")];
  const front = frontSupportOf(rig);
  if (band === null) return [row.unknown(front.missing ?? "tractor.wheelbase")];
  const wants = tell`common practice wants it just behind the front axle, ${tapeLength(band.from)} to ${tapeLength(band.to)} ahead of the rear one (our band)`;
  if (plan.aheadOfAxle > band.to)
    return [
      row.fix(
        "tool.span",
        tell`The links' lines cross ${where}, ahead of the front axle.${cure}`,
        "The cross shaft is too short for these links: they are nearly parallel, and the tool wanders.",
        "Set cross shaft",
      ),
    ];
  if (plan.aheadOfAxle < band.from)
    return [
      row.check(
        "tool.span",
        tell`The links' lines cross ${where}; ${wants}.${cure}`,
        "The tool swings about a point so near that it fights the steering.",
      ),
    ];
  return [row.good("tool.span", tell`${where}.`)];
}

function stabiliserCheck(rig: ResolvedRig, rowOf: Checker): Check[] {
  const row = rowOf("stabilisers", "Stabilisers");
  const habit = habitOf(rig);
  const set = chosen<"free" | "rigid" | "blocked">(rig, "work.stabilisers");
  if (!habit) return [row.unknown("tool.kind")];
  if (set === null)
    return [
      row.unknown(
        "work.stabilisers",
        `${habit.label}: ${habit.stabilisers} at work, rigid on the road (common practice; its maker's word comes first).`,
      ),
    ];
  const wrong = (habit.stabilisers === "free") !== (set === "free");
  return [
    row.judged(
      wrong ? "fix" : "good",
      "work.stabilisers",
      wrong
        ? `Stabilisers are ${set} at work; ${habit.label.toLowerCase()}: ${habit.stabilisers}.`
        : `${capital(set)} at work, rigid on the road.`,
      wrong
        ? habit.stabilisers === "free"
          ? "Held rigid it cannot find its own line, and the driver fights it with the steering. Its maker's word comes first."
          : "It swings and hits the tyres. Its maker's word comes first."
        : "",
      "Set stabilisers",
    ),
  ];
}

function controlCheck(rig: ResolvedRig, rowOf: Checker): Check[] {
  const row = rowOf("control", "Lift at work");
  const habit = habitOf(rig);
  const set = chosen<"draft" | "mixed" | "position" | "float">(rig, "work.control");
  if (!habit) return [];
  if (set === null)
    return [
      row.unknown(
        "work.control",
        `${habit.label}: ${habit.lift} is usual. Position control while coupling, always.`,
      ),
    ];
  if (hasDimension(rig, "tool.springs")) return [springsCheck(rig, set, row)];
  const share = known(rig, "work.draftShare");
  if (habit.lift === "draft") {
    if (set === "float" || set === "position")
      return [
        row.check(
          "work.control",
          `${set === "float" ? "Float" : "Position control"}; for ${habit.label.toLowerCase()} draft or mixed is usual.`,
          "Draft control puts weight on the rear wheels and keeps the pull even.",
          "Set the lift",
        ),
      ];
    if (set === "mixed" && share !== null && (share < 0.3 || share > 0.5))
      return [
        row.note(
          "work.draftShare",
          tell`Draft share ${quantity("ratio", share)}; 30 to 50 % is common practice.`,
          "Less slips, more follows every hard patch up and down.",
        ),
      ];
  } else if (set === "draft")
    return [
      row.check(
        "work.control",
        `Draft control; for ${habit.label.toLowerCase()} ${habit.lift} is usual.`,
        "It lifts the tool out of hard patches.",
        "Set the lift",
      ),
    ];
  return [row.good("work.control", `${capital(set)} at work; position control while coupling.`)];
}

/**
 * A front mower follows the ground by springs of its own, the linkage held at its mark (stand a hand's breadth off the ground, then by sight marks), or by
 * the linkage in float: never by both (common practice, no source; its book comes first).
 */
function springsCheck(rig: ResolvedRig, set: string, row: ReturnType<Checker>): Check {
  const springs = chosen<"own" | "linkage">(rig, "tool.springs");
  if (springs === null)
    return row.unknown("tool.springs", "Whether the linkage is held or floats follows from it.");
  const wanted = springs === "own" ? "position" : "float";
  if (set === wanted)
    return row.good(
      "work.control",
      springs === "own"
        ? "Held at its mark; its own lift cylinder in float while cutting, its springs carry the bed."
        : "In float: the linkage carries the bed.",
    );
  return row.fix(
    "work.control",
    springs === "own"
      ? "Its springs carry the bed, and the linkage does not stand still."
      : "The linkage is to carry the bed, and is not in float.",
    springs === "own"
      ? "Hold the linkage at its mark in position control; float is for its own lift cylinder alone."
      : "Put the front linkage into float while cutting.",
    "Set the lift",
  );
}

/** A frame this near to level is level, radians. */
const LEVEL = (0.5 * Math.PI) / 180;

function levelCheck({ frame }: HitchOf, rowOf: Checker): Check {
  const row = rowOf("level", "Frame level");
  if (!frame) return row.unknown("tool.eyeHeight");
  const words = pitchWords(frame.slope);
  if (Math.abs(frame.slope) <= LEVEL) return row.good("tool.eyeHeight", tell`${words}.`);
  return row.fix(
    "tool.eyeHeight",
    tell`The frame stands ${words}: set the eye ${fineLength(Math.abs(frame.lower))} ${frame.lower > 0 ? "higher on the drawbar, or the pin lower" : "lower on the drawbar, or the pin higher"}.`,
    "Front and rear ranks work at different depths.",
  );
}
