import type { Term } from "../rig/frame.ts";
import { combined, estimateOf, scaled } from "./estimate.ts";
import { type Fit, leastSquares } from "./least-squares.ts";
import { outliers } from "./outliers.ts";
import type { Entered, Observation, TestResult } from "./result.ts";

/** Directions of the passes left and right of a joint: +1 as the first pass was driven. */
const DIRECTIONS: Record<string, readonly [left: 1 | -1, right: 1 | -1]> = {
  "up-down": [1, -1],
  "down-up": [-1, 1],
  "up-up": [1, 1],
  "down-down": [-1, -1],
};

export type Joint = { left: 1 | -1; right: 1 | -1 /** metres, overlap negative */; gap: number };

/** How far one reading with the tape over a joint strays, metres, 1 σ (common practice, no source). */
const TAPE_OVER_JOINT = 0.008;

/**
 * Joints between passes T apart: g = T − w + (s_right − s_left)·e, with the tool e to the right of where it is believed.
 * Unknowns: c = T − w, the mean joint, and e. The two kinds of joints need not be as many of one as of the other.
 *
 * A pass that strays by the receiver makes the joint on its one side wider and the other narrower by the same: errors of
 * neighbours are not independent, and plain least squares would call e surer than it is. They are weighted by what they
 * share (generalised least squares, Aitken 1936, from memory), with the straying of one pass, `wander`, against the tape's.
 * `numbers` tell which joints are neighbours.
 */
export function fitJoints(joints: readonly Joint[], numbers: readonly number[], wander: number): Fit | null {
  const columns = joints.map(({ left, right, gap }) => [1, right - left, gap]);
  const own = 2 * wander ** 2 + TAPE_OVER_JOINT ** 2;
  const whitened: number[][] = [];
  let pivot = 0;
  for (const [at, column] of columns.entries()) {
    const shared = at > 0 && numbers[at]! - numbers[at - 1]! === 1 ? -(wander ** 2) / pivot : 0;
    pivot = Math.sqrt(own - shared ** 2);
    const before = whitened[at - 1] ?? column.map(() => 0);
    whitened.push(column.map((value, index) => (value - shared * before[index]!) / pivot));
  }
  return leastSquares(
    whitened.map((row) => row.slice(0, 2)),
    whitened.map((row) => row[2]!),
  );
}

type Setup = {
  /** what the terminal lays its lines at, metres; null where it is not told */
  spacing: number | null;
  /** what is taken off each joint before it is a gap: the row spacing where rows are measured, else 0 */
  less: number;
  /** how far one pass strays by the receiver, metres, 1 σ */
  wander: number;
  across: readonly Term[];
};

export function solveJoints(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  { spacing, less, wander, across }: Setup,
  entered: Entered,
): TestResult {
  const joints = observations.map(({ values, choices }): Joint => {
    const [leftWay, rightWay] = DIRECTIONS[choices.pair ?? ""] ?? [1, 1];
    return { left: leftWay, right: rightWay, gap: (values.joint ?? 0) - less };
  });
  const rows = joints.map(({ left: before, right }) => [1, right - before]);
  const plain = leastSquares(
    rows,
    joints.map(({ gap }) => gap),
  );
  const odd = new Set(plain ? outliers(plain) : []);
  const kept = joints.map((_, at) => at).filter((at) => !left.has(at));
  const fit = fitJoints(
    kept.map((at) => joints[at]!),
    kept.map((at) => observations[at]!.number ?? at),
    wander,
  );
  const shown = fit ?? plain;
  const residuals = joints.map(({ gap }, at) => ({
    at,
    x: at + 1,
    observed: gap,
    fitted: shown ? shown.estimates[0]! + rows[at]![1]! * shown.estimates[1]! : gap,
    group: observations[at]!.choices.pair ?? "",
    outlier: odd.has(at),
  }));
  const open = openOf(
    kept.map((at) => joints[at]!),
    fit !== null,
    fit?.freedom ?? 0,
  );
  if (!fit) return { measured: [], also: [], residuals, along: "number", open };
  const width = entered.value("tool.width");
  return {
    measured: [
      {
        key: "lateral",
        label: "Work beside where it is believed",
        unit: "length",
        terms: across,
        entered: entered.sum(across),
        off: estimateOf(fit, 1),
        absolute: false,
        sides: { plus: "right", minus: "left" },
      },
      ...(spacing === null
        ? []
        : [
            {
              key: "width",
              label: "Working width",
              unit: "length" as const,
              terms: [{ key: "tool.width" as const, coefficient: 1 }],
              entered: width,
              off: scaled(combined(fit, [1, 0]), -1, spacing - (width ?? 0)),
              absolute: true,
              sides: null,
            },
          ]),
    ],
    also: [{ key: "mean", label: "Joint without the sideways error", estimate: estimateOf(fit, 0) }],
    residuals,
    along: "number",
    open,
  };
}

function openOf(joints: readonly Joint[], solved: boolean, freedom: number): string[] {
  if (joints.length === 0) return [];
  const kinds = new Set(joints.map(({ left, right }) => right - left));
  if (kinds.size < 2)
    return [
      kinds.has(0)
        ? "All passes were driven the same way: sideways error and width are not separable. Measure joints of passes driven up and down."
        : "All joints are of one kind: sideways error and width are not separable. Measure the next joint as well, it is of the other kind.",
    ];
  if (!solved) return ["Too few joints are left to tell sideways error and width apart."];
  return freedom === 0 ? ["Two joints give figures without certainty: a third gives standard errors."] : [];
}
