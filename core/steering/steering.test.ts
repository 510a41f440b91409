import fc from "fast-check";
import geodesic from "geographiclib-geodesic";
import { describe, expect, it } from "vitest";
import { placeAt, radiansOf } from "../geodesy/degrees.ts";
import type { Fixed } from "../geodesy/fixed.ts";
import { fromPlane, type Geographic, toPlane } from "../geodesy/plane.ts";
import { steerToLine } from "../simulation/steered.ts";
import { leastEffort, MOST_STEP, WHEEL_RATE } from "./effort.ts";
import { type Off, offsFromLine } from "./off-line.ts";
import { isLongEnough, type Quality, qualityOf } from "./quality.ts";
import { adviseSteering, compareDrives, type Settings } from "./sensitivity.ts";

const ORIGIN = placeAt(52.4, 10.7);
const wgs84 = geodesic.Geodesic.WGS84;
const PLAIN = { spacing: 6, shifted: 0, aside: 0 };

/** A log of positions a second apart. */
const logOf = (places: readonly Geographic[]): { points: Fixed[]; origin: Geographic } => ({
  origin: ORIGIN,
  points: places.map((place, time) => ({ ...toPlane(ORIGIN, place), time, fix: "fixed" })),
});

describe("off the line", () => {
  it("is what GeographicLib sets off at a right angle, either way along it, to 2 mm", () => {
    const heading = 37;
    const side = (along: number, off: number) => {
      const on = wgs84.Direct(52.4, 10.7, heading, along);
      const out = wgs84.Direct(on.lat2!, on.lon2!, on.azi2! + 90, off);
      return placeAt(out.lat2!, out.lon2!);
    };
    const line = { kind: "heading" as const, a: ORIGIN, heading: radiansOf(heading) };
    const along = Array.from({ length: 60 }, (_, at) => 10 + 3 * at);
    const forth = offsFromLine(logOf(along.map((at) => side(at, 12.04))), line, PLAIN);
    const back = offsFromLine(logOf([...along].reverse().map((at) => side(at, 12.04))), line, PLAIN);
    for (const { off } of forth) expect(off).toBeCloseTo(0.04, 2.7);
    for (const { off } of back) expect(off).toBeCloseTo(-0.04, 2.7);
    expect(Math.max(...forth.map(({ off }) => Math.abs(off - 0.04)))).toBeLessThan(0.002);
  });

  it("knows the pass it came to, not the one it came from, shifts, and an antenna off the middle", () => {
    const line = { kind: "ab" as const, a: ORIGIN, b: fromPlane(ORIGIN, { east: 0, north: 100 }) };
    const way = Array.from({ length: 60 }, (_, at) =>
      fromPlane(ORIGIN, { east: at < 10 ? 3.6 + at * 0.3 : 6.5, north: at * 2 }),
    );
    const offs = offsFromLine(logOf(way), line, { spacing: 6, shifted: 0.3, aside: 0.2 });
    expect(offs.at(-1)!.off).toBeCloseTo(6.5 - 0.3 - 0.2 - 6, 6);
    expect(offs[0]!.off).toBeLessThan(-2);
    // Standing, nothing is told.
    expect(offsFromLine(logOf(Array.from({ length: 5 }, () => ORIGIN)), line, PLAIN)).toEqual([]);
  });

  it("follows a curve and a circle", () => {
    const at = (east: number, north: number) => fromPlane(ORIGIN, { east, north });
    const curve = { kind: "curve" as const, points: [at(0, 0), at(0, 50), at(50, 100)] };
    const beside = logOf([at(0.1, 10), at(0.1, 12), at(0.1, 14), at(0.1, 16)]);
    expect(offsFromLine(beside, curve, PLAIN).map(({ off }) => off)).toEqual(
      [0, 1, 2, 3].map(() => expect.closeTo(0.1, 6)),
    );
    const slant = Math.SQRT1_2;
    const onward = logOf(
      [20, 22, 24].map((way) => at(way * slant + 0.2 * slant, 50 + way * slant - 0.2 * slant)),
    );
    for (const { off } of offsFromLine(onward, curve, PLAIN)) expect(off).toBeCloseTo(0.2, 6);
    const circle = { kind: "circle" as const, centre: ORIGIN, radius: 60 };
    const round = (sense: 1 | -1) =>
      logOf(
        Array.from({ length: 30 }, (_, step) =>
          at(60.1 * Math.sin(sense * step * 0.04), 60.1 * Math.cos(step * 0.04)),
        ),
      );
    // Clockwise, outward lies to the left of travel.
    expect(offsFromLine(round(1), circle, PLAIN).at(-1)!.off).toBeCloseTo(-0.1, 6);
    expect(offsFromLine(round(-1), circle, PLAIN).at(-1)!.off).toBeCloseTo(0.1, 6);
  });
});

