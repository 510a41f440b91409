import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { figured, told } from "../../finding/sample-words.ts";
import { powerOf } from "../../forces/power-of-rig.ts";
import { figuresIn } from "../../quantity/said.ts";
import { DRAWN, type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { balanceOf } from "./balance-of-rig.ts";
import { balanceChecks } from "./checks.ts";
import { minimumFront } from "./loads.ts";

const balanced = (whole: WholeRig) => {
  const loads = balanceOf(whole, powerOf(whole));
  return { loads, checks: balanceChecks(whole, loads) };
};

const checked = (whole: WholeRig, id: string) => balanced(whole).checks.find((check) => check.id === id);
const mounted = (lines: Lines = {}, rest: Partial<WholeRig> = {}) =>
  sampleWhole([samplePart("mounted", { ...MOUNTED, ...lines })], rest);
const loadsOf = (whole: WholeRig) => {
  const { loads } = balanced(whole);
  if (!loads.ok) throw new Error(loads.missing);
  return loads;
};

const PLATES = { id: 1, what: "plate", mass: 50, x: 4.25, count: 20, fitted: 0 };

describe("a tool carried behind", () => {
  it("leaves the front axle of the worked example 1279 kg, 20.6 %", () => {
    const { states } = loadsOf(mounted());
    const lifted = states.find(({ id }) => id === "lifted empty")!;
    expect(lifted.front).toBeCloseTo(1279, 0);
    expect(figured(checked(mounted(), "front"))).toEqual(["good", 1279, 0.2063]);
  });

  it("carries 2242 kg in front and 6208 kg behind with 600 kg 1.60 m ahead, as in the example", () => {
    const { states } = loadsOf(mounted({}, { weights: [{ ...PLATES, mass: 600, count: 1, fitted: 1 }] }));
    const lifted = states.find(({ id }) => id === "lifted empty")!;
    expect([lifted.front, lifted.rear].map(Math.round)).toEqual([2242, 6208]);
  });

  it("stops under 20 %, and proposes the smallest set that cures every state", () => {
    const whole = mounted({ "tool.mass": "2000 kg" }, { weights: [PLATES] });
    expect(figured(checked(whole, "front"))).toEqual(["stop", 1042, 0.168, 0.2]);
    const { proposal } = loadsOf(whole);
    const count = proposal.ok ? proposal.set[0]!.count : 0;
    const manual = minimumFront({
      tractor: 6200,
      tractorFront: 2400,
      b: 2.65,
      a: 1.6,
      c: 1.05,
      d: 0.75,
      rearMass: 2000,
      frontMass: 0,
    } as never);
    expect(count).toBe(Math.ceil(manual / 50));
    expect(told(checked(whole, "ballast"))).toContain(`None on. ${count} × plate`);
    expect(figured(checked(whole, "ballast"))).toEqual(["fix", 50 * count]);
    const cured = mounted({ "tool.mass": "2000 kg" }, { weights: [{ ...PLATES, fitted: count }] });
    expect(told(checked(cured, "front"))).toMatch(/^good/);
    expect(told(checked(cured, "ballast"))).toMatch(/^good: .*enough, and no more than needed/);
    const heavy = mounted({ "tool.mass": "2000 kg" }, { weights: [{ ...PLATES, fitted: count + 4 }] });
    expect(told(checked(heavy, "ballast"))).toMatch(/^note/);
  });

  it("stops where the axle lifts off, by how much is missing for it to touch", () => {
    const whole = mounted({ "tool.mass": "4000 kg" });
    expect(told(checked(whole, "front"))).toContain("the front axle lifts off");
    expect(figured(checked(whole, "front"))).toEqual(["stop", 317]);
  });

  it("says what stays short where no set of the stock does", () => {
    const whole = mounted({ "tool.mass": "3000 kg" }, { weights: [{ ...PLATES, count: 2 }] });
    expect(told(checked(whole, "ballast"))).toMatch(
      /^fix: No set of the weights entered satisfies every state: .* short/,
    );
  });

  it("counts the tank: full, half, empty", () => {
    const { states } = loadsOf(mounted({ "tool.load": "600 kg", "tool.loadCg": "0.9" }));
    const front = (id: string) => states.find((state) => state.id === id)!.front;
    expect(front("lifted half")).toBeCloseTo((front("lifted empty") + front("lifted full")) / 2, 6);
    expect(front("lifted full")).toBeLessThan(front("lifted empty"));
  });

  it("stops over a permitted axle or gross mass, by how much", () => {
    expect(figured(checked(mounted({ "tractor.rearLimit": "6000 kg" }), "rear-limit"))).toEqual([
      "stop",
      6571,
      6000,
      570.8,
    ]);
    expect(figured(checked(mounted({ "tractor.grossLimit": "7000 kg" }), "gross-limit"))).toEqual([
      "stop",
      7850,
      7000,
      850,
    ]);
    expect(told(checked(mounted(), "rear-limit"))).toMatch(/^unknown/);
  });

  it("holds loads at work against the maker's limit for work, or the road's as a check said as such", () => {
    // A sprayer-like tool that hangs at work as on the road; pulling puts more on the rear axle than standing does.
    const pulled = (lines: Lines) =>
      mounted({
        "tool.kind": "plough",
        "tool.draft": "mouldboard plough",
        "tool.width": "1.6",
        "work.depth": "22 cm",
        "work.control": "draft",
        "work.draftShare": "100 %",
        "tractor.frontLimit": "4000 kg",
        ...lines,
      });
    const states = loadsOf(pulled({})).states;
    const [road, work] = [
      Math.max(...states.filter(({ must }) => must).map(({ rear }) => rear)),
      Math.max(...states.filter(({ must }) => !must).map(({ rear }) => rear)),
    ];
    expect(work).toBeGreaterThan(road + 100);
    const between = Math.round((road + work) / 2);
    const limit = (lines: Lines) =>
      checked(pulled({ "tractor.rearLimit": `${between} kg`, ...lines }), "rear-limit");
    expect(told(limit({}))).toMatch(/^check: .*over it at work. No limit for work is told/);
    expect(told(limit({ "tractor.rearFieldLimit": `${Math.ceil(work) + 10} kg` }))).toMatch(/^good/);
    expect(told(limit({ "tractor.rearFieldLimit": `${between + 5} kg` }))).toMatch(/^stop: .* at work, /);
  });

  it("refuses to believe a centre of gravity behind the tail, and slips that do not add up", () => {
    expect(figured(checked(mounted({ "pin.workRear": "0.6" }), "tail"))).toEqual(["fix", 0.15]);
    expect(told(checked(mounted({ "tractor.mass": "6000 kg" }), "scale"))).toMatch(/^fix: .*3.3 % more/);
  });
});

describe("a tool that touches no ground", () => {
  it("hangs on the lift at work as on the road", () => {
    const { states } = loadsOf(
      mounted({ "tool.kind": "spreader", "tool.pto": "none", "tool.load": "900 kg", "tool.loadCg": "0.7" }),
    );
    const [road, work] = ["lifted full", "pulling full"].map((id) => states.find((each) => each.id === id)!);
    expect(work!.rear).toBeCloseTo(road!.rear, 6);
    expect(work!.total).toBeCloseTo(6200 + 1650 + 900, 6);
  });
});

describe("a tool in front", () => {
  const front: Lines = { ...MOUNTED, "axle.pin": "3.6", "tool.mass": "1800 kg", "tool.cg": "0.9" };
  it("asks for 45 % on the rear axle", () => {
    const whole = sampleWhole([samplePart("front", front)]);
    expect(figured(checked(whole, "rear"))).toEqual(["fix", 2543, 0.4102, 0.45]);
    const { states, manual } = loadsOf(whole);
    const lifted = states.find(({ id }) => id === "lifted empty")!;
    // Moments about the front axle: 1800 kg 1.85 m ahead of it.
    expect(lifted.rear).toBeCloseTo(3800 - (1800 * 1.85) / 2.65, 6);
    expect(manual.rear).toBeGreaterThan(0);
  });

  it("has both ends' headland as states of their own", () => {
    const whole = sampleWhole([samplePart("front", front), samplePart("mounted", MOUNTED)]);
    const ids = loadsOf(whole).states.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(["step 1", "lowered 0", "lowered 1", "lifted empty"]));
  });
});

