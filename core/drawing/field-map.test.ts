import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import { between } from "../geodesy/ellipsoid.ts";
import { unflatten } from "../geodesy/flat.ts";
import { PRESETS } from "../quantity/units.ts";
import { fitOf, mapOf, scaleBar } from "./field-map.ts";

const HERE = placeAt(52.4, 10.7);
const at = (east: number, north: number) => unflatten(HERE, { east, north });
const square = (east: number, side: number) => [
  { outer: [at(east, 0), at(east + side, 0), at(east + side, side), at(east, side)], holes: [] },
];

describe("fields seen from above", () => {
  it("are to scale both ways, north up, on the sheet", () => {
    const corners = [at(0, 0), at(800, 0), at(800, 300)];
    const fit = fitOf(corners, { width: 500, height: 400 });
    const pixels = Math.hypot(
      fit.x(corners[0]!) - fit.x(corners[2]!),
      fit.y(corners[0]!) - fit.y(corners[2]!),
    );
    expect((pixels * fit.metres) / between(corners[0]!, corners[2]!).distance).toBeCloseTo(1, 2);
    expect(fit.y(corners[2]!)).toBeLessThan(fit.y(corners[1]!));
    for (const each of corners) {
      expect(fit.x(each)).toBeGreaterThanOrEqual(15.9);
      expect(fit.x(each)).toBeLessThanOrEqual(484.1);
    }
  });

  it("have a bar of a round length that fits", () => {
    const fit = { ...fitOf([at(0, 0), at(800, 0)], { width: 432, height: 400 }) };
    expect(fit.metres).toBeCloseTo(2, 3);
    expect(scaleBar(fit, PRESETS.metric)).toMatchObject({ label: "200 m" });
    expect(scaleBar(fit, PRESETS.metric).pixels).toBeCloseTo(100, 1);
    expect(scaleBar(fit, PRESETS.us).label).toBe("500 ft");
  });

  it("are named where the name has room, and only there", () => {
    const { fields } = mapOf(
      [
        { id: 1, name: "Long Acre", boundary: square(0, 400) },
        { id: 2, name: "A garden with a very long name", boundary: square(450, 40) },
      ],
      { width: 500, height: 400 },
    )!;
    expect(fields.map(({ label }) => label?.text ?? null)).toEqual(["Long Acre", null]);
    expect(mapOf([], { width: 500, height: 400 })).toBeNull();
  });
});
