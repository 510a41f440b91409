import { describe, expect, it } from "vitest";
import { plain } from "../../finding/sample-words.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { HoseFunction, Supply } from "../../yard/circuit.ts";
import { hoseChecks, hosesOf } from "./checks.ts";
import { litresPerMinute, sampleFunction, sampleRemote, sampleSupply } from "./sample.ts";

/** What the hoses station says of one tool with these functions, each check as "verdict id: words". */
function said(
  functions: readonly Partial<HoseFunction>[],
  tractor: Partial<Supply> = {},
  sockets: string[] = [],
  lines: Lines = {},
): string[] {
  const whole = sampleWhole([samplePart("mounted", { ...MOUNTED, ...lines })], {
    hoses: {
      supply: sampleSupply(
        [1, 2].map((number) => sampleRemote(number, { flow: litresPerMinute(60) })),
        tractor,
      ),
      functions: functions.map((fn, at) => ({ ...sampleFunction(at + 1, fn), part: 0 })),
      pins: new Map(),
      habits: new Map(),
      told: [true],
      sockets: [sockets],
    },
  });
  return hoseChecks(whole, hosesOf(whole)).map(
    ({ verdict, id, said: words, why }) => `${verdict} ${id}: ${plain(words)} ${plain(why)}`,
  );
}

describe("what was entered wrong", () => {
  it("is a function used in no phase", () => {
    expect(said([{ name: "Wings", uses: {} }])).toContainEqual(
      expect.stringMatching(/^fix no-phase:1: Wings is used in no phase/),
    );
  });

  it("is a charged line that lends its coupling before it is let off", () => {
    const bed = { kind: "suspension", name: "Bed relief" };
    const lent = expect.stringMatching(
      /^check charge:1: Bed relief is charged, and does not keep its coupling/,
    );
    expect(said([{ ...bed, uses: { unfold: "moves" } }])).toContainEqual(lent);
    expect(
      said([{ ...bed, uses: { unfold: "moves", field: "holds", uncouple: "moves" } }]),
    ).not.toContainEqual(lent);
  });

  it.each([
    [{ flow: 0 }],
    [{ action: "motor" as const, motor: { displacement: 16e-6, speed: 0, caseDrain: false } }],
  ])("is a flow of nothing: %j", (fn) => {
    expect(said([{ name: "Fan", ...fn }])).toContainEqual(
      expect.stringMatching(/^fix no-flow:1: Fan wants 0 l\/min/),
    );
  });

  it("is a planter pressed in by oil without that function, and a bulk fill without a fan; springs need neither", () => {
    const planter = {
      "tool.kind": "planter",
      "tool.downforce": "hydraulic",
      "tool.hoppers": "bulk",
    } as const;
    const ids = (functions: readonly Partial<HoseFunction>[], lines: Lines) =>
      said(functions, {}, [], lines)
        .map((each) => each.split(":")[0]!)
        .filter((each) => /no-/.test(each));
    const [lift, press, fan] = ["lift", "downforce", "fan"].map((kind) => ({ kind, name: kind }));
    expect(ids([lift!], planter)).toEqual(["fix no-downforce", "check no-fan"]);
    expect(ids([lift!, press!, fan!], planter)).toEqual([]);
    expect(ids([lift!], { ...planter, "tool.downforce": "springs", "tool.hoppers": "row" })).toEqual([]);
    expect(ids([lift!], { "tool.kind": "planter" })).toEqual([]);
  });

  it("is a motor faster than any remote allows: a stop with both figures", () => {
    const fan = { name: "Fan", action: "motor", uses: { field: "runs" }, flow: litresPerMinute(75) } as const;
    const all = said([fan]);
    expect(all).toContainEqual(
      expect.stringMatching(
        /^stop too-fast:1: Fan wants 75 l\/min; the most any coupling here gives is 60 l\/min/,
      ),
    );
    expect(all).toContainEqual(
      expect.stringMatching(/^stop assignment: .*Fan needs more flow than a remote gives/),
    );
    expect(said([fan], { powerBeyond: true, pumpFlow: litresPerMinute(120) })[0]).toMatch(/^good assignment/);
  });

  it("is a pin to a remote that does not fit, told as the reason", () => {
    expect(
      said([{ name: "Lift", uses: { field: "floats" } }], {
        remotes: [sampleRemote(1, { float: false })],
      })[0],
    ).toMatch(/^stop assignment: .*Lift needs float: nothing here has it.*give remote 1 float/i);
  });
});

