import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tramlines } from "./tramlines.ts";

const DRILL = { width: 3, rows: 24, rowSpacing: 0.125 };
const SPRAYER = { width: 15, track: 1.8, tyre: 0.1 };

/** Where the middles of shut rows lie from the field's edge, pass by pass over the ground, to and fro. */
function marks(drill: typeof DRILL, found: ReturnType<typeof tramlines>, passes: number): number[] {
  if (found.kind === "none") return [];
  const begins = found.kind === "even half" ? -drill.width / 2 : 0;
  return Array.from({ length: passes }, (_, at) => at + 1)
    .flatMap((pass) => {
      const own = found.shut.find((each) => (pass - each.pass) % found.period === 0 && pass >= each.pass);
      // Rows are counted from the left of the way of travel: out and back are mirrored.
      const sense = pass % 2 === 1 ? 1 : -1;
      const middle = begins + (pass - 0.5) * drill.width;
      return (own?.rows ?? []).map((row) => middle + sense * (row - (drill.rows + 1) / 2) * drill.rowSpacing);
    })
    .sort((a, b) => a - b);
}

describe("tramlines", () => {
  it("fall in the middle of every n-th pass where the boom is an odd number of drills", () => {
    // By hand: 15 m are five drills; pass 3, 8, 13; wheels 0.9 m either side, rows 12.5 ± 7.2 → 5 and 20.
    const found = tramlines(DRILL, SPRAYER, "joint");
    expect(found).toMatchObject({ kind: "odd", times: 5, period: 5, firstTrack: 7.5 });
    expect(found.kind !== "none" && found.shut).toEqual([{ pass: 3, rows: [5, 20] }]);
    expect(found.kind !== "none" && found.off).toBeCloseTo(0.0375, 6);
    // The middle of pass 3 lies where the boom's first track does.
    expect((3 - 0.5) * 3).toBe(7.5);
  });

  it("fall on a joint where it is an even number, or in a pass after half a drill along the edge", () => {
    const joint = tramlines(DRILL, { ...SPRAYER, width: 12 }, "joint");
    // The joint behind pass 2 lies 6 m from the edge. Pass 2 comes back: the joint is on its left, 0.9 m in from row 1.
    expect(joint).toMatchObject({ kind: "even joint", times: 4, firstTrack: 6 });
    expect(joint.kind !== "none" && joint.shut.map(({ pass, rows }) => [pass, rows])).toEqual([
      [2, [8]],
      [3, [8]],
    ]);
    const half = tramlines(DRILL, { ...SPRAYER, width: 12 }, "half");
    expect(half).toMatchObject({ kind: "even half", firstTrack: 6 });
    expect(half.kind !== "none" && half.shut).toEqual([{ pass: 3, rows: [5, 20] }]);
    // Half a drill: pass 3 has its middle at 2.5 · 3 − 1.5 = 6 m.
    expect(2.5 * 3 - 1.5).toBe(6);
  });

  it("shut as many rows as lie under a wide tyre", () => {
    const found = tramlines(DRILL, { ...SPRAYER, tyre: 0.4 }, "joint");
    expect(found.kind !== "none" && found.shut[0]!.rows).toEqual([4, 5, 6, 19, 20, 21]);
  });

  it("are none where the widths do not go into each other, and say what boom would", () => {
    expect(tramlines(DRILL, { ...SPRAYER, width: 16 }, "joint")).toMatchObject({
      kind: "none",
      why: "no whole number",
      nearest: 15,
    });
    expect(tramlines(DRILL, { ...SPRAYER, width: 2 }, "joint")).toMatchObject({
      why: "narrower than the drill",
    });
  });

  it("lie at the sprayer's wheels over the whole field, within half a row", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 16, max: 48 }),
        fc.double({ min: 1.5, max: 2.25, noNaN: true }),
        fc.constantFrom("half" as const, "joint" as const),
        (n, rows, track, school) => {
          const drill = { width: rows * 0.125, rows, rowSpacing: 0.125 };
          const sprayer = { width: n * drill.width, track, tyre: 0.05 };
          fc.pre(track < drill.width);
          const found = tramlines(drill, sprayer, school);
          if (found.kind === "none") throw new Error("none");
          const passes = 3 * n;
          const wheels = Array.from({ length: 3 }, (_, at) => (at + 0.5) * sprayer.width).flatMap(
            (middle) => [middle - track / 2, middle + track / 2],
          );
          const shut = marks(drill, found, passes);
          for (const wheel of wheels.filter((each) => each < passes * drill.width - drill.width))
            expect(Math.min(...shut.map((mark) => Math.abs(mark - wheel)))).toBeLessThanOrEqual(0.0626);
        },
      ),
      { numRuns: 200 },
    );
  });
});
