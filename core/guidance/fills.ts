/** Where a tank or hopper is filled again: at the end of a run before it would be empty in one. */
import type { Run } from "./plan.ts";

export type Fill = {
  /** before the run of this place in the order they are driven, from 0 */
  before: number;
  pass: number;
  /** m² worked since the fill before */
  area: number;
  /** at the end of the run before, seen along the heading: behind or ahead */
  at: "start" | "end";
};

export type Fills = {
  fills: Fill[];
  /** runs one fill does not last for: they are broken off within */
  tooLong: number;
  /** m² worked with the last fill */
  rest: number;
};

/**
 * Runs driven to and fro in order, the first towards the heading. `lasts`: m² one fill does; `rounds`: m² of the rounds, worked before with what they need.
 * With `oneEnd` it is filled at the end the first run begins at only. @throws RangeError where a fill lasts for nothing
 */
export function fillsAlong(
  runs: readonly Pick<Run, "pass" | "area">[],
  lasts: number,
  rounds: number,
  oneEnd: boolean,
): Fills {
  if (!(lasts > 0)) throw new RangeError("a fill lasts for something");
  const fills: Fill[] = [];
  let worked = rounds % lasts;
  let tooLong = 0;
  const need = (at: number) => runs[at]!.area + (oneEnd && at % 2 === 0 ? (runs[at + 1]?.area ?? 0) : 0);
  for (const [at, { pass, area }] of runs.entries()) {
    const here = !oneEnd || at % 2 === 0;
    if (here && worked + need(at) > lasts && worked > 0) {
      fills.push({ before: at, pass, area: worked, at: at % 2 === 0 ? "start" : "end" });
      worked = 0;
    }
    worked += area;
    if (worked > lasts) {
      tooLong += 1;
      worked %= lasts;
    }
  }
  return { fills, tooLong, rest: worked };
}
