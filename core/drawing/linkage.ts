/**
 * The hitch drawn from its readings: the linkage from the side above, the lower links from above below it. True to scale, each
 * part in a scale of its own; a rear hitch has the tractor on the right, as travel is to the right.
 */
import { type DimensionKey, hasDimension } from "../dimension/catalogue.ts";
import { carried, topLinkFor } from "../linkage/linkage.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { HitchOf } from "../subjects/hitch/hitch-of-part.ts";
import { acrossOffers, alongOffers, tagOffers } from "./candidates.ts";
import { between, drawn, type LinkagePart, type LinkageSheet, placed, type Spot } from "./linkage-marks.ts";
import { planView } from "./linkage-plan.ts";
import { drawSideOf, type SideDrawing, type SideShape } from "./linkage-side.ts";
import type { Offers } from "./place.ts";
import type { DimensionMark, DrawnRig } from "./sheet.ts";

/** Draws what is known, and what is not at its usual size. */
export function drawLinkage(rig: ResolvedRig, hitch: HitchOf, sheet: LinkageSheet): DrawnRig {
  const upper = hasDimension(rig, "work.topLink");
  // On a phone there is room for one view: the one the open reading lies in.
  const small = sheet.height < 400;
  const above = small && sheet.only !== null && IN_PLAN.has(sheet.only);
  const split = small ? (above || !upper ? 0 : sheet.height) : upper ? sheet.height * 0.58 : 0;
  const side = upper && !above ? sideView(rig, hitch, { ...sheet, height: split }) : null;
  const plan = split < sheet.height - 60 ? planView(rig, hitch, sheet, split) : null;
  const parts = [side, plan].filter((part): part is LinkagePart => part !== null);
  return {
    width: sheet.width,
    height: sheet.height,
    scale: parts[0]?.scale ?? 1,
    grid: { x: [], y: [] },
    blocks: parts.flatMap(({ blocks }) => blocks),
    strokes: parts.flatMap(({ strokes }) => strokes),
    rows: [],
    points: [],
    brackets: [],
    marks: parts.flatMap(({ marks }) => marks),
    spots: parts.flatMap(({ spots }) => spots),
    notes: parts.flatMap(({ notes }) => notes),
    scaleBar: { x: 0, y: 0, length: 0, label: "" },
    travel: hitch.ahead ? "up" : "right",
  };
}

const IN_PLAN = new Set<DimensionKey>(["hitch.pivots", "tool.span", "hitch.linkLeft", "hitch.linkRight"]);

/** The linkage to draw: readings, and for what nobody read its usual size. */
export function sideShape(rig: ResolvedRig, hitch: HitchOf): SideShape {
  const at = (key: DimensionKey) => drawn(rig, key);
  const read = (...keys: DimensionKey[]) => keys.every((key) => rig.values[key].value !== null);
  const linkage = {
    lowerPivot: { x: at("hitch.lowerBack"), z: at("hitch.lowerUp") },
    upperPivot: { x: at("hitch.upperBack"), z: at("hitch.upperUp") },
    lowerLink: (at("hitch.linkLeft") + at("hitch.linkRight")) / 2,
    topLink: at("work.topLink"),
    pivotSpacing: at("hitch.pivots"),
    span: at("tool.span"),
    mast: at("tool.mast"),
    setback: at("tool.setback"),
  };
  // A semi-mounted tool is pitched by its wheel: its top link is drawn as long as that makes it.
  const follows =
    hitch.tail?.work == null ? null : topLinkFor(linkage, at("work.ballHeight"), hitch.tail.work);
  return {
    linkage: { ...linkage, topLink: follows ?? linkage.topLink },
    ballHeight: at("work.ballHeight"),
    low: rig.values["hitch.ballLow"].value,
    high: rig.values["hitch.ballHigh"].value,
    rod: { reach: at("hitch.rodReach"), length: (at("hitch.rodLeft") + at("hitch.rodRight")) / 2 },
    tool: { back: at("tool.underBack"), under: at("tool.under") },
    ahead: hitch.ahead,
    read: {
      lower: read("hitch.lowerBack", "hitch.lowerUp", "work.ballHeight"),
      top: read("hitch.upperBack", "hitch.upperUp", "work.topLink"),
      mast: read("tool.mast"),
      all: hitch.missing.length === 0 && read("work.ballHeight"),
    },
  };
}

