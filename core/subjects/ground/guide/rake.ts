/** The rake: level beam, tines just off the ground, both sides the same, as many rows as it reaches. */
import { fineLength, quantity, roundLength, tapeLength, tell } from "../../../quantity/said.ts";
import { BLANK, fix, type Guide, type GuideStep, good, look } from "./guide.ts";
import { inBand, summaryOf } from "./judging.ts";
import { joinedWidth } from "./swath.ts";

const MM = 0.001;
const DEGREE = Math.PI / 180;
/** Tines off the ground (common practice, no source). */
const TINES = [10 * MM, 25 * MM] as const;
/** Of the PTO (common practice, no source), 1/s. */
const TURNS = [350 / 60, 450 / 60] as const;
const SPEED = [9 / 3.6, 10 / 3.6] as const;
/** The cam by crop, of eight positions: 1 for heavy, 8 for light; between, ours. */
const CAM = { heavy: [1, 3], middle: [3, 6], light: [6, 8] } as const;

const ready: GuideStep = {
  key: "ready",
  title: "Ready for work",
  where: "yard",
  how: [
    "Guards out for work; the outer one is the driver's aiming mark. Transport tine arms refitted, three a side.",
    tell`Lift valves re-trimmed whenever it moves to another tractor. Tyre pressure and wheel nuts daily. Under ${roundLength(4)} high on the road, or what your roads allow.`,
  ],
  caution: "PTO never started while folded.",
  fields: [
    { key: "guards", label: "Guards", kind: "choice", choices: { out: "Out", in: "Still in" } },
    {
      key: "arms",
      label: "Tine arms",
      kind: "choice",
      choices: { all: "All fitted", some: "Some left off" },
    },
    {
      key: "lift",
      label: "Both sides lift",
      kind: "choice",
      choices: { even: "Evenly", uneven: "One ahead of the other" },
    },
  ],
  measures: [],
  judge: ({ choices }) => {
    if (choices.guards === "in") return fix("A guard is still in.", "Fold it out.");
    if (choices.arms === "some")
      return fix("Tine arms are left off.", "Fit them, three a side, each pinned.");
    return choices.lift === "uneven"
      ? fix("One side lifts ahead of the other.", "Trim the flow of the two lift valves on this tractor.")
      : good("Guards out, arms fitted, sides lift evenly.");
  },
  releases: true,
  drill: () => ({ ...BLANK, choices: { guards: "out", arms: "all", lift: "even" } }),
};

const beam: GuideStep = {
  key: "beam",
  title: "Main beam",
  where: "field",
  how: ["Level along the way at working height: an angle gauge on the beam."],
  fields: [
    {
      key: "beam",
      label: "It stands",
      kind: "measure",
      family: "angle",
      sides: { plus: "nose up", minus: "nose down" },
      zero: true,
    },
  ],
  measures: ["bedPitch"],
  judge: ({ figures: { beam } }) =>
    inBand({
      measure: "bedPitch",
      value: beam!,
      least: -0.5 * DEGREE,
      most: 0.5 * DEGREE,
      name: "Along the way",
      cures: { less: "Links or drawbar higher.", more: "Links or drawbar lower." },
    }),
  drill: ({ read }) => ({ ...BLANK, figures: { beam: read("bedPitch") } }),
};

const tines: GuideStep = {
  key: "tines",
  title: "Tines off the ground",
  where: "field",
  how: [
    "On level ground, each rotor at its lowest: from the ground up to the tines. The same number on the scale both sides.",
  ],
  fields: [
    { key: "left", label: "Left rotor", kind: "lengths", fine: true, fewest: 2, zero: true },
    { key: "right", label: "Right rotor", kind: "lengths", fine: true, fewest: 2, zero: true },
    { key: "scaleLeft", label: "Scale left", kind: "count", least: 0 },
    { key: "scaleRight", label: "Scale right", kind: "count", least: 0 },
  ],
  measures: ["tineHeight"],
  judge: ({ lists, figures }) => {
    const [left, right] = [summaryOf(lists.left!)!.mean, summaryOf(lists.right!)!.mean];
    const said = tell`Left ${fineLength(left)}, right ${fineLength(right)}; scales ${figures.scaleLeft!} and ${figures.scaleRight!}.`;
    if (figures.scaleLeft !== figures.scaleRight)
      return fix(said, "Set both scales to the same number first.");
    if (Math.abs(left - right) > TINES[1] - TINES[0])
      return fix(said, "Scales are alike and the rotors are not: tyre pressure, then the scale's zero.");
    return inBand({
      measure: "tineHeight",
      value: (left + right) / 2,
      least: TINES[0],
      most: TINES[1],
      name: "Tines off the ground",
      cures: {
        less: "Higher, both sides: else soil goes into the fodder.",
        more: "Lower, both sides: else fodder stays.",
      },
    });
  },
  drill: ({ read }) => ({
    ...BLANK,
    lists: {
      left: [Math.max(0, read("tineHeight")), Math.max(0, read("tineHeight"))],
      right: [Math.max(0, read("tineHeight")), Math.max(0, read("tineHeight"))],
    },
    figures: { scaleLeft: 4, scaleRight: 4 },
  }),
};

