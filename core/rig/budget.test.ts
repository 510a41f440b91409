import { describe, expect, it } from "vitest";
import { alongTrack, crossTrack } from "./budget.ts";
import { resolveRig } from "./resolve.ts";
import { sampleFacts, sampleProof, sampleRig } from "./sample.ts";

const level = { receiver: "rtk" as const, slope: 0, speed: 2.5 };
const degrees = (angle: number) => (angle * Math.PI) / 180;
const of = (budget: ReturnType<typeof crossTrack>, key: string) =>
  budget.contributors.find((each) => each.key === key);
const jointsProof = (sigma: number) =>
  sampleProof({
    what: "joints",
    at: "2026-04-01T10:00:00.000Z",
    sigma,
    terms: [
      { key: "receiver.lateral", coefficient: -1 },
      { key: "tool.lateral", coefficient: 1 },
    ],
  });

describe("the budget across the line", () => {
  it("worked by hand: 25 mm receiver at 95 %, 0.7 of it pass to pass, twice a taped lateral, 0.3° at 2.94 m", () => {
    const rig = sampleRig();
    const budget = crossTrack(rig, level, 0.08);
    const lateral = rig.values["tool.lateral"].sigma;
    expect(of(budget, "receiver")!.sigma).toBeCloseTo((0.025 / 2) * 0.7, 12);
    expect(of(budget, "roll")!.sigma).toBeCloseTo(2.94 * degrees(0.3), 12);
    expect(budget.total).toBeCloseTo(
      Math.hypot(0.00875, lateral, rig.values["receiver.lateral"].sigma, 2.94 * degrees(0.3)),
      12,
    );
    expect(budget.contributors.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(budget.good).toBe(budget.half <= 0.08);
  });

  it("has the slope's own: height times its sine, and drift of a trailed tool", () => {
    const slope = degrees(4);
    const budget = crossTrack(sampleRig(), { ...level, slope }, 0.08);
    expect(of(budget, "height")!.sigma).toBeCloseTo(
      Math.sin(slope) * sampleRig().values["receiver.height"].sigma,
      12,
    );
    expect(of(budget, "drift")!.sigma).toBeCloseTo((0.5 * 4.34 * Math.sin(slope)) / 5, 12);
    expect(of(crossTrack(sampleRig(), level, 0.08), "drift")).toBeUndefined();
  });

  it("ranks what to tape next by what the total would be with it taped", () => {
    const budget = crossTrack(sampleRig({}, { "tool.lateral": "estimate" }), level, 0.08);
    expect(budget.contributors[0]).toMatchObject({ key: "tool.lateral", tape: "tool.lateral" });
    expect(budget.contributors[0]!.taped!).toBeLessThan(budget.total / 2);
    expect(of(budget, "receiver.lateral")!.taped).toBeNull();
  });

  it("takes a proved sum for what its test fitted, and no longer its links", () => {
    const proof = jointsProof(0.004);
    const budget = crossTrack(resolveRig({ ...sampleFacts(), proofs: [proof] }), level, 0.08);
    expect(of(budget, "proof")!.sigma).toBe(0.004);
    expect(of(budget, "tool.lateral")).toBeUndefined();
  });

  it("of a proved planter is within 25 mm, of a hoe it is not, and says what forbids that", () => {
    // 12.5 mm × 0.7 = 8.75, the sum proved to 5, 0.1° at 3.0 m = 5.24: √(8.75² + 5² + 5.24²) = 11.4, × 1.96 = 22.3 mm.
    const proof = jointsProof(0.005);
    const rig = resolveRig({ ...sampleFacts({ "receiver.height": 3 }), proofs: [proof] });
    const planter = crossTrack(rig, level, 0.025);
    expect(planter.half).toBeCloseTo(0.0223, 4);
    expect(planter).toMatchObject({ good: true, floor: null });
    const hoe = crossTrack(rig, level, 0.019);
    expect(hoe.good).toBe(false);
    expect(hoe.floor).toMatchObject({ label: "Receiver, pass to pass" });
    // Never proved, the roll sensor alone stands in the way of a planter, however well it is taped.
    const taped = crossTrack(sampleRig({ "receiver.height": 3 }), level, 0.025);
    expect(taped.good).toBe(false);
    expect(taped.floor).toMatchObject({ label: "Roll sensor at the receiver's height" });
    // A drill's 40 mm are reached with every length perfect.
    expect(crossTrack(sampleRig({ "receiver.height": 3 }), level, 0.04).floor).toBeNull();
  });

  it("has the play of an eye on its pin", () => {
    const rig = sampleRig({ "tool.eye": 0.036, "hitch.pin": 0.03 });
    expect(of(crossTrack(rig, level, 0.08), "slop")!.sigma).toBeCloseTo(0.003 / Math.sqrt(3), 12);
  });
});

describe("the budget along the line", () => {
  it("grows with speed by the delays, with the chain by its links", () => {
    const slow = alongTrack(sampleRig(), { ...level, speed: 1 }, 0.15);
    const fast = alongTrack(sampleRig(), { ...level, speed: 3 }, 0.15);
    expect(of(fast, "delay")!.sigma).toBeCloseTo(3 * of(slow, "delay")!.sigma, 12);
    expect(slow.contributors.map(({ key }) => key)).toEqual(
      expect.arrayContaining(["receiver.foreAft", "axle.pin", "pin.workFront"]),
    );
    expect(alongTrack(sampleRig({ "work.delayOn": 0.6 }), level, 0.15).total).toBeLessThan(
      alongTrack(sampleRig(), level, 0.15).total,
    );
  });
});
