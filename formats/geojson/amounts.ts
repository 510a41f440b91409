/** Product by place as GeoJSON: a square each, with how often it was passed over, and what lies on it where a rate is known. */
import type { Square } from "../../core/coverage/amount.ts";
import { degreesOf } from "../../core/geodesy/degrees.ts";
import { fromPlane, type Geographic } from "../../core/geodesy/plane.ts";

/** `rate`: product for each m² passed over, in `of`; null where none is known. Squares lie east and north of the origin, metres. */
export function writeAmounts(
  squares: readonly Square[],
  origin: Geographic,
  { rate, of }: { rate: number | null; of: "kg" | "l" },
): string {
  const corner = (east: number, north: number) => {
    const { latitude, longitude } = fromPlane(origin, { east, north });
    return [degreesOf(longitude), degreesOf(latitude)];
  };
  // A volume is reckoned in cubic metres and told in litres.
  const each = rate === null ? null : rate * (of === "l" ? 1000 : 1);
  const features = squares.map(({ west, south, side, passed }) => ({
    type: "Feature",
    properties: {
      passed_over: Math.round(passed * 1000) / 1000,
      ...(each === null ? {} : { [`${of}_per_ha`]: Math.round(passed * each * 10_000 * 100) / 100 }),
    },
    geometry: {
      type: "Polygon",
      coordinates: [
        [
          corner(west, south),
          corner(west + side, south),
          corner(west + side, south + side),
          corner(west, south + side),
          corner(west, south),
        ],
      ],
    },
  }));
  return JSON.stringify({ type: "FeatureCollection", features });
}
