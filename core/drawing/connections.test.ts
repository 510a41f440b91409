import { describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS, type Attachment, isAhead, isTrain } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { PRESETS } from "../quantity/units.ts";
import { type ResolvedRig, resolveRig } from "../rig/resolve.ts";
import { sampleFacts } from "../rig/sample.ts";
import { drawPlan } from "./plan.ts";
import { drawRear } from "./rear.ts";
import { rigPoints } from "./rig-points.ts";
import type { DrawnRig, Sheet } from "./sheet.ts";
import { drawSide } from "./side.ts";

type Lengths = Partial<Record<DimensionKey, number | null>>;

const SHEET = {
  width: 424,
  height: 736,
  region: "rig",
  labels: "values",
  station: "tool",
  sections: true,
  only: null,
  units: PRESETS.metric,
} as const satisfies Sheet;

const LENGTHS: Partial<Record<Attachment, Lengths>> = {
  front: { "axle.pin": 3.6, "pin.workFront": 1.1, "pin.workRear": 0.7 },
  frontBoom: { "axle.pin": 3.9, "pin.workFront": 0.8, "pin.workRear": null },
  head: { "axle.pin": 1.8, "pin.workFront": 1.2, "pin.workRear": null },
  boom: { "axle.pin": 1.6, "pin.workFront": 0.5, "pin.workRear": null },
  mounted: { "pin.workFront": 0.6, "pin.workRear": 2.0 },
  train: { "train.hitch": 5.6 },
  third: { "train.hitch": 5.6, "train.second": 6.2 },
};

function rigOn(attachment: Attachment, lengths: Lengths = {}): ResolvedRig {
  return resolveRig({ ...sampleFacts({ ...LENGTHS[attachment], ...lengths }), attachment });
}

function steering(rig: ResolvedRig, choice: string): ResolvedRig {
  return {
    ...rig,
    values: { ...rig.values, "tractor.steering": { ...rig.values["tractor.steering"], choice } },
  };
}

const point = (plan: DrawnRig, key: string) => plan.points.find((each) => each.key === key)!;

/** Metres from one point to another along the line of travel, off the drawing. */
const along = (plan: DrawnRig, from: string, to: string) =>
  (point(plan, from).y - point(plan, to).y) / plan.scale;

describe("every way a tool hangs", () => {
  it.each(ATTACHMENT_KEYS)("%s is to scale from above, where its readings put it", (attachment) => {
    const rig = rigOn(attachment);
    const plan = drawPlan(rig, SHEET);
    const points = rigPoints(rig);
    for (const to of ["receiver", "pin", "workFront"] as const)
      expect(along(plan, "axle", to), to).toBeCloseTo(points[to].x, 6);
    expect(along(plan, "pin", "workFront") > 0).toBe(isAhead(attachment));
  });

  it.each(ATTACHMENT_KEYS)(
    "%s is in one scale from the side, the ground below and travel to the right",
    (attachment) => {
      const rig = rigOn(attachment);
      const side = drawSide(rig, SHEET);
      const points = rigPoints(rig);
      const x = (key: string) => point(side, key).x / side.scale;
      for (const to of ["receiver", "pin"] as const)
        expect(x(to) - x("axle"), to).toBeCloseTo(points[to].x, 6);
      const up = (point(side, "workMid")?.y ?? 0) - point(side, "receiver").y;
      expect(up / side.scale).toBeCloseTo(2.94, 6);
    },
  );

  it.each(ATTACHMENT_KEYS)("%s has every letter once, on the sheet, from every side", (attachment) => {
    const rig = rigOn(attachment);
    for (const draw of [drawPlan, drawSide, drawRear]) {
      const { marks, width, height } = draw(rig, SHEET);
      const targets = marks.map(({ target }) => target);
      expect(new Set(targets).size).toBe(targets.length);
      for (const { letterAt, target } of marks) {
        expect(letterAt.x, target).toBeGreaterThan(0);
        expect(letterAt.x, target).toBeLessThan(width);
        expect(letterAt.y, target).toBeGreaterThan(0);
        expect(letterAt.y, target).toBeLessThan(height);
      }
    }
  });

  it("draws a pin for each implement ahead, and none where there is none", () => {
    const keys = (attachment: Attachment) => drawPlan(rigOn(attachment), SHEET).points.map(({ key }) => key);
    expect(keys("drawn")).not.toContain("leadPin");
    expect(keys("train")).toContain("leadPin");
    expect(keys("train")).not.toContain("midPin");
    expect(keys("third")).toEqual(expect.arrayContaining(["leadPin", "midPin"]));
    for (const attachment of ATTACHMENT_KEYS.filter((each) => !isTrain(each)))
      expect(keys(attachment)).not.toContain("midPin");
  });
});

describe("how the machine steers", () => {
  it("shows the joint of a frame that bends, the middle of tracks, and neither of a tractor with front wheels", () => {
    const keys = (choice: string) =>
      drawPlan(
        steering(rigOn("drawn", { "tractor.joint": 1.5, "tractor.turn": 1.1 }), choice),
        SHEET,
      ).points.map(({ key }) => key);
    expect(keys("front wheels")).not.toEqual(expect.arrayContaining(["joint"]));
    expect(keys("front wheels")).not.toContain("turn");
    expect(keys("articulated")).toContain("joint");
    expect(keys("articulated")).not.toContain("turn");
    expect(keys("tracks")).toContain("turn");
    expect(keys("tracks")).not.toContain("joint");
  });

  it("brackets the tracks' middle from the drive axle, to scale", () => {
    const tracked = steering(rigOn("drawn", { "tractor.turn": 1.1 }), "tracks");
    expect(along(drawPlan(tracked, SHEET), "axle", "turn")).toBeCloseTo(1.1, 6);
  });

  it("has wheels all alike under a jointed tractor, and a track in the place of wheels", () => {
    const tyres = (choice: string) =>
      drawSide(steering(rigOn("drawn"), choice), SHEET).blocks.filter(({ role }) => role === "tyre");
    const heights = (choice: string) => tyres(choice).map(({ h }) => Math.round(h));
    expect(new Set(heights("articulated")).size).toBe(1);
    expect(new Set(heights("front wheels")).size).toBe(2);
    expect(tyres("tracks")).toHaveLength(3);
    expect(tyres("tracks").some(({ w, h }) => w > 1.5 * h)).toBe(true);
  });
});

describe("a train seen from the tool in the middle", () => {
  const middle = rigOn("train");
  const plan = drawPlan(middle, { ...SHEET, others: [rigOn("drawn"), rigOn("third")] });

  it("has what was worked under every tool, never over one", () => {
    const roles = plan.blocks.map(({ role }) => role);
    const lastSoil = roles.lastIndexOf("soil");
    expect(lastSoil).toBeGreaterThanOrEqual(0);
    expect(roles.slice(0, lastSoil + 1).every((role) => role === "soil")).toBe(true);
  });

  it("takes in the whole of it, first wheel to last rank", () => {
    for (const { y, h, role } of plan.blocks.filter((block) => block.role !== "soil")) {
      expect(y, role).toBeGreaterThan(-1);
      expect(y + h, role).toBeLessThan(plan.height + 1);
    }
  });
});
