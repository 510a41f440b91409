import type { Entered, Observation, TestResult } from "../../../job/result.ts";
import type { Term } from "../../../rig/frame.ts";
import { type Estimate, scaled } from "../../../statistics/estimate.ts";
import { dot, leastSquares } from "../../../statistics/least-squares.ts";
import { halfWidth, meanOf, sigmaOf } from "../../../statistics/mixture.ts";
import { outliers } from "../../../statistics/outliers.ts";
import { NORMAL_95, t95 } from "../../../statistics/student.ts";
import { FIXES, type Fix } from "../../../trade/field-conditions.ts";
import { filterOf, type Mix, mixesOf, whiten } from "./straying.ts";

/** Directions of the passes left and right of a joint: +1 as the first pass was driven. */
const DIRECTIONS: Record<string, readonly [left: 1 | -1, right: 1 | -1]> = {
  "up-down": [1, -1],
  "down-up": [-1, 1],
  "up-up": [1, 1],
  "down-down": [-1, -1],
};

export type Joint = { left: 1 | -1; right: 1 | -1 /** metres, overlap negative */; gap: number };

/** What joints say under each mix of causes that comes into question. */
export type JointsFit = {
  /** the mean joint c = T − w, and the tool's e to the right of where it is believed */
  mean: Estimate;
  lateral: Estimate;
  /** how much wider than any mix explains the joints scatter, as a factor on the interval; 1 where one explains them */
  unexplained: number;
};

/** What the places of joints tell before a single one was measured: worked out once for any number of draws. */
export type JointsDesign = {
  freedom: number;
  parts: readonly {
    filter: ReturnType<typeof filterOf>;
    columns: readonly [readonly number[], readonly number[]];
    /** (XᵀV⁻¹X)⁻¹: covariance of mean and e */
    spread: readonly [readonly [number, number], readonly [number, number]];
    /** logarithm of the weight it has, but for the residuals */
    before: number;
  }[];
};

/**
 * What of the mixture may lie outside the interval so that, whichever mix of the grid is true, at least 93 of 100
 * intervals hold it (found by simulation; `npm run bench` prints the grid). The width's is the smaller: it rests on the
 * tape, which few joints tell badly; with many the usual twentieth comes near.
 */
const MOST_OUTSIDE = 0.05;
const outsideOfMean = (freedom: number) => Math.min(MOST_OUTSIDE, 0.0011 + 1.2e-5 * freedom ** 2);
const outsideOfLateral = (freedom: number) => (0.9 * MOST_OUTSIDE * freedom) / (freedom + 8);

/** Where joints scatter more than one list in a thousand would under the most straying mix, something else is in them. */
const TOO_MUCH = 3.09;

/** Null where the joints do not tell mean and sideways error apart. */
export function designJoints(
  joints: readonly Pick<Joint, "left" | "right">[],
  numbers: readonly number[],
  mixes: readonly Mix[],
): JointsDesign | null {
  const rows = joints.map(({ left, right }) => [1, right - left]);
  if (
    !leastSquares(
      rows,
      rows.map(() => 0),
    )
  )
    return null;
  const parts = mixes.map((mix) => {
    const filter = filterOf(mix, numbers);
    const ones = whiten(
      rows.map(() => 1),
      filter,
    );
    const ways = whiten(
      rows.map((row) => row[1]!),
      filter,
    );
    const [aa, ab, bb] = [dot(ones, ones), dot(ones, ways), dot(ways, ways)];
    const determinant = aa * bb - ab * ab;
    return {
      filter,
      columns: [ones, ways] as const,
      spread: [
        [bb / determinant, -ab / determinant],
        [-ab / determinant, aa / determinant],
      ] as const,
      before:
        mix.before - filter.reduce((sum, { root }) => sum + Math.log(root), 0) - Math.log(determinant) / 2,
    };
  });
  return { freedom: joints.length - 2, parts };
}

/**
 * Joints between passes T apart: g = T − w + (s_right − s_left)·e, with the tool e to the right of where it is believed.
 * Unknowns: c = T − w, the mean joint, and e. The two kinds of joints need not be as many of one as of the other.
 *
 * How far passes stray, how far the tape, and how slowly passes drift nobody knows. Each mix gives a fit by generalised
 * least squares (Aitken 1936), and a weight by how likely it makes what is left, restricted likelihood (Patterson and
 * Thompson 1971; both from memory). The figure is their mean, the interval what all of them together leave open.
 */
