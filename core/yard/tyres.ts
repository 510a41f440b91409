/** Tyre pressure from the tyre maker's table: load carried at a speed and a pressure. Interpolated, never extrapolated. SI. */

export type TyreTable = {
  /** rows in any order; a cell somebody left out is not there. m/s, Pa, kg on one tyre */
  cells: readonly { speed: number; pressure: number; load: number }[];
};

export type TyreAnswer =
  /** `floor`: the table's lowest pressure carries more than is asked */
  | { kind: "pressure"; pressure: number; floor: boolean }
  /** the most the table carries at that speed */
  | { kind: "overloaded"; most: number; by: number }
  /** faster than the table's fastest speed */
  | { kind: "too fast"; fastest: number }
  /** too few figures to interpolate between at that speed */
  | { kind: "hole" };

const distinct = (numbers: readonly number[]) => [...new Set(numbers)].sort((a, b) => a - b);

function interpolate(x: number, [x1, y1]: readonly [number, number], [x2, y2]: readonly [number, number]) {
  return x2 === x1 ? y1 : y1 + ((x - x1) / (x2 - x1)) * (y2 - y1);
}

/**
 * What one tyre carries at a speed and pressure of the table's own: between the speeds on either side. Slower than the table
 * begins its slowest row counts: a tyre carries no less at lower speed. Null outside the table or where a cell is missing.
 */
function carriedAt(table: TyreTable, pressure: number, speed: number): number | null {
  const row = table.cells.filter((cell) => cell.pressure === pressure);
  const exact = row.find((cell) => cell.speed === speed);
  if (exact) return exact.load;
  const speeds = distinct(table.cells.map((cell) => cell.speed));
  const below = speeds.findLast((each) => each < speed);
  const above = speeds.find((each) => each > speed);
  const loadAt = (each: number | undefined) => row.find((cell) => cell.speed === each)?.load;
  if (above === undefined) return null;
  if (below === undefined) return loadAt(above) ?? null;
  const [slow, fast] = [loadAt(below), loadAt(above)];
  return slow === undefined || fast === undefined ? null : interpolate(speed, [below, slow], [above, fast]);
}

/** The lowest pressure of the table that carries a load on one tyre at a speed. */
export function pressureFor(table: TyreTable, load: number, speed: number): TyreAnswer {
  if (table.cells.length === 0) return { kind: "hole" };
  const fastest = Math.max(...table.cells.map((cell) => cell.speed));
  if (speed > fastest) return { kind: "too fast", fastest };
  const known = distinct(table.cells.map((cell) => cell.pressure)).flatMap((pressure) => {
    const most = carriedAt(table, pressure, speed);
    return most === null ? [] : [{ pressure, most }];
  });
  const [first] = known;
  if (!first) return { kind: "hole" };
  if (load <= first.most) return { kind: "pressure", pressure: first.pressure, floor: true };
  const above = known.findIndex(({ most }) => most >= load);
  if (above < 0) {
    const most = Math.max(...known.map((each) => each.most));
    return { kind: "overloaded", most, by: load - most };
  }
  const [low, high] = [known[above - 1]!, known[above]!];
  const pressure = interpolate(load, [low.most, low.pressure], [high.most, high.pressure]);
  return { kind: "pressure", pressure, floor: false };
}

/** What one tyre carries at a pressure and speed, kg; null outside the table or in a hole of it. */
export function loadAt(table: TyreTable, pressure: number, speed: number): number | null {
  const pressures = distinct(table.cells.map((cell) => cell.pressure));
  const below = pressures.findLast((each) => each <= pressure);
  const above = pressures.find((each) => each >= pressure);
  if (below === undefined || above === undefined) return null;
  const [low, high] = [carriedAt(table, below, speed), carriedAt(table, above, speed)];
  return low === null || high === null ? null : interpolate(pressure, [below, low], [above, high]);
}