describe("a boom built on its machine", () => {
  const SPRAYER: Lines = {
    "tractor.front": "3600 kg",
    "tractor.rear": "4200 kg",
    "tractor.wheelbase": "3.2",
    "tractor.frontLimit": "6500 kg",
    "tractor.rearLimit": "6800 kg",
    "tractor.grossLimit": "13000 kg",
    "tool.kind": "sprayer",
    "tool.load": "4800 kg",
    "tool.loadCg": "1.2",
  };
  const sprayer = (lines: Lines = {}) => sampleWhole([samplePart("boom", { ...SPRAYER, ...lines })]);

  it("is weighed with it: empty it is the slip, full the tank is shared by its lever", () => {
    const { states } = loadsOf(sprayer());
    expect(states.map(({ label }) => label)).toEqual(["Standing, empty", "Standing, half", "Standing, full"]);
    expect(states[0]).toMatchObject({ front: 3600, rear: 4200 });
    // Moments about the rear axle: 4800 kg · 1.2 m / 3.2 m = 1800 kg more in front.
    expect(states[2]!.front).toBeCloseTo(5400, 6);
    expect(states[2]!.rear).toBeCloseTo(7200, 6);
    expect(states[1]!.rear).toBeCloseTo(5700, 6);
  });

  it("stops where the full tank is too much for the rear axle, and is asked where the tank lies", () => {
    const over = checked(sprayer(), "rear-limit")!;
    expect(figured(over)).toEqual(["stop", 7200, 6800, 400]);
    expect(told(over)).toContain("Fill no more than");
    expect(figuresIn(over.why).map((figure) => figure.toFixed(2))).toEqual(["4160.00", "0.86"]);
    expect(told(checked(sprayer({ "tool.load": "3800 kg" }), "rear-limit"))).toMatch(/^good/);
    const { "tool.loadCg": _, ...untold } = SPRAYER;
    expect(balanced(sampleWhole([samplePart("boom", untold)])).loads).toMatchObject({
      ok: false,
      missing: "tool.loadCg",
    });
  });

  it("takes a tank behind the rear axle off the front one", () => {
    const { states } = loadsOf(sprayer({ "tool.loadCg": "-0.4" }));
    expect(states[2]!.front).toBeCloseTo(3600 - (4800 * 0.4) / 3.2, 6);
  });
});