export function fitJoints({ freedom, parts }: JointsDesign, gaps: readonly number[]): JointsFit {
  let least = Number.POSITIVE_INFINITY;
  const fits = parts.map(({ filter, columns, spread, before }) => {
    const white = whiten(gaps, filter);
    const along = [dot(columns[0], white), dot(columns[1], white)] as const;
    const mean = spread[0][0] * along[0] + spread[0][1] * along[1];
    const lateral = spread[1][0] * along[0] + spread[1][1] * along[1];
    const left = Math.max(0, dot(white, white) - mean * along[0] - lateral * along[1]);
    least = Math.min(least, left);
    return { mean, lateral, spread, likely: before - left / 2 };
  });
  const most = fits.reduce((high, { likely }) => Math.max(high, likely), Number.NEGATIVE_INFINITY);
  const sum = fits.reduce((total, { likely }) => total + Math.exp(likely - most), 0);
  const weight = (likely: number) => Math.exp(likely - most) / sum;
  const unexplained = beyondAll(least, freedom) ? Math.sqrt(least / freedom) * (t95(freedom) / NORMAL_95) : 1;
  const estimate = (of: "mean" | "lateral", at: 0 | 1, outside: number): Estimate => {
    const mixed = fits.map((fit) => ({
      weight: weight(fit.likely),
      mean: fit[of],
      sigma: Math.sqrt(fit.spread[at][at]!),
    }));
    const value = meanOf(mixed);
    if (freedom < 1) return { value, error: null, half: null, freedom };
    return {
      value,
      error: sigmaOf(mixed) * unexplained,
      half: halfWidth(mixed, outside) * unexplained,
      freedom,
    };
  };
  return {
    mean: estimate("mean", 0, outsideOfMean(freedom)),
    lateral: estimate("lateral", 1, outsideOfLateral(freedom)),
    unexplained,
  };
}

/** χ² beyond all but a thousandth (Wilson and Hilferty 1931, from memory). */
function beyondAll(left: number, freedom: number): boolean {
  if (freedom < 1) return false;
  const share = 2 / (9 * freedom);
  return left > freedom * (1 - share + TOO_MUCH * Math.sqrt(share)) ** 3;
}

type Setup = {
  /** what the terminal lays its lines at, metres; null where it is not told */
  spacing: number | null;
  /** what is taken off each joint before it is a gap: the row spacing where rows are measured, else 0 */
  less: number;
  /** the kind of solution; null where nobody told */
  fix: Fix | null;
  across: readonly Term[];
};

/**
 * Sideways error (metres, right positive) and working width from the joints between passes; `left` are
 * observations left out, by number from 0.
 */
export function solveJoints(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  { spacing, less, fix, across }: Setup,
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
  const design = designJoints(
    kept.map((at) => joints[at]!),
    kept.map((at) => observations[at]!.number ?? at),
    mixesOf(fix),
  );
  const fit =
    design &&
    fitJoints(
      design,
      kept.map((at) => joints[at]!.gap),
    );
  const shown = fit ? [fit.mean.value, fit.lateral.value] : plain?.estimates;
  const residuals = joints.map(({ gap }, at) => ({
    at,
    x: at + 1,
    observed: gap,
    fitted: shown ? shown[0]! + rows[at]![1]! * shown[1]! : gap,
    group: observations[at]!.choices.pair ?? "",
    outlier: odd.has(at),
  }));
  const open = openOf(
    kept.map((at) => joints[at]!),
    design,
    fit,
    fix,
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
        off: fit.lateral,
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
              off: scaled(fit.mean, -1, spacing - (width ?? 0)),
              absolute: true,
              sides: null,
            },
          ]),
    ],
    also: [{ key: "mean", label: "Joint without the sideways error", estimate: fit.mean }],
    residuals,
    along: "number",
    open,
  };
}

function openOf(
  joints: readonly Joint[],
  design: JointsDesign | null,
  fit: JointsFit | null,
  fix: Fix | null,
): string[] {
  if (joints.length === 0) return [];
  const kinds = new Set(joints.map(({ left, right }) => right - left));
  if (kinds.size < 2)
    return [
      kinds.has(0)
        ? "All passes were driven the same way: sideways error and width are not separable. Measure joints of passes driven up and down."
        : "All joints are of one kind: sideways error and width are not separable. Measure the next joint as well, it is of the other kind.",
    ];
  if (!design || !fit) return ["Too few joints are left to tell sideways error and width apart."];
  if (design.freedom === 0)
    return ["Two joints give figures without certainty: a third gives standard errors."];
  if (fit.unexplained === 1) return [];
  const solution = fix ? `with this solution (${FIXES[fix].toLowerCase()})` : "with any solution";
  return [
    `Joints of one kind differ by more than receiver and tape make ${solution}: something else is in them, as steering by hand, a slope, soil that moves. The intervals are ${fit.unexplained.toFixed(1)} times as wide for it.`,
  ];
}
