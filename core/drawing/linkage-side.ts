/**
 * The linkage from the side as shapes on a sheet, from lengths alone: no catalogue, so that a screen can draw it anew while
 * somebody lifts it or turns the top link. To scale; what is cut off ends in a break line.
 */

import {
  angleAt,
  carried,
  type Linkage,
  type Pose,
  type Posed,
  poseAt,
  poseAtHeight,
} from "../linkage/linkage.ts";
import { pitchWords } from "../linkage/words.ts";
import type { Note, PlanBlock, PlanStroke } from "../picture/strokes.ts";
import { printLength } from "../quantity/length.ts";
import { inWords } from "../quantity/said.ts";
import type { Units } from "../quantity/units.ts";
import type { DrawnRig } from "./sheet.ts";

/** What is drawn, metres; `read` tells what was read from what stands at its usual size. */
export type SideShape = {
  linkage: Linkage;
  /** balls above ground: now, and at both ends of the lift where they are known */
  ballHeight: number;
  low: number | null;
  high: number | null;
  rod: { reach: number; length: number };
  /** the lowest part of the tool, back from and below the lower pins */
  tool: { back: number; under: number };
  /** a front hitch: the tractor is on the left */
  ahead: boolean;
  read: { lower: boolean; top: boolean; mast: boolean; all: boolean };
};

export type SideSheet = { width: number; height: number; units: Units; notes: boolean; ghosts: boolean };

type Spot = { x: number; y: number };

export type SideDrawing = Pick<DrawnRig, "blocks" | "strokes"> &
  Required<Pick<DrawnRig, "spots" | "notes">> & {
    scale: number;
    /** y of the ground on the sheet */
    ground: number;
    place: (at: { x: number; z: number }) => Spot;
    pose: Pose | null;
    ball: { x: number; z: number };
    /** how far back the tool is drawn, metres from the balls */
    shownBack: number;
    posed: Posed;
  };

/** Diameter of the tractor's wheel, usual sizes. */
const WHEEL = { rear: 1.75, front: 1.25 };
/** How much of the tractor is drawn ahead of its axle, and of the tool behind the balls, metres. */
const BEFORE = 0.3;
const BEHIND = 0.62;

const path = (...spots: Spot[]) => spots.map(({ x, y }) => `${x},${y}`).join(" ");

/** A pose to draw although the triangle may not close: the links then end apart, and are drawn so. */
function drawnPose(linkage: Linkage, height: number): Pick<SideDrawing, "pose" | "ball" | "posed"> {
  const posed = poseAtHeight(linkage, height);
  if (posed.ok) return { pose: posed.pose, ball: posed.pose.ball, posed };
  const angle = angleAt(linkage, height) ?? 0;
  const again = poseAt(linkage, angle);
  return {
    posed,
    pose: again.ok ? again.pose : null,
    ball: {
      x: linkage.lowerPivot.x + linkage.lowerLink * Math.cos(angle),
      z: linkage.lowerPivot.z + linkage.lowerLink * Math.sin(angle),
    },
  };
}

/** Room below the ground line for lengths along it, and above for words, pixels. */
export type Lanes = { below: number; above: number };

/** The three-point linkage from the side, posed at its working height, metres to pixels; one in front is drawn the other way round. */
export function drawSideOf(shape: SideShape, sheet: SideSheet, lanes: Lanes): SideDrawing {
  const { linkage, ahead } = shape;
  const work = drawnPose(linkage, shape.ballHeight);
  const reach = linkage.lowerPivot.x + linkage.lowerLink + BEHIND;
  const lifted = (shape.high ?? shape.ballHeight) + linkage.mast;
  const top = Math.max(linkage.upperPivot.z, lifted, ahead ? WHEEL.front : WHEEL.rear) + 0.05;
  const scale = Math.min(
    (sheet.width - 24) / (reach + BEFORE),
    (sheet.height - lanes.below - lanes.above) / top,
  );
  const ground = sheet.height - lanes.below;
  const sense = ahead ? 1 : -1;
  const middle = sheet.width / 2 - (sense * scale * (reach - BEFORE)) / 2;
  const place = ({ x, z }: { x: number; z: number }): Spot => ({
    x: middle + sense * x * scale,
    y: ground - z * scale,
  });
  const shownBack = Math.max(0.15, Math.min(shape.tool.back, reach - 0.04 - work.ball.x));
  const blocks: PlanBlock[] = [{ role: "ground", x: 0, y: ground, w: sheet.width, h: 1.6, assumed: false }];
  const spots = [
    linkage.lowerPivot,
    linkage.upperPivot,
    work.ball,
    ...(work.pose ? [work.pose.upper] : []),
  ].map((at) => ({ ...place(at), kind: "pin" as const }));
  const { virtual } = work.pose ?? { virtual: null };
  const seen = virtual && place(virtual);
  const inside = seen && seen.x > 8 && seen.x < sheet.width - 8 && seen.y > 8 && seen.y < ground;
  return {
    ...work,
    blocks,
    strokes: [
      wheelOf(shape, place, reach),
      ...(sheet.ghosts ? ghostsOf(shape, place) : []),
      ...linkStrokes(shape, work, shownBack, place),
    ],
    spots: inside ? [...spots, { ...seen, kind: "virtual" as const }] : spots,
    notes: sheet.notes ? notesOf(shape, work, sheet) : [],
    scale,
    ground,
    place,
    shownBack,
  };
}

