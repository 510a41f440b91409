import { inverse, Matrix } from "ml-matrix";
import { describe, expect, it } from "vitest";
import { plain } from "../../finding/sample-words.ts";
import { DRAWN, type Lines, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import { type Adjuster, type DepthMap, NO_GROUND, type PartGround } from "../../yard/ground.ts";
import { groundChecks } from "./checks.ts";
import { gridOf } from "./grid.ts";
import { groundOf } from "./ground-of-rig.ts";
import { groundTolerance } from "./tolerance.ts";

const TOOL: Lines = {
  ...DRAWN,
  "tool.kind": "cultivator",
  "tool.width": "6 m",
  "pin.workFront": "4 m",
  "pin.workRear": "6 m",
};

const screw = (id: number, label: string, more: Partial<Adjuster> = {}): Adjuster => ({
  id,
  label,
  form: "turnbuckle",
  low: 0,
  high: 10,
  storage: null,
  start: null,
  effect: { front: -0.004, rear: -0.004, across: 0 },
  acts: null,
  learntFrom: null,
  error: null,
  master: null,
  x: null,
  y: null,
  up: null,
  pair: null,
  how: "",
  setting: 5,
  ...more,
});

/** A map of six points each way on a plane, some of them off by so much. */
const mapOf = (
  depth: number,
  fore: number,
  across: number,
  more: { off?: Record<string, number>; settings?: [number, number][]; id?: string } = {},
): DepthMap => ({
  id: more.id ?? "m",
  field: "Long Acre",
  wanted: 0.1,
  person: "Mira",
  at: "2026-06-01T08:00:00Z",
  settings: new Map(more.settings ?? []),
  points: gridOf(samplePart("drawn", TOOL), 6).map(({ label, x, y }, at) => ({
    label,
    x,
    y,
    depth: depth + (fore * x) / 2 + (across * y) / 6 + ((at * 7) % 5) / 10_000 + (more.off?.[label] ?? 0),
  })),
});

const wholeOf = (ground: Partial<PartGround>, lines: Lines = TOOL) =>
  sampleWhole([samplePart("drawn", lines)], {
    ground: [{ ...NO_GROUND, ...ground }],
  });
const said = (ground: Partial<PartGround>, lines: Lines = TOOL) => {
  const whole = wholeOf(ground, lines);
  return groundChecks(whole, { maps: groundOf(whole), strips: [] }).map(
    ({ verdict, id, said: words, why }) => `${verdict} ${id}: ${plain(words)} ${plain(why)}`,
  );
};

describe("what the ground says", () => {
  it("is not known where nobody measured, and not asked of what works no soil", () => {
    expect(said({})).toEqual([expect.stringMatching(/^unknown map: Nobody measured how deep it works/)]);
    expect(said({}, { ...TOOL, "tool.kind": "sprayer" })).toEqual([]);
  });

  it("is good within tolerance, with the figures", () => {
    expect(said({ map: mapOf(0.104, 0.004, -0.003) })[0]).toMatch(
      /^good map: Wanted 100 mm, measured 104(\.\d)? mm in the middle\. 4(\.\d)? mm too deep \(within 10 mm\); .* deeper in front/,
    );
  });

  it("names what to turn, how far, and how it then is", () => {
    const [check] = said({ map: mapOf(0.118, 0, 0), adjusters: [screw(1, "Wheel screw")] });
    // 18 mm too deep, 4 mm a turn: three turns leave 6.2 mm, within; four leave 2.2 mm, well within, by the same screw.
    expect(check).toMatch(
      /^fix map: .*Wheel screw: 4 turns more, to 9\. Then it is 2(\.\d)? mm too deep \(within 10 mm\)/,
    );
  });

  it("asks for adjusters where none says what a step does", () => {
    expect(
      said({ map: mapOf(0.13, 0, 0), adjusters: [screw(1, "Wheel screw", { effect: null })] })[0],
    ).toMatch(/Tell its adjusters/);
  });

  it("turns a pair alike, and says which end of a range is in the way", () => {
    const pair = [
      screw(1, "Left", { high: 6 }),
      screw(2, "Right", { high: 6, pair: { id: 1, difference: 0 } }),
    ];
    const [of] = groundOf(wholeOf({ map: mapOf(0.13, 0, 0), adjusters: pair }));
    expect(of!.advice!.turns.map(({ adjuster, steps }) => [adjuster.label, steps])).toEqual([
      ["Left", 1],
      ["Right", 1],
    ]);
    expect(of!.advice!.within).toBe(false);
    expect(of!.advice!.binds.map(({ label }) => label)).toEqual(["Left", "Right"]);
  });

  it("has a point that does not fit measured again, and calls it bent once it was", () => {
    const odd = mapOf(0.1, 0, 0, { off: { "rear 3": 0.03 } });
    expect(said({ map: odd }).find((each) => each.includes("odd:"))).toMatch(
      /^check odd:rear 3: Rear 3 lies \d+(\.\d)? mm deeper .* Measure it again/,
    );
    expect(
      said({ map: odd, before: mapOf(0.12, 0, 0, { off: { "rear 3": 0.03 } }) }).find((each) =>
        each.includes("odd:"),
      ),
    ).toMatch(/^fix odd:rear 3: .* bent, worn or set otherwise/);
    expect(
      said({ map: odd, before: mapOf(0.1, 0, 0, { off: { "front 2": 0.03 } }) }).find((each) =>
        each.includes("odd:"),
      ),
    ).toMatch(/^check odd:rear 3/);
  });

  it("finds adjusters out of range, in storage, and a pair that slipped; not one that differs on purpose", () => {
    const ids = (adjusters: Adjuster[]) =>
      said({ map: mapOf(0.1, 0, 0), adjusters })
        .map((each) => each.split(":").slice(0, 2).join(":"))
        .filter((each) => !/ map/.test(each));
    expect(ids([screw(1, "a", { setting: 12 })])).toEqual(["fix range:1"]);
    expect(ids([screw(1, "a", { storage: 0, setting: 0 })])).toEqual(["fix stored:1"]);
    expect(ids([screw(1, "a"), screw(2, "b", { setting: 7, pair: { id: 1, difference: 0 } })])).toEqual([
      "fix pair:2",
    ]);
    expect(ids([screw(1, "a"), screw(2, "b", { setting: 7, pair: { id: 1, difference: 2 } })])).toEqual([]);
    expect(ids([screw(1, "a", { setting: null })])).toEqual([]);
  });

  it("turns masters only; what is set on a slave is to be set there", () => {
    const slave = (setting: number) => screw(2, "Slave", { master: 1, setting });
    const [of] = groundOf(wholeOf({ map: mapOf(0.13, 0, 0), adjusters: [screw(1, "Master"), slave(0)] }));
    expect(of!.advice!.turns.map(({ adjuster }) => adjuster.label)).toEqual(["Master"]);
    expect(groundOf(wholeOf({ map: mapOf(0.13, 0, 0), adjusters: [slave(0)] }))[0]!.advice).toBeNull();
    const of2 = said({ map: mapOf(0.1, 0, 0), adjusters: [screw(1, "Master"), slave(2)] });
    expect(of2.find((each) => each.includes("slave:2"))).toMatch(
      /^fix slave:2: Slave stands at 2; it follows Master/,
    );
    expect(
      said({ map: mapOf(0.1, 0, 0), adjusters: [screw(1, "Master"), slave(0)] }).some((each) =>
        each.includes("slave"),
      ),
    ).toBe(false);
  });
});

describe("what the last turning taught", () => {
  const learnt = (now: DepthMap, before: DepthMap, adjusters: Adjuster[]) =>
    groundOf(wholeOf({ map: now, before, adjusters }))[0]!.learnt;
  const turned = (to: number) => ({ settings: [[1, to] as [number, number]] });

  it("is what a step did, of one that was turned alone", () => {
    const one = [screw(1, "Wheel screw")];
    const found = learnt(mapOf(0.106, 0, 0, turned(7)), mapOf(0.118, 0, 0, turned(5)), one)!;
    // 12 mm in two turns, 8 were foretold.
    expect(found.came.map(({ told, came }) => [told, Math.round(came * 1000)])).toEqual([
      [-0.008, -12],
      [-0.008, -12],
      [0, 0],
    ]);
    // The points lie on their plane but for tenths: nearly all of it is believed.
    expect(found.effect!.each.get(1)!.effect.front).toBeCloseTo(-0.006, 4);
    expect(found.wrongWay).toBe(false);
  });

  it("is that it went the other way, at once", () => {
    const one = [screw(1, "Wheel screw")];
    const [now, before] = [mapOf(0.126, 0, 0, turned(7)), mapOf(0.118, 0, 0, turned(5))];
    expect(learnt(now, before, one)!.wrongWay).toBe(true);
    expect(said({ map: now, before, adjusters: one })[0]).toMatch(
      /^fix wrong-way: Wheel screw 2 turns more: it went the other way/,
    );
  });

  it("is nothing where nothing was turned; of several it is shared out by how far each was told to go", () => {
    const two = [screw(1, "Left"), screw(2, "Right")];
    const both = (a: number, b: number) => ({
      settings: [
        [1, a],
        [2, b],
      ] as [number, number][],
    });
    expect(learnt(mapOf(0.1, 0, 0, both(5, 5)), mapOf(0.11, 0, 0, both(5, 5)), two)).toBeNull();
    // Told −4 mm a step each: −12 mm foretold, −18 came. The one turned two steps takes twice as much of the surplus.
    const several = learnt(mapOf(0.1, 0, 0, both(6, 7)), mapOf(0.118, 0, 0, both(5, 5)), two)!.effect!;
    expect(several.shared).toBe(true);
    const [left, right] = [
      several.each.get(1)!.effect.front + 0.004,
      several.each.get(2)!.effect.front + 0.004,
    ];
    expect(right / left).toBeCloseTo(2, 9);
    expect(left).toBeLessThan(0);
    expect(left + 2 * right).toBeCloseTo(-0.006, 3);
    // Their errors as the inverse of what is known beforehand and what the points say, by a matrix library.
    const error = several.each.get(2)!.error!.front;
    const shared = learnt(mapOf(0.1, 0, 0, both(6, 7)), mapOf(0.118, 0, 0, both(5, 5)), two)!;
    const e = shared.came.find(({ key }) => key === "front")!.error!;
    const before = 1 / (0.35 * 0.004 + 0.0005) ** 2;
    const known = new Matrix([
      [before + 1 / e ** 2, 2 / e ** 2],
      [2 / e ** 2, before + 4 / e ** 2],
    ]);
    expect(error).toBeCloseTo(Math.sqrt(inverse(known).get(1, 1)), 9);
    const untold = [two[0]!, { ...two[1]!, effect: null }];
    expect(learnt(mapOf(0.1, 0, 0, both(6, 7)), mapOf(0.118, 0, 0, both(5, 5)), untold)!.effect).toBeNull();
    const pair = [
      screw(1, "Left"),
      screw(2, "Right", {
        pair: { id: 1, difference: 0 },
        effect: { front: -0.004, rear: -0.004, across: 0.002 },
      }),
    ];
    const effect = learnt(mapOf(0.1, 0, 0, both(6, 6)), mapOf(0.11, 0, 0, both(5, 5)), pair)!.effect!;
    expect(effect.each.get(2)!.effect.front).toBeCloseTo(-0.005, 4);
    expect(effect.each.get(1)!.effect.front).toBeCloseTo(-0.005, 4);
  });
});

describe("how near it has to come", () => {
  it("is by kind, and level by half a degree, but never more at an end than the depth may be off", () => {
    expect(groundTolerance("plough", 3, 2).depth).toBe(0.02);
    expect(groundTolerance("drill", 0.3, 3).depth).toBe(0.005);
    expect(groundTolerance(null, 1, 8)).toMatchObject({ depth: 0.01, across: 0.02 });
    expect(groundTolerance("chisel", 1, 1).fore).toBeCloseTo(Math.tan(Math.PI / 360), 12);
  });
});