/** A machine coming to its line as a damped swing does: closed form, for peaks and times. */
const swing = (from: number, damping: number, period: number, seconds = 60): Off[] =>
  Array.from({ length: seconds * 10 + 1 }, (_, step) => {
    const time = step / 10;
    return { time, off: from * Math.exp(-damping * time) * Math.cos((2 * Math.PI * time) / period) };
  });

describe("how well it came to its line", () => {
  it("is told as a damped swing has it: first peak past the line, and when it is inside for good", () => {
    const [from, damping, period] = [1.2, 0.25, 8];
    const { overshoot, settled } = qualityOf(swing(from, damping, period));
    // The first low of e^(−at)·cos(wt) lies where tan(wt) = −a/w.
    const w = (2 * Math.PI) / period;
    const low = (Math.PI - Math.atan(damping / w)) / w;
    expect(overshoot).toBeCloseTo(Math.abs(from * Math.exp(-damping * low) * Math.cos(w * low)), 3);
    // Its peaks fall by e^(−a·period/2) each half period: the last over 5 cm tells between which of them it settles.
    const peaks = Array.from(
      { length: 12 },
      (_, half) => overshoot! * Math.exp((-damping * period * half) / 2),
    );
    const over = peaks.filter((peak) => peak > 0.05).length;
    expect(settled!).toBeGreaterThan(low + ((over - 1) * period) / 2);
    expect(settled!).toBeLessThan(low + (over * period) / 2);
  });

  it("has no overshoot where it comes from one side only, or begins on it, and never settles where it swings on", () => {
    const creep = Array.from({ length: 400 }, (_, step) => ({ time: step / 10, off: Math.exp(-step / 60) }));
    expect(qualityOf(creep).overshoot).toBeNull();
    expect(qualityOf(creep.map((each) => ({ ...each, off: each.off / 100 }))).overshoot).toBeNull();
    const on = swing(0.2, 0, 6);
    expect(qualityOf(on).settled).toBeNull();
    // A swing's root mean square is its height over √2, and it goes over twice a period.
    expect(qualityOf(on).rms).toBeCloseTo(0.2 / Math.SQRT2, 2);
    expect(qualityOf(on).crossings).toBeCloseTo(20, 0);
  });

  it("is no more off than its furthest, and mirrored only its bias is", () => {
    const offs = fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 3, maxLength: 60 });
    fc.assert(
      fc.property(offs, (values) => {
        const of = (sense: number) => qualityOf(values.map((off, time) => ({ time, off: sense * off })));
        const [one, other] = [of(1), of(-1)];
        expect(one.rms).toBeLessThanOrEqual(Math.max(...values.map(Math.abs)) + 1e-12);
        expect(one.rms ** 2).toBeGreaterThanOrEqual(one.bias ** 2 - 1e-12);
        expect(other).toEqual({ ...one, bias: expect.closeTo(-one.bias, 12) });
      }),
    );
    expect(isLongEnough([])).toBe(false);
    expect(isLongEnough(swing(1, 1, 5))).toBe(true);
    expect(() => qualityOf([])).toThrow(RangeError);
  });
});

const GOOD: Quality = { seconds: 60, settled: 6, overshoot: 0.04, rms: 0.02, bias: 0.005, crossings: 3 };
const SET: Settings = { line: 60, heading: 70, lead: null };

