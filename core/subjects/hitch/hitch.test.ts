import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  carried,
  type Linkage,
  liftShare,
  type Pose,
  pitchPerMetre,
  poseAt,
  poseAtHeight,
  sideLength,
  stroke,
  topLinkFor,
  turnsFor,
} from "../../linkage/linkage.ts";
import { frameSlope } from "./drawbar-level.ts";
import { alongLength, crossingAhead, lean, shaftTurn } from "./plan-view.ts";

const LINKAGE: Linkage = {
  lowerPivot: { x: 0.08, z: 0.52 },
  upperPivot: { x: 0.21, z: 1.02 },
  lowerLink: 0.93,
  topLink: 0.71,
  pivotSpacing: 0.51,
  span: 0.825,
  mast: 0.61,
  setback: 0.05,
};

const linkages = fc
  .record({
    topLink: fc.double({ min: 0.6, max: 0.85, noNaN: true }),
    mast: fc.double({ min: 0.46, max: 0.7, noNaN: true }),
    setback: fc.double({ min: -0.05, max: 0.15, noNaN: true }),
    lowerLink: fc.double({ min: 0.8, max: 1.05, noNaN: true }),
    up: fc.double({ min: 0.4, max: 0.6, noNaN: true }),
    back: fc.double({ min: 0, max: 0.25, noNaN: true }),
  })
  .map(
    ({ topLink, mast, setback, lowerLink, up, back }): Linkage => ({
      ...LINKAGE,
      topLink,
      mast,
      setback,
      lowerLink,
      upperPivot: { x: LINKAGE.lowerPivot.x + back, z: LINKAGE.lowerPivot.z + up },
    }),
  );

const angles = fc.double({ min: -0.45, max: 0.55, noNaN: true });

const posed = (linkage: Linkage, angle: number): Pose | null => {
  const answer = poseAt(linkage, angle);
  return answer.ok ? answer.pose : null;
};

/** The pitch by Newton's method on the one unknown, the mast's lean: another road to the same triangle. */
function pitchByNewton(linkage: Linkage, angle: number, from: number): number {
  const side = sideLength(linkage)!;
  const ball = {
    x: linkage.lowerPivot.x + side * Math.cos(angle),
    z: linkage.lowerPivot.z + side * Math.sin(angle),
  };
  const off = (pitch: number) => {
    const x = ball.x + linkage.mast * Math.sin(pitch) + linkage.setback * Math.cos(pitch);
    const z = ball.z + linkage.mast * Math.cos(pitch) - linkage.setback * Math.sin(pitch);
    return Math.hypot(x - linkage.upperPivot.x, z - linkage.upperPivot.z) - linkage.topLink;
  };
  let pitch = from;
  for (let step = 0; step < 50; step++)
    pitch -= off(pitch) / ((off(pitch + 1e-6) - off(pitch - 1e-6)) / 2e-6);
  return pitch;
}

