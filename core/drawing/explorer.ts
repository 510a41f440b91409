/** Speed across, pressure up: lines of one rate for a nozzle, and the window it works in. A frame of what one tries, in pixels. */
import { FAMILIES } from "../quantity/measure.ts";
import { type Units, unitOf } from "../quantity/units.ts";
import { type PressureWindow, pressureAt, rateAt, type Spraying, speedWindow } from "../trade/spraying.ts";

export type ExplorerSheet = { width: number; height: number; units: Units };

/** The plot's ends, SI. */
export type ExplorerRange = { speed: readonly [number, number]; pressure: readonly [number, number] };

export type ExplorerFrame = {
  /** edges of the plot, pixels */
  plot: { left: number; right: number; top: number; bottom: number };
  ticks: { x: { at: number; text: string }[]; y: { at: number; text: string }[] };
  unitsSaid: { speed: string; pressure: string; rate: string };
  /** polylines in the way of SVG, the wanted rate among them, each with where its name stands */
  lines: { rate: number; points: string; wanted: boolean; name: string; x: number; y: number }[];
  /** the pressures of the nozzle's table, pixels; null where nobody told them */
  band: { top: number; bottom: number } | null;
  /** where in the band the wanted rate holds, pixels; null where it does nowhere in the plot */
  holds: { left: number; right: number } | null;
  /** what is driven now: the speed, and the pressure the rate takes there; null outside the plot */
  point: { x: number; y: number } | null;
};

/** Steps of each line. */
const STEPS = 48;
const EDGE = { left: 58, right: 64, top: 14, bottom: 40 };

/** Rates drawn beside the wanted one: round ones of the reader's unit, spread over the plot. */
const SHARES = [0.5, 0.67, 0.8, 1.25, 1.6, 2.2] as const;

/** From a standstill to where faster makes no sense, and to a little over the nozzle's highest pressure. */
export function rangeOf(
  spraying: Spraying,
  rated: number,
  speed: number,
  pressures: PressureWindow | null,
): ExplorerRange {
  const high = Math.max(6e5, (pressures?.high ?? 0) * 1.25);
  const fastest = speedWindow(spraying, rated, { low: 1e5, high }).high;
  return {
    speed: [0, Math.min(12, Math.max(4, speed * 1.5, Math.min(fastest, speed * 2)))],
    pressure: [0, high],
  };
}

/** One frame. `rated` is the nozzle's flow at 3 bar, m³/s. */
export function explorerFrame(
  spraying: Spraying,
  rated: number,
  { speed, pressures, range }: { speed: number; pressures: PressureWindow | null; range: ExplorerRange },
  { width, height, units }: ExplorerSheet,
): ExplorerFrame {
  const plot = { left: EDGE.left, right: width - EDGE.right, top: EDGE.top, bottom: height - EDGE.bottom };
  const x = (of: number) =>
    plot.left + ((of - range.speed[0]) / (range.speed[1] - range.speed[0])) * (plot.right - plot.left);
  const y = (of: number) =>
    plot.bottom -
    ((of - range.pressure[0]) / (range.pressure[1] - range.pressure[0])) * (plot.bottom - plot.top);
  const rateUnit = unitOf("volume per area", units);
  const factor = FAMILIES["volume per area"][rateUnit].factor;
  const others = SHARES.map((share) => roundRate((spraying.rate * share) / factor) * factor);
  const rates = [...new Set([spraying.rate, ...others])].filter((rate) => rate > 0);
  const window = pressures && speedWindow(spraying, rated, pressures);
  const now = pressureAt(spraying, rated, speed);
  return {
    plot,
    ticks: {
      x: ticksOf(range.speed, FAMILIES.speed[unitOf("speed", units)].factor, x),
      y: ticksOf(range.pressure, FAMILIES.pressure[unitOf("pressure", units)].factor, y),
    },
    unitsSaid: { speed: unitOf("speed", units), pressure: unitOf("pressure", units), rate: rateUnit },
    lines: rates.map((rate) =>
      lineOf(
        { ...spraying, rate },
        rated,
        range,
        x,
        y,
        rate === spraying.rate,
        String(Math.round(rate / factor)),
      ),
    ),
    band: pressures && { top: y(Math.min(pressures.high, range.pressure[1])), bottom: y(pressures.low) },
    holds:
      window && window.low < range.speed[1]
        ? { left: x(window.low), right: x(Math.min(window.high, range.speed[1])) }
        : null,
    point: now <= range.pressure[1] && speed <= range.speed[1] ? { x: x(speed), y: y(now) } : null,
  };
}

/** What a place in the plot stands for, SI: the speed, the pressure, and the rate both make. Null outside it. */
export function pickedAt(
  { plot }: Pick<ExplorerFrame, "plot">,
  range: ExplorerRange,
  spraying: Omit<Spraying, "rate">,
  rated: number,
  at: { x: number; y: number },
): { speed: number; pressure: number; rate: number } | null {
  const across = (at.x - plot.left) / (plot.right - plot.left);
  const up = (plot.bottom - at.y) / (plot.bottom - plot.top);
  if (across <= 0 || across > 1 || up <= 0 || up > 1) return null;
  const speed = range.speed[0] + across * (range.speed[1] - range.speed[0]);
  const pressure = range.pressure[0] + up * (range.pressure[1] - range.pressure[0]);
  return { speed, pressure, rate: rateAt(spraying, rated, speed, pressure) };
}

function lineOf(
  spraying: Spraying,
  rated: number,
  range: ExplorerRange,
  x: (of: number) => number,
  y: (of: number) => number,
  wanted: boolean,
  name: string,
): ExplorerFrame["lines"][number] {
  const top = range.pressure[1];
  // Where it leaves the plot: above, or at its right side.
  const leaves = Math.min(range.speed[1], speedWindow(spraying, rated, { low: top, high: top }).high);
  const points: string[] = [];
  for (let step = 0; step <= STEPS; step += 1) {
    const speed = (leaves * step) / STEPS;
    points.push(`${x(speed).toFixed(1)},${y(pressureAt(spraying, rated, speed)).toFixed(1)}`);
  }
  return {
    rate: spraying.rate,
    points: points.join(" "),
    wanted,
    name,
    x: x(leaves),
    y: y(pressureAt(spraying, rated, leaves)),
  };
}

/** To a figure one would set: tens of litres, single gallons. */
function roundRate(value: number): number {
  const step = value >= 40 ? 10 : value >= 8 ? 1 : 0.5;
  return Math.round(value / step) * step;
}

function ticksOf([low, high]: readonly [number, number], factor: number, place: (of: number) => number) {
  const span = (high - low) / factor;
  const step = [0.5, 1, 2, 5, 10, 20, 25, 50].find((each) => span / each <= 8) ?? 100;
  const first = Math.ceil(low / factor / step);
  return Array.from({ length: Math.floor(high / factor / step) - first + 1 }, (_, at) => {
    const value = (first + at) * step;
    return { at: place(value * factor), text: String(value) };
  });
}
