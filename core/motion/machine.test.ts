import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Aim, shortestWay, wayOf } from "./dubins.ts";
import { roundLegs } from "./legs.ts";
import { bentFor, driftOffset, type Motion, type Moving, moved, type Steering } from "./machine.ts";
import { bend, type Drawn, steadyBend, wheelsOf } from "./train.ts";

const KINDS: Steering[] = [
  { kind: "front wheels", wheelbase: 2.7 },
  { kind: "rear wheels", wheelbase: 3.6 },
  { kind: "all wheels", wheelbase: 3.1 },
  { kind: "articulated", front: 1.6, rear: 1.9 },
  { kind: "tracks" },
];

const moving = (over: Partial<Moving> = {}): Moving => ({
  steering: KINDS[0]!,
  train: [],
  strays: null,
  ...over,
});
const still = (train: readonly Drawn[], bent = 0): Motion => ({
  x: 0,
  y: 0,
  headings: [0, ...train.map(() => 0)],
  bent,
});

function drive(machine: Moving, from: Motion, seconds: number, step = 0.05, speed = 2): Motion {
  let at = from;
  for (let gone = 0; gone < seconds - 1e-9; gone += step) at = moved(machine, at, speed, 0, step);
  return at;
}

describe("every kind of machine", () => {
  it("goes round the circle it is steered to", () => {
    for (const steering of KINDS)
      for (const radius of [7, -12]) {
        const machine = moving({ steering });
        const from = still([], bentFor(steering, 1 / radius));
        // Half way round: across the circle, whichever way it steers.
        const half = drive(
          machine,
          from,
          (Math.PI * Math.abs(radius)) / 2,
          (Math.PI * Math.abs(radius)) / 800,
        );
        expect(half.y).toBeCloseTo(2 * radius, 6);
        expect(half.x).toBeCloseTo(0, 6);
      }
  });

  it("on an articulated frame keeps both axles rolling while the joint bends", () => {
    const steering = { kind: "articulated", front: 1.6, rear: 1.9 } as const;
    const front = ({ x, y, headings, bent }: Motion) => {
      const [rear, ahead] = [headings[0]!, headings[0]! + bent];
      return {
        x: x + 1.9 * Math.cos(rear) + 1.6 * Math.cos(ahead),
        y: y + 1.9 * Math.sin(rear) + 1.6 * Math.sin(ahead),
        heading: ahead,
      };
    };
    let at = still([], -0.2);
    for (let step = 0; step < 400; step += 1) {
      const before = front(at);
      at = moved(moving({ steering }), at, 1.4, 0.5 * Math.cos(step / 40), 0.001);
      const now = front(at);
      const middle = (before.heading + now.heading) / 2;
      // What the front axle goes sideways, to the step's own error: nothing.
      const aside = -(now.x - before.x) * Math.sin(middle) + (now.y - before.y) * Math.cos(middle);
      expect(Math.abs(aside)).toBeLessThan(1e-9);
    }
  });

  it("is of order four", () => {
    const train = [{ behind: 0, hitch: 1.1, pivot: 4.2 }];
    const machine = moving({ steering: KINDS[3]!, train });
    const end = (step: number) => {
      let at = still(train);
      for (let gone = 0; gone < 8 - 1e-9; gone += step) at = moved(machine, at, 2, 0.06, step);
      return at.headings[1]!;
    };
    const exact = end(0.0125);
    const [coarse, fine] = [Math.abs(end(0.8) - exact), Math.abs(end(0.4) - exact)];
    expect(coarse / fine).toBeGreaterThan(10);
    expect(coarse / fine).toBeLessThan(25);
  });
});