describe("what to try next", () => {
  it("is one thing at a time, and nothing where it drives well or beside the line", () => {
    const advice = (over: Partial<Quality>) => adviseSteering({ ...GOOD, ...over });
    expect(advice({})).toEqual({ kind: "good" });
    expect(advice({ bias: -0.08, rms: 0.085 })).toEqual({ kind: "beside", by: -0.08 });
    expect(advice({ settled: null, rms: 0.07, crossings: 14 })).toMatchObject({ of: "line", way: "down" });
    expect(advice({ overshoot: 0.3 })).toMatchObject({ of: "lead", way: "up" });
    expect(advice({ settled: 24 })).toMatchObject({ of: "line", way: "up" });
    expect(advice({ rms: 0.06 })).toMatchObject({ of: "heading", way: "up" });
    // A terminal that has no lead is told of one it has.
    expect(adviseSteering({ ...GOOD, overshoot: 0.3 }, SET)).toMatchObject({ of: "line", way: "down" });
  });

  it("compares drives only where one sensitivity was changed", () => {
    const drive = (quality: Partial<Quality>, settings: Partial<Settings> = {}) => ({
      quality: { ...GOOD, ...quality },
      settings: { ...SET, ...settings },
    });
    const before = drive({ rms: 0.06, settled: 14 });
    expect(compareDrives(before, drive({ rms: 0.03, settled: 8 }, { line: 70 }))).toEqual({
      changed: ["line"],
      verdict: "better",
    });
    expect(compareDrives(before, drive({ rms: 0.09, settled: 14 }, { line: 70 })).verdict).toBe("worse");
    expect(compareDrives(before, drive({ rms: 0.09, settled: 7 }, { line: 70 })).verdict).toBe("mixed");
    expect(compareDrives(before, drive({ rms: 0.062, settled: 14.5 })).verdict).toBe("alike");
    expect(compareDrives(before, drive({ rms: 0.01 }, { line: 70, heading: 80 }))).toEqual({
      changed: ["line", "heading"],
      verdict: "untold",
    });
  });
});

describe("a practice machine", () => {
  const advised = (line: number, heading: number, lead: number) =>
    adviseSteering(
      qualityOf(
        steerToLine({ line, heading, lead }, { from: 1.5, seconds: 60, seed: 3 }).map(({ seconds, off }) => ({
          time: seconds,
          off,
        })),
      ),
    );

  it("weaves, overshoots, creeps or drives well, and is told what to try by what it did", () => {
    expect(advised(100, 20, 0)).toMatchObject({ seen: "weaves", of: "line", way: "down" });
    expect(advised(90, 50, 20)).toMatchObject({ seen: "overshoots" });
    expect(advised(10, 80, 50)).toMatchObject({ seen: "slow", of: "line", way: "up" });
    expect(advised(30, 80, 60)).toEqual({ kind: "good" });
  });

  it("is brought to drive well by the advice alone, a step of ten at a time", () => {
    for (const start of [
      { line: 100, heading: 40, lead: 0 },
      { line: 90, heading: 50, lead: 20 },
      { line: 5, heading: 80, lead: 50 },
    ]) {
      const set = { ...start };
      let steps = 0;
      for (; steps < 20; steps++) {
        const advice = advised(set.line, set.heading, set.lead);
        if (advice.kind !== "step") break;
        const next = set[advice.of] + (advice.way === "up" ? 10 : -10);
        // At the end of its range, the other cure of an overshoot.
        if (next > 100) set.line -= 10;
        else set[advice.of] = Math.max(0, next);
      }
      expect(advised(set.line, set.heading, set.lead)).toEqual({ kind: "good" });
      expect(steps).toBeLessThan(20);
    }
  });
});

describe("the least effort", () => {
  it("is found in steps of two points at most, whatever the wheels really need", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.03, max: 0.4, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        (needs, first) => {
          // Wheels stand still until a threshold, and turn faster in proportion beyond it.
          const rate = (effort: number) => Math.max(0, WHEEL_RATE * (1 + (effort - needs) / 0.03));
          const tries = [{ effort: first, rate: rate(first) }];
          for (let at = 0; at < 40; at++) {
            const next = leastEffort(tries);
            if (next.kind === "found") {
              expect(Math.abs(next.effort - needs)).toBeLessThan(0.006);
              return;
            }
            if (next.kind === "none") throw new RangeError("tried");
            expect(tries.some(({ effort }) => Math.abs(effort - next.effort) <= MOST_STEP + 1e-9)).toBe(true);
            tries.push({ effort: next.effort, rate: rate(next.effort) });
          }
          throw new RangeError("not found");
        },
      ),
    );
    expect(leastEffort([])).toEqual({ kind: "none" });
  });
});
