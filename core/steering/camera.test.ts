import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drivePass, layPass, type Metre } from "../simulation/row-camera.ts";
import { amissWith, type CameraProfile, judgeThreshold, profileFor } from "./camera.ts";

const KMH = 1 / 3.6;
const profile = (over: Partial<CameraProfile> = {}): CameraProfile => ({
  id: "p",
  name: "75",
  rowSpacing: 0.75,
  sideOffset: 0.12,
  aim: 0,
  quality: 0.82,
  straight: 120,
  flat: true,
  stand: true,
  wind: 2,
  speed: 10 * KMH,
  person: "",
  at: "",
  ...over,
});

describe("a profile of the row camera", () => {
  it("is of a row spacing, and of nothing else", () => {
    const all = [profile({ rowSpacing: 0.5 }), profile(), profile({ id: "older" })];
    expect(profileFor(all, 0.752)!.id).toBe("p");
    expect(profileFor(all, 0.7)).toBeNull();
  });

  it("says what of its calibration was not as it should be", () => {
    expect(amissWith(profile())).toEqual([]);
    // At the limits it is still as it should be; quality has to be over its half.
    expect(amissWith(profile({ straight: 90, wind: 16 * KMH, speed: 16 * KMH, quality: 0.51 }))).toEqual([]);
    expect(
      amissWith(profile({ straight: 60, flat: false, stand: false, wind: 6, speed: 5 * KMH, quality: 0.5 })),
    ).toEqual(["too short", "not flat", "poor stand", "windy", "too slow", "poor quality"]);
    expect(amissWith(profile({ speed: 20 * KMH }))).toEqual(["too fast"]);
  });

  it("is followed from a threshold that fits mode and quality", () => {
    expect(judgeThreshold("both", 0.5, 0.82)).toBe("fits");
    expect(judgeThreshold("camera", 0.35, 0.82)).toBe("too low alone");
    expect(judgeThreshold("both", 0.35, 0.82)).toBe("fits");
    expect(judgeThreshold("both", 0.75, 0.95)).toBe("too high");
    expect(judgeThreshold("both", 0.7, 0.8)).toBe("fits");
    expect(judgeThreshold("both", 0.7, 0.79)).toBe("near the quality");
    expect(judgeThreshold("receiver", 0.7, 0.71)).toBe("fits");
  });
});

const PASS = { seed: 7, quality: 0.8, weeds: 0.2, grass: true };
const even = (quality: number, length: number): Metre[] =>
  Array.from({ length }, () => ({ quality, rows: 0.06, ground: "rows" }));

describe("a pass as a camera sees it", () => {
  it("lets go at headland, grass and weeds in camera mode, and hands over to the line with one", () => {
    const pass = layPass(PASS);
    const [alone, both, receiver] = (["camera", "both", "receiver"] as const).map((mode) =>
      drivePass(pass, mode, 0.5),
    );
    expect(alone!.letGo).toBeGreaterThanOrEqual(2);
    expect(alone!.byHand).toBeGreaterThan(48);
    expect(both!.byHand).toBe(0);
    expect(both!.steers.includes("line")).toBe(true);
    expect(receiver!.steers.every((each) => each === "line")).toBe(true);
    // Rows stray from the line as they were sown: who follows them is nearer to them.
    expect(both!.beside!).toBeLessThan(receiver!.beside!);
    expect(both!.hoedOut).toBeLessThanOrEqual(receiver!.hoedOut);
  });

  it("follows rows after 5 m over the threshold and a little more, and lets go at once under it", () => {
    const pass = [...even(0.8, 20), ...even(0.49, 3), ...even(0.52, 20), ...even(0.8, 20)];
    const { steers } = drivePass(pass, "camera", 0.5);
    expect(steers.indexOf("rows")).toBe(4);
    expect(steers.slice(20, 43).every((each) => each === "hand")).toBe(true);
    expect(steers.slice(47).every((each) => each === "rows")).toBe(true);
  });

  it("never follows more rows with a higher threshold, nor with more weeds", () => {
    const rows = (weeds: number, threshold: number) =>
      drivePass(layPass({ ...PASS, weeds }), "both", threshold).steers.filter((each) => each === "rows")
        .length;
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 80 }), fc.integer({ min: 0, max: 15 }), (threshold, more) => {
        expect(rows(0.2, (threshold + more) / 100)).toBeLessThanOrEqual(rows(0.2, threshold / 100));
        expect(rows(0.1 + more / 30, 0.5)).toBeLessThanOrEqual(rows(0.1, 0.5) + 3);
      }),
      { numRuns: 40 },
    );
    expect(layPass(PASS)).toEqual(layPass(PASS));
    expect(drivePass(layPass({ ...PASS, weeds: 0, grass: false }), "camera", 0.5).letGo).toBe(1);
  });
});
