import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { type GuidancePattern, ISOXMLManager, type Partfield } from "isoxml";
import { describe, expect, it } from "vitest";
import { placeAt } from "../../core/geodesy/degrees.ts";
import { sizeOf } from "../../core/place/boundary.ts";
import type { PlaceGiven } from "../../core/place/given.ts";
import { anyPlace } from "../any-place.ts";
import { FileProblem } from "./problem.ts";
import { placesOf } from "./read-places.ts";
import { openTaskData } from "./task-data.ts";
import { writePlaces } from "./write-places.ts";

const xml = (elements: string, version = "4") =>
  strToU8(
    `<?xml version="1.0"?><ISO11783_TaskData VersionMajor="${version}">${elements}</ISO11783_TaskData>`,
  );
const ring = (type: number, ...corners: [number, number][]) =>
  `<LSG A="${type}">${corners.map(([north, east]) => `<PNT A="2" C="${north}" D="${east}"/>`).join("")}</LSG>`;
const SQUARE = ring(1, [52.4, 10.7], [52.4, 10.71], [52.405, 10.71], [52.405, 10.7]);
const read = (elements: string) => placesOf(openTaskData(xml(elements)));
const refused = (elements: string) => {
  try {
    read(elements);
    return "read";
  } catch (error) {
    if (error instanceof FileProblem) return error.message;
    throw error;
  }
};

describe("fields in task data of other writers", () => {
  it("are read with client and farm, holes given to the outline they lie in", () => {
    const { places, notes } = read(`
      <CTR A="CTR1" B="Weir" C="Ola"/><FRM A="FRM1" B="Lower Weir" I="CTR1"/>
      <PFD A="PFD1" C="Long Acre" D="0" F="FRM1"><PLN A="1">${SQUARE}
        ${ring(1, [52.41, 10.7], [52.41, 10.71], [52.415, 10.71])}
        ${ring(2, [52.411, 10.703], [52.411, 10.707], [52.4125, 10.707])}</PLN>
        <PLN A="6"><LSG A="1"/></PLN><PLN A="6"/><PNT A="5" C="52.4" D="10.7"/></PFD>`);
    expect(places[0]).toMatchObject({
      client: "Ola Weir",
      farm: "Lower Weir",
      field: "Long Acre",
      problem: null,
    });
    expect(places[0]!.boundary!.map(({ holes }) => holes.length)).toEqual([0, 1]);
    expect(notes).toEqual(["Long Acre: obstacle (2), left out.", "Long Acre: 1 points, left out."]);
  });

  it("say where their own area is not that of the boundary", () => {
    const { notes } = read(`<PFD A="PFD1" C="F" D="500000"><PLN A="1">${SQUARE}</PLN></PFD>`);
    expect(notes[0]).toMatch(/F: the file says 50\.00 ha, its boundary encloses 37\.8\d ha/);
  });

  it("are refused by place where the boundary cannot be, and the rest still read", () => {
    const problem = (polygon: string) => {
      const [place] = read(`<PFD A="PFD1" C="F" D="0">${polygon}</PFD>`).places;
      return place!.problem;
    };
    expect(
      problem(`<PLN A="1">${ring(1, [52.4, 10.7], [52.405, 10.71], [52.4, 10.71], [52.405, 10.7])}</PLN>`),
    ).toContain("crosses or touches itself");
    expect(problem(`<PLN A="1">${ring(1, [120, 10.7], [120, 10.71], [120.1, 10.71])}</PLN>`)).toContain(
      "swapped",
    );
    expect(problem(`<PLN A="1"><LSG A="1"><PNT A="2" C="NaN" D="1"/></LSG></PLN>`)).toContain("no place");
    expect(problem(`<PLN A="1">${ring(2, [52.4, 10.7], [52.405, 10.71], [52.4, 10.71])}</PLN>`)).toContain(
      "without an outline",
    );
    expect(problem("")).toBeNull();
  });

  it("are refused as a whole where ids are there twice or lead nowhere", () => {
    expect(refused(`<PFD A="PFD1" C="F" D="0"/><PFD A="PFD1" C="G" D="0"/>`)).toContain(
      "PFD1 is there twice",
    );
    expect(refused(`<PFD A="PFD1" C="F" D="0" F="FRM7"/>`)).toContain("names the farm FRM7");
    expect(refused(`<PFD A="1" C="F" D="0"/>`)).toContain("no id");
  });

  it("leave out lines that cannot be steered by, and say so", () => {
    const { places, notes } = read(`<PFD A="PFD1" C="F" D="0">
      <GGP A="GGP1" B="East"><GPN A="GPN1" C="1">${ring(5, [52.4, 10.7], [52.4, 10.700001])}</GPN></GGP>
      <GGP A="GGP2" B="West"><GPN A="GPN2" C="5">${ring(5, [52.4, 10.7], [52.4, 10.71])}</GPN></GGP>
      <GGP A="GGP3" B="Mid"><GPN A="GPN3" C="2" G="91.5"><LSG A="5"><PNT A="6" C="52.4" D="10.7"/></LSG></GPN></GGP></PFD>`);
    expect(notes).toEqual([
      "F, line East: too short to steer by, left out.",
      "F, line West: a pattern of type 5, left out.",
    ]);
    expect(places[0]!.lines).toEqual([
      { name: "Mid", shape: { kind: "heading", a: placeAt(52.4, 10.7), heading: (91.5 * Math.PI) / 180 } },
    ]);
  });
});

