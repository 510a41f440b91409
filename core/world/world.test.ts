import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Steering } from "../motion/machine.ts";
import { drive } from "./drive.ts";
import { outcomeOf } from "./outcome.ts";
import { piecesOf } from "./record.ts";
import { antennaFrom, type WorldRig, workAlong } from "./rig.ts";
import { routeLength, STRETCHES } from "./route.ts";
import { SAMPLE_FIELD, sampleDrive, sampleRig } from "./sample.ts";

/** A small field, so that many rigs can be driven over it: a rectangle of 60 by 46 m, seen from above. */
const SMALL = [
  [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 60, y: 46 },
    { x: 0, y: 46 },
  ],
];
const CELL = 0.1;

type Over = Parameters<typeof sampleDrive>[1];
function run(truth: WorldRig, believed: WorldRig, over: Over = {}) {
  const asked = sampleDrive({ truth, believed }, { field: SMALL, ...over });
  const driven = drive(asked);
  return { asked, driven, outcome: outcomeOf(driven, { field: asked.field, box: asked.box, cell: CELL }) };
}

const right = (by: number, rig = sampleRig()): WorldRig => ({
  ...rig,
  work: { ...rig.work, right: rig.work.right + by },
});

const STEERINGS: Steering[] = [
  { kind: "front wheels", wheelbase: 2.7 },
  { kind: "rear wheels", wheelbase: 3.6 },
  { kind: "all wheels", wheelbase: 3.1 },
  { kind: "articulated", front: 1.6, rear: 1.9 },
  { kind: "tracks" },
];

const someRig = fc
  .record({
    steering: fc.constantFrom(...STEERINGS),
    hung: fc.constantFrom("mounted", "drawn", "train"),
    hitch: fc.double({ min: 0.6, max: 1.6, noNaN: true }),
    pivot: fc.double({ min: 2, max: 6, noNaN: true }),
    aside: fc.double({ min: -0.8, max: 0.8, noNaN: true }),
    antenna: fc.double({ min: -0.3, max: 2.6, noNaN: true }),
    sections: fc.integer({ min: 1, max: 8 }),
    drift: fc.double({ min: -0.04, max: 0.04, noNaN: true }),
    frame: fc.constantFrom("front" as const, "rear" as const),
  })
  .map(({ steering, hung, hitch, pivot, aside, antenna, sections, drift, frame }): WorldRig => {
    const link = { behind: 0, hitch, pivot };
    const train = hung === "mounted" ? [] : hung === "drawn" ? [link] : [link, { ...link, behind: 1 }];
    return sampleRig({
      steering,
      train,
      strays: { machine: drift / 3, drawn: train.map(() => drift), steered: train.map(() => 0) },
      antenna: { frame, ahead: antenna, right: aside / 4 },
      work: {
        body: train.length,
        ahead: hung === "mounted" ? -1.9 : -0.5,
        right: aside,
        sections: Array.from({ length: sections }, () => 6 / sections),
      },
    });
  });

describe("a field driven by what is so", () => {
  it("is recorded as it is worked, whatever the rig: what is so and what is believed are one", () => {
    fc.assert(
      fc.property(
        someRig,
        fc.integer({ min: 0, max: 1 }),
        fc.double({ min: 0, max: 3.1, noNaN: true }),
        (rig, rounds, heading) => {
          const { outcome, driven } = run(rig, rig, { rounds, heading });
          expect(outcome.truth.once / outcome.believed.once).toBeCloseTo(1, 3);
          expect(outcome.truth.counted / outcome.believed.counted).toBeCloseTo(1, 3);
          expect(outcome.truth.inside + outcome.truth.left).toBeCloseTo(outcome.field, -1);
          for (const { truth, believed } of driven.rows)
            for (const figure of [
              truth.x,
              truth.y,
              believed.x,
              believed.y,
              ...truth.headings,
              ...believed.headings,
            ])
              expect(Number.isFinite(figure)).toBe(true);
          // Most of the field is worked: it came along its way, and the work with it.
          expect(outcome.truth.inside / outcome.field).toBeGreaterThan(0.8);
        },
      ),
      { numRuns: 16 },
    );
  });

  it("is worked the mirrored way by the mirrored rig: gaps and laps of the same size", () => {
    const mirrored = (rig: WorldRig): WorldRig => ({
      ...rig,
      antenna: { ...rig.antenna, right: -rig.antenna.right },
      work: { ...rig.work, right: -rig.work.right, sections: [...rig.work.sections].reverse() },
      strays: { ...rig.strays, machine: -rig.strays.machine, drawn: rig.strays.drawn.map((each) => -each) },
    });
    const rig = sampleRig({ strays: { machine: 0, drawn: [0.02], steered: [0] } });
    const truth = right(0.22, rig);
    const flip = { ...mirrored(rig) };
    const one = run(truth, rig, { rounds: 0 });
    // The mirrored field is the same rectangle; its first pass lies at the other end.
    const other = run(mirrored(truth), flip, { rounds: 0 });
    for (const key of ["once", "twice", "inside", "outside", "left"] as const)
      expect(Math.abs(one.outcome.truth[key] - other.outcome.truth[key])).toBeLessThan(
        0.012 * one.outcome.field,
      );
  });

  it("shows nothing else where the step is halved", () => {
    for (const steering of STEERINGS) {
      const rig = sampleRig({ steering });
      const [whole, half] = [0.1, 0.05].map((step) => run(right(0.15, rig), rig, { step }).outcome);
      for (const key of ["once", "twice", "inside", "left"] as const)
        expect(Math.abs(whole!.truth[key] - half!.truth[key])).toBeLessThan(0.006 * whole!.field);
    }
  });
});

