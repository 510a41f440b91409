import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { powerOf } from "../forces/power-of-rig.ts";
import { overlapArea } from "../picture/box.ts";
import { PRESETS } from "../quantity/units.ts";
import { DRAWN, type Lines, MOUNTED, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import { balanceOf } from "../subjects/balance/balance-of-rig.ts";
import { hitchOf } from "../subjects/hitch/hitch-of-part.ts";
import { drawBalance } from "./balance.ts";
import { drawLinkage, sideShape } from "./linkage.ts";
import { drawSideOf, drawTrial } from "./linkage-side.ts";
import { drawPlan } from "./plan.ts";
import { rigPoints } from "./rig-points.ts";
import type { DrawnRig, Sheet } from "./sheet.ts";

const units = PRESETS.metric;
const DESK = { width: 424, height: 736, units, only: null, labels: "letters" as const };
const LANES = { below: 20, above: 20 };
const rigOf = (lines: Lines = {}) => samplePart("mounted", { ...MOUNTED, ...lines }).rig;
const linkage = (lines: Lines = {}) => drawLinkage(rigOf(lines), hitchOf(rigOf(lines)), DESK);

const apart = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y);

describe("the linkage from the side", () => {
  it("has every link as long as it was taped, in one scale", () => {
    const rig = rigOf();
    const drawing = drawSideOf(sideShape(rig, hitchOf(rig)), { ...DESK, notes: true, ghosts: true }, LANES);
    const [lower, upper, ball, pin] = drawing.spots as [Spot, Spot, Spot, Spot];
    type Spot = (typeof drawing.spots)[number];
    const { scale } = drawing;
    expect(apart(upper, pin)).toBeCloseTo(0.8 * scale, 6);
    expect(apart(ball, pin)).toBeCloseTo(0.61 * scale, 6);
    // The lower link splays: from the side it is shorter, sqrt(0.95² − 0.175²).
    expect(apart(lower, ball)).toBeCloseTo(Math.sqrt(0.95 ** 2 - 0.175 ** 2) * scale, 6);
    expect(drawing.ground - ball.y).toBeCloseTo(0.5 * scale, 6);
  });

  it("has the tractor on the right, and on the left for a front hitch", () => {
    const at = (attachment: "mounted" | "front") => {
      const { rig } = samplePart(attachment, {
        ...MOUNTED,
        "axle.pin": attachment === "front" ? "3.6" : "1.05",
      });
      const [lower, , ball] = drawSideOf(
        sideShape(rig, hitchOf(rig)),
        { ...DESK, notes: false, ghosts: false },
        LANES,
      ).spots;
      return lower!.x - ball!.x;
    };
    expect(at("mounted")).toBeGreaterThan(0);
    expect(at("front")).toBeLessThan(0);
  });

  it("ends a long tool in a break line, and draws a short one whole", () => {
    const strokes = (back: string) =>
      linkage({ "tool.underBack": back, "tool.under": "0.4" }).strokes.map(({ role }) => role);
    expect(strokes("2.4")).toContain("break");
    expect(strokes("0.3")).not.toContain("break");
  });

  it("says assumed beside a figure that rests on a length nobody read", () => {
    const notes = (lines: Lines) =>
      (linkage(lines).notes ?? [])
        .map(({ text }) => text)
        .filter((text) => /^(Pitch|Lines cross)/.test(text));
    expect(notes({})).toHaveLength(2);
    expect(notes({}).join()).not.toContain("assumed");
    expect(notes({ "work.topLink": undefined }).length).toBeGreaterThan(0);
    for (const text of notes({ "work.topLink": undefined })) expect(text).toContain("lengths assumed");
  });

  it("follows what is tried, and says why it does not close", () => {
    const rig = rigOf();
    const shape = sideShape(rig, hitchOf(rig));
    const sheet = { width: 340, height: 264, units, notes: true, ghosts: false };
    expect(drawTrial(shape, sheet).plan.notes?.[0]?.text).toMatch(/^Pitch /);
    const long = { ...shape, linkage: { ...shape.linkage, topLink: 1.9 } };
    expect(drawTrial(long, sheet).posed.ok).toBe(false);
    expect(drawTrial(long, sheet).plan.notes?.[0]?.text).toMatch(/^Top link too long, by/);
  });
});

function untidy(plan: DrawnRig): string[] {
  const found = plan.marks.filter(({ clear }) => !clear).map(({ letter }) => `${letter} not clear`);
  for (const [index, mark] of plan.marks.entries()) {
    for (const other of plan.marks.slice(index + 1))
      if (mark.label.some((a) => other.label.some((b) => overlapArea(a, b) > 0)))
        found.push(`${mark.letter} on ${other.letter}`);
    for (const { x, y, w, h } of mark.label)
      if (x < 0 || y < 0 || x + w > plan.width || y + h > plan.height)
        found.push(`${mark.letter} off the sheet`);
  }
  return found;
}