describe("the linkage in side view", () => {
  it("agrees with an independent numerical solution", () => {
    fc.assert(
      fc.property(linkages, angles, (linkage, angle) => {
        const pose = posed(linkage, angle);
        fc.pre(pose !== null && Math.abs(1 / pitchPerMetre(pose, linkage)) > 0.1);
        expect(pitchByNewton(linkage, angle, pose!.pitch + 0.02)).toBeCloseTo(pose!.pitch, 8);
      }),
    );
  });

  it("turns about the virtual hitch point: the instantaneous centre of a small motion", () => {
    fc.assert(
      fc.property(linkages, angles, (linkage, angle) => {
        const step = 1e-5;
        const [pose, before, after] = [
          posed(linkage, angle),
          posed(linkage, angle - step),
          posed(linkage, angle + step),
        ];
        fc.pre(pose !== null && before !== null && after !== null && pose.virtual !== null);
        fc.pre(Math.hypot(pose!.virtual!.x, pose!.virtual!.z) < 20);
        const turned = after!.pitch - before!.pitch;
        // A point at rest keeps its place: v + ω × r = 0, with pitch turning from z towards x.
        const centre = {
          x: pose!.ball.x + (after!.ball.z - before!.ball.z) / turned,
          z: pose!.ball.z - (after!.ball.x - before!.ball.x) / turned,
        };
        const scale = Math.max(1, Math.hypot(pose!.virtual!.x, pose!.virtual!.z));
        expect(Math.abs(centre.x - pose!.virtual!.x) / scale).toBeLessThan(1e-3);
        expect(Math.abs(centre.z - pose!.virtual!.z) / scale).toBeLessThan(1e-3);
      }),
    );
  });

  it("keeps the links' lengths, and pitches without a jump through the stroke", () => {
    fc.assert(
      fc.property(linkages, (linkage) => {
        const poses = stroke(linkage, 0.25, 0.85, 200);
        for (const { ball, upper } of poses) {
          expect(Math.hypot(upper.x - linkage.upperPivot.x, upper.z - linkage.upperPivot.z)).toBeCloseTo(
            linkage.topLink,
            9,
          );
          expect(Math.hypot(upper.x - ball.x, upper.z - ball.z)).toBeCloseTo(
            Math.hypot(linkage.mast, linkage.setback),
            9,
          );
        }
        for (const [index, { pitch, angle }] of poses.entries()) {
          const next = poses[index + 1];
          if (next && next.angle - angle < 0.01) expect(Math.abs(next.pitch - pitch)).toBeLessThan(0.1);
        }
      }),
    );
  });

  it("says by how much a top link is too short or too long for its triangle", () => {
    expect(poseAt({ ...LINKAGE, topLink: 0.05 }, 0)).toMatchObject({ ok: false, reason: "too short" });
    const long = poseAt({ ...LINKAGE, topLink: 2 }, 0);
    expect(long).toMatchObject({ ok: false, reason: "too long" });
    if (!long.ok) expect(poseAt({ ...LINKAGE, topLink: 2 - long.by - 1e-9 }, 0).ok).toBe(true);
    expect(poseAt({ ...LINKAGE, span: 2.6 }, 0)).toMatchObject({ ok: false, reason: "lower links" });
    expect(poseAtHeight(LINKAGE, 3)).toMatchObject({ ok: false, reason: "lower links" });
    expect(stroke(LINKAGE, 0.3, 3)).toEqual([]);
  });

  it("finds the top link for a wanted pitch, which then gives that pitch", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.35, max: 0.7, noNaN: true }),
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        (height, pitch) => {
          const topLink = topLinkFor(LINKAGE, height, pitch)!;
          const pose = poseAtHeight({ ...LINKAGE, topLink }, height);
          expect(pose.ok && pose.pose.pitch).toBeCloseTo(pitch, 9);
        },
      ),
    );
  });

  it("turns by dt over the arm, as a small change of the top link shows", () => {
    const at = (topLink: number) => {
      const pose = poseAtHeight({ ...LINKAGE, topLink }, 0.5);
      return pose.ok ? pose.pose : expect.fail("does not close");
    };
    const change = (at(0.7101).pitch - at(0.7099).pitch) / 0.0002;
    expect(Math.abs(change)).toBeCloseTo(pitchPerMetre(at(0.71), LINKAGE), 4);
    // a longer top link pushes the mast away from the tractor: nose up
    expect(change).toBeGreaterThan(0);
  });

  it("counts opposite threads twice", () => {
    expect(turnsFor(0.024, { pitch: 0.004, opposite: false })).toEqual({ turns: 6, direction: "longer" });
    expect(turnsFor(-0.024, { pitch: 0.004, opposite: true })).toEqual({ turns: 3, direction: "shorter" });
    expect(turnsFor(0, { pitch: 0.004, opposite: true }).direction).toBeNull();
  });

  it("carries a point of the implement without changing its distance from the ball", () => {
    const pose = posed(LINKAGE, 0.3)!;
    const tail = carried(pose, { back: 1.9, up: -0.4 });
    expect(Math.hypot(tail.x - pose.ball.x, tail.z - pose.ball.z)).toBeCloseTo(Math.hypot(1.9, 0.4), 9);
    const level = { ...pose, pitch: 0 };
    expect(carried(level, { back: 1.9, up: -0.4 })).toEqual({
      x: pose.ball.x + 1.9,
      z: pose.ball.z - 0.4,
    });
  });

  it("holds the same at any point of a parallelogram, and at the link ends of any linkage", () => {
    const parallel: Linkage = {
      ...LINKAGE,
      upperPivot: { x: LINKAGE.lowerPivot.x, z: LINKAGE.lowerPivot.z + 0.5 },
      mast: 0.5,
      setback: 0,
      topLink: sideLength(LINKAGE)!,
    };
    expect(liftShare(parallel, 0.1, { back: 1.2, up: 0 })).toBeCloseTo(1, 4);
    expect(liftShare(LINKAGE, 0.1, { back: 0, up: 0 })).toBeCloseTo(1, 6);
  });

  it("does at a point behind the work it does at the link ends", () => {
    const point = { back: 0.61, up: 0.2 };
    const share = liftShare(LINKAGE, 0.15, point)!;
    const [low, high] = [posed(LINKAGE, 0.1499)!, posed(LINKAGE, 0.1501)!];
    const rise = carried(high, point).z - carried(low, point).z;
    expect(share * rise).toBeCloseTo(high.ball.z - low.ball.z, 9);
  });
});