function sideView(rig: ResolvedRig, hitch: HitchOf, sheet: LinkageSheet): LinkagePart {
  const roomy = sheet.height >= 300;
  const shape = sideShape(rig, hitch);
  const drawing = drawSideOf(
    shape,
    {
      width: sheet.width,
      height: sheet.height,
      units: sheet.units,
      notes: roomy,
      ghosts: sheet.only === null,
    },
    { below: sheet.only === null ? 92 : 40, above: roomy ? 62 : 8 },
  );
  const { blocks, strokes, spots, notes, scale } = drawing;
  return { blocks, strokes, spots, notes, scale, marks: sideMarks(rig, drawing, shape, sheet) };
}

const EDGE = 8;

/** Letters on the side view, each clear of all others and of the pins. */
function sideMarks(
  rig: ResolvedRig,
  drawing: SideDrawing,
  shape: SideShape,
  sheet: LinkageSheet,
): DimensionMark[] {
  const { place, ground, pose, ball: at, shownBack, spots, notes } = drawing;
  const { linkage, rod, tool } = shape;
  const axle = place({ x: 0, z: 0 });
  const [lower, upper, ball] = [place(linkage.lowerPivot), place(linkage.upperPivot), place(at)];
  const pin = pose ? place(pose.upper) : place({ x: at.x, z: at.z + linkage.mast });
  const reaches = pose
    ? place(carried(pose, { back: shownBack, up: -tool.under }))
    : { x: ball.x, y: ground };
  // A tool pitched hard reaches through the ground, and out of its half of the sheet: the letter points at where it leaves.
  const under = {
    x: Math.min(Math.max(reaches.x, EDGE), sheet.width - EDGE),
    y: Math.min(reaches.y, sheet.height - EDGE),
  };
  const share = rod.reach / Math.max(linkage.lowerLink, rod.reach);
  const foot = { x: lower.x + (ball.x - lower.x) * share, y: lower.y + (ball.y - lower.y) * share };
  const onRod = (part: number): Spot => ({ x: foot.x, y: foot.y - rod.length * part * drawing.scale });
  const across = (a: number, b: number) => (text: string) =>
    acrossOffers(Math.min(a, b), Math.max(a, b), [ground + 20, ground + 47, ground + 74], ground, text);
  const up = (spot: Spot) => (text: string) =>
    alongOffers(
      { from: { x: spot.x, y: ground }, to: spot },
      text,
      [0, 22, -22, 44, -44, 66, -66, 90, -90, 116, -116].map((aside) => spot.x + aside),
      spot.x,
    );
  const tag =
    (...anchors: Spot[]) =>
    (text: string) =>
      tagOffers(anchors, text);
  const offers: Partial<Record<DimensionKey, (text: string) => Offers>> = {
    "hitch.lowerBack": across(axle.x, lower.x),
    "hitch.upperBack": across(axle.x, upper.x),
    "tool.underBack": across(ball.x, under.x),
    "hitch.lowerUp": up(lower),
    "work.ballHeight": up(ball),
    "hitch.upperUp": up(upper),
    "work.topLink": tag(between(upper, pin)),
    "tool.mast": tag(between(ball, pin), pin),
    "tool.setback": tag(pin),
    "hitch.ballHigh": tag(place({ x: at.x, z: drawn(rig, "hitch.ballHigh") })),
    "hitch.ballLow": tag(place({ x: at.x, z: drawn(rig, "hitch.ballLow") })),
    "hitch.rodLeft": tag(onRod(0.8), onRod(0.5)),
    "hitch.rodRight": tag(onRod(0.45), onRod(0.6)),
    "hitch.rodReach": tag(between(lower, foot), foot),
    "tool.under": tag(under),
  };
  const clear = [
    ...spots.map(({ x, y }) => ({ x: x - 5, y: y - 5, w: 10, h: 10 })),
    ...notes.map(({ x, y, text }) => ({ x, y: y - 16, w: text.length * 8.4, h: 21 })),
  ];
  return placed(rig, offers, sheet, clear);
}