describe("its letters", () => {
  const metres = (min: number, max: number) =>
    fc.double({ min, max, noNaN: true }).map((value) => value.toFixed(3));
  const usual = fc.record({
    "hitch.lowerBack": metres(0, 0.3),
    "hitch.lowerUp": metres(0.45, 0.7),
    "hitch.upperBack": metres(0.1, 0.4),
    "hitch.upperUp": metres(0.9, 1.2),
    "hitch.linkLeft": metres(0.8, 1.05),
    "hitch.pivots": metres(0.45, 0.6),
    "tool.span": metres(0.68, 1),
    "tool.mast": metres(0.45, 0.7),
    "work.topLink": metres(0.6, 0.85),
    "work.ballHeight": metres(0.35, 0.7),
    "tool.under": metres(0.2, 0.8),
    "tool.underBack": metres(0.4, 3),
  });

  it("stand clear of one another and on the sheet, one for each length that is drawn", () => {
    fc.assert(
      fc.property(usual, (lines) => {
        const plan = linkage(lines as Lines);
        expect(untidy(plan)).toEqual([]);
        expect(plan.marks.length).toBe(19);
      }),
      { numRuns: 60, endOnFailure: true },
    );
  });

  it("are left out where the sheet is a strip, but for the one that is open", () => {
    const strip = { ...DESK, width: 390, height: 236 };
    expect(drawLinkage(rigOf(), hitchOf(rigOf()), strip).marks).toEqual([]);
    const open = drawLinkage(rigOf(), hitchOf(rigOf()), { ...strip, only: "work.topLink" });
    expect(open.marks.map(({ target }) => target)).toEqual(["work.topLink"]);
  });
});

describe("the balance", () => {
  const sheet: Sheet = { ...DESK, region: "rig", labels: "none", station: null };
  it("has arrows as long as their loads, on the axles and where they hang", () => {
    const whole = sampleWhole([samplePart("mounted", MOUNTED)]);
    const loads = balanceOf(whole, powerOf(whole));
    if (!loads.ok) throw new Error(loads.missing);
    const state = loads.states.find(({ id }) => id === "lifted empty")!;
    const plan = drawBalance(
      whole.parts[0]!.rig,
      { state, axle: 2.65, base: 0, stop: null, weights: [], wheels: [] },
      sheet,
    );
    const [front, rear, tool] = plan.arrows!;
    const long = ({ from, to }: { from: number; to: number }) => Math.abs(from - to);
    expect(long(front!) / long(rear!)).toBeCloseTo(state.front / state.rear, 6);
    expect(long(tool!) / long(rear!)).toBeCloseTo(1650 / state.rear, 6);
    expect(front!.x - rear!.x).toBeCloseTo(2.65 * plan.scale, 6);
    expect(rear!.x - tool!.x).toBeCloseTo(1.8 * plan.scale, 6);
  });
});

describe("a towed tool", () => {
  it("rides on a wheel on each side, a drill or a roller on a row of them", () => {
    const sheet: Sheet = { ...DESK, region: "rig", labels: "values", station: null };
    // Four of them are the tractor's.
    const wheels = (kind: string) =>
      drawPlan(samplePart("drawn", { ...DRAWN, "tool.kind": kind }).rig, sheet).blocks.filter(
        ({ role }) => role === "tyre" || role === "packer",
      ).length - 4;
    for (const kind of ["sprayer", "planter", "mower", "spreader"]) expect(wheels(kind), kind).toBe(2);
    for (const kind of ["drill", "roller"]) expect(wheels(kind), kind).toBeGreaterThan(4);
  });
});

describe("a cart", () => {
  it("has wheels and a box, and neither ranks nor worked ground", () => {
    const { rig } = samplePart("drawn", { ...DRAWN, "tool.kind": "cart", "pin.pivot": "4.1" });
    const sheet: Sheet = { ...DESK, region: "rig", labels: "values", station: null };
    const plan = drawPlan(rig, sheet);
    const roles = plan.blocks.map(({ role }) => role);
    expect(roles).not.toContain("rank");
    expect(roles).not.toContain("soil");
    expect(roles.filter((role) => role === "tyre")).toHaveLength(6);
    expect(plan.marks.map(({ target }) => target)).not.toContain("pin.workFront");
    expect(rigPoints(rig).pivot.x).toBeCloseTo(-5.2, 9);
  });
});
