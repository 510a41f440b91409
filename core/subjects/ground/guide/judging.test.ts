import { describe, expect, it } from "vitest";
import { plain } from "../../../finding/sample-words.ts";
import { samplePart } from "../../../rig/sample-whole.ts";
import type { ToolKindKey } from "../../../trade/kinds.ts";
import type { PartGround, Seen } from "../../../yard/ground.ts";
import { BLANK, type GuideStep } from "./guide.ts";
import { GUIDES, guideFor, stepIn } from "./index.ts";
import { inBand, summaryOf, unequal } from "./judging.ts";
import { sampleAdjuster, sampleGiven, sampleLook, sampleTool } from "./sample.ts";
import { practiceOf, SCHOOLS } from "./schools.ts";

const DEGREE = Math.PI / 180;

/** "fix First furrow 520 mm …  | Too wide …" of one step of a tool's guide. */
function judged(tool: ToolKindKey, key: string, seen: Partial<Seen>, more: Partial<PartGround> = {}): string {
  const step: GuideStep = stepIn(guideFor(tool)!.key, key)!;
  const look = sampleLook(key, seen);
  const { verdict, said, cure } = step.judge(
    { ...BLANK, ...seen },
    sampleGiven(sampleTool(tool), [look], more),
  );
  return `${verdict}: ${plain(said)} ${plain(cure)}`;
}
const wrong = (tool: ToolKindKey, key: string, figures: Record<string, number>) =>
  stepIn(guideFor(tool)!.key, key)!.wrong!({ ...BLANK, figures });

describe("figures", () => {
  it("are good at both ends of their band, and aim at its middle", () => {
    const band = {
      measure: "wheelClear",
      least: 0.012,
      most: 0.019,
      name: "It is",
      cures: { less: "up", more: "down" },
    } as const;
    for (const value of [0.012, 0.015, 0.019])
      expect(inBand({ ...band, value }).verdict, `${value}`).toBe("good");
    expect(inBand({ ...band, value: 0.0119 })).toMatchObject({
      verdict: "fix",
      cure: "up",
      off: { wanted: 0.0155 },
    });
    expect(inBand({ ...band, value: 0.0191 })).toMatchObject({ verdict: "fix", cure: "down" });
    const open = inBand({ ...band, most: null, value: 0.01 });
    expect(open.off).toMatchObject({ wanted: expect.closeTo(0.0132, 12) });
  });

  it("have mean and spread, and the odd one out by the median", () => {
    expect(summaryOf([0.1, 0.12, 0.14])).toMatchObject({
      mean: expect.closeTo(0.12, 12),
      spread: expect.closeTo(0.02, 12),
    });
    expect(summaryOf([])).toBeNull();
    expect(unequal([0.95, 0.951, 0.974, 0.949], 0.01)).toEqual([{ at: 2, by: expect.closeTo(0.0235, 9) }]);
    expect(unequal([0.95], 0.01)).toEqual([]);
  });
});

