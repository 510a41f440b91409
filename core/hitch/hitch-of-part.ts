/** What follows from the lengths of one tool's hitch: poses, stroke, crossing, lean, and how to make them right. */
import { isAhead } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { TOOL_KINDS, type ToolKindKey } from "../match/kinds.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { frontSupportOf } from "../rig/supports.ts";
import { chosen, known } from "../rig/whole.ts";
import { frameSlope } from "./drawbar-level.ts";
import { linkageOf } from "./from-rig.ts";
import {
  angleAt,
  carried,
  type Linkage,
  type Pose,
  type Posed,
  pitchPerMetre,
  poseAtHeight,
  stroke,
  type Thread,
  type Turns,
  topLinkFor,
  turnsFor,
} from "./linkage.ts";
import { crossingAhead, lean, shaftTurn, spanFor } from "./plan-view.ts";

export type TopLinkCure = {
  /** the length that gives the wanted pitch, metres, and the change from now */
  length: number;
  change: number;
  /** turns of the body; null on a hydraulic top link or while its thread is not known */
  turns: Turns | null;
  /** outside what it can be screwed to: which end, and by how much, metres */
  beyond: { end: "short" | "long"; by: number } | null;
  /** turns that one degree takes; null as above */
  perDegree: number | null;
};

export type PlanView = {
  /** ahead of the hitch line, metres; null where the links are parallel or do not reach */
  ahead: number | null;
  /** ahead of the rear axle; null as above, or where the hitch is not placed yet */
  aheadOfAxle: number | null;
  /** the span that brings the crossing just behind the front axle; null where none does or lengths are missing */
  spanWanted: number | null;
  wantedAheadOfAxle: number | null;
  angle: number;
};

export type HitchOf = {
  ahead: boolean;
  linkage: Linkage | null;
  missing: DimensionKey[];
  /** at the ball height of work */
  work: Posed | null;
  low: Posed | null;
  high: Posed | null;
  poses: Pose[];
  cure: TopLinkCure | null;
  /** of the tool's nose at work, up positive, radians; null where it cannot be reckoned */
  pitch: number | null;
  wantedPitch: number;
  /** of the lowest part above the road with the lift right up, metres */
  clearance: number | null;
  plan: PlanView | null;
  /** links and rods left less right, metres, and what it does, radians */
  links: { difference: number; turn: number | null } | null;
  rods: { difference: number; lean: number | null } | null;
  /** of a drawn tool: nose up positive, radians, and how far the pin has to come down, metres */
  frame: { slope: number; lower: number } | null;
};

/** Just behind the front axle, as a share of the wheelbase (common practice). */
const JUST_BEHIND = 0.92;

export function hitchOf(rig: ResolvedRig): HitchOf {
  const ahead = isAhead(rig.attachment);
  const { linkage, missing } = linkageOf(rig);
  const at = (key: DimensionKey) => {
    const height = known(rig, key);
    return linkage && height !== null ? poseAtHeight(linkage, height) : null;
  };
  const work = at("work.ballHeight");
  const high = at("hitch.ballHigh");
  const [lowest, highest] = [known(rig, "hitch.ballLow"), known(rig, "hitch.ballHigh")];
  const pitch = work?.ok ? noseUp(work.pose.pitch, ahead) : null;
  const wantedPitch = known(rig, "work.pitch") ?? 0;
  return {
    ahead,
    linkage,
    missing: missing ?? [],
    work,
    low: at("hitch.ballLow"),
    high,
    poses: linkage && lowest !== null && highest !== null ? stroke(linkage, lowest, highest) : [],
    cure: linkage ? cureOf(rig, linkage, noseUp(wantedPitch, ahead)) : null,
    pitch,
    wantedPitch,
    clearance: clearanceOf(rig, high),
    plan: planOf(rig, linkage),
    links: linksOf(rig),
    rods: rodsOf(rig),
    frame: frameOf(rig),
  };
}

/** A linkage counts pitch away from the tractor; the nose of a front tool then goes down. The one turns into the other. */
function noseUp(pitch: number, ahead: boolean): number {
  return ahead ? -pitch : pitch;
}

