import fc from "fast-check";
import { Matrix, solve } from "ml-matrix";
import { describe, expect, it } from "vitest";
import { loadAt, pressureFor, type TyreTable } from "../../yard/tyres.ts";
import type { Weight } from "../../yard/weights.ts";
import { proposeBallast, type Room } from "./ballast.ts";
import { axleLoads, minimumFront, minimumRear } from "./loads.ts";

/** The example of the formula most implement manuals print, worked by hand. */
const EXAMPLE = {
  tractor: 6200,
  tractorFront: 2400,
  tractorRear: 3800,
  frontMass: 0,
  rearMass: 1650,
  a: 1.6,
  b: 2.65,
  c: 1.05,
  d: 0.75,
};

const placed = ({ tractorFront, tractorRear, frontMass, rearMass, a, b, c, d }: typeof EXAMPLE) => [
  { what: "front axle", mass: tractorFront, x: b },
  { what: "rear axle", mass: tractorRear, x: 0 },
  { what: "front", mass: frontMass, x: a + b },
  { what: "rear", mass: rearMass, x: -(c + d) },
];

const mass = fc.double({ min: 0, max: 5000, noNaN: true });
const place = fc.double({ min: -6, max: 6, noNaN: true });

describe("axle loads", () => {
  it("are those of the worked example", () => {
    const bare = axleLoads({ axle: 2.65 }, placed(EXAMPLE));
    expect(bare.front).toBeCloseTo(1279, 0);
    expect(bare.front / 6200).toBeCloseTo(0.206, 3);
    const ballasted = axleLoads({ axle: 2.65 }, placed({ ...EXAMPLE, frontMass: 600 }));
    expect(ballasted.front).toBeCloseTo(2242, 0);
    expect(ballasted.rear).toBeCloseTo(6208, 0);
  });

  it("always sum to the total, and agree with moments about the other axle and with a linear solver", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ mass, x: place }), { minLength: 1, maxLength: 8 }),
        fc.double({ min: 1.8, max: 3.6, noNaN: true }),
        (given, wheelbase) => {
          const loads = given.map((each) => ({ what: "", ...each }));
          const { front, rear, total } = axleLoads({ axle: wheelbase }, loads);
          expect(front + rear).toBeCloseTo(total, 6);
          const aboutFront = loads.reduce((sum, each) => sum + each.mass * (wheelbase - each.x), 0);
          expect(rear).toBeCloseTo(aboutFront / wheelbase, 6);
          const solved = solve(
            new Matrix([
              [1, 1],
              [wheelbase, 0],
            ]),
            Matrix.columnVector([total, loads.reduce((sum, each) => sum + each.mass * each.x, 0)]),
          );
          expect(solved.get(0, 0)).toBeCloseTo(front, 5);
          expect(solved.get(1, 0)).toBeCloseTo(rear, 5);
        },
      ),
    );
  });

  it("are moved rearward by a pull above the ground, not made heavier", () => {
    const still = axleLoads({ axle: 2.65 }, placed(EXAMPLE));
    const pulling = axleLoads({ axle: 2.65 }, placed(EXAMPLE), 2000 * 0.5);
    expect(pulling.front).toBeCloseTo(still.front - 1000 / 2.65);
    expect(pulling.total).toBe(still.total);
  });

  it("with the manual's least ballast leave exactly 20 % in front, 45 % behind", () => {
    const needed = { ...EXAMPLE, rearMass: 2300 };
    const frontMass = minimumFront(needed);
    expect(frontMass).toBeGreaterThan(0);
    expect(axleLoads({ axle: 2.65 }, placed({ ...needed, frontMass })).front).toBeCloseTo(0.2 * 6200, 6);
    const front = { ...EXAMPLE, frontMass: 3800, rearMass: 0 };
    const rearMass = minimumRear(front);
    expect(rearMass).toBeGreaterThan(0);
    expect(axleLoads({ axle: 2.65 }, placed({ ...front, rearMass })).rear).toBeCloseTo(0.45 * 6200, 6);
    expect(minimumFront({ ...EXAMPLE, rearMass: 0 })).toBe(0);
  });
});

const FREE: Room = {
  needFront: Number.NEGATIVE_INFINITY,
  needRear: Number.NEGATIVE_INFINITY,
  spareFront: Number.POSITIVE_INFINITY,
  spareRear: Number.POSITIVE_INFINITY,
  spareGross: Number.POSITIVE_INFINITY,
};

