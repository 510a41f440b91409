/** What is taken over as it stands: heights at which meters start and stop, load cells raised, what a curve still shows. */

import { solveConstant } from "../../../calibration/judge.ts";
import { type CalibrationKind, runOf } from "../../../calibration/kind.ts";
import type { DimensionKey } from "../../../dimension/catalogue.ts";
import type { Family } from "../../../quantity/measure.ts";
import { hadOf, isOneOf, rounded, told } from "./common.ts";

type Taken = Pick<CalibrationKind, "key" | "title" | "tells" | "steps" | "cautions"> & {
  constant: DimensionKey;
  family: Family;
  what: string;
  hint: string;
  range: readonly [number, number];
  /** differences are held against this, SI: where it is repeated to two per cent of it, it is repeated well */
  near: number;
  /** the last place a display shows, SI */
  step: number;
};

/** Taken over three times: the mean is entered. */
function taken({ constant, family, what, hint, range, near, step, ...rest }: Taken): CalibrationKind {
  const kind: CalibrationKind = {
    ...rest,
    constant,
    kit: [],
    one: "time",
    enough: { count: 3, why: "three tell whether it repeats" },
    setup: [hadOf(constant)],
    fields: [{ key: "value", label: what, hint, kind: "measure", family, range }],
    entered: "singly",
    asked: isOneOf("planter"),
    first: (rig) => told(rig, { had: constant }),
    solve: (asked) =>
      solveConstant(
        {
          ...kind,
          constant,
          near,
          pairOf: ({ figures }) => ({ over: figures.value ?? Number.NaN, under: 1 }),
        },
        asked,
      ),
    bench: ({ constants }, _, __, random) => {
      const value = constants[constant];
      return value === undefined
        ? []
        : [runOf({ value: Math.max(range[0], rounded(value + random.normal(near * 0.006), step)) })];
    },
  };
  return kind;
}

const LOWERED = ["Level ground, planter unfolded, hopper half full."] as const;

export const START_HEIGHT = taken({
  key: "start-height",
  title: "Start height",
  tells: "Where the meters start as it is lowered.",
  constant: "rate.startHeight",
  family: "ratio",
  what: "Sensor shows",
  hint: "lowering, as the openers just touch",
  range: [0, 1],
  near: 1,
  step: 0.01,
  steps: [
    ...LOWERED,
    "Lower slowly from the top. As the openers just touch, take it over.",
    "Three times, always while lowering.",
  ],
  cautions: ["Nobody near the row units while it is lowered."],
});

export const STOP_HEIGHT = taken({
  key: "stop-height",
  title: "Stop height",
  tells: "Where the meters stop as it is raised.",
  constant: "rate.stopHeight",
  family: "ratio",
  what: "Sensor shows",
  hint: "raising, as the openers just leave the ground",
  range: [0, 1],
  near: 1,
  step: 0.01,
  steps: [
    ...LOWERED,
    "Raise slowly from work. As the openers just leave the ground, take it over.",
    "Three times, always while raising.",
  ],
  cautions: ["Nobody near the row units while it is raised."],
});

export const LOAD_CELLS = taken({
  key: "load-cells",
  title: "Load cells, raised",
  tells: "What the gauge wheels' load shows when there is none: downforce is held to it.",
  constant: "rate.loadCells",
  family: "mass",
  what: "Load shown, raised",
  hint: "as the figure stands still",
  range: [0, 400],
  near: 100,
  step: 0.5,
  steps: [
    "Planter raised and locked, wheels hanging free.",
    "Wait until the figure stands still, note it, set it to nothing.",
    "Three times, lowered in between.",
  ],
  cautions: ["Raised: transport locks in before anybody reaches under it."],
});

export const GYRO = taken({
  key: "gyro",
  title: "Turn compensation",
  tells: "What is left over in a curve after the gyro was set to nothing.",
  constant: "rate.gyro",
  family: "ratio",
  what: "Left over in the curve",
  hint: "outer row against what the curve asks",
  range: [0, 0.5],
  near: 1,
  step: 0.001,
  steps: [
    "Stand still on level ground, tool at work, and set the gyro to nothing.",
    "Drive one curve, and compare outer and inner rows with what it asks.",
    "Three curves, both ways. Repeat it during the season: it drifts with warmth.",
  ],
  cautions: ["It has a switch of its own: look that turn compensation is on."],
});