describe("any rig", () => {
  const mass = fc.integer({ min: 50, max: 4000 }).map((kg) => `${kg} kg`);
  const place = fc.integer({ min: 60, max: 600 }).map((cm) => (cm / 100).toFixed(2));
  const lines = fc.record({ "tool.mass": mass, "tool.cg": place, "tool.load": mass, "tool.loadCg": place });
  const kinds = fc.constantFrom("mounted" as const, "front" as const, "drawn" as const, "semi" as const);

  it("stands on its wheels with all of its weight, in every state", () => {
    fc.assert(
      fc.property(kinds, lines, lines, fc.boolean(), (kind, own, other, train) => {
        const first = samplePart(kind, {
          ...MOUNTED,
          ...DRAWN,
          ...own,
          "axle.pin": kind === "front" ? "3.6" : "1.05",
        });
        const parts =
          train && kind === "drawn"
            ? [first, samplePart("train", { ...DRAWN, ...other, "train.hitch": "6.2" }, 0)]
            : [first];
        const whole = sampleWhole(parts, { weights: [{ ...PLATES, fitted: 2 }] });
        const tool = (each: Lines, fill: number) =>
          Number.parseInt(each["tool.mass"]!, 10) + fill * Number.parseInt(each["tool.load"]!, 10);
        for (const [id, fill] of [
          ["lifted empty", 0],
          ["lifted half", 0.5],
          ["lifted full", 1],
        ] as const) {
          const state = loadsOf(whole).states.find((each) => each.id === id)!;
          const stands =
            state.front + state.rear + state.tools.reduce<number>((sum, each) => sum + (each ?? 0), 0);
          const weighs = 6200 + 100 + tool(own, fill) + (parts.length > 1 ? tool(other, fill) : 0);
          expect(stands).toBeCloseTo(weighs, 6);
        }
      }),
    );
  });
});

