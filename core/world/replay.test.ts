import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drive } from "./drive.ts";
import { histogramOf, jointFigures, jointsOf } from "./joints.ts";
import { outcomeOf } from "./outcome.ts";
import { mainHeading, type Recorded, replay } from "./replay.ts";
import { antennaFrom, type WorldRig } from "./rig.ts";
import { sampleDrive, sampleRig } from "./sample.ts";

const FIELD = [
  [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 60, y: 90 },
    { x: 0, y: 90 },
  ],
];

const aside = (by: number): WorldRig => {
  const rig = sampleRig();
  return { ...rig, work: { ...rig.work, right: rig.work.right + by } };
};

/** A drive as its receiver would have recorded it. */
function recordedOf(truth: WorldRig, told: boolean) {
  const asked = sampleDrive({ truth, believed: sampleRig() }, { field: FIELD, rounds: 0 });
  const driven = drive(asked);
  const recorded = driven.rows.map((row): Recorded => {
    const antenna = antennaFrom(truth, row.truth.headings[0]!, row.truth.bent);
    return {
      east: row.truth.y + antenna.y,
      north: row.truth.x + antenna.x,
      seconds: row.seconds,
      working: told ? row.open.truth.includes(true) : null,
    };
  });
  return { asked, driven, recorded };
}

describe("a drive driven again from its log", () => {
  it("works the ground it worked, where the log says when", () => {
    const truth = aside(0.2);
    const { asked, driven, recorded } = recordedOf(truth, true);
    const again = replay(recorded, { truth, believed: sampleRig() });
    const measure = (of: typeof driven) => outcomeOf(of, { field: FIELD, box: asked.box, cell: 0.1 });
    const [was, is] = [measure(driven), measure(again)];
    expect(again.taken).toBe(0);
    for (const key of ["once", "inside", "left"] as const)
      expect(Math.abs(is.truth[key] - was.truth[key])).toBeLessThan(0.012 * was.field);
    const [before, after] = [driven, again].map((of) => jointFigures(jointsOf(of, "truth", 0))!.after);
    expect(after!.up).toBeCloseTo(before!.up, 2);
    expect(after!.down).toBeCloseTo(before!.down, 2);
    expect(after!.up).toBeCloseTo(-0.4, 2);
  });

  it("takes straight stretches for passes where the log does not say, and tells so", () => {
    const { recorded } = recordedOf(sampleRig(), false);
    const again = replay(recorded, { truth: aside(0.15), believed: sampleRig() });
    expect(again.told).toBe(0);
    expect(again.taken).toBeGreaterThan(500);
    const joints = jointsOf(again, "truth", mainHeading(recorded));
    const figures = jointFigures(joints)!;
    expect(Math.abs(figures.after.up - figures.after.down)).toBeGreaterThan(0.55);
    expect(Math.abs(figures.after.up - figures.after.down)).toBeLessThan(0.65);
    const bins = histogramOf(joints, 0.02);
    expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(joints.length);
    // Two heaps, nothing between them: lapped by 30 cm, open by 30 cm.
    expect(bins.filter(({ gap, count }) => Math.abs(gap) < 0.1 && count > 0.02 * joints.length)).toEqual([]);
  });

  it("finds the way most of it went, and refuses what is no drive", () => {
    const line = (heading: number) =>
      Array.from({ length: 40 }, (_, at) => ({
        east: 3 * at * Math.sin(heading),
        north: 3 * at * Math.cos(heading),
        seconds: at,
        working: true,
      }));
    for (const heading of [0.2, -0.9, 1.4]) expect(mainHeading(line(heading))).toBeCloseTo(heading, 9);
    expect(() => replay(line(1).slice(0, 1), { truth: sampleRig(), believed: sampleRig() })).toThrow(
      RangeError,
    );
  });

  it("makes figures of anything that was recorded", () => {
    const point = fc.record({
      east: fc.double({ min: -500, max: 500, noNaN: true }),
      north: fc.double({ min: -500, max: 500, noNaN: true }),
      working: fc.constantFrom(true, false, null),
    });
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 40 }), (points) => {
        const recorded = points.map((each, seconds) => ({ ...each, seconds }));
        const moves = recorded
          .slice(1)
          .some(({ east, north }) => Math.hypot(east - points[0]!.east, north - points[0]!.north) >= 1);
        if (!moves) return;
        for (const { truth, believed } of replay(recorded, { truth: aside(0.1), believed: sampleRig() }).rows)
          for (const figure of [truth.x, truth.y, ...truth.headings, believed.x, ...believed.headings])
            expect(Number.isFinite(figure)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});