// What is wanted at each step is common practice, no source, unless a figure is marked as ours beside it.
describe("a plough", () => {
  it("is looked at before any screw is turned", () => {
    expect(judged("plough", "alike", { choices: { state: "bent" } })).toMatch(
      /^fix: One is bent. Straighten or replace it first/,
    );
    expect(
      judged("plough", "bodies", { lists: { points: [0.95, 0.95, 0.976], tails: [0.95, 0.95, 0.95] } }),
    ).toMatch(/^fix: Not equal: points 3 to 4 26 mm too wide\./);
    expect(judged("plough", "tyres", { figures: { left: 1.3e5, right: 1.6e5 } })).toMatch(
      /^fix: .*Bring the left one to 1\.60 bar/,
    );
    const springs = { choices: { kind: "leaves" }, figures: { rod: 0.0015, book: 0.7 } };
    expect(judged("plough", "springs", { ...springs, lists: { length: [0.7, 0.702] } })).toMatch(/^good/);
    expect(judged("plough", "springs", { ...springs, lists: { length: [0.7, 0.709] } })).toMatch(
      /^fix: Body 2: 9 mm too long/,
    );
    expect(
      judged("plough", "springs", {
        ...springs,
        figures: { rod: 0.004, book: 0.7 },
        lists: { length: [0.7] },
      }),
    ).toMatch(/rods before the springs/);
    expect(judged("plough", "springs", { choices: { kind: "leaves" } })).toMatch(/^unknown/);
  });

  it("follows the school that was chosen", () => {
    const reach = { choices: { kind: "discs" }, figures: { reach: 0.027 } };
    expect(judged("plough", "coulterReach", reach)).toMatch(
      /^fix: Beyond the cut 27 mm, wanted 10 mm to 20 mm/,
    );
    expect(
      judged("plough", "coulterReach", reach, { schools: new Map([["coulterReach", "2 to 3"]]) }),
    ).toMatch(/^good/);
    const above = { choices: { kind: "discs" }, figures: { above: 0.1 } };
    expect(judged("plough", "coulterDepth", above)).toMatch(/^fix/);
    expect(judged("plough", "coulterDepth", above, { schools: new Map([["coulterDepth", "half"]]) })).toMatch(
      /^good/,
    );
    expect(practiceOf("trash", new Map([["trash", "nonsense"]]))).toBe("slower");
    expect(judged("plough", "surface", { choices: { seen: "trash" } })).toMatch(/Slow down first/);
    expect(
      judged("plough", "surface", { choices: { seen: "trash" } }, { schools: new Map([["trash", "back"]]) }),
    ).toMatch(/Set the skimmers back/);
  });

  it("has its skimmers no deeper than a third of the depth", () => {
    const at = (depth: number) => ({ choices: { kind: "fitted" }, figures: { depth } });
    expect(judged("plough", "skimmers", at(0.05))).toMatch(/^good/);
    expect(judged("plough", "skimmers", at(0.06))).toMatch(/^fix.*never over a third/);
  });

  it("tells the tractor's lean from the plough's by turning it over", () => {
    const lean = (right: number, left?: number) => ({
      figures: { right: right * DEGREE, ...(left === undefined ? {} : { left: left * DEGREE }) },
    });
    expect(judged("plough", "upright", lean(0.3, -0.2))).toMatch(/^good/);
    expect(judged("plough", "upright", lean(2, 1.8))).toMatch(/^fix: .*too wide and deep.*Stop screws/);
    expect(judged("plough", "upright", lean(-2, -1.8))).toMatch(/^fix: .*too narrow.*Stop screws/);
    expect(judged("plough", "upright", lean(2, -1))).toMatch(/^fix: .*that is the tractor/);
    expect(judged("plough", "upright", lean(1.4))).toMatch(/^fix: It stands 1\.4° toward ploughed land/);
  });

  it("of two parts has its frame parallel and its front part upright first, by what each part has", () => {
    const part = samplePart("semi", { "tool.kind": "plough", "tool.width": "3 m", "work.depth": "25 cm" });
    const given = sampleGiven(part);
    const said = (key: string, figures: Record<string, number>) => {
      const { verdict, said: words, cure } = stepIn("plough", key)!.judge({ ...BLANK, figures }, given);
      return `${verdict}: ${plain(words)} ${plain(cure)}`;
    };
    expect(said("frame", { front: 0.78, rear: 0.8 })).toMatch(/^good: In front 780 mm, behind 800 mm/);
    expect(said("frame", { front: 0.84, rear: 0.8 })).toMatch(/^fix: .*40 mm higher.*a spacer out/);
    expect(said("frame", { front: 0.75, rear: 0.8 })).toMatch(/^fix: .*50 mm lower.*a spacer in/);
    const lean = (right: number, left: number) =>
      said("frontUpright", { right: (right * Math.PI) / 180, left: (left * Math.PI) / 180 });
    expect(lean(0.4, -0.3)).toMatch(/^good/);
    expect(lean(1.5, 1.5)).toMatch(/^fix: .*as many on both/);
    expect(lean(1.5, -0.5)).toMatch(/^fix: .*unequal spacers/);
    expect(said("upright", { right: 0.03, left: 0.03 })).toMatch(/Cranks of the rear part/);
    for (const key of ["frame", "frontUpright"]) {
      expect(stepIn("plough", key)!.spared!(given), key).toBeNull();
      expect(stepIn("plough", key)!.spared!(sampleGiven(sampleTool("plough"))), key).toContain(
        "carried whole",
      );
    }
  });

  it("has a first furrow as wide as the rest, within 3 cm", () => {
    const marker = (after: number) => ({ figures: { bodies: 4, cut: 0.4, before: 2.6, after } });
    expect(judged("plough", "furrow", marker(0.98))).toMatch(/^good: First furrow 420 mm/);
    expect(judged("plough", "furrow", marker(0.9))).toMatch(/^fix: First furrow 500 mm.*Too wide by 100 mm/);
    expect(judged("plough", "furrow", marker(1.1))).toMatch(/Too narrow by 100 mm/);
    expect(wrong("plough", "furrow", { bodies: 4, cut: 0.4, before: 2, after: 2.2 })).toHaveProperty("after");
    expect(wrong("plough", "furrow", { bodies: 4, cut: 0.4, before: 2.6, after: 1 })).toEqual({});
  });

  it("is compared by its fuel, and a figure that is missing is no comparison", () => {
    const of = (before: number | null, now: number | null) =>
      judged("plough", "fuel", {
        choices: { kind: "logged" },
        figures: {
          ...(before === null ? {} : { before: before * 1e-7 }),
          ...(now === null ? {} : { now: now * 1e-7 }),
        },
      });
    expect(of(31, 27)).toMatch(/^good: 31 l\/ha before, 27 l\/ha now/);
    expect(of(27, 28)).toMatch(/^good/);
    expect(of(27, 31)).toMatch(/^check: .*more than before/);
    expect(of(27, null)).toMatch(/^unknown/);
    expect(judged("plough", "fuel", { choices: { kind: "not" } })).toMatch(/^good: Not logged/);
  });

  it("puts back what the opening furrow changed", () => {
    const rod = sampleAdjuster(1, "Right rod", { acts: { measure: "leanApart", by: 0.01 }, setting: 4 });
    const step = stepIn("plough", "opening")!;
    const about = sampleLook("opening", { choices: { state: "about" } }, [[1, 10]]);
    const back = sampleLook("opening", { choices: { state: "back" } }, [[1, 4]]);
    const given = (looks: (typeof about)[], setting: number) =>
      sampleGiven(sampleTool("plough"), looks, { adjusters: [{ ...rod, setting }] });
    const said = (looks: (typeof about)[], setting: number) => {
      const { verdict, said: words, cure } = step.judge(looks.at(-1)!, given(looks, setting));
      return `${verdict}: ${plain(words)} ${plain(cure)}`;
    };
    expect(said([about], 10)).toMatch(/^fix: How it stands is kept/);
    expect(said([about], 4)).toMatch(/^fix: Set for it: Right rod. After it set Right rod to 10/);
    expect(said([about, back], 4)).toMatch(/^fix: Not put back: Right rod. Set Right rod to 10/);
    expect(said([about, back], 10)).toMatch(/^good: Made, and every adjuster was put back/);
    const whole = sampleLook("opening", { choices: { state: "back" } }, [[1, 10]]);
    expect(said([about, whole], 13), "corrected after it").toMatch(/^good: Made, and every adjuster/);
    expect(said([back], 10)).toMatch(/only a person knows/);
  });
});

