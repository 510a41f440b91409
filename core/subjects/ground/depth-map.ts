/** What a depth map says: how deep the tool works in the middle, how it stands fore and aft and across, and which point does not belong. */
import { type Fit, leastSquares } from "../../statistics/least-squares.ts";
import { outliers } from "../../statistics/outliers.ts";
import type { DepthPoint } from "../../yard/ground.ts";

/** The chance that any of all the points is questioned although nothing is wrong with it. */
const QUESTIONED_IN_VAIN = 0.01;

/** Places nearer than this are one place, metres. */
const APART = 0.05;

export type MapFit = {
  /** depth in the middle, metres */
  depth: number;
  /** deeper in front by so much for each metre ahead; null where all points lie at one distance */
  fore: number | null;
  /** deeper on the right by so much for each metre across; null where all lie one behind the other */
  right: number | null;
  /** standard errors of the three, in that order; null without a point more than is needed */
  errors: { depth: number; fore: number | null; right: number | null } | null;
  /** point by point: measured less fitted, metres; positive is deeper than the others say */
  residuals: readonly number[];
  /** points that do not fit the others, by their place in the list: read them again before anything is turned */
  odd: readonly number[];
};

/**
 * Fits depth = d0 + fore·x + right·y by least squares, each slope only where the points tell it. Null for fewer than three points, or where
 * they do not tell the slopes apart. Odd is what lies beyond Bonferroni's limit of 1 % by its externally studentised residual.
 */
export function fitMap(points: readonly Pick<DepthPoint, "x" | "y" | "depth">[]): MapFit | null {
  if (points.length < 3) return null;
  const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values) > APART;
  const [tellsFore, tellsRight] = [spread(points.map(({ x }) => x)), spread(points.map(({ y }) => y))];
  const fit = leastSquares(
    points.map(({ x, y }) => [1, ...(tellsFore ? [x] : []), ...(tellsRight ? [y] : [])]),
    points.map(({ depth }) => depth),
  );
  if (!fit) return null;
  const at = { fore: tellsFore ? 1 : -1, right: tellsRight ? (tellsFore ? 2 : 1) : -1 };
  const of = (values: readonly number[], index: number) => (index < 0 ? null : values[index]!);
  return {
    depth: fit.estimates[0]!,
    fore: of(fit.estimates, at.fore),
    right: of(fit.estimates, at.right),
    errors: errorsOf(fit, at),
    residuals: fit.residuals,
    odd: outliers(fit, QUESTIONED_IN_VAIN),
  };
}

function errorsOf({ errors }: Fit, at: { fore: number; right: number }): MapFit["errors"] {
  if (!errors) return null;
  return {
    depth: errors[0]!,
    fore: at.fore < 0 ? null : errors[at.fore]!,
    right: at.right < 0 ? null : errors[at.right]!,
  };
}
