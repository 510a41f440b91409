import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { freeze } from "../log/freeze.ts";
import { inWords } from "../quantity/said.ts";
import { PRESETS } from "../quantity/units.ts";
import { type Lines, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import { areaFactor, doseFactor, shiftAt, spoiltOf, spoiltSaid } from "./of-entry.ts";

const SPRAYER: Lines = {
  "tool.kind": "sprayer",
  "receiver.foreAft": "1.5",
  "receiver.lateral": "0",
  "axle.pin": "1.1",
  "pin.workFront": "5",
  "pin.workRear": "5",
  "pin.pivot": "4",
  "tool.lateral": "0",
  "tool.width": "24",
  "rate.speedSource": "wheel",
  "rate.pulsesPerMetre": "8 /m",
  "rate.pulsesPerLitre": "190 /l",
};
const rigOf = (lines: Lines) => sampleWhole([samplePart("drawn", { ...SPRAYER, ...lines })]);
const spoilt = (then: Lines, now: Lines = {}) =>
  spoiltOf(rigOf(now).parts[0]!.rig, freeze(rigOf(then), { card: null, variants: [] }), 0);

describe("what a wrong number did", () => {
  it("is nothing where all stood as it stands, or nothing was on record", () => {
    expect(spoilt({})).toBeNull();
    expect(
      spoiltOf(rigOf({}).parts[0]!.rig, { card: null, variants: [], readings: [], calibrations: [] }, 0),
    ).toBeNull();
    expect(spoilt({ "tool.lateral": "0.01 right" })).toBeNull();
  });

  it("moved the work across and along by what the sums from receiver to work differ", () => {
    // Believed in the middle, the tool hangs 12 cm to the right; believed 5.2 m behind the pin, it is 5.
    expect(spoilt({}, { "tool.lateral": "0.12 right" })).toMatchObject({
      right: expect.closeTo(0.12, 9),
      ahead: null,
      width: null,
    });
    expect(spoilt({ "receiver.lateral": "0.05 right" }, {})).toMatchObject({
      right: expect.closeTo(0.05, 9),
    });
    expect(spoilt({ "pin.workFront": "5.2", "pin.workRear": "5.2" })).toMatchObject({
      right: null,
      ahead: expect.closeTo(0.2, 9),
    });
  });

  it("left strips, counted hectares that were not, and put more on those that were", () => {
    const found = spoilt({ "tool.width": "24.5" })!;
    expect(found.width).toEqual({ was: 24.5, is: 24 });
    expect(areaFactor(found)).toBeCloseTo(24 / 24.5, 9);
    expect(doseFactor(found)).toBeCloseTo(24.5 / 24, 9);
    const said = spoiltSaid(found, rigOf({}).parts[0]!.rig, 49e4).map((each) =>
      inWords(each, PRESETS.metric).replaceAll("\u00a0", " "),
    );
    expect(said).toEqual([
      "Told 24.500 m wide, it is 24.000 m: strips of 0.500 m stayed unworked between passes.",
      "48.00 ha were worked, not 49.00 ha.",
      "2.1 % more lay on the ground than was wanted.",
    ]);
  });

  it("put out otherwise than was set where a constant was wrong, by what its calibration says that does", () => {
    // 190 pulses a litre were believed, 200 are: the controller gave 190/200 of what it should.
    const flow = spoilt({}, { "rate.pulsesPerLitre": "200 /l" })!;
    expect(flow.constants.map(({ key }) => key)).toEqual(["rate.pulsesPerLitre"]);
    expect(doseFactor(flow)).toBeCloseTo(190 / 200, 6);
    expect(areaFactor(flow)).toBe(1);
    // 8 pulses a metre were believed, 8.4 are: it drove 8/8.4 of the metres it counted.
    const speed = spoilt({}, { "rate.pulsesPerMetre": "8.4 /m" })!;
    expect(areaFactor(speed)).toBeCloseTo(8 / 8.4, 6);
  });

  it("turns with the machine: opposite ways to the two sides, and back again in a full turn", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (right, ahead, heading) => {
          const [out, back] = [
            shiftAt({ right, ahead }, heading),
            shiftAt({ right, ahead }, heading + Math.PI),
          ];
          expect(out.east + back.east).toBeCloseTo(0, 9);
          expect(out.north + back.north).toBeCloseTo(0, 9);
          expect(Math.hypot(out.east, out.north)).toBeCloseTo(Math.hypot(right, ahead), 9);
        },
      ),
    );
    // Going east, the right is south.
    expect(shiftAt({ right: 0.1, ahead: null }, Math.PI / 2).north).toBeCloseTo(-0.1, 9);
    expect(shiftAt({ right: null, ahead: 0.2 }, Math.PI / 2).east).toBeCloseTo(0.2, 9);
  });
});