describe("openers", () => {
  const gauge = (now: number, wheel = "down") => ({
    figures: { now: now * 1e5, low: 7e5, high: 9e5 },
    choices: { wheel },
  });
  it("stay within the gauge's zone, and their frame on the ground", () => {
    expect(judged("drill", "gauge", gauge(8))).toMatch(/^good/);
    expect(judged("drill", "gauge", gauge(6))).toMatch(/^fix.*A little more/);
    expect(judged("drill", "gauge", gauge(11))).toMatch(/^fix.*Back off, or add ballast/);
    expect(judged("drill", "gauge", gauge(8.5, "up"))).toMatch(
      /^fix: A frame wheel lifts at 8.50 bar.*Back off until it stays down/,
    );
    expect(judged("drill", "gauge", gauge(6.5, "up"))).toMatch(/add ballast/);
    expect(wrong("drill", "gauge", { now: 8e5, low: 9e5, high: 7e5 })).toHaveProperty("high");
  });

  it("are firm by their share, or by its interval, as the school says", () => {
    const tried = (firm: number, of: number) => ({ figures: { tried: of, firm } });
    expect(judged("drill", "firm", tried(22, 24))).toMatch(
      /^good: 22 of 24 are firm, 92 %; so few leave 73 % to 99 % open/,
    );
    expect(judged("drill", "firm", tried(21, 24))).toMatch(/^fix.*A little more down pressure/);
    const sure = { schools: new Map([["firm", "sure"]]) };
    expect(judged("drill", "firm", tried(22, 24), sure)).toMatch(/^check.*too few were tried/);
    expect(judged("drill", "firm", tried(36, 36), sure)).toMatch(/^good/);
    expect(wrong("drill", "firm", { tried: 12, firm: 13 })).toHaveProperty("firm");
  });

  it("close a slot and no more; press as the seedbed asks", () => {
    expect(judged("drill", "closing", { choices: { slot: "thrown" } })).toMatch(/^fix.*One notch softer/);
    expect(judged("planter", "firming", { choices: { soil: "loose", notch: "middle" } })).toMatch(
      /^fix.*lowest notch/,
    );
    expect(judged("drill", "lockouts", { choices: { locks: "in", force: "on" } })).toMatch(
      /^fix: A lock-out is still in/,
    );
  });
});

