/** Passes side by side with their joints, seen from above: open, or lapped. Pixels, to scale. */

export type JoinedStrips = {
  width: number;
  height: number;
  /** each pass, and whether it is driven up the sheet */
  strips: { x: number; wide: number; up: boolean }[];
  /** where two of them lie on one another */
  laps: { x: number; wide: number }[];
};

const PASSES = 4;
const MARGIN = 8;

/** Joints after a pass up and after one down, metres, a lap negative; of passes so wide. */
export function joinStrips(
  { up, down, width: pass }: { up: number; down: number; width: number },
  { width, height }: { width: number; height: number },
): JoinedStrips {
  const gaps = Array.from({ length: PASSES - 1 }, (_, at) => (at % 2 === 0 ? up : down));
  const whole = PASSES * pass + gaps.reduce((sum, gap) => sum + gap, 0);
  const scale = (width - 2 * MARGIN) / whole;
  let left = MARGIN;
  const strips = Array.from({ length: PASSES }, (_, at) => {
    const x = left;
    left += (pass + (gaps[at] ?? 0)) * scale;
    return { x, wide: pass * scale, up: at % 2 === 0 };
  });
  const laps = gaps.flatMap((gap, at) => (gap < 0 ? [{ x: strips[at + 1]!.x, wide: -gap * scale }] : []));
  return { width, height, strips, laps };
}
