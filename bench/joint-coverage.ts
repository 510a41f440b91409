import { chance } from "../core/simulation/random.ts";
import { t95 } from "../core/statistics/student.ts";
import { designJoints, fitJoints } from "../core/subjects/proof/fits/joints.ts";
import { mixesOf, type Straying } from "../core/subjects/proof/fits/straying.ts";

/** What 95 % intervals of one cell held, and how wide they were. */
export type Held = {
  /** shares of draws whose interval holds the truth */
  width: number;
  lateral: number;
  /** mean half width, as a multiple of that of a fit that knows the mix and takes only the size from the joints */
  widthBy: number;
  lateralBy: number;
};

/** The mixes that are held to: 3 to 14 mm of wander, 3 to 15 mm of tape, drift from none to nearly all. */
export const CELLS: readonly Straying[] = [0.003, 0.006, 0.01, 0.014].flatMap((wander) =>
  [0.003, 0.006, 0.01, 0.015].flatMap((tape) =>
    [0, 0.5, 0.8, 0.95].map((drift) => ({ wander, tape, drift })),
  ),
);

/** Passes driven up and down, side by side, joints drawn by chance under a mix: the true mean and sideways error are zero. */
export function holdJoints(mix: Straying, passes: number, draws: number, seed: number): Held {
  const random = chance(seed);
  const numbers = Array.from({ length: passes - 1 }, (_, at) => at);
  const joints = numbers.map((at) => (at % 2 === 0 ? UP_DOWN : DOWN_UP));
  const design = designJoints(joints, numbers, mixesOf("fixed"))!;
  const known = designJoints(joints, numbers, [{ ...mix, before: 0 }])!.parts[0]!.spread;
  const sum = { width: 0, lateral: 0, widthHalf: 0, lateralHalf: 0 };
  for (let draw = 0; draw < draws; draw += 1) {
    let pass = random.normal(mix.wander);
    const gaps = numbers.map(() => {
      const next = mix.drift * pass + random.normal(mix.wander * Math.sqrt(1 - mix.drift ** 2));
      const gap = next - pass + random.normal(mix.tape);
      pass = next;
      return gap;
    });
    const { mean, lateral } = fitJoints(design, gaps);
    sum.width += Math.abs(mean.value) <= mean.half! ? 1 : 0;
    sum.lateral += Math.abs(lateral.value) <= lateral.half! ? 1 : 0;
    sum.widthHalf += mean.half!;
    sum.lateralHalf += lateral.half!;
  }
  const by = (half: number, variance: number) => half / draws / (t95(design.freedom) * Math.sqrt(variance));
  return {
    width: sum.width / draws,
    lateral: sum.lateral / draws,
    widthBy: by(sum.widthHalf, known[0][0]),
    lateralBy: by(sum.lateralHalf, known[1][1]),
  };
}

const UP_DOWN = { left: 1, right: -1 } as const;
const DOWN_UP = { left: -1, right: 1 } as const;

const PASSES = [5, 7, 9, 11, 13];
const DRAWS = 1000;
const HELD = 0.93;
const WIDEST = 2.5;

/** Prints, for each number of passes, wander by tape: the least share held over all drifts, and the widest half width. */
export function benchJointCoverage(): void {
  console.log(
    `Joints' 95 % intervals, ${DRAWS} draws a cell: least share that holds the truth over drifts 0 to 0.95 / widest half width against a fit that knows the mix`,
  );
  const missed: string[] = [];
  for (const passes of PASSES) {
    const held = CELLS.map((mix, at) => {
      const found = holdJoints(mix, passes, DRAWS, passes * 1000 + at);
      const missed =
        Math.min(found.width, found.lateral) < HELD || found.widthBy > WIDEST || found.lateralBy > WIDEST;
      // Of hundreds of cells some miss by chance alone: those are drawn again, ten times as often.
      return { mix, ...(missed ? holdJoints(mix, passes, 10 * DRAWS, passes * 1000 + at + 500) : found) };
    });
    for (const [of, share, by] of [
      ["width", "width", "widthBy"],
      ["sideways", "lateral", "lateralBy"],
    ] as const) {
      console.log(`  ${passes} passes, ${of}`);
      for (const wander of [...new Set(CELLS.map((mix) => mix.wander))])
        console.log(
          `    wander ${(wander * 1000).toFixed(0).padStart(2)} mm  ` +
            [...new Set(CELLS.map((mix) => mix.tape))]
              .map((tape) => {
                const cells = held.filter(({ mix }) => mix.wander === wander && mix.tape === tape);
                const least = Math.min(...cells.map((cell) => cell[share]));
                const most = Math.max(...cells.map((cell) => cell[by]));
                return `tape ${(tape * 1000).toFixed(0).padStart(2)} mm: ${(least * 100).toFixed(1)} % / ${most.toFixed(2)}`;
              })
              .join("   "),
        );
      for (const cell of held)
        if (cell[share] < HELD || cell[by] > WIDEST)
          missed.push(
            `${passes} passes, ${of}, wander ${cell.mix.wander}, tape ${cell.mix.tape}, drift ${cell.mix.drift}: ${(cell[share] * 100).toFixed(1)} %, ${cell[by].toFixed(2)}`,
          );
    }
  }
  console.log(
    missed.length === 0
      ? `  every cell holds ${HELD * 100} % and is at most ${WIDEST} times as wide\n`
      : `  not held to ${HELD * 100} % or ${WIDEST} times (of ten times as many draws: 0.25 either way is chance):\n    ${missed.join("\n    ")}\n`,
  );
}