describe("a hoe", () => {
  it("has its wheel clear of the floor, lower on soft soil, higher on hard", () => {
    const clear = (mm: number, soil: string) =>
      judged("hoe", "clear", { figures: { clear: mm / 1000 }, choices: { soil } });
    expect(clear(18, "usual")).toMatch(/^good/);
    expect(clear(18, "soft")).toMatch(/^fix.*Lower the wheel/);
    expect(clear(13, "hard")).toMatch(/^fix.*Raise the wheel/);
    expect(clear(11, "usual")).toMatch(/^fix/);
  });

  it("has its fingers in at half of the stroke, its discs just below the blade", () => {
    const arm = (stroke: number, into: number) =>
      judged("hoe", "fingers", { choices: { kind: "spring" }, figures: { stroke, into } });
    expect(arm(0.04, 0.022)).toMatch(/^good/);
    expect(arm(0.04, 0.03)).toMatch(/^fix.*Raise the fingers/);
    expect(arm(0.08, 0.04)).toMatch(/^check.*not the usual/);
    expect(judged("hoe", "disc", { choices: { kind: "fitted" }, figures: { below: -0.004 } })).toMatch(
      /^fix.*−4 mm.*Lower the disc/,
    );
    expect(wrong("hoe", "fingers", { stroke: 0.03, into: 0.05 })).toHaveProperty("into");
  });

  it("runs on gravity alone on loose soil", () => {
    const springs = (soil: string, unit: string, left: number, right: number) =>
      judged("hoe", "springs", { choices: { soil, unit }, figures: { left, right } });
    expect(springs("loose", "sinks", 2, 2)).toMatch(/Take all notches off/);
    expect(springs("loose", "steady", 1, 1)).toMatch(/^check/);
    expect(springs("usual", "steady", 2, 3)).toMatch(/^check.*One side more/);
    expect(springs("usual", "steady", 2, 2)).toMatch(/^good/);
  });
});