const cam: GuideStep = {
  key: "cam",
  title: "Cam and speed",
  where: "field",
  how: [
    tell`Cam 1 for heavy to 8 for light crop; 350 to 450 rpm, ${quantity("speed", SPEED[0])} to ${quantity("speed", SPEED[1])}.`,
  ],
  fields: [
    {
      key: "crop",
      stays: true,
      label: "The crop is",
      kind: "choice",
      choices: { heavy: "Heavy", middle: "Middling", light: "Light" },
    },
    { key: "cam", label: "Cam", kind: "count", least: 1 },
    { key: "turns", label: "PTO", kind: "measure", family: "rotation" },
    { key: "speed", label: "Speed", kind: "measure", family: "speed" },
  ],
  measures: [],
  wrong: ({ figures: { cam } }) => ((cam ?? 1) > 8 ? { cam: "The cam has eight positions." } : {}),
  judge: ({ choices, figures }) => {
    const { cam, turns, speed } = figures as Record<"cam" | "turns" | "speed", number>;
    const [least, most] = CAM[choices.crop as keyof typeof CAM];
    if (cam < least || cam > most)
      return fix(
        `Cam ${cam}; for this crop ${least} to ${most}.`,
        `Set it to ${cam < least ? least : most}.`,
      );
    const said = tell`Cam ${cam}, ${quantity("rotation", turns)}, ${quantity("speed", speed)}.`;
    if (turns < TURNS[0] - 0.01 || turns > TURNS[1] + 0.01)
      return fix(
        said,
        tell`Bring it to ${quantity("rotation", TURNS[0])} to ${quantity("rotation", TURNS[1])}.`,
      );
    return speed > SPEED[1] + 0.01
      ? look(said, tell`Faster than ${quantity("speed", SPEED[1])} it leaves fodder.`)
      : good(said);
  },
  drill: () => ({
    ...BLANK,
    choices: { crop: "middle" },
    figures: { cam: 4, turns: 400 / 60, speed: 9.5 / 3.6 },
  }),
};

const rows: GuideStep = {
  key: "rows",
  title: "Rows it joins",
  where: "field",
  how: [
    tell`${roundLength(6.8)} to ${roundLength(7.8)} joins three rows of ${roundLength(3)}, a smaller one two. The width's scale is read from the seat.`,
  ],
  fields: [
    { key: "rows", stays: true, label: "Rows to join", kind: "count", least: 1 },
    { key: "apart", stays: true, label: "Row to row", kind: "length" },
    { key: "swath", label: "Width of one row", kind: "length" },
    { key: "reach", label: "Rake set to", kind: "length" },
  ],
  measures: ["swath"],
  judge: ({ figures }) => {
    const { rows, apart, swath, reach } = figures as Record<"rows" | "apart" | "swath" | "reach", number>;
    const needed = joinedWidth(rows, apart, swath);
    const said = tell`${rows} rows need ${tapeLength(needed)}; it reaches ${tapeLength(reach)}.`;
    if (reach >= needed) return good(said);
    const less = Math.max(1, Math.floor((reach - swath) / apart) + 1);
    return fix(
      said,
      less < rows
        ? tell`Widen it by ${tapeLength(needed - reach)}, or join ${less}.`
        : tell`Widen it by ${tapeLength(needed - reach)}.`,
      { measure: "swath", value: reach, wanted: needed, tolerance: 0.1 },
    );
  },
  drill: () => ({ ...BLANK, figures: { rows: 2, apart: 3, swath: 1.4, reach: 6 } }),
};

export const RAKE: Guide = {
  key: "rake",
  title: "Rake",
  tools: ["rake"],
  strip: "A short pass at raking speed on level ground.",
  cautions: ["Nobody in the turning circle while it folds."],
  steps: [ready, beam, tines, cam, rows],
};
