import geographiclib from "geographiclib-geodesic";
import { describe, expect, it } from "vitest";
import { placeAt } from "../geodesy/degrees.ts";
import { fellWithin, movedBy, rightOf, together } from "./base.ts";

const { WGS84 } = geographiclib.Geodesic;

describe("a base that had moved", () => {
  it("moves a record from where the mark was shown to where it is (GeographicLib)", () => {
    const [mark, shown] = [
      [51.7203411, 14.0912234],
      [51.7203389, 14.0912281],
    ] as const;
    const { east, north, distance, heading } = movedBy(placeAt(...mark), placeAt(...shown));
    const wanted = WGS84.Inverse(shown[0], shown[1], mark[0], mark[1]);
    expect(distance).toBeCloseTo(wanted.s12!, 4);
    expect((heading * 180) / Math.PI).toBeCloseTo((wanted.azi1! + 360) % 360, 3);
    // A second of latitude is about 30.9 m: 2.2 millionths of a degree are 24 cm.
    expect(north).toBeCloseTo(0.245, 2);
    expect(east).toBeLessThan(0);
    const back = WGS84.Direct(
      shown[0],
      shown[1],
      (Math.atan2(east, north) * 180) / Math.PI,
      Math.hypot(east, north),
    );
    expect(back.lat2).toBeCloseTo(mark[0], 9);
    expect(back.lon2).toBeCloseTo(mark[1], 9);
  });

  it("moves a line to the right of one way of travel, and as far to the left of the other", () => {
    const east = { east: 0.3, north: 0, distance: 0.3, heading: Math.PI / 2 };
    expect(rightOf(east, 0)).toBeCloseTo(0.3, 12);
    expect(rightOf(east, Math.PI)).toBeCloseTo(-0.3, 12);
    expect(rightOf(east, Math.PI / 2)).toBeCloseTo(0, 12);
  });

  it("adds up where two had", () => {
    const one = { east: 0.3, north: 0, distance: 0.3, heading: Math.PI / 2 };
    const two = { east: 0, north: 0.4, distance: 0.4, heading: 0 };
    expect(together([one, two]).distance).toBeCloseTo(0.5, 12);
  });

  it("counts for work that fell within its days, says where a part did, and of work not ended goes by its beginning", () => {
    const spell = { since: "2026-04-01T00:00:00.000Z", until: "2026-04-03T00:00:00.000Z" };
    const of = (begun: string, ended: string | null) =>
      fellWithin(spell, `2026-04-${begun}:00.000Z`, ended && `2026-04-${ended}:00.000Z`);
    expect(of("01T08:00", "01T17:00")).toBe("all");
    expect(of("02T20:00", "03T02:00")).toBe("part");
    expect(of("03T00:00", "03T02:00")).toBe("none");
    expect(of("02T20:00", null)).toBe("all");
    expect(fellWithin({ ...spell, until: null }, "2026-07-01T08:00:00.000Z", null)).toBe("all");
    expect(fellWithin(spell, "2026-03-30T08:00:00.000Z", "2026-03-31T08:00:00.000Z")).toBe("none");
    expect(fellWithin(spell, "2026-03-31T08:00:00.000Z", "2026-04-01T08:00:00.000Z")).toBe("part");
  });
});
