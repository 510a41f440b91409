import type { Fixed } from "../../../geodesy/fixed.ts";
import type { Entered, Observation, TestResult } from "../../../job/result.ts";
import { estimateOf } from "../../../statistics/estimate.ts";
import { fitBoth } from "../../../statistics/outliers.ts";

/** One straight drive along the main line: where the antenna ran beside it. */
export type Pass = {
  /** +1 along the first pass, −1 back */
  way: 1 | -1;
  /** metres along the main line, lowest and highest */
  from: number;
  to: number;
  /** metres right of the main line, as the first pass sees it */
  across: (from: number, to: number) => number;
  points: number;
};

/** Slower than this a course is noise, m/s. */
const ROLLING = 0.4;
/** A pass keeps its course to this, radians. */
const STRAIGHT = (12 * Math.PI) / 180;
const SHORTEST = 30;

type Moving = Fixed & { course: number; length: number };

/** Straight drives of one direction and back, in order; what turns, stands or strays in between is left out. */
export function findPasses(points: readonly Fixed[]): Pass[] {
  const moving = coursesOf(points);
  if (moving.length === 0) return [];
  const line = mainCourse(moving);
  const runs: Moving[][] = [];
  let way = 0;
  for (const each of moving) {
    const turn = angle(each.course - line);
    const now = Math.abs(turn) < STRAIGHT ? 1 : Math.abs(turn) > Math.PI - STRAIGHT ? -1 : 0;
    if (now !== 0 && now === way) runs.at(-1)!.push(each);
    else if (now !== 0) runs.push([each]);
    way = now;
  }
  const long = runs.filter((run) => run.reduce((sum, { length }) => sum + length, 0) >= SHORTEST);
  if (long.length === 0) return [];
  const first = Math.abs(angle(long[0]![0]!.course - line)) < Math.PI / 2 ? 1 : -1;
  const [cos, sin] = [Math.cos(line), Math.sin(line)];
  return long.map((run): Pass => {
    const placed = run.map(({ east, north, course }) => ({
      along: first * (north * cos + east * sin),
      across: first * (east * cos - north * sin),
      course,
    }));
    const alongs = placed.map(({ along }) => along);
    return {
      way: (Math.abs(angle(run[0]!.course - line)) < Math.PI / 2 ? first : -first) as 1 | -1,
      from: alongs.reduce((least, each) => Math.min(least, each), Number.POSITIVE_INFINITY),
      to: alongs.reduce((most, each) => Math.max(most, each), Number.NEGATIVE_INFINITY),
      points: run.length,
      across: (from, to) => {
        const inside = placed.filter(({ along }) => along >= from && along <= to);
        return inside.reduce((sum, { across }) => sum + across, 0) / inside.length;
      },
    };
  });
}

/** Course over about a second of driving, so that noise of single positions does not turn it. */
function coursesOf(points: readonly Fixed[]): Moving[] {
  const moving: Moving[] = [];
  let back = 0;
  for (const [at, point] of points.entries()) {
    while (back < at && point.time - points[back]!.time > 1.05) back += 1;
    const before = points[back]!;
    const seconds = point.time - before.time;
    const [east, north] = [point.east - before.east, point.north - before.north];
    if (seconds < 0.5 || Math.hypot(east, north) / seconds < ROLLING) continue;
    const last = points[at - 1]!;
    moving.push({
      ...point,
      course: Math.atan2(east, north),
      length: Math.hypot(point.east - last.east, point.north - last.north),
    });
  }
  return moving;
}

/** The course most was driven along, whichever way: the mean of doubled angles. */
function mainCourse(moving: readonly Moving[]): number {
  const x = moving.reduce((sum, { course, length }) => sum + length * Math.cos(2 * course), 0);
  const y = moving.reduce((sum, { course, length }) => sum + length * Math.sin(2 * course), 0);
  return Math.atan2(y, x) / 2;
}

function angle(radians: number): number {
  return Math.atan2(Math.sin(radians), Math.cos(radians));
}

/** Nearer than this to either end of what two passes share, a pass is still swinging in. */
const SETTLING = 5;

export type PassAcross = Pick<Pass, "way"> & {
  /** metres right of the main line as the first pass sees it */ across: number;
};

/** Where each pass ran beside the main line, over the stretch they all share; empty where they share too little. */
export function acrossOf(passes: readonly Pass[]): PassAcross[] {
  const from = Math.max(...passes.map((pass) => pass.from)) + SETTLING;
  const to = Math.min(...passes.map((pass) => pass.to)) - SETTLING;
  if (to - from < SHORTEST / 2) return [];
  return passes.map(({ way, across }) => ({ way, across: across(from, to) }));
}

/** Each pass runs at m + way·ℓ beside the main line: m is where the marks lie, ℓ how far the antenna sits to the right. */
export function solveRunLog(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  entered: Entered,
): TestResult {
  const across = observations.map(({ values }) => values.across ?? 0);
  const rows = observations.map(({ choices }) => [1, choices.way === "back" ? -1 : 1]);
  const { fit, odd } = fitBoth(rows, across, left);
  const residuals = across.map((observed, at) => ({
    at,
    x: at + 1,
    observed,
    fitted: fit ? fit.estimates[0]! + rows[at]![1]! * fit.estimates[1]! : observed,
    group: observations[at]!.choices.way ?? "there",
    outlier: odd.has(at),
  }));
  if (!fit)
    return {
      measured: [],
      also: [],
      residuals,
      along: "number",
      open: across.length === 0 ? [] : ["Every pass went the same way: drive back in the same marks, too."],
    };
  const value = entered.value("receiver.lateral");
  const lateral = estimateOf(fit, 1);
  return {
    measured: [
      {
        key: "lateral",
        label: "Receiver beside where it is entered",
        unit: "length",
        terms: [{ key: "receiver.lateral", coefficient: 1 }],
        entered: value,
        off: { ...lateral, value: lateral.value - (value ?? 0) },
        absolute: true,
        sides: { plus: "right", minus: "left" },
      },
    ],
    also: [],
    residuals,
    along: "number",
    open: fit.freedom === 0 ? ["One pass each way gives a figure without certainty: drive it again."] : [],
  };
}
