import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { NO_GROUND } from "../../yard/ground.ts";
import { fitMap } from "./depth-map.ts";
import { foretoldPoints, movedAt } from "./foretold.ts";
import { groundOf } from "./ground-of-rig.ts";
import { sampleAdjuster, sampleTool } from "./guide/sample.ts";

const part = sampleTool("cultivator");
const effect = fc.record({
  front: fc.double({ min: -0.01, max: 0.01, noNaN: true }),
  rear: fc.double({ min: -0.01, max: 0.01, noNaN: true }),
  across: fc.double({ min: -0.01, max: 0.01, noNaN: true }),
});
const depth = fc.double({ min: 0.15, max: 0.3, noNaN: true });

describe("a map foretold", () => {
  it("moves the front, the rear and the sides by what was told of a step", () => {
    const told = { front: 0.01, rear: 0.002, across: 0.006 };
    const size = { long: 2, wide: 6 };
    expect(movedAt(told, { x: 1, y: 0 }, size)).toBeCloseTo(0.01, 12);
    expect(movedAt(told, { x: -1, y: 0 }, size)).toBeCloseTo(0.002, 12);
    expect(movedAt(told, { x: 0, y: 3 }, size) - movedAt(told, { x: 0, y: -3 }, size)).toBeCloseTo(0.006, 12);
    expect(movedAt(told, { x: 0.4, y: 0 }, { long: 0, wide: 6 })).toBeCloseTo(0.006, 12);
  });

  it("has the plane the advice leaves, whatever was dug and whatever the screws do", () => {
    fc.assert(
      fc.property(
        fc.array(depth, { minLength: 10, maxLength: 10 }),
        fc.array(effect, { minLength: 1, maxLength: 4 }),
        (depths, effects) => {
          const points = depths.map((each, at) => ({
            label: `${at}`,
            x: at < 5 ? 1 : -1,
            y: 6 * (((at % 5) + 0.5) / 5 - 0.5),
            depth: each,
          }));
          const adjusters = effects.map((each, at) =>
            sampleAdjuster(at + 1, `Screw ${at}`, { effect: each }),
          );
          const map = {
            id: "m",
            field: "",
            wanted: 0.22,
            points,
            settings: new Map(),
            person: "Mira",
            at: "2026-06-01T08:00:00.000Z",
          };
          const [of] = groundOf({ parts: [part], ground: [{ ...NO_GROUND, adjusters, map }] });
          const foretold = foretoldPoints(of!);
          expect(foretold).toHaveLength(of!.advice!.turns.length === 0 ? 0 : 10);
          if (foretold.length === 0) return;
          const fit = fitMap(foretold)!;
          const left = Object.fromEntries(of!.advice!.left.map(({ key, off }) => [key, off]));
          expect(fit.depth - 0.22).toBeCloseTo(left.depth!, 9);
          expect(fit.fore! * of!.long).toBeCloseTo(left.fore!, 9);
          expect(fit.right! * of!.wide).toBeCloseTo(left.across!, 9);
        },
      ),
      { numRuns: 80 },
    );
  });
});
