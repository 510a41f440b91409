import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { turnDepth, turnLength } from "../guidance/turning.ts";
import {
  type Asked,
  IN_LINE,
  leastRadius,
  outlinesAt,
  swingOut,
  type TurningRig,
  turnAtHeadland,
} from "./headland.ts";
import { steadyBend, wheelsOf } from "./train.ts";

const box = (front: number, rear: number, width: number, middle = 0) => [
  { x: front, y: middle - width / 2 },
  { x: front, y: middle + width / 2 },
  { x: rear, y: middle + width / 2 },
  { x: rear, y: middle - width / 2 },
];

/** A point on wheels with nothing on it, what works right under it. */
const POINT: TurningRig = {
  train: [],
  bodies: [{ outlines: [box(0, 0, 0)] }],
  works: [{ body: 0, rear: 0, front: 0, middle: 0 }],
};
const carried = (rear: number, width: number, middle = 0): TurningRig => ({
  train: [],
  bodies: [{ outlines: [box(4.2, -0.9, 2.4), box(rear + 0.8, rear, width, middle)] }],
  works: [{ body: 0, rear, front: rear + 0.8, middle }],
});
const drawn = (pivot: number, width: number): TurningRig => ({
  train: [{ behind: 0, hitch: 1.1, pivot }],
  bodies: [{ outlines: [box(4.2, -0.9, 2.4)] }, { outlines: [box(0.4, -0.6, width)] }],
  works: [{ body: 1, rear: -0.6, front: 0.4, middle: 0 }],
});
const asked = (over: Partial<Asked> = {}): Asked => ({ way: "round", apart: 6, radius: 6, hand: 1, ...over });

describe("a turn at the headland", () => {
  it("is as long and as deep as the arcs of a bulb have it where nothing stands on the machine", () => {
    for (const apart of [2, 6, 11.9, 12, 20]) {
      const { length, depth, before } = turnAtHeadland(POINT, asked({ apart }));
      expect(length).toBeCloseTo(turnLength(apart, 6), 6);
      expect(depth).toBeCloseTo(turnDepth(apart, 6), 2);
      expect(before).toBeCloseTo(0, 9);
    }
  });

  it("ends on the next pass, headed back, what works just going in, to either hand", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 24, noNaN: true }),
        fc.constantFrom(1 as const, -1 as const),
        fc.constantFrom(carried(-2.4, 6), carried(-2.4, 3, 0.7), drawn(4.4, 6)),
        (apart, hand, rig) => {
          const { poses } = turnAtHeadland(rig, asked({ apart, hand }));
          const last = poses.at(-1)!;
          const [work] = rig.works;
          const wheels = wheelsOf(rig.train, last)[work!.body]!;
          const heading = last.headings[work!.body]!;
          // Out by the middle of one pass, back by the middle of the next, wherever that is from the machine.
          const middle = wheels.y + work!.middle * Math.cos(heading) + work!.front * Math.sin(heading);
          expect(Math.abs(middle - (work!.middle + hand * apart))).toBeLessThan(IN_LINE + 0.02);
          expect(wheels.x + work!.front * Math.cos(heading)).toBeCloseTo(0, 1);
        },
      ),
      { numRuns: 40 },
    );
  });

  it("needs of what is carried: as far as its rear is behind, and the nose's circle", () => {
    // Half a circle: the nose's outer corner, 4.2 ahead and 1.2 outside, on √(7.2² + 4.2²) about a middle 2.4 out of the field.
    const { depth, before } = turnAtHeadland(carried(-2.4, 3), asked({ apart: 12 }));
    expect(depth).toBeCloseTo(2.4 + Math.hypot(7.2, 4.2), 2);
    expect(before).toBeCloseTo(0, 9);
  });

  it("is put further out where the work enters before it is in line", () => {
    const [short, long] = [drawn(3, 3), drawn(7.5, 3)].map((rig) =>
      turnAtHeadland(rig, asked({ apart: 12 })),
    );
    expect(long!.before).toBeGreaterThan(short!.before);
    expect(long!.depth).toBeGreaterThan(short!.depth);
    // The tractrix tells how far: its wheels stray Lt·sin ψ, and half of that half of it takes ln 2 of its length.
    const rig = drawn(7.5, 3);
    const strays = long!.poses
      .filter(({ headings }) => Math.abs(headings[0]! - Math.PI) < 1e-9)
      .map((pose) => ({ way: pose.x, off: Math.abs(wheelsOf(rig.train, pose)[1]!.y - 12) }));
    const [first, last] = [strays[0]!, strays.at(-1)!];
    expect(
      Math.log(Math.tan(Math.asin(first.off / 7.5) / 2) / Math.tan(Math.asin(last.off / 7.5) / 2)),
    ).toBeCloseTo((first.way - last.way) / 7.5, 3);
  });

  it("bends a drawbar less than a full circle of that radius does, and more the tighter it is", () => {
    const bends = [5.5, 7, 9].map((radius) => {
      const { bends: each } = turnAtHeadland(drawn(4.4, 6), asked({ radius, apart: 2 * radius }));
      expect(each[0]).toBeLessThan(steadyBend(radius, { hitch: 1.1, pivot: 4.4 }));
      return each[0]!;
    });
    expect(bends[0]).toBeGreaterThan(bends[1]!);
    expect(bends[1]).toBeGreaterThan(bends[2]!);
  });

  it("says that a tool folds up where it is drawn too tightly for too long", () => {
    expect(turnAtHeadland(drawn(4.4, 6), asked({ apart: 3 })).holds).toBe(true);
    expect(turnAtHeadland(drawn(9, 6), asked({ radius: 4, apart: 1 })).holds).toBe(false);
  });

  it("is half as deep backed as round a bulb, and as long as its two quarters and the way back", () => {
    const rig = carried(-2.4, 3);
    const backed = turnAtHeadland(rig, asked({ way: "backed", apart: 3 }));
    expect(backed.length).toBeCloseTo(Math.PI * 6 + 9 + 2.4 + 1.6, 6);
    expect(backed.depth).toBeLessThan(turnAtHeadland(rig, asked({ apart: 3 })).depth);
  });

  it("swings its outer rear corner out on the circle about the turn's middle", () => {
    expect(swingOut(carried(-2.4, 6), 6, 1)).toBeCloseTo(Math.hypot(9, 2.4) - 9, 3);
    expect(swingOut(carried(-2.4, 6, 0.5), 6, -1)).toBeCloseTo(Math.hypot(9.5, 2.4) - 9.5, 3);
    expect(swingOut(POINT, 6, 1)).toBeCloseTo(0, 12);
  });

  it("draws every outline where its body is", () => {
    const { poses } = turnAtHeadland(drawn(4.4, 6), asked());
    const outlines = outlinesAt(drawn(4.4, 6), poses[0]!);
    // The work's rear on the edge, its wheels 0.6 out, the pin 4.4 ahead of them, the axle 1.1 ahead of that.
    expect(Math.min(...outlines[1]!.map(({ x }) => x))).toBeCloseTo(0, 9);
    expect(Math.max(...outlines[0]!.map(({ x }) => x))).toBeCloseTo(0.6 + 4.4 + 1.1 + 4.2, 9);
  });

  it("finds the least radius at which something holds", () => {
    expect(leastRadius((radius) => radius >= 8.123, 6)).toBeCloseTo(8.123, 1);
    expect(leastRadius(() => true, 6)).toBe(6);
    expect(leastRadius(() => false, 6)).toBeNull();
  });
});
