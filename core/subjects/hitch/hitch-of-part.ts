/** What follows from the lengths of one tool's hitch: poses, stroke, crossing, lean, and how to make them right. */
import { isAhead, onPin } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { linkageOf } from "../../linkage/from-rig.ts";
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
} from "../../linkage/linkage.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { frontSupportOf } from "../../rig/supports.ts";
import { chosen, known } from "../../rig/whole.ts";
import { CATEGORIES, CATEGORY_SIZES } from "../../trade/category.ts";
import { TOOL_KINDS, type ToolKindKey } from "../../trade/kinds.ts";
import { frameSlope } from "./drawbar-level.ts";
import { crossingAhead, type Links, lean, shaftTurn } from "./plan-view.ts";

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
  /** the span of a category that brings the crossing into the band behind the front axle; null where none does or lengths are missing */
  wanted: { span: number; category: string; aheadOfAxle: number } | null;
  /** the band it should lie in for what finds its line by it, ahead of the rear axle, metres; null while the front is not placed */
  band: { from: number; to: number } | null;
  angle: number;
};

/** Links and rods further apart than this are told from a slip of the tape (our threshold), metres. */
export const EQUAL = 0.005;

export type HitchOf = {
  ahead: boolean;
  /** the top link's pin sits in a slot: at work it carries nothing and sets no pitch */
  slotted: boolean;
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
  /** of a semi-mounted tool: nose up positive at work, right down and right up; null on any other */
  tail: Tail | null;
};

/** "Just behind the front axle" is a band, as shares of the wheelbase ahead of the rear axle (ours). */
export const BEHIND_FRONT = { from: 0.7, to: 1 } as const;

/**
 * How one tool hangs: the linkage posed at work, floor and full lift (metres, radians, nose up positive),
 * or the slope of a drawn frame, and what would level it.
 */
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
  const tail = tailOf(rig);
  const slotted = chosen(rig, "work.topHole") === "slot";
  const pitch = slotted && !tail ? null : tail ? tail.work : work?.ok ? noseUp(work.pose.pitch, ahead) : null;
  const wantedPitch = known(rig, "work.pitch") ?? 0;
  return {
    ahead,
    slotted,
    linkage,
    missing: missing ?? [],
    work,
    low: at("hitch.ballLow"),
    high,
    poses: !tail && linkage && lowest !== null && highest !== null ? stroke(linkage, lowest, highest) : [],
    cure: linkage && !tail && !slotted ? cureOf(rig, linkage, noseUp(wantedPitch, ahead)) : null,
    pitch,
    wantedPitch,
    clearance: tail ? tailClearance(rig, tail) : clearanceOf(rig, high),
    plan: planOf(rig, linkage),
    links: linksOf(rig),
    rods: rodsOf(rig),
    frame: frameOf(rig),
    tail,
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

function tailClearance(rig: ResolvedRig, { high }: Tail): number | null {
  const [under, back, ball] = [
    known(rig, "tool.under"),
    known(rig, "tool.underBack"),
    known(rig, "hitch.ballHigh"),
  ];
  if (high === null || under === null || back === null || ball === null) return null;
  return ball - back * Math.sin(high) - under * Math.cos(high);
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
  const wheelbase = isAhead(rig.attachment) ? null : frontSupportOf(rig).x;
  const band =
    wheelbase === null ? null : { from: BEHIND_FRONT.from * wheelbase, to: BEHIND_FRONT.to * wheelbase };
  return {
    ahead,
    aheadOfAxle: !isAhead(rig.attachment) && ahead !== null && hitch !== null ? ahead - hitch : null,
    wanted: band === null || hitch === null ? null : categoryFor(links, hitch, band),
    band,
    angle,
  };
}

/** Of the spans that are made, the one whose crossing lies nearest to the middle of the band; null where none lies in it. */
function categoryFor(links: Links, hitch: number, band: { from: number; to: number }): PlanView["wanted"] {
  const middle = (band.from + band.to) / 2;
  const fitting = CATEGORIES.flatMap((category) => {
    const { span } = CATEGORY_SIZES[category];
    const ahead = crossingAhead({ ...links, span });
    const aheadOfAxle = ahead === null ? null : ahead - hitch;
    return aheadOfAxle !== null && aheadOfAxle >= band.from && aheadOfAxle <= band.to
      ? [{ span, category, aheadOfAxle }]
      : [];
  });
  return fitting.reduce<PlanView["wanted"]>(
    (best, each) =>
      best === null || Math.abs(each.aheadOfAxle - middle) < Math.abs(best.aheadOfAxle - middle)
        ? each
        : best,
    null,
  );
}

/** A tool that finds its own line by where the links' lines cross (common practice, no source): others are held to the tractor's. */
export function findsItsLine(rig: ResolvedRig): boolean {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  return kind === "plough" || kind === "subsoiler";
}

/** Of a semi-mounted tool: it hangs in the balls and stands on its wheel, and turns about where that touches the ground. Radians, metres. */
export type Tail = { work: number | null; low: number | null; high: number | null };

/**
 * Nose up where the balls stand higher than with the frame level, over the distance back to the wheel. With the lift right up the wheel
 * is as high as its own cylinder raises the tail.
 */
function tailOf(rig: ResolvedRig): Tail | null {
  if (rig.attachment !== "semi") return null;
  const [level, wheel] = [known(rig, "tool.eyeHeight"), known(rig, "pin.pivot")];
  const at = (height: number | null, raised: number | null) => {
    if (level === null || wheel === null || height === null || raised === null) return null;
    const sine = (height - level - raised) / wheel;
    return Math.abs(sine) < 1 ? Math.asin(sine) : null;
  };
  return {
    work: at(known(rig, "work.ballHeight"), 0),
    low: at(known(rig, "hitch.ballLow"), 0),
    high: at(known(rig, "hitch.ballHigh"), known(rig, "tool.tailLift")),
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
  if (!onPin(rig.attachment)) return null;
  if (pin === null || eye === null || drawbar === null || drawbar <= 0) return null;
  return { slope: frameSlope(pin, eye, drawbar), lower: pin - eye };
}

/** How the stabilisers and the lift belong at work, by what the implement is; null while that is not known. */
export function habitOf(rig: ResolvedRig) {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  return kind && TOOL_KINDS[kind];
}