describe("what is drawn", () => {
  it("on a side slope runs Lt·sin β beside the machine, and its wheels go where the machine goes", () => {
    const train = [{ behind: 0, hitch: 1, pivot: 5 }];
    for (const slip of [0.04, -0.08]) {
      const strays = { machine: 0, drawn: [slip], steered: [0] };
      const at = drive(moving({ train, strays }), still(train), 60);
      const wheels = wheelsOf(train, at)[1]!;
      expect(wheels.y - at.y).toBeCloseTo(driftOffset(5, slip), 6);
      expect(at.headings[1]).toBeCloseTo(-slip, 6);
      // ψ̇ = −v·sin(ψ + β)/(Lt·cos β): from straight it turns by −tan β/Lt for each metre.
      const first = moved(moving({ train, strays }), still(train), 1, 0, 1e-4);
      expect(first.headings[1]! / 1e-4).toBeCloseTo(-Math.tan(slip) / 5, 5);
    }
  });

  it("with steered wheels comes to the circle on which the line through both hubs meets the middle", () => {
    const train = [{ behind: 0, hitch: 0.9, pivot: 6 }];
    const radius = 10;
    for (const gain of [0, 0.4, 0.8]) {
      const strays = { machine: 0, drawn: [0], steered: [gain] };
      const from = still(train, bentFor(KINDS[0]!, 1 / radius));
      const at = drive(moving({ train, strays }), from, 120);
      const bent = bend(train, at, 0);
      const wheels = wheelsOf(train, at)[1]!;
      const middle = {
        x: at.x - radius * Math.sin(at.headings[0]!),
        y: at.y + radius * Math.cos(at.headings[0]!),
      };
      const towed = Math.hypot(wheels.x - middle.x, wheels.y - middle.y);
      // Both foot points on the drawbar's line lie as far from the middle: R_p cos φ = R_t cos α, and Lt = R_p sin φ + R_t sin α.
      const pin = Math.hypot(radius, 0.9);
      const steered = gain * bent;
      const phi = Math.asin((6 - towed * Math.sin(steered)) / pin);
      expect(pin * Math.cos(phi)).toBeCloseTo(towed * Math.cos(steered), 5);
      if (gain === 0) expect(bent).toBeCloseTo(steadyBend(radius, { hitch: 0.9, pivot: 6 }), 5);
    }
  });

  it("goes the mirrored way mirrored, drift and steered wheels with it", () => {
    const train = [
      { behind: 0, hitch: 1.1, pivot: 4.2 },
      { behind: 1, hitch: 1.3, pivot: 5 },
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.double({ min: -0.3, max: 0.3, noNaN: true }),
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        (steering, bent, slip) => {
          const strays = { machine: slip / 2, drawn: [slip, slip], steered: [0.3, 0] };
          const mirrored = { machine: -slip / 2, drawn: [-slip, -slip], steered: [0.3, 0] };
          const right = drive(moving({ steering, train, strays }), still(train, bent / 3), 6);
          const left = drive(moving({ steering, train, strays: mirrored }), still(train, -bent / 3), 6);
          expect(left.y).toBeCloseTo(-right.y, 9);
          expect(left.x).toBeCloseTo(right.x, 9);
          right.headings.forEach((heading, at) => {
            expect(left.headings[at]).toBeCloseTo(-heading, 9);
          });
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe("the shortest way with a radius", () => {
  const endOf = (from: Aim, legs: ReturnType<typeof shortestWay>): Aim =>
    legs.reduce(({ x, y, heading }, { curvature, length }) => {
      if (curvature === 0)
        return { x: x + length * Math.cos(heading), y: y + length * Math.sin(heading), heading };
      const to = heading + curvature * length;
      return {
        x: x + (Math.sin(to) - Math.sin(heading)) / curvature,
        y: y - (Math.cos(to) - Math.cos(heading)) / curvature,
        heading: to,
      };
    }, from);
  const aim = fc.record({
    x: fc.double({ min: -40, max: 40, noNaN: true }),
    y: fc.double({ min: -40, max: 40, noNaN: true }),
    heading: fc.double({ min: -6, max: 6, noNaN: true }),
  });

  it("ends where it shall, heading where it shall, and no way of arcs and straights tried by chance is shorter", () => {
    fc.assert(
      fc.property(aim, aim, fc.double({ min: 2, max: 12, noNaN: true }), (from, to, radius) => {
        const legs = shortestWay(from, to, radius);
        const end = endOf(from, legs);
        expect(Math.hypot(end.x - to.x, end.y - to.y)).toBeLessThan(1e-6);
        expect(Math.cos(end.heading - to.heading)).toBeCloseTo(1, 9);
        for (const { curvature } of legs) expect(Math.abs(curvature)).toBeLessThanOrEqual(1 / radius + 1e-12);
        expect(wayOf(legs)).toBeGreaterThanOrEqual(Math.hypot(to.x - from.x, to.y - from.y) - 1e-6);
        // The way back is the same way: no rule of it prefers an end.
        const back = shortestWay(
          { ...to, heading: to.heading + Math.PI },
          { ...from, heading: from.heading + Math.PI },
          radius,
        );
        expect(wayOf(back)).toBeCloseTo(wayOf(legs), 6);
      }),
    );
  });

  it("is none where it stands as it shall, but for the last digit of its heading", () => {
    const here = { x: 0, y: 0, heading: 0 };
    for (const off of [2.5e-15, -2.5e-15, 0])
      expect(wayOf(shortestWay({ ...here, heading: off }, here, 2))).toBeLessThan(1e-8);
    // A degree is more than that: it goes all the way round.
    expect(wayOf(shortestWay({ ...here, heading: Math.PI / 180 }, here, 2))).toBeGreaterThan(6);
  });

  it("into the next pass is half a circle and a straight, or a bulb: as long as they are in closed form", () => {
    for (const [apart, radius] of [
      [24, 7],
      [14, 7],
      [6, 7.5],
      [3, 6],
    ] as const) {
      const legs = shortestWay({ x: 0, y: 0, heading: 0 }, { x: 0, y: apart, heading: Math.PI }, radius);
      expect(wayOf(legs)).toBeCloseTo(wayOf(roundLegs(apart, radius)), 6);
    }
  });
});
