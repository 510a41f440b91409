import type { Note, PlanStroke } from "../picture/strokes.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { HitchOf } from "../subjects/hitch/hitch-of-part.ts";
import { alongLength, crossingAhead } from "../subjects/hitch/plan-view.ts";
import { acrossOffers, tagOffers } from "./candidates.ts";
import { between, drawn, type LinkagePart, type LinkageSheet, placed, type Spot } from "./linkage-marks.ts";
import { ascending } from "./place.ts";
import type { DrawnRig } from "./sheet.ts";

const path = (...spots: Spot[]) => spots.map(({ x, y }) => `${x},${y}`).join(" ");

/** From above, travel up: axles, pivots, links, cross shaft, and where the links' lines cross. */
export function planView(rig: ResolvedRig, hitch: HitchOf, sheet: LinkageSheet, top: number): LinkagePart {
  const pivots = drawn(rig, "hitch.pivots");
  const span = drawn(rig, "tool.span");
  const [left, right] = [drawn(rig, "hitch.linkLeft"), drawn(rig, "hitch.linkRight")];
  const angle = hitch.plan?.angle ?? 0;
  const lengthOf = (link: number) =>
    alongLength({ pivotSpacing: pivots, span, lowerLink: link, angle }) ?? link;
  const wheelbase = drawn(rig, "tractor.wheelbase");
  const balls = hitch.ahead ? drawn(rig, "axle.pin") - wheelbase : drawn(rig, "axle.pin");
  const ahead = crossingAhead({ pivotSpacing: pivots, span, lowerLink: (left + right) / 2, angle });
  // Metres forward of the axle the links belong to; a front hitch looks the other way.
  const reach = hitch.ahead ? 1.6 : wheelbase + 0.45;
  const room = sheet.height - top - 64;
  const depth = balls + 0.35;
  const scale = Math.min(room / (reach + depth), (sheet.width - 120) / 2.2);
  const originY = top + 16 + (hitch.ahead ? depth : reach) * scale;
  const sense = hitch.ahead ? -1 : 1;
  const place = (forward: number, aside: number): Spot => ({
    x: sheet.width / 2 + aside * scale,
    y: originY - sense * forward * scale,
  });
  const ends = {
    left: place(-balls + lengthOf(left), -pivots / 2),
    right: place(-balls + lengthOf(right), pivots / 2),
  };
  const hung = { left: place(-balls, -span / 2), right: place(-balls, span / 2) };
  const read = rig.values["hitch.pivots"].value !== null && rig.values["tool.span"].value !== null;
  const axle = (forward: number): PlanStroke => ({
    role: "front-axle",
    points: path(place(forward, -0.95), place(forward, 0.95)),
    assumed: true,
  });
  const strokes: PlanStroke[] = [
    axle(0),
    ...(hitch.ahead ? [] : [axle(wheelbase)]),
    { role: "link", points: path(ends.left, hung.left), assumed: !read },
    { role: "link", points: path(ends.right, hung.right), assumed: !read },
    { role: "mast", points: path(hung.left, hung.right), assumed: !read },
  ];
  const spots: NonNullable<DrawnRig["spots"]> = [ends.left, ends.right, hung.left, hung.right].map((at) => ({
    ...at,
    kind: "pin" as const,
  }));
  const notes: Note[] = [];
  if (sheet.height >= 400) {
    const words = { x: sheet.width / 2 + 1.02 * scale, anchor: "start" as const };
    const fits = sheet.width / 2 + 1.02 * scale + 70 < sheet.width;
    const at = fits ? words : { x: sheet.width - 10, anchor: "end" as const };
    notes.push({ ...at, y: place(0, 0).y + (fits ? 5 : -6), text: hitch.ahead ? "front axle" : "rear axle" });
    if (!hitch.ahead) notes.push({ ...at, y: place(wheelbase, 0).y + (fits ? 5 : -6), text: "front axle" });
  }
  if (ahead !== null && ahead > 0 && !hitch.ahead) {
    const cross = place(ahead - balls, 0);
    const inside = cross.y > top + 8;
    const stop = inside ? cross : { x: cross.x, y: top + 8 };
    const share = (hung.left.y - stop.y) / (hung.left.y - cross.y);
    const towards = (from: Spot): Spot => ({
      x: from.x + (cross.x - from.x) * share,
      y: from.y + (cross.y - from.y) * share,
    });
    strokes.push(
      { role: "virtual", points: path(ends.left, towards(hung.left)), assumed: false },
      { role: "virtual", points: path(ends.right, towards(hung.right)), assumed: false },
    );
    if (inside) spots.push({ ...cross, kind: "virtual" });
  }
  // Across the links' ends, on the side where there are no links.
  const beyond = (a: Spot, b: Spot, side: number) =>
    ascending([
      ...acrossOffers(
        a.x,
        b.x,
        [24, 46, 68].map((off) => Math.max(a.y, b.y) + side * off),
        (a.y + b.y) / 2,
        "",
      ),
      ...tagOffers([between(a, b)], ""),
    ]);
  const marks = placed(
    rig,
    {
      "hitch.pivots": () => beyond(ends.left, ends.right, -sense),
      "tool.span": () => beyond(hung.left, hung.right, sense),
      "hitch.linkLeft": () => tagOffers([between(ends.left, hung.left)], ""),
      "hitch.linkRight": () => tagOffers([between(ends.right, hung.right)], ""),
    },
    sheet,
    spots.map(({ x, y }) => ({ x: x - 5, y: y - 5, w: 10, h: 10 })),
    top,
  );
  return { blocks: [], strokes, marks, spots, notes, scale };
}