describe("tyres", () => {
  const cells = [0.8, 1.2, 1.6].flatMap((bar, row) =>
    [10, 40].map((kmh, column) => ({
      pressure: bar * 1e5,
      speed: kmh / 3.6,
      load: 2000 + row * 600 - column * 500,
    })),
  );
  const rear = { label: "rear tyre", count: 2, table: { cells } };
  const on = (lines: Lines, rest: Partial<typeof rear> = {}) =>
    mounted(
      { "tractor.roadSpeed": "40 km/h", "tool.mass": "400 kg", ...lines },
      { tyres: { front: null, rear: { ...rear, ...rest }, tools: [null] } },
    );
  const bar = (left: string, right = left): Lines => ({
    "tractor.pressureRearLeft": `${left} bar`,
    "tractor.pressureRearRight": `${right} bar`,
  });

  it("are alike across an axle", () => {
    expect(told(checked(on(bar("1.2", "0.9")), "alike-rear"))).toContain("right tyre has");
    expect(figured(checked(on(bar("1.2", "0.9")), "alike-rear"))).toEqual(["fix", 30_000, 120_000, 90_000]);
    expect(checked(on(bar("1.2")), "alike-rear")).toBeUndefined();
  });

  it("need for the road what the table says between its figures", () => {
    // Lifted: 3800 + 400 · (1 + 1.80/2.65) = 4472 kg, 2236 kg a tyre; at 40 km/h between 2100 at 1.2 and 2700 at 1.6 bar.
    const wanted = 1.2 + (0.4 * (2235.8 - 2100)) / 600;
    const soft = figured(checked(on(bar("1.2")), "tyres-rear"));
    expect(soft).toEqual(["check", 120_000, 95_720, Number((wanted * 1e5).toPrecision(4))]);
    expect(told(checked(on(bar("1.25")), "tyres-rear"))).toMatch(/^good/);
    expect(told(checked(on(bar("1.3")), "tyres-rear"))).toMatch(/^note: .*still as hard as for the road/);
    expect(told(checked(on(bar("0.6")), "tyres-rear"))).toMatch(/^stop: .*too soft even for the field/);
    expect(told(checked(on(bar("1.1")), "tyres-rear"))).toMatch(/^check: .*too soft for the road/);
    expect(told(checked(on(bar("2.2")), "tyres-rear"))).toMatch(/^check: .*harder than even the road asks/);
  });

  it("are held against what they are set for, once somebody said: field, road, or both as they are", () => {
    const set = (aim: string, pressure: string) =>
      told(checked(on({ ...bar(pressure), "work.tyreAim": aim } as Lines), "tyres-rear"));
    // The table of this example asks for 0.96 bar in the field and 1.29 bar on the road, as above.
    expect(set("field", "1.0")).toMatch(/^good: .*set for the field.*pump up before the road/);
    expect(set("field", "1.3")).toMatch(/^check: .*still as hard as for the road/);
    expect(set("field", "0.6")).toMatch(/^stop/);
    expect(set("road", "1.0")).toMatch(/^fix: .*too soft for the road/);
    for (const aim of ["field", "road", "both"]) expect(set(aim, "0.6"), aim).toMatch(/^stop/);
    expect(set("road", "1.3")).toMatch(/^good: .*set for the road/);
    expect(set("both", "1.0")).toMatch(/^fix/);
    expect(set("both", "1.3")).toMatch(/^good: .*field and road alike/);
    expect(set("both", "2.2")).toMatch(/^check: .*harder than even the road/);
  });

  it("are never read past the end of their table", () => {
    expect(told(checked(on({ ...bar("1.6"), "tool.mass": "2500 kg" }), "tyres-rear"))).toMatch(
      /^stop: .*more than rear tyre carries/,
    );
    const slow = { table: { cells: cells.filter(({ speed }) => speed < 5) } };
    expect(figured(checked(on(bar("1.6"), slow), "tyres-rear"))).toEqual(["fix", 2.778, 11.11]);
    expect(told(checked(on(bar("1.6"), { table: { cells: [] } }), "tyres-rear"))).toMatch(/^check: .*hole/);
    expect(told(checked(mounted(), "tyres-rear"))).toMatch(/^unknown: No tyre table/);
  });
});
