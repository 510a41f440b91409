import { describe, expect, it } from "vitest";
import { figured, told } from "../../finding/sample-words.ts";
import { powerOf } from "../../forces/power-of-rig.ts";
import { DRAWN, type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { balanceOf } from "./balance-of-rig.ts";
import { balanceChecks } from "./checks.ts";
import { axleLoads } from "./loads.ts";

const balanced = (whole: WholeRig) => {
  const loads = balanceOf(whole, powerOf(whole));
  return { loads, checks: balanceChecks(whole, loads) };
};
const loadsOf = (whole: WholeRig) => {
  const { loads } = balanced(whole);
  if (!loads.ok) throw new Error(loads.missing);
  return loads;
};
const checked = (whole: WholeRig, id: string) => balanced(whole).checks.find((check) => check.id === id);

/** A mower of 900 kg whose bed hangs 1.6 m to the right, on a track of 1.8 m. */
const MOWER: Lines = {
  ...MOUNTED,
  "tool.kind": "mower",
  "tool.width": "3",
  "tool.lateral": "2.6 right",
  "tool.mass": "900 kg",
  "tool.cg": "0.75",
  "tool.cgSide": "1.6 right",
  "tractor.trackRear": "1.8",
};
const mower = (lines: Lines = {}) => sampleWhole([samplePart("mounted", { ...MOWER, ...lines })]);

describe("a tool that hangs to one side", () => {
  it("loads one rear wheel more, by 2·G·y/s, worked by hand", () => {
    // Rear axle raised: 3800 + 900 × (2.65 + 1.8) / 2.65 = 5311.3; 2 × 900 × 1.6 / 1.8 = 1600 between the wheels.
    const state = loadsOf(mower()).states.find(({ id }) => id === "lifted empty")!;
    expect(state.rear).toBeCloseTo(3800 + (900 * (2.65 + 1.05 + 0.75)) / 2.65, 6);
    const [rear] = state.sides;
    expect(rear!.right - rear!.left).toBeCloseTo(1600, 6);
    expect(rear!.right + rear!.left).toBeCloseTo(state.rear, 6);
    // (5311.3 + 1600) / (5311.3 − 1600) = 1.86
    expect(told(checked(mower(), "sideways"))).toMatch(
      /^check: Lifted: .*the right wheel carries 1.86 times the other/,
    );
  });

  it("is offset by a counterweight on the tool itself, which counts for lift and axle too", () => {
    // 450 kg, 1.9 m left: 900 × 1.6 − 450 × 1.9 = 585 kg·m, 650 between the wheels
    const weighted = mower({
      "tool.ballast": "450 kg",
      "tool.ballastCg": "0.4",
      "tool.ballastSide": "1.9 left",
    });
    const state = loadsOf(weighted).states.find(({ id }) => id === "lifted empty")!;
    expect(state.sides[0]!.right - state.sides[0]!.left).toBeCloseTo(650, 6);
    expect(state.total).toBeCloseTo(6200 + 900 + 450, 6);
    expect(state.rear).toBeCloseTo(3800 + (900 * 4.45 + 450 * (2.65 + 1.05 + 0.4)) / 2.65, 6);
    expect(told(checked(weighted, "sideways"))).toMatch(/^good/);
  });

  it("stops where one wheel passes its half of the permitted axle load, or lifts off", () => {
    expect(figured(checked(mower({ "tractor.rearLimit": "6600 kg" }), "sideways"))).toEqual([
      "stop",
      3456,
      3300,
    ]);
    expect(told(checked(mower({ "tool.cgSide": "5.5 right" }), "sideways"))).toMatch(
      /^stop: .*the left wheel lifts off/,
    );
  });

  it("is unknown where nobody told its side or the track, and in the middle where its work is", () => {
    expect(told(checked(mower({ "tool.cgSide": undefined }), "sideways"))).toMatch(
      /^unknown: Lateral offset of the c.g./,
    );
    expect(told(checked(mower({ "tractor.trackRear": undefined }), "sideways"))).toMatch(
      /^unknown: Rear track width/,
    );
    const middle = mower({ "tool.cgSide": undefined, "tool.lateral": "0.05 right" });
    expect(told(checked(middle, "sideways"))).toMatch(/^good/);
  });

  it("loads the drive axle of a combine, and the axle of its own frame on a jointed machine", () => {
    const head = sampleWhole([
      samplePart("head", {
        "tractor.wheelbase": "3.8",
        "tractor.front": "8000 kg",
        "tractor.rear": "5000 kg",
        "tractor.grainTank": "0 kg",
        "tractor.trackFront": "2.5",
        "axle.pin": "1.9",
        "tool.kind": "header",
        "tool.mass": "2000 kg",
        "tool.cg": "0.95",
        "tool.cgSide": "0.2 left",
      }),
    ]);
    const [drive] = loadsOf(head).states.find(({ id }) => id === "lifted empty")!.sides;
    expect(drive!.left - drive!.right).toBeCloseTo((2 * 2000 * 0.2) / 2.5, 6);
    const jointed = sampleWhole([
      samplePart("front", {
        ...MOWER,
        "axle.pin": "3.6",
        "tractor.steering": "articulated",
        "tractor.trackFront": "1.8",
      }),
    ]);
    const { sides } = loadsOf(jointed).states.find(({ id }) => id === "lifted empty")!;
    const [front, rear] = sides;
    expect(front!.axle).toBe("front");
    expect(front!.right - front!.left).toBeCloseTo(1600, 6);
    expect(rear!.right - rear!.left).toBeCloseTo(0, 6);
  });

  it("is looked up in the tyre table by its heavier wheel", () => {
    const table = {
      cells: [
        { pressure: 1.6e5, speed: 40 / 3.6, load: 3000 },
        { pressure: 1.6e5, speed: 8 / 3.6, load: 3000 },
      ],
    };
    const tyres = { front: null, rear: { label: "rear", count: 2, table }, tools: [null] };
    const whole = sampleWhole([samplePart("mounted", MOWER)], { tyres });
    // Half of 5311 kg would do; 3456 kg does not.
    expect(told(checked(whole, "tyres-rear"))).toMatch(/^stop/);
  });
});

describe("what people ask", () => {
  it("is the largest load on the pin that leaves a fifth in front", () => {
    const whole = sampleWhole([samplePart("drawn", DRAWN)]);
    const { largest, unladen } = loadsOf(whole);
    // 2400 − V × 1.1 / 2.65 = 0.2 × 6200
    expect(largest.pin[0]).toBeCloseTo(((2400 - 1240) * 2.65) / 1.1, 6);
    const { front } = axleLoads({ axle: 2.65 }, [
      { what: "", mass: 2400, x: 2.65 },
      { what: "", mass: 3800, x: 0 },
      { what: "", mass: largest.pin[0]!, x: -1.1 },
    ]);
    expect(front / unladen).toBeCloseTo(0.2, 9);
  });

  it("is the largest fill that leaves a fifth in front", () => {
    const tank: Lines = {
      ...MOUNTED,
      "tool.mass": "1000 kg",
      "tool.load": "1500 kg",
      "tool.loadCg": "0.9",
      "tool.cg": "0.75",
    };
    const whole = sampleWhole([samplePart("mounted", tank)]);
    const share = loadsOf(whole).largest.fill[0]!;
    // Empty 2400 − 1000 × 1.8 / 2.65 = 1720.8; full takes 1500 × 1.95 / 2.65 = 1103.8 more; 480.8 of that may go.
    expect(share).toBeCloseTo((2400 - 1800 / 2.65 - 1240) / ((1500 * 1.95) / 2.65), 6);
    const filled = (load: number) =>
      loadsOf(sampleWhole([samplePart("mounted", { ...tank, "tool.load": `${load} kg` })]));
    const at = filled(1500 * share).states.find(({ id }) => id === "lifted full")!;
    expect(at.front).toBeCloseTo(1240, 0);
    expect(
      loadsOf(sampleWhole([samplePart("mounted", { ...tank, "tool.mass": "2400 kg" })])).largest.fill[0],
    ).toBe(0);
  });
});