describe("what a wrong figure does", () => {
  it("sideways: joints alternate, a gap of twice the error and a lap of as much", () => {
    // Ten passes of 6 m over 46 m without rounds; by hand: an error of 12 cm leaves 24 cm open at every other joint.
    const rig = sampleRig();
    const { driven, asked } = run(right(0.12), rig, { rounds: 0 });
    const passes = new Map<number, { x: number[]; heading: number }>();
    for (const piece of piecesOf(driven, "truth")) {
      const [a, b] = [piece[0]!, piece[1]!];
      if (a.y < 15 || a.y > 31) continue;
      const pass = Math.round((Math.min(a.x, b.x) + 3) / 6 + 0.5);
      const found = passes.get(pass) ?? { x: [], heading: 0 };
      found.x.push(Math.min(a.x, b.x), Math.max(a.x, b.x));
      passes.set(pass, found);
    }
    const edges = [...passes].sort(([a], [b]) => a - b).map(([, { x }]) => [Math.min(...x), Math.max(...x)]);
    const gaps = edges.slice(1).map(([left], at) => left! - edges[at]![1]!);
    expect(gaps.length).toBeGreaterThan(7);
    gaps.forEach((gap, at) => {
      expect(Math.abs(gap - (at % 2 === 0 ? -0.24 : 0.24))).toBeLessThan(0.02);
    });
    expect(routeLength(asked.route)).toBeGreaterThan(10 * 46);
  });

  it("late valves: each end begins so much later, speed times the time that lacks", () => {
    const rig = sampleRig({
      train: [],
      work: { ...sampleRig().work, body: 0, ahead: -2 },
      strays: { machine: 0, drawn: [], steered: [] },
    });
    const late = { ...rig, delays: { on: 1.4, off: 0.4 } };
    const { outcome } = run(late, rig, { rounds: 0 });
    const exact = run(rig, rig, { rounds: 0 }).outcome;
    // Ten passes, 0.8 s at 2.5 m/s, 6 m wide.
    expect(outcome.truth.left - exact.truth.left).toBeGreaterThan(0.97 * 10 * 2 * 6);
    expect(outcome.truth.left - exact.truth.left).toBeLessThan(1.03 * 10 * 2 * 6);
    expect(outcome.believed.once).toBeCloseTo(exact.believed.once, 3);
  });

  it("a width told too wide: strips stay open, and the hectares recorded are too many", () => {
    const rig = sampleRig();
    const told = { ...rig, work: { ...rig.work, sections: rig.work.sections.map((each) => each * 1.05) } };
    const { outcome } = run(rig, told);
    expect(outcome.believed.counted / outcome.truth.counted).toBeCloseTo(1.05, 2);
    expect(outcome.truth.left - outcome.believed.left).toBeGreaterThan(0.03 * outcome.field);
    expect(outcome.dose).toBeCloseTo(1.05, 9);
  });

  it("a receiver that wanders leaves strips that nobody set", () => {
    const rig = sampleRig();
    const calm = run(rig, rig, { rounds: 0 }).outcome;
    const wandering = run(rig, rig, { wander: 0.02, rounds: 0 }).outcome;
    expect(wandering.truth.left).toBeGreaterThan(calm.truth.left);
  });
});

describe("the way over a field", () => {
  it("has all rounds and passes in it, each begun in line, and bends no tighter than the machine does", () => {
    const rig = sampleRig();
    const { route } = sampleDrive(
      { truth: rig, believed: rig },
      { field: SAMPLE_FIELD, rounds: 2, heading: 0.4 },
    );
    const of = (stretch: string) =>
      new Set([...route.number].filter((_, at) => STRETCHES[route.stretch[at]!] === stretch));
    expect(of("round").size).toBe(2);
    expect(of("pass").size).toBeGreaterThan(15);
    const tightest = [...route.curvature].reduce((most, each) => Math.max(most, Math.abs(each)), 0);
    expect(tightest).toBeLessThan(1 / rig.radius);
    expect(workAlong(rig)).toBeCloseTo(-1.1 - 4.2 - 0.6, 9);
  });

  it("ahead of the joint an antenna swings out with the front frame", () => {
    const rig = sampleRig({
      steering: { kind: "articulated", front: 1.5, rear: 1.8 },
      antenna: { frame: "front", ahead: 2.8, right: 0 },
    });
    // A metre ahead of the joint, bent by 0.3: sin 0.3 to the right.
    const bent = antennaFrom(rig, 0, 0.3);
    expect(bent.y).toBeCloseTo(Math.sin(0.3), 9);
    expect(bent.x).toBeCloseTo(1.8 + Math.cos(0.3), 9);
  });
});