describe("the links in plan view", () => {
  it("cross where the textbook example says: 2.321 m ahead of the hitch line", () => {
    const links = { pivotSpacing: 0.52, span: 0.87, lowerLink: 0.95, angle: 0 };
    expect(alongLength(links)).toBeCloseTo(0.934, 3);
    expect(crossingAhead(links)).toBeCloseTo(2.321, 3);
  });

  it("cross where two straight lines do", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 0.6, noNaN: true }),
        fc.double({ min: 0.65, max: 1.1, noNaN: true }),
        fc.double({ min: 0.8, max: 1.1, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (pivotSpacing, span, lowerLink, angle) => {
          const links = { pivotSpacing, span, lowerLink, angle };
          const along = alongLength(links)!;
          const ahead = crossingAhead(links)!;
          // half the span shrinks evenly from the balls (0) to the pivots (along), to nothing at the crossing
          expect(span / 2 - ((span - pivotSpacing) / 2 / along) * ahead).toBeCloseTo(0, 9);
          // In space: from the pivot along, to the side and up by the slope seen from the side, as long as the link.
          const up = along * Math.tan(angle);
          expect(Math.hypot(along, (span - pivotSpacing) / 2, up)).toBeCloseTo(lowerLink, 9);
        },
      ),
    );
  });

  it("have no crossing while parallel, and one behind while narrowing", () => {
    const links = { pivotSpacing: 0.52, span: 0.52, lowerLink: 0.95, angle: 0 };
    expect(crossingAhead(links)).toBeNull();
    expect(crossingAhead({ ...links, span: 0.4 })).toBeLessThan(0);
    expect(crossingAhead({ ...links, span: 3 })).toBeNull();
  });

  it("make the tool lean to the longer lift rod, and turn to the longer link", () => {
    expect(lean(0.73, 0.74, 0.825, 1.6)).toBeCloseTo(Math.atan(0.016 / 0.825));
    expect(lean(0.73, 0.73, 0.825, 1.6)).toBe(0);
    expect(shaftTurn(0.94, 0.93, 0.825)).toBeGreaterThan(0);
  });
});

it("a drawn frame rises to a pin higher than its level eye", () => {
  expect((frameSlope(0.55, 0.5, 4) * 180) / Math.PI).toBeCloseTo(0.716, 3);
  expect(frameSlope(0.45, 0.5, 4)).toBeLessThan(0);
});
