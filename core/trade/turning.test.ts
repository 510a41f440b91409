import fc from "fast-check";
import Coordinate from "jsts/org/locationtech/jts/geom/Coordinate.js";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import DistanceOp from "jsts/org/locationtech/jts/operation/distance/DistanceOp.js";
import { describe, expect, it } from "vitest";
import { between, type Outline } from "../motion/between.ts";
import { placed } from "../motion/train.ts";
import {
  bendUpTo,
  drawbarOutline,
  hoseWay,
  shaftBent,
  shaftLimits,
  tyreClear,
  tyreOutline,
} from "./turning.ts";

const DEGREE = Math.PI / 180;
const factory = new GeometryFactory();
const polygon = (outline: Outline) =>
  factory.createPolygon([...outline, outline[0]!].map(({ x, y }) => new Coordinate(x, y)));

const widths = fc.double({ min: 0.05, max: 0.6, noNaN: true });
const drawbars = fc.record({
  width: widths,
  length: fc.double({ min: 0.3, max: 4, noNaN: true }),
  shoulder: fc.double({ min: 0.6, max: 3.2, noNaN: true }),
  shape: fc.constantFrom("even" as const, "v" as const),
});
const TYRE = { ahead: 1.05, reach: 0.92, inner: 0.62, outer: 1.27 };

describe("a drawbar beside a tyre", () => {
  it("is as far from it as another geometry library has it", () => {
    fc.assert(
      fc.property(drawbars, fc.double({ min: 0, max: 1.6, noNaN: true }), (drawbar, bend) => {
        const swung = drawbarOutline(drawbar).map((spot) => placed({ x: 0, y: 0 }, -bend, spot));
        const theirs = DistanceOp.distance(polygon(swung), polygon(tyreOutline(TYRE)));
        expect(tyreClear(drawbar, TYRE, bend)).toBeCloseTo(theirs, 9);
      }),
    );
  });

  it("meets it where its side reaches the tyre's inner rear corner", () => {
    // A bar 0.2 m wide and long: the corner lies 0.13 m ahead of the pin beside it, so only its side behind can reach; bent square it is free of the tyre.
    const long = { width: 0.2, length: 6, shoulder: 0.2, shape: "even" as const };
    const near = { ...TYRE, ahead: 0.5 };
    const corner = { x: 0.5 - 0.92, y: 0.62 };
    const bend = 40 * DEGREE;
    // Across the bar: the corner's distance from the line of its middle, less half its width.
    const across = Math.abs(corner.x * Math.sin(bend) + corner.y * Math.cos(bend));
    expect(tyreClear(long, near, bend)).toBeCloseTo(across - 0.1, 9);
    const free = bendUpTo((at) => tyreClear(long, near, at) >= 0.1)!;
    expect(tyreClear(long, near, free)).toBeCloseTo(0.1, 6);
  });

  it("lies in it, on it or free of it", () => {
    const box = (x: number, y: number, size: number) => [
      { x, y },
      { x: x + size, y },
      { x: x + size, y: y + size },
      { x, y: y + size },
    ];
    expect(between(box(0, 0, 5), box(1, 1, 1))).toBe(0);
    expect(between(box(1, 1, 1), box(0, 0, 5))).toBe(0);
    expect(between(box(0, 0, 2), box(1, 1, 2))).toBe(0);
    expect(between(box(0, 0, 1), box(4, 5, 1))).toBe(5);
  });

  it("says nothing of a bend where it is too near in line already", () => {
    expect(bendUpTo(() => false)).toBeNull();
    expect(bendUpTo(() => true, 1)).toBe(1);
  });
});

describe("a drive shaft in a turn", () => {
  it("bends half at either joint where the pin lies midway, and all bends add up", () => {
    const { ahead, behind, length } = shaftBent({ ahead: 0.4, behind: 0.4 }, 50 * DEGREE);
    expect(ahead).toBeCloseTo(25 * DEGREE, 12);
    expect(behind).toBeCloseTo(25 * DEGREE, 12);
    expect(length).toBeCloseTo(0.8 * Math.cos(25 * DEGREE), 12);
    fc.assert(
      fc.property(widths, widths, fc.double({ min: 0, max: 1.4, noNaN: true }), (one, other, bend) => {
        const bent = shaftBent({ ahead: one, behind: other }, bend);
        expect(bent.ahead + bent.behind).toBeCloseTo(bend, 12);
        // The law of sines: what lies nearer the pin bends more.
        expect(one * Math.sin(bent.ahead)).toBeCloseTo(other * Math.sin(bent.behind), 9);
      }),
    );
  });

  it("may bend 25° running and 45° for a moment, a wide joint 50°, or what its book says", () => {
    expect(shaftLimits("plain", null).ahead.running).toBeCloseTo(25 * DEGREE, 12);
    expect(shaftLimits("plain", null).behind.briefly).toBeCloseTo(45 * DEGREE, 12);
    expect(shaftLimits("wide ahead", null).ahead.running).toBeCloseTo(50 * DEGREE, 12);
    expect(shaftLimits("wide ahead", null).behind.running).toBeCloseTo(25 * DEGREE, 12);
    expect(shaftLimits("wide both", 70 * DEGREE).behind.running).toBeCloseTo(70 * DEGREE, 12);
  });
});

describe("hoses in a turn", () => {
  const place = { ahead: 0.5, aside: 0.4, above: 0.3, held: 1.2 };

  it("reach furthest where coupler, pin and holder lie in one line, the tool bent away from their side", () => {
    expect(hoseWay(place, 0)).toBeCloseTo(Math.hypot(1.7, 0.4, 0.3), 12);
    const line = Math.atan2(0.4, 0.5);
    expect(hoseWay(place, line)).toBeCloseTo(Math.hypot(Math.hypot(0.5, 0.4) + 1.2, 0.3), 12);
    // Bent further it comes nearer again, but it went through there.
    expect(hoseWay(place, Math.PI / 2)).toBeCloseTo(hoseWay(place, line), 12);
    expect(hoseWay({ ...place, aside: 0, ahead: 0.5 }, 1)).toBeCloseTo(Math.hypot(1.7, 0.3), 12);
  });

  it("never have less way than at a smaller bend", () => {
    const bends = fc.double({ min: 0, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(bends, bends, (one, other) => {
        expect(hoseWay(place, Math.max(one, other))).toBeGreaterThanOrEqual(
          hoseWay(place, Math.min(one, other)) - 1e-12,
        );
      }),
    );
  });
});
