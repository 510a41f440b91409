import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drive } from "./drive.ts";
import { bend, type Drawn, type Pose, placed, steadyBend, step, straight, wheelsOf } from "./train.ts";

const drawn = (over: Partial<Drawn> = {}): Drawn => ({ behind: 0, hitch: 1.1, pivot: 4.6, ...over });
const ORIGIN = { x: 0, y: 0 };

/** A tool drawn after its pin in tiny steps: its wheels stay on the line to where the pin was. Knows nothing of rates. */
function dragged(pins: readonly { x: number; y: number }[], pivot: number, heading: number) {
  const [first] = pins;
  let wheels = { x: first!.x - pivot * Math.cos(heading), y: first!.y - pivot * Math.sin(heading) };
  for (const pin of pins.slice(1)) {
    const far = Math.hypot(pin.x - wheels.x, pin.y - wheels.y);
    const by = (far - pivot) / far;
    wheels = { x: wheels.x + by * (pin.x - wheels.x), y: wheels.y + by * (pin.y - wheels.y) };
  }
  return wheels;
}

describe("what a machine draws", () => {
  it("pulls into line as the tractrix has it: tan(ψ/2) falls by e for each drawbar's length", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1.4, noNaN: true }),
        fc.double({ min: 1.5, max: 9, noNaN: true }),
        (bent, pivot) => {
          const train = [drawn({ pivot })];
          const poses = drive(train, { ...ORIGIN, headings: [0, bent] }, [{ curvature: 0, length: 11 }], 0.1);
          for (const pose of [poses[40]!, poses.at(-1)!])
            expect(Math.tan(pose.headings[1]! / 2)).toBeCloseTo(
              Math.tan(bent / 2) * Math.exp(-pose.x / pivot),
              6,
            );
        },
      ),
    );
  });

  it("comes to the steady circle: √(R² + Lh² − Lt²), its drawbar bent by asin(Lt/√(R² + Lh²)) + atan(Lh/R)", () => {
    const train = [drawn()];
    const [radius, { hitch, pivot }] = [8, train[0]!];
    const end = drive(
      train,
      straight(train, ORIGIN),
      [{ curvature: 1 / radius, length: 6 * Math.PI * radius }],
      0.1,
    ).at(-1)!;
    const wheels = wheelsOf(train, end)[1]!;
    expect(Math.hypot(wheels.x, wheels.y - radius)).toBeCloseTo(
      Math.sqrt(radius ** 2 + hitch ** 2 - pivot ** 2),
      4,
    );
    expect(bend(train, end, 0)).toBeCloseTo(steadyBend(radius, drawn()), 4);
    // Lt 5 on 4 m with the hitch in the axle: no such circle.
    expect(steadyBend(4, { hitch: 0, pivot: 5 })).toBeNaN();
  });

  it("comes to the circle of a train of three, joint by joint", () => {
    const train = [drawn({ pivot: 4.1 }), drawn({ behind: 1, hitch: 1.4, pivot: 4.8 })];
    const radius = 11;
    const end = drive(train, straight(train, ORIGIN), [{ curvature: -1 / radius, length: 220 }], 0.1).at(-1)!;
    const radii = wheelsOf(train, end).map(({ x, y }) => Math.hypot(x, y + radius));
    const first = Math.sqrt(radius ** 2 + 1.1 ** 2 - 4.1 ** 2);
    expect(radii[1]).toBeCloseTo(first, 4);
    expect(radii[2]).toBeCloseTo(Math.sqrt(first ** 2 + 1.4 ** 2 - 4.8 ** 2), 4);
  });

  it("lies where it lies when it is dragged after its pin step by step, whatever is driven", () => {
    const legs = fc.array(
      fc.record({
        curvature: fc.double({ min: -0.16, max: 0.16, noNaN: true }),
        length: fc.double({ min: 0.5, max: 9, noNaN: true }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(legs, (driven) => {
        const train = [drawn()];
        const poses = drive(train, straight(train, ORIGIN), driven, 0.002);
        const pins = poses.map((pose) => placed(pose, pose.headings[0]!, { x: -1.1, y: 0 }));
        const wheels = dragged(pins, 4.6, 0);
        const ours = wheelsOf(train, poses.at(-1)!)[1]!;
        expect(Math.hypot(ours.x - wheels.x, ours.y - wheels.y)).toBeLessThan(0.004);
      }),
      { numRuns: 12 },
    );
  });

  it("is of order four: half the step, a sixteenth of the error", () => {
    const train = [drawn(), drawn({ behind: 1, hitch: -0.4, pivot: 3.2 })];
    const bendAfter = (most: number) =>
      drive(
        train,
        straight(train, ORIGIN),
        [
          { curvature: 1 / 6, length: 16 },
          { curvature: -1 / 6, length: 8 },
        ],
        most,
      ).at(-1)!.headings[2]!;
    const exact = bendAfter(0.01);
    const [coarse, fine] = [Math.abs(bendAfter(1) - exact), Math.abs(bendAfter(0.5) - exact)];
    expect(coarse / fine).toBeGreaterThan(11);
    expect(coarse / fine).toBeLessThan(23);
    expect(Math.abs(bendAfter(0.1) - exact)).toBeLessThan(1e-6);
  });

  it("goes the mirrored way mirrored, and back the way it came", () => {
    const train = [drawn(), drawn({ behind: 1, hitch: 1.2, pivot: 3.9 })];
    fc.assert(
      fc.property(
        fc.double({ min: -0.15, max: 0.15, noNaN: true }),
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        (curvature, length) => {
          const from = straight(train, ORIGIN);
          const right = drive(train, from, [{ curvature, length }], 0.05).at(-1)!;
          const left = drive(train, from, [{ curvature: -curvature, length }], 0.05).at(-1)!;
          expect(left.y).toBeCloseTo(-right.y, 12);
          right.headings.forEach((heading, at) => {
            expect(left.headings[at]).toBeCloseTo(-heading, 12);
          });
          const home: Pose = drive(train, right, [{ curvature, length: -length }], 0.05).at(-1)!;
          expect(home.x).toBeCloseTo(0, 6);
          home.headings.forEach((heading) => {
            expect(heading).toBeCloseTo(0, 5);
          });
        },
      ),
      { numRuns: 30 },
    );
  });

  it("keeps every pin on both of its bodies", () => {
    const train = [drawn(), drawn({ behind: 0, hitch: -3, pivot: 2 }), drawn({ behind: 1 })];
    const pose = step(train, { x: 3, y: -2, headings: [0.4, 0.1, -0.2, 0.9] }, 0.1, 0.5);
    const wheels = wheelsOf(train, pose);
    train.forEach(({ behind, hitch, pivot }, at) => {
      const ahead = placed(wheels[behind]!, pose.headings[behind]!, { x: -hitch, y: 0 });
      const own = placed(wheels[at + 1]!, pose.headings[at + 1]!, { x: pivot, y: 0 });
      expect(ahead.x).toBeCloseTo(own.x, 12);
      expect(ahead.y).toBeCloseTo(own.y, 12);
    });
  });
});
