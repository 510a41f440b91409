/** The mounted subsoiler: behind the middle, level, its nose a little down, below the hard layer. */
import { fineLength, quantity, roundLength, smallLength, tell } from "../../../quantity/said.ts";
import { BLANK, fix, type Guide, type GuideStep, good, look } from "./guide.ts";
import { inBand, summaryOf } from "./judging.ts";

const CM = 0.01;
const DEGREE = Math.PI / 180;
/** Where it is worked, metres (common practice, no source). */
const WORKED = [25 * CM, 38 * CM] as const;
/** Depth is within this of what is wanted (ours). */
const NEAR = 2 * CM;
/** Points slightly down (ours). */
const NOSE = [1 * DEGREE, 4 * DEGREE] as const;

const middle: GuideStep = {
  key: "middle",
  title: "Behind the middle",
  where: "yard",
  how: [
    "Bushings where categories differ; centred behind the tractor, sway blocks in.",
    "Level by the right lift arm.",
  ],
  fields: [
    {
      key: "sway",
      label: "Sway blocks",
      kind: "choice",
      choices: { in: "In, it stands in the middle", out: "Out" },
    },
    {
      key: "level",
      label: "Seen from behind",
      kind: "measure",
      family: "angle",
      sides: { plus: "right down", minus: "left down" },
      zero: true,
    },
  ],
  measures: ["sideLevel"],
  judge: ({ choices, figures: { level } }) => {
    if (choices.sway === "out")
      return fix("It can swing.", "Put the sway blocks in, with the tool behind the middle.");
    return Math.abs(level!) <= 0.5 * DEGREE
      ? good("In the middle, and level.")
      : fix(
          tell`It stands ${quantity("angle", Math.abs(level!))} down on the ${level! > 0 ? "right" : "left"}.`,
          `Right lift arm ${level! > 0 ? "shorter" : "longer"}.`,
        );
  },
  drill: () => ({ ...BLANK, choices: { sway: "in" }, figures: { level: 0 } }),
};

const nose: GuideStep = {
  key: "nose",
  title: "Shank and point",
  where: "field",
  how: [
    "In work the shank stands upright, its points slightly down: if it does not enter, that angle is wrong.",
    "Lower slowly while moving.",
  ],
  fields: [
    {
      key: "enters",
      label: "It",
      kind: "choice",
      choices: { yes: "Enters by itself", no: "Does not enter" },
    },
    {
      key: "nose",
      label: "Points from level",
      kind: "measure",
      family: "angle",
      sides: { plus: "down", minus: "up" },
      zero: true,
    },
  ],
  measures: ["shankLean"],
  judge: ({ choices, figures: { nose: down } }) => {
    const judged = inBand({
      measure: "shankLean",
      value: down!,
      least: NOSE[0],
      most: NOSE[1],
      name: "Points down by",
      cures: { less: "Top link shorter: the points go down.", more: "Top link longer: the points come up." },
    });
    if (choices.enters === "no" && judged.verdict === "good")
      return look(
        tell`It does not enter. ${judged.said}`,
        "The angle is right: look at the points, they may be worn; or more weight.",
      );
    return judged;
  },
  drill: ({ read, value }) => ({
    ...BLANK,
    choices: { enters: value("shankLean") > 0 ? "yes" : "no" },
    figures: { nose: read("shankLean") },
  }),
};

const slot: GuideStep = {
  key: "slot",
  title: "Depth, felt in the slot",
  where: "field",
  how: [
    "Set the stop, get out, feel the slot by hand or rod at several places. Lever marks of three to four are only where one starts.",
    tell`For a hard layer at ${smallLength(20 * CM)} to ${smallLength(30 * CM)} work at ${smallLength(25 * CM)} to ${smallLength(38 * CM)}; aim at more than ${smallLength(30 * CM)}.`,
  ],
  caution: "Tractor at rest, tool lowered, key out, before anybody feels into the slot.",
  fields: [
    { key: "depths", label: "Depths", hint: "one after the other", kind: "lengths", fewest: 2 },
    { key: "hard", stays: true, label: "Hard layer ends at", kind: "length", optional: true },
  ],
  measures: ["workDepth"],
  judge: ({ lists, figures: { hard } }, { wanted }) => {
    const { mean, spread } = summaryOf(lists.depths!)!;
    const said = tell`${fineLength(mean)} deep, differing by ${fineLength(spread)}`;
    if (wanted === null)
      return { verdict: "unknown", said: tell`${said}.`, cure: "Say how deep it shall work." };
    if (hard !== undefined && mean <= hard)
      return fix(
        tell`${said}: the hard layer goes down to ${fineLength(hard)}.`,
        "Stop deeper, below the layer: else nothing is broken.",
        { measure: "workDepth", value: mean, wanted: Math.max(wanted, hard + NEAR), tolerance: NEAR },
      );
    const judged = inBand({
      measure: "workDepth",
      value: mean,
      least: wanted - NEAR,
      most: wanted + NEAR,
      name: "It works at",
      cures: { less: "Depth stop lower.", more: "Depth stop higher." },
    });
    if (judged.verdict === "good" && (wanted < WORKED[0] || wanted > WORKED[1]))
      return look(
        tell`${judged.said} Usual is ${fineLength(WORKED[0])} to ${fineLength(WORKED[1])}.`,
        "Is that depth meant? Dig for the hard layer first.",
      );
    return judged;
  },
  drill: ({ read }) => ({
    ...BLANK,
    lists: { depths: [0, 1, 2, 3].map(() => Math.max(0.05, read("workDepth"))) },
  }),
};

const pulls: GuideStep = {
  key: "pulls",
  title: "How it pulls",
  where: "field",
  how: ["Low gear, second range, first; four-wheel drive; about half throttle where stones are."],
  fields: [
    {
      key: "pull",
      label: "It pulls",
      kind: "choice",
      choices: { steady: "Steady", hard: "Suddenly hard", jerky: "In jerks" },
    },
  ],
  measures: [],
  judge: ({ choices: { pull } }) => {
    if (pull === "steady") return good("It pulls steadily.");
    return pull === "hard"
      ? fix("It pulls hard of a sudden.", "The stop is set too deep: raise it, lower slowly.")
      : look("It pulls in jerks.", "On the first run that can be ground not loosened for years: no fault.");
  },
  drill: () => ({ ...BLANK, choices: { pull: "steady" } }),
};

export const SUBSOILER: Guide = {
  key: "subsoiler",
  title: "Subsoiler",
  tools: ["subsoiler"],
  strip: tell`About ${roundLength(10)}, lowered slowly while moving.`,
  cautions: ["Idle down and knock the soil off in the field, never on the road."],
  steps: [middle, nose, slot, pulls],
};
