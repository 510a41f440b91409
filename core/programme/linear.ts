/** Small linear programmes with bounds on every variable, by the revised simplex method (Chvátal, Linear Programming, chapter 8; from memory). */

export type Linear = {
  /** what is made least: Σ cost·x */
  cost: readonly number[];
  /** Σ row·x = right side, row by row */
  rows: readonly (readonly number[])[];
  right: readonly number[];
  /** finite ends of every variable */
  low: readonly number[];
  high: readonly number[];
};

const NOTHING = 1e-9;
/** So far from its right side a row may end by rounding. */
const MET = 1e-7;
/** Steps by the steepest descent; after them by the first that descends, which cannot go round in a circle. */
const STEEPEST = 60;
/** After so many exchanges the inverse is worked out anew: each adds its rounding. */
const ANEW = 24;

/** The least of a linear programme; null where no variables meet its rows. @throws RangeError where an end is not finite or it does not end */
export function leastOf({ cost, rows, right, low, high }: Linear): { value: number; x: number[] } | null {
  const [m, n] = [rows.length, cost.length];
  for (let j = 0; j < n; j += 1) {
    if (!Number.isFinite(low[j]!) || !Number.isFinite(high[j]!))
      throw new RangeError("A bound is not finite.");
    if (low[j]! > high[j]! + NOTHING) return null;
  }
  const tableau = begun({ cost, rows, right, low, high }, m, n);
  const { x } = tableau;
  descend(
    tableau,
    Float64Array.from({ length: n + m }, (_, j) => (j < n ? 0 : 1)),
  );
  let lacks = 0;
  for (let i = 0; i < m; i += 1) lacks += x[n + i]!;
  if (lacks > MET) return null;
  for (let i = 0; i < m; i += 1) {
    tableau.high[n + i] = 0;
    if (!tableau.solvedFor[n + i]) x[n + i] = 0;
  }
  descend(
    tableau,
    Float64Array.from({ length: n + m }, (_, j) => (j < n ? cost[j]! : 0)),
  );
  // By rounding one may lie beyond its end.
  const found = Array.from({ length: n }, (_, j) => Math.min(high[j]!, Math.max(low[j]!, x[j]!)));
  return { value: found.reduce((sum, each, j) => sum + each * cost[j]!, 0), x: found };
}

type Tableau = {
  m: number;
  columns: Float64Array[];
  right: readonly number[];
  low: Float64Array;
  high: Float64Array;
  x: Float64Array;
  /** which variable each row is solved for, and whether a variable is */
  basis: number[];
  solvedFor: Uint8Array;
  /** of the basis, row by row */
  inverse: Float64Array;
};

/** Every variable at the end nearest to nothing; what the rows then lack is taken by helpers that must vanish. */
function begun({ rows, right, low, high }: Linear, m: number, n: number): Tableau {
  const all = { low: new Float64Array(n + m), high: new Float64Array(n + m), x: new Float64Array(n + m) };
  all.low.set(low);
  all.high.set(high);
  const columns = Array.from({ length: n }, (_, j) => {
    const column = new Float64Array(m);
    for (let i = 0; i < m; i += 1) column[i] = rows[i]![j]!;
    all.x[j] = Math.abs(low[j]!) <= Math.abs(high[j]!) ? low[j]! : high[j]!;
    return column;
  });
  const inverse = new Float64Array(m * m);
  for (let i = 0; i < m; i += 1) {
    let lack = right[i]!;
    for (let j = 0; j < n; j += 1) lack -= rows[i]![j]! * all.x[j]!;
    const helper = new Float64Array(m);
    helper[i] = lack < 0 ? -1 : 1;
    inverse[i * m + i] = helper[i]!;
    columns.push(helper);
    all.x[n + i] = Math.abs(lack);
    all.high[n + i] = Math.abs(lack);
  }
  const solvedFor = new Uint8Array(n + m).fill(1, n);
  return { m, columns, right, ...all, basis: right.map((_, i) => n + i), solvedFor, inverse };
}

