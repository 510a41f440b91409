import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { placeAt } from "../../core/geodesy/degrees.ts";
import { anyPlace } from "../any-place.ts";
import { readGeoJson } from "./read.ts";
import { writeGeoJson } from "./write.ts";
import { readZones } from "./zones.ts";

const RING = [
  [10.7, 52.4],
  [10.71, 52.4],
  [10.71, 52.407],
  [10.7, 52.4],
];
const polygon = (coordinates: unknown, properties: unknown = { name: "Long Acre" }) => ({
  type: "Feature",
  properties,
  geometry: { type: "Polygon", coordinates },
});
const read = (json: unknown) => readGeoJson(typeof json === "string" ? json : JSON.stringify(json));
const given = (json: unknown) => {
  const answer = read(json);
  if (!answer.ok) throw new Error(answer.problem);
  return answer.given;
};
const problem = (json: unknown) => {
  const answer = read(json);
  if (!answer.ok) return answer.problem;
  const [of] = answer.given.places;
  return of?.problem ?? answer.given.notes[0] ?? null;
};

describe("reading GeoJSON", () => {
  it("takes names from its properties and closes no ring that is open", () => {
    const { places } = given({
      type: "FeatureCollection",
      features: [polygon([RING], { name: "Long Acre", client: "Weir & Sons", farm: "Lower Weir" })],
    });
    expect(places[0]).toMatchObject({
      field: "Long Acre",
      client: "Weir & Sons",
      farm: "Lower Weir",
      problem: null,
    });
    expect(places[0]!.boundary![0]!.outer).toHaveLength(3);
    expect(problem(polygon([RING.slice(0, 3).concat([[10.72, 52.4]])]))).toContain(
      "Long Acre, outline is not closed",
    );
  });

  it("names the place of what is wrong and still reads the fields beside it", () => {
    const bow = [RING[0]!, RING[1]!, [10.7, 52.407], [10.71, 52.407], RING[0]!];
    const { places } = given({
      type: "FeatureCollection",
      features: [polygon([bow], { name: "Bow" }), polygon([RING])],
    });
    expect(places[0]!.problem).toContain("crosses or touches itself");
    expect(places[1]!.problem).toBeNull();
    expect(problem(polygon([[RING[0]!, RING[1]!, RING[0]!]]))).toContain("3 positions");
    expect(problem(polygon([[["10.7", 52.4], ...RING.slice(1)]]))).toContain("corner 1 is no position");
    expect(problem(polygon(RING))).toContain("corner 1 is no position");
    expect(problem(polygon([RING.map(([x, y]) => [y!, x! + 90])]))).toContain("swapped");
  });

  it("refuses what is no GeoJSON, or of another system", () => {
    expect(problem("{")).toContain("no JSON");
    expect(problem([])).toContain("no GeoJSON");
    expect(problem({ type: "FeatureCollection", features: [] })).toContain("no feature");
    expect(
      problem({
        ...polygon([RING]),
        crs: { type: "name", properties: { name: "urn:ogc:def:crs:EPSG::25832" } },
      }),
    ).toContain("another system");
    expect(
      problem({
        ...polygon([RING]),
        crs: { type: "name", properties: { name: "urn:ogc:def:crs:OGC:1.3:CRS84" } },
      }),
    ).toBeNull();
    expect(problem(`{"type":"Feature","__proto__":{"geometry":1},"properties":null}`)).toContain(
      "no geometry",
    );
  });

  it("says what it leaves out", () => {
    expect(
      given({ type: "Feature", properties: {}, geometry: { type: "Point", coordinates: [10, 52] } }).notes,
    ).toEqual(["Feature 1 is a Point: left out, neither boundary nor line."]);
    expect(given({ type: "LineString", coordinates: [RING[0], [10.700001, 52.4]] }).notes[0]).toContain(
      "too short",
    );
  });
});

describe("GeoJSON there and back", () => {
  it("reads back what was written", () => {
    fc.assert(
      fc.property(anyPlace, (given) => {
        const answer = readGeoJson(writeGeoJson([given]));
        expect(answer).toEqual({ ok: true, given: { places: [{ ...given, problem: null }], notes: [] } });
      }),
      { numRuns: 80 },
    );
  });

  it("writes outlines anticlockwise and closed", () => {
    const outer = [placeAt(52.4, 10.7), placeAt(52.41, 10.7), placeAt(52.41, 10.71)];
    const json = JSON.parse(
      writeGeoJson([{ client: "", farm: "", field: "F", boundary: [{ outer, holes: [] }], lines: [] }]),
    );
    expect(json.features[0].geometry.coordinates[0]).toEqual([
      [10.71, 52.41],
      [10.7, 52.41],
      [10.7, 52.4],
      [10.71, 52.41],
    ]);
    expect(json.features[0].properties.area_ha).toBeCloseTo(37.86, 1);
  });

  it("never throws, whatever it is given", () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        expect(typeof readGeoJson(text).ok).toBe("boolean");
      }),
      { numRuns: 300 },
    );
  });
});

describe("reading zones of varieties", () => {
  const zones = (...features: unknown[]) =>
    readZones(JSON.stringify({ type: "FeatureCollection", features }), placeAt(52.4, 10.7));

  it("takes each polygon with its variety", () => {
    const read = zones(
      polygon([RING], { Variety: "Torvi" }),
      polygon([RING], { hybrid: "Brenka", name: "North" }),
    );
    expect(read).toMatchObject({ ok: true, zones: [{ variety: "Torvi" }, { variety: "Brenka" }], left: [] });
  });

  it("tells what it leaves out, and refuses the whole of it where a zone has no variety or no area", () => {
    const line = { type: "Feature", properties: {}, geometry: { type: "Point", coordinates: [10.7, 52.4] } };
    expect(zones(polygon([RING], { variety: "Torvi" }), line)).toMatchObject({
      ok: true,
      left: [expect.any(String)],
    });
    expect(zones(polygon([RING], { variety: "Torvi" }), polygon([RING], { seed: 3 }))).toMatchObject({
      ok: false,
      problem: expect.stringContaining("Zone 2 names no variety"),
    });
    expect(zones(polygon([RING.slice(0, 3)], { variety: "Torvi" }))).toMatchObject({ ok: false });
    expect(zones()).toMatchObject({ ok: false });
    expect(zones(line)).toMatchObject({ ok: false, problem: expect.stringContaining("no zone") });
    expect(readZones("[", null)).toMatchObject({ ok: false });
  });

  it("says so where latitude and longitude are the wrong way round", () => {
    const swapped = RING.map(([east, north]) => [north!, east!]);
    expect(zones(polygon([swapped], { variety: "Torvi" }))).toMatchObject({ ok: false });
  });
});