/** The wheel's rim, as far as the sheet goes. */
function wheelOf({ ahead }: SideShape, place: SideDrawing["place"], reach: number): PlanStroke {
  const radius = (ahead ? WHEEL.front : WHEEL.rear) / 2;
  const spots: Spot[] = [];
  for (let step = 0; step <= 72; step += 1) {
    const turn = -Math.PI + (step / 72) * 2 * Math.PI;
    const at = { x: radius * Math.cos(turn), z: radius + radius * Math.sin(turn) };
    if (at.x >= -BEFORE && at.x < reach) spots.push(place(at));
  }
  return { role: "wheel", points: path(...spots), assumed: true };
}

function ghostsOf({ linkage, low, high }: SideShape, place: SideDrawing["place"]): PlanStroke[] {
  return [low, high].flatMap((height): PlanStroke[] => {
    const posed = height === null ? null : poseAtHeight(linkage, height);
    if (!posed?.ok) return [];
    const { ball, upper } = posed.pose;
    const points = path(place(linkage.lowerPivot), place(ball), place(upper), place(linkage.upperPivot));
    return [{ role: "ghost", points, assumed: false }];
  });
}

function linkStrokes(
  { linkage, rod, tool, ahead, read }: SideShape,
  { pose, ball }: Pick<SideDrawing, "pose" | "ball">,
  shownBack: number,
  place: SideDrawing["place"],
): PlanStroke[] {
  const { lowerPivot, upperPivot } = linkage;
  const strokes: PlanStroke[] = [
    { role: "link", points: path(place(lowerPivot), place(ball)), assumed: !read.lower },
  ];
  const length = Math.hypot(ball.x - lowerPivot.x, ball.z - lowerPivot.z);
  const share = Math.min(1, rod.reach / length);
  const foot = {
    x: lowerPivot.x + (ball.x - lowerPivot.x) * share,
    z: lowerPivot.z + (ball.z - lowerPivot.z) * share,
  };
  // Where the lift arm ends nobody measures: the rod is drawn upright.
  strokes.push({
    role: "rod",
    points: path(place(foot), place({ x: foot.x, z: foot.z + rod.length })),
    assumed: true,
  });
  if (!pose) return strokes;
  const whole = shownBack >= tool.back - 1e-6;
  const frame = carried(pose, { back: shownBack, up: 0 });
  const corner = carried(pose, { back: shownBack, up: -tool.under });
  strokes.push(
    { role: "top-link", points: path(place(upperPivot), place(pose.upper)), assumed: !read.top },
    { role: "mast", points: path(place(pose.ball), place(pose.upper)), assumed: !read.mast },
    {
      role: "tool",
      points: path(place(pose.ball), place(frame), ...(whole ? [place(corner)] : [])),
      assumed: true,
    },
  );
  if (!whole) strokes.push(breakLine(place(frame)));
  if (pose.virtual && !ahead)
    strokes.push(
      { role: "virtual", points: path(place(lowerPivot), place(pose.virtual)), assumed: false },
      { role: "virtual", points: path(place(upperPivot), place(pose.virtual)), assumed: false },
    );
  return strokes;
}

/** The zigzag of a shop drawing: it goes on beyond. */
function breakLine({ x, y }: Spot): PlanStroke {
  const zigzag: Spot[] = [-22, -7, -2, 2, 7, 22].map((dy, index) => ({
    x: x + (index === 2 ? 7 : index === 3 ? -7 : 0),
    y: y + dy,
  }));
  return { role: "break", points: path(...zigzag), assumed: false };
}

/** Two lines at the top: the pitch, and where the links' lines cross; of lengths nobody read they say so. */
function notesOf(
  { ahead, read }: SideShape,
  { pose, posed }: Pick<SideDrawing, "pose" | "posed">,
  { units }: SideSheet,
): Note[] {
  if (!posed.ok)
    return [
      {
        x: 12,
        y: 24,
        anchor: "start",
        text: `${brokenWords(posed)}, by ${fineLength(posed.by, units)}`,
        tone: "stop",
      },
    ];
  const assumed = read.all ? "" : ", lengths assumed";
  const notes: Note[] = [
    {
      x: 12,
      y: 24,
      anchor: "start",
      text: `Pitch ${inWords(pitchWords(ahead ? -posed.pose.pitch : posed.pose.pitch), units)}${assumed}`,
    },
  ];
  if (pose?.virtual && !ahead) {
    const forward = -pose.virtual.x;
    const where = forward >= 0 ? "ahead of" : "behind";
    notes.push({
      x: 12,
      y: 45,
      anchor: "start",
      text: `Lines cross ${printLength(Math.abs(forward), units.tape)} ${where} the axle${assumed}`,
      tone: "dye",
    });
  }
  return notes;
}

function fineLength(metres: number, units: Units): string {
  return printLength(metres, units.small);
}

/** Why a linkage cannot be drawn: which length does not close the triangle. */
export function brokenWords(posed: Extract<Posed, { ok: false }>): string {
  return posed.reason === "lower links" ? "The lower links do not reach" : `Top link ${posed.reason}`;
}

/** The side view alone, as a sheet of its own. */
export function drawTrial(shape: SideShape, sheet: SideSheet): { plan: DrawnRig; posed: Posed } {
  const { blocks, strokes, spots, notes, scale, posed } = drawSideOf(shape, sheet, { below: 12, above: 12 });
  const { width, height } = sheet;
  const nothing = { rows: [], points: [], brackets: [], marks: [], grid: { x: [], y: [] } };
  return {
    posed,
    plan: {
      ...nothing,
      width,
      height,
      scale,
      blocks,
      strokes,
      spots,
      notes,
      scaleBar: { x: 0, y: 0, length: 0, label: "" },
      travel: "right",
    },
  };
}
