/** Log of an up-and-back run: how far the receiver sits beside the middle, from its own sentences. */
import type { JobKind, Sketch, SketchSheet } from "../../../job/kind.ts";
import type { Observation } from "../../../job/result.ts";
import { signedFine, signedSmall } from "../../../job/words.ts";
import { arrow, line, type PlanStroke } from "../../../picture/strokes.ts";
import { recordRun } from "../../../simulation/receiver.ts";
import { acrossOf, findPasses, solveRunLog } from "../fits/run-log.ts";
import { anywhere, NEAR } from "./common.ts";

export const RUN_LOG: JobKind = {
  key: "run-log",
  title: "Log of an up-and-back run",
  tells: "How far the receiver sits beside the middle, from the receiver's own sentences.",
  drive: [
    "Drive straight for 100 m or more, turn round, and drive back in the same wheel marks. Three times.",
    "Record the receiver's sentences GGA and RMC or VTG, five a second or more, six decimals of a minute or more.",
  ],
  measure: ["Nothing: the passes are found in the log."],
  enough: { count: 1, why: "one log holds several passes; three each way give a spread" },
  blind: [
    "Only the receiver is measured, not the tool.",
    "How well the wheels kept to their marks is all it can be good for: half of it counts.",
  ],
  cautions: [NEAR],
  one: "log",
  receiver: true,
  on: anywhere,
  fields: [],
  asksSpacing: false,
  judgedBy: "across",
  solve: ({ observations, left, entered }) => solveRunLog(observations, left, entered),
  sketch,
  fromLog: {
    needed: ["across"],
    read: (points) => {
      const passes = findPasses(points);
      if (passes.length < 2)
        return {
          problem: `${passes.length === 1 ? "One straight pass" : "No straight pass"} of 30 m or more was found: drive up and back in the same marks.`,
        };
      const across = acrossOf(passes);
      if (across.length === 0)
        return { problem: "The passes share no stretch: drive them beside each other, up and back." };
      return across.map((pass) => ({
        values: { across: pass.across },
        choices: { way: pass.way === 1 ? "there" : "back" },
      }));
    },
    say: ({ values, choices }, units) =>
      `${choices.way === "back" ? "back" : "there"}, ${signedFine(values.across ?? 0, units)} beside the line`,
  },
  drill: { label: "Drive up and back, three times", recorded: (field) => recordRun(field, 3) },
};

/** Passes of a log beside the main line, drawn far apart. */
function sketch(observations: readonly Observation[], { width, height, units }: SketchSheet): Sketch {
  const middle = width / 2;
  const all = observations.map(({ values }) => values.across ?? 0);
  const centre = all.length === 0 ? 0 : (Math.min(...all) + Math.max(...all)) / 2;
  const most = Math.max(0.01, ...all.map((each) => Math.abs(each - centre)));
  const strokes: PlanStroke[] = [line("virtual", [middle, 50], [middle, height - 70])];
  for (const [at, { choices }] of observations.entries()) {
    const x = middle + ((all[at]! - centre) / most) * (width / 2 - 60);
    strokes.push(
      choices.way === "back" ? arrow(x, 60 + at * 6, height - 80) : arrow(x, height - 80 - at * 6, 60),
    );
  }
  const apart = all.length < 2 ? null : Math.max(...all) - Math.min(...all);
  return {
    strokes,
    notes: [
      { x: middle, y: 32, text: "up and back in the same marks", anchor: "middle" },
      {
        x: middle,
        y: height - 24,
        text:
          apart === null
            ? "The receiver's way out and back lies twice its offset apart"
            : `${signedSmall(apart, units)} between the outermost`,
        anchor: "middle",
        ...(apart === null ? {} : { tone: "dye" as const }),
      },
    ],
  };
}
