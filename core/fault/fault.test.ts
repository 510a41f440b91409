import { describe, expect, it } from "vitest";
import { AREAS, FAULTS } from "./faults.ts";
import { type Hidden, hide, type Kind, toBeNamed } from "./hidden.ts";
import { MEASUREMENTS, SEAT } from "./measurements.ts";
import { groundOf, observe } from "./observe.ts";
import { play } from "./player.ts";
import { groundApart } from "./sample-apart.ts";
import { errorsOf, isFound, needlessOf, scored } from "./score.ts";
import { rightSetup } from "./setup.ts";
import { advise, named, weigh, weighingOf } from "./weigh.ts";

const KINDS: Kind[] = [
  ...Array.from({ length: 24 }, () => "one" as const),
  ...Array.from({ length: 6 }, () => "two" as const),
  ...Array.from({ length: 4 }, () => "nothing" as const),
  ...Array.from({ length: 6 }, () => "outside" as const),
];

/** A case with what its rig answers: found by the world on the even ones, by the integrator written apart on the odd. */
function caseOf(at: number): { hidden: Hidden; measure: (key: string, time: number) => number[] } {
  const areas = Object.keys(AREAS) as (keyof typeof AREAS)[];
  const kind = KINDS[at]!;
  const hidden = hide(1000 + 17 * at, kind, kind === "one" ? { area: areas[at % areas.length]! } : {});
  const ground = (at % 2 === 0 ? groundOf : groundApart)(hidden);
  return { hidden, measure: (key, time) => observe(hidden, ground, key, time) };
}

function played(at: number) {
  const { hidden, measure } = caseOf(at);
  const times = new Map<string, number>();
  const result = play(weighingOf(hidden.card, hidden.two), (key) => {
    const time = times.get(key) ?? 0;
    times.set(key, time + 1);
    return measure(key, time);
  });
  return { hidden, result };
}

describe("the ground of a hidden rig", () => {
  it("is what an integrator written apart finds, and what the formulas expect", () => {
    for (const at of [0, 1, 2, 4, 5, 10, 15, 20, 24, 36]) {
      const { hidden } = caseOf(at);
      const [ours, apart] = [groundOf(hidden), groundApart(hidden)];
      expect(Math.abs(ours.joints.up - apart.joints.up)).toBeLessThan(0.012);
      expect(Math.abs(ours.joints.down - apart.joints.down)).toBeLessThan(0.012);
      for (const edge of ["on", "off"] as const)
        for (const speed of ["whole", "half"] as const)
          expect(Math.abs(ours.past[edge][speed] - apart.past[edge][speed])).toBeLessThan(0.2);
    }
  });
});

describe("forty cases played by the advice alone", () => {
  const all = KINDS.map((_, at) => played(at));

  it("each is named, also that there is nothing, or nothing the library has; each figure within its tolerance", () => {
    const missed = all.flatMap(({ hidden, result }, at) =>
      isFound(hidden, result.answer) && errorsOf(hidden, result.answer).every(({ near }) => near)
        ? []
        : [
            `${at}: ${toBeNamed(hidden).join("+")} ${JSON.stringify(hidden.faults)} said ${JSON.stringify(result.answer.faults)} sure ${result.sure.toFixed(2)} after ${result.readings.map(({ measurement }) => measurement).join(", ")}`,
          ],
    );
    expect(missed).toEqual([]);
    expect(all).toHaveLength(40);
    expect(
      all.filter(({ hidden }) => toBeNamed(hidden).some((each) => !FAULTS.some(({ key }) => key === each))),
    ).toHaveLength(10);
  });

  it("takes minutes, not a morning, and nothing needless by its own measure", () => {
    const mean = all.reduce((sum, { result }) => sum + result.minutes, 0) / all.length;
    expect(mean).toBeLessThan(40);
    // Measuring everything takes this long.
    expect(MEASUREMENTS.reduce((sum, { minutes }) => sum + minutes, 0)).toBeGreaterThan(100);
    for (const { hidden, result } of all.slice(0, 12))
      expect(needlessOf(hidden, result.readings)).toEqual([]);
  });
});

describe("advice", () => {
  it("knows all is open at first, and prefers what tells most by the minute", () => {
    const { hidden } = caseOf(0);
    const weighing = weighingOf(hidden.card, false);
    const right = SEAT.expects(rightSetup(hidden.card), hidden.card);
    const weights = weigh(weighing, [{ measurement: "seat", figures: right }]);
    expect([...weights].reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9);
    const all = advise(weighing, weights, ["catch"]);
    expect(all.map(({ measurement }) => measurement)).not.toContain("catch");
    for (let at = 1; at < all.length; at += 1)
      expect(all[at]!.perMinute).toBeLessThanOrEqual(all[at - 1]!.perMinute);
    for (const { bits } of all) expect(bits).toBeGreaterThanOrEqual(0);
    // A reading that only one of two halves of the suspects would give tells no more than its share: never more than there is.
    const before = named(weighing, weights).reduce((sum, { share }) => sum - share * Math.log2(share), 0);
    expect(all[0]!.bits).toBeLessThanOrEqual(before + 1e-9);
  });

  it("scores what was named, what is still off, and what was measured for nothing", () => {
    const { hidden, measure } = caseOf(2);
    const [first] = toBeNamed(hidden);
    const readings = ["seat", "catch", "roll"].map((key) => ({ measurement: key, figures: measure(key, 0) }));
    const wrong = scored(hidden, readings, { faults: [{ fault: "nothing", figure: null }] }, measure);
    expect(wrong).toMatchObject({ found: false, minutes: 14 });
    expect(wrong.truth[0]!.fault).toBe(first);
    expect(wrong.best.found).toBe(true);
  });
});