describe("a subsoiler", () => {
  it("goes below the hard layer, its points a little down", () => {
    expect(judged("subsoiler", "slot", { lists: { depths: [0.22, 0.23, 0.22] } })).toMatch(
      /^check.*Usual is 250 mm to 380 mm/,
    );
    expect(judged("subsoiler", "slot", { lists: { depths: [0.22, 0.23] }, figures: { hard: 0.28 } })).toMatch(
      /^fix.*below the layer/,
    );
    const nose = (down: number, enters: string) =>
      judged("subsoiler", "nose", { figures: { nose: down * DEGREE }, choices: { enters } });
    expect(nose(2, "yes")).toMatch(/^good/);
    expect(nose(-1, "no")).toMatch(/^fix.*Top link shorter/);
    expect(nose(2, "no")).toMatch(/^check.*points, they may be worn/);
    expect(judged("subsoiler", "pulls", { choices: { pull: "jerky" } })).toMatch(/no fault/);
  });
});

describe("mowers and rakes", () => {
  it("carry the bed on a charged line behind a shut tap", () => {
    const charge = (bar: number, tap: string) =>
      judged("mower", "suspension", { figures: { charge: bar * 1e5 }, choices: { tap } });
    expect(charge(130, "shut")).toMatch(/^good/);
    expect(charge(130, "open")).toMatch(/^fix: The tap is open/);
    expect(charge(90, "shut")).toMatch(/^fix.*heavy and digs/);
    expect(judged("mower", "ready", { choices: { bracket: "in", stands: "up", keys: "yes" } })).toMatch(
      /^fix: The transport bracket/,
    );
  });

  it("cut at the height wanted, level across", () => {
    const cut = (stubble: number[]) =>
      judged("mower", "cut", { lists: { stubble }, figures: { wanted: 0.06 } });
    expect(cut([0.06, 0.062, 0.058, 0.061])).toMatch(/^good/);
    expect(cut([0.08, 0.08, 0.082, 0.081])).toMatch(/^fix.*Top link shorter: nose down, lower/);
    expect(cut([0.048, 0.056, 0.064, 0.072])).toMatch(/^check.*higher at the end of the row by 24 mm/);
  });

  it("lay a swath the pickup takes, or spread wide", () => {
    const swath = (width: number, aim = "baler") =>
      judged("mower", "swath", {
        choices: { aim },
        figures: { width, pickup: aim === "baler" ? 1.4 : 3, board: 0.8, hinge: 1.05 },
      });
    expect(swath(1.25)).toMatch(/^good/);
    expect(swath(1.6)).toMatch(/^fix.*Boards in.*Set each board 30\.0° inward/);
    expect(swath(1.2, "wide")).toMatch(/^fix.*Boards out, vanes down, curtain up/);
  });

  it("rake level, both sides alike, as many rows as they reach", () => {
    const tines = (left: number, right: number, l = 4, r = 4) =>
      judged("rake", "tines", {
        lists: { left: [left, left], right: [right, right] },
        figures: { scaleLeft: l, scaleRight: r },
      });
    expect(tines(0.018, 0.02)).toMatch(/^good/);
    expect(tines(0.018, 0.02, 4, 5)).toMatch(/same number first/);
    expect(tines(0.005, 0.006)).toMatch(/^fix.*soil goes into the fodder/);
    const rows = (count: number, reach: number) =>
      judged("rake", "rows", { figures: { rows: count, apart: 3, swath: 1.2, reach } });
    expect(rows(3, 7.4)).toMatch(/^good: 3 rows need 7\.200 m/);
    expect(rows(3, 6.8)).toMatch(/^fix.*or join 2/);
    expect(wrong("rake", "cam", { cam: 9, turns: 7, speed: 2 })).toHaveProperty("cam");
    expect(
      judged("rake", "cam", { choices: { crop: "heavy" }, figures: { cam: 6, turns: 400 / 60, speed: 2.6 } }),
    ).toMatch(/^fix.*Set it to 3/);
  });
});