const toMillimetres = (given: Omit<PlaceGiven, "problem">) => ({
  ...given,
  lines: given.lines.map((line) =>
    line.shape.kind === "circle"
      ? { ...line, shape: { ...line.shape, radius: Math.round(line.shape.radius * 1000) / 1000 } }
      : line,
  ),
});

describe("fields as task data there and back", () => {
  it("read back the same, whatever they are called", () => {
    fc.assert(
      fc.property(anyPlace, anyPlace, (one, two) => {
        fc.pre(one.field !== two.field);
        const { places, notes } = placesOf(openTaskData(writePlaces([one, two])));
        expect(places).toEqual([one, two].map((each) => ({ ...toMillimetres(each), problem: null })));
        expect(notes).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });

  it("are read alike by a library that reads ISO 11783-10", async () => {
    const outer = [placeAt(52.4, 10.7), placeAt(52.4, 10.71), placeAt(52.405, 10.71), placeAt(52.405, 10.7)];
    const hole = [placeAt(52.401, 10.702), placeAt(52.401, 10.704), placeAt(52.402, 10.704)];
    const bytes = writePlaces([
      {
        client: "Weir",
        farm: "Lower Weir",
        field: "Long Acre",
        boundary: [{ outer, holes: [hole] }],
        lines: [
          { name: "East", shape: { kind: "ab", a: outer[0]!, b: outer[1]! } },
          { name: "Pivot", shape: { kind: "circle", centre: outer[0]!, radius: 212.5 } },
        ],
      },
    ]);
    const manager = new ISOXMLManager();
    await manager.parseISOXMLFile(bytes, "application/zip");
    expect(manager.getWarnings()).toEqual([]);
    const [field] = manager.rootElement.attributes.Partfield as [Partfield];
    expect(field.attributes.PartfieldArea).toBe(Math.round(sizeOf([{ outer, holes: [hole] }]).area));
    const [polygon] = field.attributes.PolygonnonTreatmentZoneonly!;
    const [exterior, interior] = polygon!.attributes.LineString!;
    expect(exterior!.attributes.Point).toHaveLength(5);
    expect(interior!.attributes.LineStringType).toBe("2");
    expect(exterior!.attributes.Point![1]!.attributes).toMatchObject({ PointNorth: 52.4, PointEast: 10.71 });
    const patterns = field.attributes.GuidanceGroup!.map(
      ({ attributes }) => (attributes.GuidancePattern as GuidancePattern[])[0]!.attributes,
    );
    expect(patterns.map((each) => each.GuidancePatternType)).toEqual(["1", "4"]);
    expect(patterns[1]!.GuidancePatternRadius).toBe(212_500);
  });

  it("never take what was cut off or changed for whole", () => {
    const [name, whole] = Object.entries(
      unzipSync(writePlaces([...fc.sample(anyPlace, { numRuns: 1, seed: 7 })])),
    )[0]!;
    fc.assert(
      fc.property(fc.nat(whole.length - 3), (cut) => {
        expect(() => placesOf(openTaskData(zipSync({ [name]: whole.subarray(0, cut) })))).toThrow(
          FileProblem,
        );
      }),
      { numRuns: 60 },
    );
  });
});