describe("what it says of what it found", () => {
  it("names the movement that is slowed, its times, and whether a motor starves", () => {
    const lift = {
      name: "Lift",
      flow: litresPerMinute(50),
      uses: { headland: "moves" },
      cylinder: { bore: 0.08, rod: 0.04, stroke: 0.42, count: 2 },
    } as const;
    const fan = {
      name: "Fan",
      action: "motor",
      uses: { headland: "runs" },
      flow: litresPerMinute(40),
    } as const;
    const slow = said([lift, fan], { pumpFlow: litresPerMinute(65) }).find((each) =>
      each.includes(" flow:"),
    )!;
    // 25 of 50 l/min: twice 5.1 s
    expect(slow).toMatch(/^check flow: Lift at headland gets 25 l\/min of 50 l\/min, 10 s instead of 5.1 s/);
    expect(said([fan, { ...fan, name: "Pump" }], { pumpFlow: litresPerMinute(60) }).join()).toMatch(
      /fix flow: .*does not do its work/,
    );
    expect(said([lift]).join()).toContain("suffice for all that moves at once");
  });

  it("holds the oil that goes into the implement against what can be spared", () => {
    const big = { cylinder: { bore: 0.12, rod: 0.07, stroke: 1, count: 4 } };
    expect(said([big], { spareOil: 0.004 })).toContainEqual(
      expect.stringMatching(/^fix oil: 15.4 l go into the implement.*11.4 l too little/),
    );
    expect(said([big])).toContainEqual(expect.stringMatching(/^good oil/));
  });

  it("misses sockets by name", () => {
    const all = said([{}], { sockets: ["7-pin lights"] }, ["7-pin lights", "implement bus"]);
    expect(all).toContainEqual(
      expect.stringMatching(/^fix sockets: tool 1 needs implement bus; the tractor has none/),
    );
  });
});

describe("more ways than can be weighed", () => {
  const used = { field: "moves", headland: "moves" } as const;
  const remotes = (rest: (number: number) => Parameters<typeof sampleRemote>[1]) =>
    Array.from({ length: 11 }, (_, at) => sampleRemote(at + 1, rest(at + 1)));
  const functions = (rest: (number: number) => Partial<HoseFunction>) =>
    Array.from({ length: 11 }, (_, at) => ({ name: `Function ${at + 1}`, uses: used, ...rest(at + 1) }));

  it("are unknown, neither good nor impossible, with what makes them tellable", () => {
    // Three that the terminal must drive, and one remote it can drive: nothing works, but to see it takes eight factorial.
    const all = said(
      functions((number) => ({ automatic: number > 8 })),
      { remotes: remotes((number) => ({ automatic: number === 1 })) },
    );
    expect(all).toContainEqual(
      expect.stringMatching(
        /^unknown assignment: 11 functions used at once on 11 couplings: there are too many ways to weigh\. .*Pin the functions/,
      ),
    );
    // Nor does the oil suffice for what nobody knows how to plug in.
    expect(all).toHaveLength(1);
  });

  it("a plan that was found in them is shown, and not said to be the best", () => {
    const all = said(
      functions((number) => (number < 9 ? {} : { uses: { transport: "moves" }, automatic: true })).slice(
        0,
        10,
      ),
      { remotes: remotes((number) => ({ automatic: number > 7 })).slice(0, 9) },
    );
    expect(all.find((each) => / assignment: /.test(each))).toMatch(/not proved, there are too many to weigh/);
  });
});