function cureOf(rig: ResolvedRig, linkage: Linkage, pitch: number): TopLinkCure | null {
  const height = known(rig, "work.ballHeight");
  const length = height === null ? null : topLinkFor(linkage, height, pitch);
  if (height === null || length === null) return null;
  const change = length - linkage.topLink;
  const thread = threadOf(rig);
  const [short, long] = [known(rig, "hitch.topShort"), known(rig, "hitch.topLong")];
  const posed = poseAtHeight({ ...linkage, topLink: length }, height);
  const perMetre = posed.ok ? pitchPerMetre(posed.pose, linkage) : null;
  return {
    length,
    change,
    turns: thread && turnsFor(change, thread),
    beyond:
      short !== null && length < short
        ? { end: "short", by: short - length }
        : long !== null && length > long
          ? { end: "long", by: length - long }
          : null,
    perDegree: thread && perMetre ? turnsFor(Math.PI / 180 / perMetre, thread).turns : null,
  };
}

/** The thread of its top link; null while it is not known, and on a hydraulic one. */
export function threadOf(rig: ResolvedRig): Thread | null {
  const pitch = known(rig, "hitch.thread");
  const threads = chosen<"opposite" | "single" | "hydraulic">(rig, "hitch.threads");
  return pitch === null || threads === "hydraulic" ? null : { pitch, opposite: threads === "opposite" };
}

function clearanceOf(rig: ResolvedRig, high: Posed | null): number | null {
  const [under, back] = [known(rig, "tool.under"), known(rig, "tool.underBack")];
  return high?.ok && under !== null && back !== null ? carried(high.pose, { back, up: -under }).z : null;
}

function planOf(rig: ResolvedRig, linkage: Linkage | null): PlanView | null {
  const lengths = (["hitch.linkLeft", "hitch.linkRight"] as const).flatMap((key) => known(rig, key) ?? []);
  const [pivotSpacing, span] = [known(rig, "hitch.pivots"), known(rig, "tool.span")];
  if (lengths.length === 0 || pivotSpacing === null || span === null) return null;
  const height = known(rig, "work.ballHeight");
  const angle = (linkage && height !== null ? angleAt(linkage, height) : null) ?? 0;
  const lowerLink = lengths.reduce((sum, each) => sum + each, 0) / lengths.length;
  const links = { pivotSpacing, span, lowerLink, angle };
  const ahead = crossingAhead(links);
  const hitch = known(rig, "axle.pin");
  const wheelbase = frontSupportOf(rig).x;
  const rear = !isAhead(rig.attachment);
  const wanted = wheelbase === null || !rear ? null : wheelbase * JUST_BEHIND;
  return {
    ahead,
    aheadOfAxle: rear && ahead !== null && hitch !== null ? ahead - hitch : null,
    spanWanted: wanted === null || hitch === null ? null : spanFor(links, wanted + hitch),
    wantedAheadOfAxle: wanted,
    angle,
  };
}

function linksOf(rig: ResolvedRig): HitchOf["links"] {
  const [left, right] = [known(rig, "hitch.linkLeft"), known(rig, "hitch.linkRight")];
  if (left === null || right === null) return null;
  const span = known(rig, "tool.span");
  return { difference: left - right, turn: span === null ? null : shaftTurn(left, right, span) };
}

function rodsOf(rig: ResolvedRig): HitchOf["rods"] {
  const [left, right] = [known(rig, "hitch.rodLeft"), known(rig, "hitch.rodRight")];
  if (left === null || right === null) return null;
  const [span, reach, link] = [
    known(rig, "tool.span"),
    known(rig, "hitch.rodReach"),
    known(rig, "hitch.linkLeft") ?? known(rig, "hitch.linkRight"),
  ];
  return {
    difference: left - right,
    lean: span === null || reach === null || link === null ? null : lean(left, right, span, link / reach),
  };
}

function frameOf(rig: ResolvedRig): HitchOf["frame"] {
  const [pin, eye, drawbar] = [
    known(rig, "hitch.pinHeight"),
    known(rig, "tool.eyeHeight"),
    known(rig, "pin.pivot"),
  ];
  if (pin === null || eye === null || drawbar === null || drawbar <= 0) return null;
  return { slope: frameSlope(pin, eye, drawbar), lower: pin - eye };
}

/** How the stabilisers and the lift belong at work, by what the implement is; null while that is not known. */
export function habitOf(rig: ResolvedRig) {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  return kind && TOOL_KINDS[kind];
}
