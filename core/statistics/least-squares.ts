/** Ordinary least squares with standard errors, for the few unknowns of a field test. */

export type Fit = {
  /** one an unknown, in the order of the columns */
  estimates: readonly number[];
  /** standard error of each; null without a degree of freedom */
  errors: readonly number[] | null;
  /** (XᵀX)⁻¹: times s² it is the covariance of the estimates */
  spread: readonly (readonly number[])[];
  residuals: readonly number[];
  /** diagonal of the hat matrix, 0 to 1: how much an observation pulls its own fit */
  leverages: readonly number[];
  /** √(Σr² / freedom); null without a degree of freedom */
  scatter: number | null;
  /** observations less unknowns */
  freedom: number;
};

/** A column is no more than rounding once what the others explain is taken off it. */
const DEPENDENT = 1e-9;

/**
 * Solves X·β ≈ y by the modified Gram–Schmidt method (Golub and Van Loan, Matrix Computations, 5.2.8; from memory).
 * Null where the columns do not tell the unknowns apart, or where there are fewer observations than unknowns.
 */
export function leastSquares(rows: readonly (readonly number[])[], y: readonly number[]): Fit | null {
  const unknowns = rows[0]?.length ?? 0;
  const freedom = rows.length - unknowns;
  if (unknowns === 0 || freedom < 0) return null;
  const split = orthogonal(rows, unknowns);
  if (!split) return null;
  const { q, r } = split;
  const inverse = invertUpper(r);
  const projected = q.map((column) => dot(column, y));
  const estimates = inverse.map((row) => dot(row, projected));
  const residuals = y.map((value, index) => value - dot(rows[index]!, estimates));
  const spread = inverse.map((row) => inverse.map((other) => dot(row, other)));
  const scatter = freedom === 0 ? null : Math.sqrt(dot(residuals, residuals) / freedom);
  return {
    estimates,
    errors: scatter === null ? null : spread.map((row, index) => scatter * Math.sqrt(row[index]!)),
    spread,
    residuals,
    leverages: y.map((_, index) => q.reduce((sum, column) => sum + column[index]! ** 2, 0)),
    scatter,
    freedom,
  };
}

/** Σ aᵢ·bᵢ of two rows of one length. */
export function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0;
  for (let index = 0; index < a.length; index += 1) sum += a[index]! * b[index]!;
  return sum;
}

function orthogonal(rows: readonly (readonly number[])[], unknowns: number) {
  const q = Array.from({ length: unknowns }, (_, column) => rows.map((row) => row[column]!));
  const r = q.map(() => new Array<number>(unknowns).fill(0));
  for (const [at, column] of q.entries()) {
    const before = Math.sqrt(dot(column, column));
    // Twice is enough to lose nothing to rounding.
    for (let pass = 0; pass < 2; pass += 1)
      for (let earlier = 0; earlier < at; earlier += 1) {
        const along = dot(q[earlier]!, column);
        r[earlier]![at]! += along;
        subtract(column, q[earlier]!, along);
      }
    const length = Math.sqrt(dot(column, column));
    if (!(length > DEPENDENT * before)) return null;
    r[at]![at] = length;
    for (let index = 0; index < column.length; index += 1) column[index]! /= length;
  }
  return { q, r };
}

function subtract(from: number[], column: readonly number[], times: number): void {
  for (let index = 0; index < from.length; index += 1) from[index]! -= times * column[index]!;
}

/** The inverse of an upper triangle, rows first. */
function invertUpper(r: readonly (readonly number[])[]): number[][] {
  const size = r.length;
  const inverse = r.map(() => new Array<number>(size).fill(0));
  for (let column = 0; column < size; column += 1) {
    inverse[column]![column] = 1 / r[column]![column]!;
    for (let row = column - 1; row >= 0; row -= 1) {
      let sum = 0;
      for (let at = row + 1; at <= column; at += 1) sum += r[row]![at]! * inverse[at]![column]!;
      inverse[row]![column] = -sum / r[row]![row]!;
    }
  }
  return inverse;
}