describe("ballast from what there is", () => {
  const stock: Weight[] = [
    { id: 1, what: "plate", mass: 45, x: 3.6, count: 10 },
    { id: 2, what: "block", mass: 650, x: 3.9, count: 1 },
    { id: 3, what: "wheel", mass: 120, x: 0, count: 4 },
  ];

  it("is nothing where nothing is needed", () => {
    expect(proposeBallast(stock, 2.7, FREE)).toEqual({ ok: true, set: [], mass: 0 });
  });

  it("takes the fewest plates that do", () => {
    const answer = proposeBallast(stock, 2.7, { ...FREE, needFront: 200 });
    expect(answer).toMatchObject({ ok: true, mass: 180, set: [{ count: 4, weight: { id: 1 } }] });
  });

  it("says what stays short where all of it is not enough, or a limit is in the way", () => {
    const short = proposeBallast(stock, 2.7, { ...FREE, needFront: 5000 });
    expect(short).toMatchObject({ ok: false, over: 0 });
    expect(!short.ok && short.shortFront).toBeCloseTo(5000 - (450 * 3.6 + 650 * 3.9) / 2.7);
    expect(proposeBallast(stock, 2.7, { ...FREE, spareGross: -50 })).toMatchObject({ ok: false, over: 50 });
  });

  it("is the lightest by brute force too", () => {
    const small = fc.record({
      mass: fc.integer({ min: 10, max: 200 }),
      x: fc.double({ min: -1.5, max: 4, noNaN: true }),
      count: fc.integer({ min: 0, max: 4 }),
    });
    fc.assert(
      fc.property(
        fc.array(small, { maxLength: 4 }),
        fc.integer({ min: -100, max: 600 }),
        fc.integer({ min: -100, max: 400 }),
        fc.integer({ min: 0, max: 900 }),
        (given, needFront, needRear, spareGross) => {
          const weights = given.map((each, id) => ({ id, what: "", ...each }));
          const room = { ...FREE, needFront, needRear, spareGross };
          const totals = weights.reduce<{ mass: number; front: number }[]>(
            (sums, { mass: each, x, count }) =>
              sums.flatMap((sum) =>
                Array.from({ length: count + 1 }, (_, n) => ({
                  mass: sum.mass + n * each,
                  front: sum.front + (n * each * x) / 2.7,
                })),
              ),
            [{ mass: 0, front: 0 }],
          );
          const lightest = totals
            .filter(
              ({ mass: all, front }) =>
                front >= needFront - 1e-7 && all - front >= needRear - 1e-7 && all <= spareGross,
            )
            .reduce((least, each) => Math.min(least, each.mass), Number.POSITIVE_INFINITY);
          const answer = proposeBallast(weights, 2.7, room);
          expect(answer.ok ? answer.mass : Number.POSITIVE_INFINITY).toBeCloseTo(lightest, 6);
        },
      ),
    );
  });
});

/** A made-up table: load on one tyre, kg, by km/h and bar. */
const TABLE: TyreTable = {
  cells: [
    [10, 0.8, 3000],
    [10, 1.2, 3700],
    [10, 1.6, 4300],
    [40, 0.8, 2200],
    [40, 1.2, 2750],
    [40, 1.6, 3200],
  ].map(([speed, bar, load]) => ({ speed: speed! / 3.6, pressure: bar! * 1e5, load: load! })),
};

describe("tyre pressure", () => {
  it("is read between rows and between columns", () => {
    const answer = pressureFor(TABLE, 2475, 40 / 3.6);
    expect(answer).toMatchObject({ kind: "pressure", floor: false });
    expect(answer.kind === "pressure" && answer.pressure / 1e5).toBeCloseTo(1.0);
    const between = pressureFor(TABLE, (3000 + 2200) / 2, 25 / 3.6);
    expect(between.kind === "pressure" && between.pressure / 1e5).toBeCloseTo(0.8);
  });

  it("is never read past the ends", () => {
    expect(pressureFor(TABLE, 1000, 10 / 3.6)).toEqual({ kind: "pressure", pressure: 0.8e5, floor: true });
    expect(pressureFor(TABLE, 3300, 40 / 3.6)).toMatchObject({ kind: "overloaded", most: 3200, by: 100 });
    expect(pressureFor(TABLE, 1000, 50 / 3.6)).toMatchObject({ kind: "too fast" });
    expect(pressureFor({ cells: [] }, 1000, 3)).toEqual({ kind: "hole" });
    expect(loadAt(TABLE, 2e5, 3)).toBeNull();
    expect(loadAt(TABLE, 1.4e5, 10 / 3.6)).toBeCloseTo(4000);
    // slower than the table: a tyre carries no less
    expect(loadAt(TABLE, 1.2e5, 1)).toBe(3700);
  });

  it("reads around a hole, and says so where nothing is left", () => {
    const holed = {
      cells: TABLE.cells.filter(({ pressure, speed }) => !(pressure === 1.2e5 && speed > 5)),
    };
    const answer = pressureFor(holed, 2700, 40 / 3.6);
    expect(answer.kind === "pressure" && answer.pressure / 1e5).toBeCloseTo(1.2);
    const crossed = {
      cells: [
        { speed: 3, pressure: 1e5, load: 2000 },
        { speed: 9, pressure: 2e5, load: 2500 },
      ],
    };
    expect(pressureFor(crossed, 2200, 5)).toEqual({ kind: "hole" });
  });

  it("carries what was asked, for any load the table covers", () => {
    let carried = 0;
    fc.assert(
      fc.property(
        fc.double({ min: 2200, max: 3200, noNaN: true }),
        fc.double({ min: 10 / 3.6, max: 40 / 3.6, noNaN: true }),
        (load, speed) => {
          const answer = pressureFor(TABLE, load, speed);
          if (answer.kind !== "pressure" || answer.floor) return;
          carried += 1;
          expect(loadAt(TABLE, answer.pressure, speed)).toBeGreaterThanOrEqual(load - 1e-6);
        },
      ),
    );
    expect(carried).toBeGreaterThan(20);
  });
});
