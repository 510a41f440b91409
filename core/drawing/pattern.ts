/** What was caught across a swath, laid over itself pass by pass: bars of one pass, and a line of what falls in all. Pixels. */
import { type Catch, fellAt } from "../trade/overlap.ts";

export type PatternDrawn = {
  width: number;
  height: number;
  /** pixels for a metre across */
  scale: number;
  ground: number;
  /** where the spreader drives, and where what it throws has its middle */
  middle: number;
  lies: number;
  bars: { x: number; y: number; w: number; h: number; at: number }[];
  /** the tracks beside it, pixels; empty without a spacing */
  tracks: number[];
  /** what falls with the passes beside it, in the way of SVG, and the line of its mean; null without a spacing */
  all: { points: string; mean: number } | null;
};

const MARGIN = 16;
const STEPS = 160;

/** Draws a pattern on a sheet of this size; `turned`: every other pass comes back the other way. */
export function drawPattern(
  catches: readonly Catch[],
  { spacing, turned, shift }: { spacing: number | null; turned: boolean; shift: number },
  { width, height }: { width: number; height: number },
): PatternDrawn {
  const reach = Math.max(...catches.map(({ x }) => Math.abs(x)));
  const half = Math.max(reach, spacing ?? 0) * 1.02;
  const scale = (width - 2 * MARGIN) / (2 * half);
  const x = (metres: number) => width / 2 + metres * scale;
  const ground = height - 34;
  const apart = catches.length > 1 ? (catches.at(-1)!.x - catches[0]!.x) / (catches.length - 1) : 1;
  const sums =
    spacing === null
      ? []
      : Array.from({ length: STEPS + 1 }, (_, at) => {
          const metres = -half + (2 * half * at) / STEPS;
          return { metres, fell: fellAt(catches, metres, spacing, turned) };
        });
  const most = Math.max(...catches.map(({ caught }) => caught), ...sums.map(({ fell }) => fell), 1e-9);
  const y = (caught: number) => ground - (caught / most) * (ground - 22);
  const inside = sums.filter(({ metres }) => Math.abs(metres) <= (spacing ?? 0) / 2);
  const mean = inside.reduce((sum, { fell }) => sum + fell, 0) / Math.max(inside.length, 1);
  return {
    width,
    height,
    scale,
    ground,
    middle: x(0),
    lies: x(shift),
    bars: catches.map(({ x: at, caught }) => ({
      at,
      x: x(at) - (apart * scale * 0.7) / 2,
      w: apart * scale * 0.7,
      y: y(caught),
      h: ground - y(caught),
    })),
    tracks: spacing === null ? [] : [-spacing, spacing].map(x).filter((each) => each > 0 && each < width),
    all:
      sums.length === 0
        ? null
        : {
            points: sums.map(({ metres, fell }) => `${x(metres).toFixed(1)},${y(fell).toFixed(1)}`).join(" "),
            mean: y(mean),
          },
  };
}
