import { describe, expect, it } from "vitest";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { type Lines, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import { costOf, meanCost, ranked } from "./cost.ts";
import { hangsOn, type OfRig, worldOfRig } from "./of-rig.ts";
import type { Outcome, Worked } from "./outcome.ts";
import { widthOf, workAlong } from "./rig.ts";
import { worldSaid } from "./said.ts";

const DRAWN: Lines = {
  "receiver.foreAft": "1.6",
  "receiver.lateral": "4 cm right",
  "axle.pin": "1.1",
  "pin.pivot": "4.4",
  "pin.workFront": "4.0",
  "pin.workRear": "5.0",
  "tool.lateral": "10 cm left",
  "tool.width": "6.0",
  "work.overlap": "0.1",
  "tool.kind": "drill",
};
const whole = (over: Lines = {}) => sampleWhole([samplePart("drawn", { ...DRAWN, ...over })]);
const made = (over: Lines = {}, really: Partial<Record<DimensionKey, number>> = {}) => {
  const of = worldOfRig(whole(over), 0, really);
  if ("key" in of) throw new Error(of.key);
  return of as OfRig;
};

describe("a rig of the world, out of readings", () => {
  it("stands where its readings put it: by hand", () => {
    const { rigs, assumed } = made();
    // From the axle back: pin 1.1, work 1.1 + (4 + 5)/2; wheels 4.4 behind the pin.
    expect(workAlong(rigs.truth)).toBeCloseTo(-1.1 - 4.5, 9);
    expect(rigs.truth.train).toEqual([{ behind: 0, hitch: 1.1, pivot: 4.4 }]);
    expect(rigs.truth.antenna).toEqual({ frame: "rear", ahead: 1.6, right: expect.closeTo(0.04, 9) });
    expect(rigs.truth.work.right).toBeCloseTo(-0.1, 9);
    expect(widthOf(rigs.truth)).toBeCloseTo(6, 9);
    expect(rigs.believed).toEqual(rigs.truth);
    expect(assumed.map(({ key }) => key)).toContain("tractor.turnRadius");
  });

  it("is another where a reading really is another, and the terminal keeps what it was told", () => {
    const { rigs } = made({}, { "tool.lateral": 0.15, "tool.width": 5.5 });
    expect(rigs.believed.work.right).toBeCloseTo(-0.1, 9);
    expect(rigs.truth.work.right).toBeCloseTo(0.15, 9);
    expect(widthOf(rigs.truth)).toBeCloseTo(5.5, 9);
  });

  it("says which reading it hangs on where one is not known, never takes it for nothing", () => {
    expect(worldOfRig(whole({ "pin.pivot": undefined }), 0, {})).toMatchObject({ key: "pin.pivot" });
    expect(worldOfRig(whole({ "receiver.foreAft": undefined }), 0, {})).toMatchObject({
      key: "receiver.foreAft",
    });
  });

  it("hangs on what moves or switches the work, and on nothing that does not", () => {
    const keys = hangsOn(whole(), 0).map(({ key }) => key);
    expect(keys).toEqual(
      expect.arrayContaining([
        "receiver.lateral",
        "receiver.foreAft",
        "axle.pin",
        "pin.pivot",
        "tool.lateral",
        "tool.width",
      ]),
    );
    expect(keys).not.toContain("work.overlap");
    expect(keys).not.toContain("receiver.height");
  });
});

const worked = (over: Partial<Worked>): Worked => ({
  once: 0,
  twice: 0,
  inside: 0,
  outside: 0,
  left: 0,
  counted: 10_000,
  ...over,
});
const outcome = (truth: Partial<Worked>, dose = 1): Outcome => ({
  truth: worked({ inside: 10_000, ...truth }),
  believed: worked({ inside: 10_000 }),
  field: 10_000,
  dose,
  way: 1000,
  seconds: 600,
});

describe("what it costs", () => {
  const worth = { rate: 0.02, price: 0.5, crop: 0.09 };

  it("is crop where nothing was done, and product where it was done twice: by hand", () => {
    const cost = costOf(outcome({ left: 200, twice: 100, outside: 50 }), outcome({}), 1, worth);
    // 200 m² at 900 a hectare; 150 m² at 0.02 kg and 0.5 a kilogram.
    expect(cost.money).toBeCloseTo(200 * 0.09 + 150 * 0.02 * 0.5, 9);
    expect(cost.product).toBeCloseTo(3, 9);
    // A tenth too much on a hectare: 1000 m² worth of product.
    expect(costOf(outcome({}, 1.1), outcome({}), 1, worth).product).toBeCloseTo(0.1 * 10_000 * 0.02, 6);
  });

  it("is no money where nothing has a price, and says which has", () => {
    const bare = costOf(outcome({ left: 200 }), outcome({}), 1, {
      rate: null,
      price: null,
      crop: null,
    });
    expect(bare).toMatchObject({ money: null, product: null, priced: { crop: false, product: false } });
    const some = costOf(outcome({ left: 200 }), outcome({}), 1, { ...worth, price: null });
    expect(some.priced).toEqual({ crop: true, product: false });
  });

  it("puts the dearest first, and what has no price by its ground", () => {
    const of = (left: number, crop: number | null) =>
      meanCost([costOf(outcome({ left }), outcome({}), 1, { rate: null, price: null, crop })]);
    const priced = ranked([{ cost: of(10, 0.09) }, { cost: of(90, 0.09) }]);
    expect(priced[0]!.cost.left).toBe(90);
    const unpriced = ranked([{ cost: of(10, null) }, { cost: of(90, null) }]);
    expect(unpriced[0]!.cost.left).toBe(90);
  });
});

describe("what came of it, in words", () => {
  const joints = (up: number, down: number) => ({
    count: 40,
    mean: (up + down) / 2,
    least: Math.min(up, down),
    most: Math.max(up, down),
    after: { up, down },
  });

  it("names the side, and how far: a quarter of how far joints differ", () => {
    const said = worldSaid(outcome({}), { ground: joints(-0.4, 0.4), map: joints(0, 0) }, 1);
    expect(said.map(({ key }) => key)).toEqual(["alternate"]);
    expect(JSON.stringify(said)).toContain("right");
    expect(
      JSON.stringify(worldSaid(outcome({}), { ground: joints(0.4, -0.4), map: joints(0, 0) }, 1)),
    ).toContain("left");
  });

  it("says that nothing is seen where nothing is, and counts what the counter shows", () => {
    expect(
      worldSaid(outcome({}), { ground: joints(0, 0), map: joints(0, 0) }, 1).map(({ key }) => key),
    ).toEqual(["nothing"]);
    expect(worldSaid(outcome({}), { ground: null, map: null }, 1.05).map(({ key }) => key)).toEqual([
      "shown",
    ]);
    expect(worldSaid(outcome({}, 1.04), { ground: null, map: null }, 1).map(({ key }) => key)).toEqual([
      "dose",
    ]);
  });
});