function descend(tableau: Tableau, cost: Float64Array): void {
  const { m, columns, low, high, x, basis, solvedFor } = tableau;
  const prices = new Float64Array(m);
  const along = new Float64Array(m);
  for (let round = 0; ; round += 1) {
    if (round > 5000) throw new RangeError("The programme does not end.");
    if (round % ANEW === ANEW - 1)
      tableau.inverse = inverted(
        basis.map((j) => columns[j]!),
        m,
      );
    const { inverse } = tableau;
    settle(tableau);
    prices.fill(0);
    for (let r = 0; r < m; r += 1) {
      const price = cost[basis[r]!]!;
      if (price !== 0) for (let i = 0; i < m; i += 1) prices[i]! += price * inverse[r * m + i]!;
    }
    const enters = entering(tableau, cost, prices, round > STEEPEST);
    if (enters < 0) return;
    const way = x[enters]! - low[enters]! < NOTHING ? 1 : -1;
    let far = high[enters]! - low[enters]!;
    let leaves = -1;
    let strongest = 0;
    for (let r = 0; r < m; r += 1) {
      let by = 0;
      for (let i = 0; i < m; i += 1) by += inverse[r * m + i]! * columns[enters]![i]!;
      along[r] = by;
      by *= way;
      if (Math.abs(by) < NOTHING) continue;
      const j = basis[r]!;
      const room = Math.max(0, by > 0 ? (x[j]! - low[j]!) / by : (x[j]! - high[j]!) / by);
      if (room < far - NOTHING || (room < far + NOTHING && leaves >= 0 && Math.abs(by) > strongest)) {
        far = Math.min(far, room);
        leaves = r;
        strongest = Math.abs(by);
      }
    }
    if (leaves < 0) {
      x[enters] = way > 0 ? high[enters]! : low[enters]!;
      continue;
    }
    x[enters] =
      way > 0 ? Math.min(high[enters]!, x[enters]! + far) : Math.max(low[enters]!, x[enters]! - far);
    const out = basis[leaves]!;
    x[out] = along[leaves]! * way > 0 ? low[out]! : high[out]!;
    solvedFor[out] = 0;
    solvedFor[enters] = 1;
    basis[leaves] = enters;
    exchange(inverse, m, leaves, along);
  }
}

/** The variable that leads down the steepest, or after many rounds the first that leads down at all; −1 where none does. */
function entering(
  { m, columns, low, high, x, solvedFor }: Tableau,
  cost: Float64Array,
  prices: Float64Array,
  first: boolean,
): number {
  let found = -1;
  let steepest = NOTHING;
  for (let j = 0; j < columns.length; j += 1) {
    if (solvedFor[j] || high[j]! - low[j]! < NOTHING) continue;
    const column = columns[j]!;
    let slope = cost[j]!;
    for (let i = 0; i < m; i += 1) slope -= prices[i]! * column[i]!;
    const falls = x[j]! - low[j]! < NOTHING ? -slope : slope;
    if (falls <= steepest) continue;
    found = j;
    if (first) break;
    steepest = falls;
  }
  return found;
}

/** The inverse once the column of one row was taken for another, `along` being the new column in the old basis. */
function exchange(inverse: Float64Array, m: number, row: number, along: Float64Array): void {
  const by = along[row]!;
  for (let i = 0; i < m; i += 1) inverse[row * m + i]! /= by;
  for (let r = 0; r < m; r += 1) {
    const times = along[r]!;
    if (r === row || times === 0) continue;
    for (let i = 0; i < m; i += 1) inverse[r * m + i]! -= times * inverse[row * m + i]!;
  }
}

/** Works out the variables the rows are solved for from all the others. */
function settle({ m, columns, right, x, basis, inverse, solvedFor }: Tableau): void {
  const rest = Float64Array.from(right);
  for (let j = 0; j < columns.length; j += 1)
    if (!solvedFor[j] && x[j] !== 0) for (let i = 0; i < m; i += 1) rest[i]! -= x[j]! * columns[j]![i]!;
  for (let r = 0; r < m; r += 1) {
    let value = 0;
    for (let i = 0; i < m; i += 1) value += inverse[r * m + i]! * rest[i]!;
    x[basis[r]!] = value;
  }
}

/** The inverse of a square matrix given by columns, row by row, by elimination with the largest pivot. */
function inverted(columns: readonly Float64Array[], m: number): Float64Array {
  const work = columns.length
    ? Float64Array.from({ length: m * m }, (_, at) => columns[at % m]![Math.floor(at / m)]!)
    : new Float64Array(0);
  const inverse = new Float64Array(m * m);
  for (let i = 0; i < m; i += 1) inverse[i * m + i] = 1;
  for (let at = 0; at < m; at += 1) {
    let pivot = at;
    for (let r = at + 1; r < m; r += 1)
      if (Math.abs(work[r * m + at]!) > Math.abs(work[pivot * m + at]!)) pivot = r;
    if (Math.abs(work[pivot * m + at]!) < 1e-13)
      throw new RangeError("The rows cannot be solved for these variables.");
    for (const matrix of [work, inverse])
      for (let c = 0; c < m && pivot !== at; c += 1) {
        const held = matrix[at * m + c]!;
        matrix[at * m + c] = matrix[pivot * m + c]!;
        matrix[pivot * m + c] = held;
      }
    const by = work[at * m + at]!;
    for (const matrix of [work, inverse]) for (let c = 0; c < m; c += 1) matrix[at * m + c]! /= by;
    for (let r = 0; r < m; r += 1) {
      const times = work[r * m + at]!;
      if (r === at || times === 0) continue;
      for (const matrix of [work, inverse])
        for (let c = 0; c < m; c += 1) matrix[r * m + c]! -= times * matrix[at * m + c]!;
    }
  }
  return inverse;
}
