import { expect, it } from "vitest";
import { placeAt } from "../../core/geodesy/degrees.ts";
import { writeAmounts } from "./amounts.ts";

it("is a square each, closed and anticlockwise, with what lies on it: twice over at 200 l a hectare is 400", () => {
  const square = { west: 0, south: 0, side: 10, passed: 2 };
  const read = JSON.parse(writeAmounts([square], placeAt(52, 9), { rate: 0.2 / 10_000, of: "l" }));
  const [feature] = read.features;
  expect(feature.properties).toEqual({ passed_over: 2, l_per_ha: 400 });
  const ring = feature.geometry.coordinates[0] as [number, number][];
  expect(ring).toHaveLength(5);
  expect(ring[0]).toEqual(ring[4]);
  const turns = ring.slice(1).reduce((sum, [x, y], at) => sum + ring[at]![0] * y - x * ring[at]![1], 0);
  expect(turns).toBeGreaterThan(0);
  // Ten metres of latitude are 9e-5 degrees.
  expect(ring[2]![1] - ring[1]![1]).toBeCloseTo(10 / 111_270, 6);
  expect(
    JSON.parse(writeAmounts([square], placeAt(52, 9), { rate: null, of: "kg" })).features[0].properties,
  ).toEqual({
    passed_over: 2,
  });
});
