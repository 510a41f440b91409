import { describe, expect, it } from "vitest";
import { unmet } from "./fit.ts";
import { sharesOf } from "./flow.ts";
import { inVolume, lentVolume, motorFlow, motorSpeed, outVolume, timeFor, wantedFlow } from "./oil.ts";
import { litresPerMinute, sampleFunction, sampleRemote, sampleSupply } from "./sample.ts";
import { lentOil } from "./times.ts";

const LITRE = 0.001;
/** 80 mm bore, 40 mm rod, 420 mm stroke, two of them. */
const PAIR = { bore: 0.08, rod: 0.04, stroke: 0.42, count: 2 };

describe("cylinders (textbook hydraulics: V = A · s, t = V / Q)", () => {
  it("take π/4 · d² · s going out, and the rod less coming in", () => {
    // 50.27 cm² · 42 cm · 2 = 4.222 l; the rod takes 12.57 cm² of it
    expect(outVolume(PAIR) / LITRE).toBeCloseTo(4.222, 3);
    expect(inVolume(PAIR) / LITRE).toBeCloseTo(3.167, 3);
  });

  it("take as long as the volume over the flow, and never where nothing flows", () => {
    // 4.222 l at 40 l/min: 6.33 s
    expect(timeFor(outVolume(PAIR), litresPerMinute(40))).toBeCloseTo(6.333, 2);
    expect(timeFor(outVolume(PAIR), 0)).toBeNull();
  });

  it("keep the rods' volume of the tractor's oil while out; single-acting ones all of it", () => {
    const double = sampleFunction(1, { cylinder: PAIR });
    const single = sampleFunction(2, { cylinder: PAIR, action: "single" });
    expect(lentVolume(double) / LITRE).toBeCloseTo(4.222 - 3.167, 2);
    expect(lentVolume(single) / LITRE).toBeCloseTo(4.222, 3);
    expect(lentOil([double, single]) / LITRE).toBeCloseTo(5.278, 2);
    expect(lentVolume(sampleFunction(3))).toBe(0);
  });
});

describe("motors (textbook hydraulics: Q = V · n / η)", () => {
  it("take displacement times speed, and the loss on top; and turn as fast as that lets them", () => {
    const motor = { displacement: 16e-6, speed: 3600 / 60, caseDrain: true };
    // 16 cm³ · 3600/min = 57.6 l/min; over 0.92
    expect(motorFlow(motor) * 60_000).toBeCloseTo(62.6, 1);
    expect(motorSpeed(motor, motorFlow(motor))).toBeCloseTo(60, 9);
    expect(motorSpeed({ ...motor, displacement: 0 }, 1)).toBe(0);
    expect(wantedFlow(sampleFunction(1, { motor }))).toBe(motorFlow(motor));
    expect(wantedFlow(sampleFunction(1, { motor, flow: 1e-4 }))).toBe(1e-4);
  });
});

describe("a pump that is shared", () => {
  const at = (litres: number | null) => () =>
    sampleRemote(1, { flow: litres === null ? null : litresPerMinute(litres) });
  const lift = sampleFunction(1, { uses: { headland: "moves", unfold: "moves" }, flow: litresPerMinute(50) });
  const marker = sampleFunction(2, {
    uses: { headland: "moves", unfold: "moves" },
    flow: litresPerMinute(30),
  });
  const fan = sampleFunction(3, { action: "motor", uses: { headland: "runs" }, flow: litresPerMinute(40) });
  const gets = (
    functions: Parameters<typeof sharesOf>[0],
    key: "headland" | "unfold",
    together: boolean,
    pump: number | null,
    remote = at(90),
  ) =>
    sharesOf(functions, { key, together }, remote, pump === null ? null : litresPerMinute(pump)).map(
      ({ gets: flow, slowedBy }) => [flow === null ? null : Math.round(flow * 60_000), slowedBy],
    );

  it("gives motors theirs first, and the rest in proportion to what moves at once", () => {
    // 104 − 40 = 64 for 80: four fifths each
    expect(gets([lift, marker, fan], "headland", true, 104)).toEqual([
      [40, "pump"],
      [24, "pump"],
      [40, null],
    ]);
  });

  it("gives each all it wants where one lever moves at a time", () => {
    expect(gets([lift, marker], "unfold", false, 60)).toEqual([
      [50, null],
      [30, null],
    ]);
  });

  it("says where the remote is the limit, and nothing where nothing is known", () => {
    expect(gets([lift], "unfold", false, 200, at(35))).toEqual([[35, "remote"]]);
    expect(gets([sampleFunction(1, { uses: { unfold: "moves" } })], "unfold", false, null, at(null))).toEqual(
      [[null, null]],
    );
  });

  it("starves motors together when even they want more than there is", () => {
    expect(gets([fan, { ...fan, id: 4 }], "headland", true, 60)).toEqual([
      [30, "pump"],
      [30, "pump"],
    ]);
  });
});

describe("what fits where", () => {
  const supply = sampleSupply([]);
  const lacks = (
    fn: Parameters<typeof sampleFunction>[1],
    remote: Parameters<typeof sampleRemote>[1],
    tractor = supply,
  ) => unmet(sampleFunction(1, fn), sampleRemote(1, remote), tractor);

  it.each([
    [{}, { action: "single" }, ["action"]],
    [{ action: "single" }, { action: "single" }, []],
    [{ uses: { field: "floats" } }, { float: false }, ["float"]],
    [{ automatic: true }, { automatic: false }, ["automatic"]],
    [{ place: "front" }, {}, ["place"]],
    [{ coupling: "1/2" }, { coupling: "3/4" }, ["coupling"]],
    [{ coupling: "1/2" }, { coupling: "" }, []],
    [{ action: "motor", flow: litresPerMinute(95) }, {}, ["flow"]],
    [{ action: "motor" }, { detent: false }, ["detent"]],
    [{ pressure: 250e5 }, {}, ["pressure"]],
  ] as const)("%j on %j lacks %j", (fn, remote, wanted) => {
    expect(lacks(fn as never, remote as never)).toEqual(wanted);
  });

  it("asks a motor for a free return, but not on the port for power beyond", () => {
    const bare = sampleSupply([], { freeReturn: false });
    expect(lacks({ action: "motor" }, {}, bare)).toEqual(["return"]);
    expect(unmet(sampleFunction(1, { action: "motor" }), sampleRemote(0), bare)).toEqual([]);
    expect(unmet(sampleFunction(1), sampleRemote(0), bare)).toEqual(["action"]);
  });
});