describe("heads and wide cultivators", () => {
  it("count area by the true width, and record below a height between work and headland", () => {
    expect(judged("header", "width", { figures: { shown: 5.4 } })).toMatch(/^fix.*Enter 6\.000 m/);
    const heights = sampleLook("heights", {
      figures: { low: 0.08, high: 0.16, work: 0.25, turn: 0.8 },
      choices: { recalls: "seen" },
    });
    const at = (height: number) => {
      const given = sampleGiven(sampleTool("header"), [heights]);
      return stepIn("head", "record")!.judge({ ...BLANK, figures: { height } }, given).verdict;
    };
    expect([at(0.2), at(0.5), at(0.9)]).toEqual(["fix", "good", "fix"]);
    expect(
      judged("header", "heights", {
        figures: { low: 0.08, high: 0.16, work: 0.25, turn: 0.2 },
        choices: { recalls: "seen" },
      }),
    ).toMatch(/^fix/);
    expect(judged("header", "sensitivity", { choices: { bar: "restless", by: "auto" } })).toMatch(
      /Less sensitive/,
    );
    expect(
      judged("header", "stubble", {
        lists: { heights: [0.08, 0.16, 0.1, 0.18, 0.09] },
        figures: { wanted: 0.12 },
      }),
    ).toMatch(/^fix.*ragged/);
  });

  it("stand on equal stacks, unless their book says otherwise", () => {
    const stacks = (figures: Record<string, number>, meant = "no") =>
      judged("disc", "stacks", { choices: { kind: "shims", meant }, figures });
    const unequalFront = { frontLeft: 6, frontRight: 5, rearLeft: 4, rearRight: 4 };
    expect(stacks(unequalFront)).toMatch(/^fix.*in front 1 more on the left/);
    expect(stacks(unequalFront, "yes")).toMatch(/^good/);
    expect(stacks({ frontLeft: 6 })).toMatch(/^unknown/);
    const wheels = { left: 0.064, leftBook: 0.064, right: 0.051, rightBook: 0.051 };
    expect(judged("disc", "wheels", { choices: { kind: "fitted" }, figures: wheels })).toMatch(/^good/);
    expect(
      judged("disc", "wheels", { choices: { kind: "fitted" }, figures: { ...wheels, right: 0.064 } }),
    ).toMatch(/the right one 13 mm too long/);
  });

  it("hold their depth by a display that is told the truth", () => {
    const zero = (shownA: number, shownB: number) =>
      judged("chisel", "zero", { figures: { shownA, trueA: 0.06, shownB, trueB: 0.15 } });
    expect(zero(0.065, 0.152)).toMatch(/^good/);
    expect(zero(0.09, 0.18)).toMatch(/^fix.*true = 1\.00 × shown − 30 mm.*set 135 mm for 105 mm/);
    expect(wrong("chisel", "zero", { shownA: 0.1, trueA: 0.06, shownB: 0.09, trueB: 0.15 })).toHaveProperty(
      "shownB",
    );
    expect(judged("chisel", "holds", { choices: { held: "cancels", trigger: "depth" } })).toMatch(
      /command it while driving/,
    );
    expect(
      judged("chisel", "system", { choices: { fitted: "yes", declared: "none", bled: "yes", frame: "yes" } }),
    ).toMatch(/^unknown/);
  });
});

describe("every guide", () => {
  const steps = GUIDES.flatMap(({ key, steps: own }) =>
    own.map((step) => [`${key} ${step.key}`, step] as const),
  );
  it("has each tool once, and keys of its own", () => {
    const tools = GUIDES.flatMap((each) => each.tools);
    expect(new Set(tools).size).toBe(tools.length);
    expect(new Set(steps.map(([key]) => key)).size).toBe(steps.length);
  });

  it.each(steps)("%s: follows a school there is, says how, and asks of what it is told", (_, step) => {
    expect(step.how.length).toBeGreaterThan(0);
    if (step.school) expect(SCHOOLS).toHaveProperty(step.school);
    for (const field of step.fields) expect(field.label, field.key).not.toBe("");
    if (step.key !== "depth") expect(step.fields.length).toBeGreaterThan(0);
  });
});
