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

/** The least of a linear programme; null where no variables meet its rows. @throws RangeError where an end is not finite or it does not end */
export function leastOf({ cost, rows, right, low, high }: Linear): { value: number; x: number[] } | null {
  const [m, n] = [rows.length, cost.length];
  if ([...low, ...high].some((each) => !Number.isFinite(each)))
    throw new RangeError("A bound is not finite.");
  if (low.some((each, j) => each > high[j]! + NOTHING)) return null;
  // Every variable begins at the end nearest to nothing; what the rows then lack is taken by helpers that must vanish.
  const ends = { low: [...low], high: [...high] };
  const x = low.map((each, j) => (Math.abs(each) <= Math.abs(high[j]!) ? each : high[j]!));
  const columns = cost.map((_, j) => Float64Array.from(rows, (row) => row[j]!));
  const lacks = right.map((each, i) => each - rows[i]!.reduce((sum, a, j) => sum + a * x[j]!, 0));
  for (const [i, lack] of lacks.entries()) {
    const helper = new Float64Array(m);
    helper[i] = lack < 0 ? -1 : 1;
    columns.push(helper);
    x.push(Math.abs(lack));
    ends.low.push(0);
    ends.high.push(Math.abs(lack));
  }
  const tableau: Tableau = { m, columns, right, ...ends, x, basis: right.map((_, i) => n + i) };
  descend(tableau, [...cost.map(() => 0), ...right.map(() => 1)]);
  if (tableau.x.slice(n).reduce((sum, each) => sum + each, 0) > MET) return null;
  for (let i = 0; i < m; i += 1) {
    tableau.high[n + i] = 0;
    if (!tableau.basis.includes(n + i)) tableau.x[n + i] = 0;
  }
  descend(tableau, [...cost, ...right.map(() => 0)]);
  // By rounding one may lie beyond its end.
  const found = tableau.x.slice(0, n).map((each, j) => Math.min(high[j]!, Math.max(low[j]!, each)));
  return { value: found.reduce((sum, each, j) => sum + each * cost[j]!, 0), x: found };
}

type Tableau = {
  m: number;
  columns: Float64Array[];
  right: readonly number[];
  low: number[];
  high: number[];
  x: number[];
  /** which variable each row is solved for */
  basis: number[];
};

function descend(tableau: Tableau, cost: readonly number[]): void {
  const { m, columns, low, high, x, basis } = tableau;
  const solvedFor = new Uint8Array(columns.length);
  for (const j of basis) solvedFor[j] = 1;
  for (let round = 0; ; round += 1) {
    if (round > 5000) throw new RangeError("The programme does not end.");
    const inverse = inverted(
      basis.map((j) => columns[j]!),
      m,
    );
    settle(tableau, inverse, solvedFor);
    const prices = new Float64Array(m);
    for (let i = 0; i < m; i += 1)
      for (let r = 0; r < m; r += 1) prices[i]! += cost[basis[r]!]! * inverse[r * m + i]!;
    let enters = -1;
    let steepest = NOTHING;
    for (let j = 0; j < columns.length; j += 1) {
      if (solvedFor[j] || high[j]! - low[j]! < NOTHING) continue;
      let slope = cost[j]!;
      for (let i = 0; i < m; i += 1) slope -= prices[i]! * columns[j]![i]!;
      const falls = x[j]! - low[j]! < NOTHING ? -slope : slope;
      if (falls <= steepest) continue;
      enters = j;
      if (round > STEEPEST) break;
      steepest = falls;
    }
    if (enters < 0) return;
    const way = x[enters]! - low[enters]! < NOTHING ? 1 : -1;
    let far = high[enters]! - low[enters]!;
    let leaves = -1;
    let strongest = 0;
    for (let r = 0; r < m; r += 1) {
      let along = 0;
      for (let i = 0; i < m; i += 1) along += inverse[r * m + i]! * columns[enters]![i]!;
      along *= way;
      if (Math.abs(along) < NOTHING) continue;
      const j = basis[r]!;
      const room = Math.max(0, along > 0 ? (x[j]! - low[j]!) / along : (x[j]! - high[j]!) / along);
      if (room < far - NOTHING || (room < far + NOTHING && leaves >= 0 && Math.abs(along) > strongest)) {
        far = Math.min(far, room);
        leaves = r;
        strongest = Math.abs(along);
      }
    }
    x[enters] =
      way > 0 ? Math.min(high[enters]!, x[enters]! + far) : Math.max(low[enters]!, x[enters]! - far);
    if (leaves < 0) {
      x[enters] = way > 0 ? high[enters]! : low[enters]!;
      continue;
    }
    const out = basis[leaves]!;
    let along = 0;
    for (let i = 0; i < m; i += 1) along += inverse[leaves * m + i]! * columns[enters]![i]!;
    x[out] = along * way > 0 ? low[out]! : high[out]!;
    solvedFor[out] = 0;
    solvedFor[enters] = 1;
    basis[leaves] = enters;
  }
}

/** Works out the variables the rows are solved for from all the others. */
function settle(
  { m, columns, right, x, basis }: Tableau,
  inverse: Float64Array,
  solvedFor: Uint8Array,
): void {
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
