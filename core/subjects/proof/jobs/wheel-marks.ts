/** The same wheel marks both ways round: where the receiver really is, whatever hangs on behind. */
import type { JobKind } from "../../../job/kind.ts";
import { parkTwice } from "../../../simulation/drive.ts";
import { solveWheelMarks } from "../fits/wheel-marks.ts";
import { anywhere, NEAR, toMillimetres, wheelSketch } from "./common.ts";

export const WHEEL_MARKS: JobKind = {
  key: "wheel-marks",
  title: "Same wheel marks",
  tells: "Where the receiver really is, whatever hangs on behind.",
  drive: [
    "Park on firm ground. Mark on the ground where both rear wheels stand.",
    "Read the position. Turn round, come back the other way, and put the rear wheels on the same marks.",
    "Read the position again. Three times round tells how well it repeats.",
  ],
  measure: [
    "Read both positions the same way: off one guidance line as the first heading sees left and right, or as coordinates.",
    "Wait until the position stands still.",
  ],
  enough: { count: 3, why: "three rounds give a spread to judge the mean by" },
  blind: [
    "A side slope cancels; a wrongly levelled roll sensor does not: it counts as lateral here, by its error times the receiver's height.",
  ],
  cautions: [NEAR],
  one: "round",
  receiver: true,
  on: anywhere,
  fields: [
    {
      key: "first",
      label: "First reading, beside the line",
      hint: "facing the first way",
      kind: "sided",
      plus: "right",
      minus: "left",
    },
    {
      key: "second",
      label: "Second reading, beside the same line",
      hint: "turned round, but right and left as the first way saw them",
      kind: "sided",
      plus: "right",
      minus: "left",
    },
    {
      key: "along",
      label: "Second reading along the line, from the first",
      hint: "ahead as the first way saw it; leave it empty where the terminal does not tell",
      kind: "sided",
      plus: "ahead",
      minus: "behind",
      optional: true,
    },
  ],
  asksSpacing: false,
  judgedBy: "across",
  solve: ({ observations, left, entered }) => solveWheelMarks(observations, left, entered),
  sketch: (observations, sheet) =>
    wheelSketch(
      observations.map(({ values }) => ((values.first ?? 0) - (values.second ?? 0)) / 2),
      sheet,
    ),
  drill: {
    label: "Park twice, four times round",
    found: (field) =>
      Array.from({ length: 4 }, () => {
        const { first, second, along } = parkTwice(field);
        return {
          values: {
            first: toMillimetres(first),
            second: toMillimetres(second),
            along: toMillimetres(along),
          },
        };
      }),
  },
};
