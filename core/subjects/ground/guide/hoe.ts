/** The inter-row hoe: blade, gauge wheel, springs, fingers, cutaway disc, in this order. */
import { fineLength, tell } from "../../../quantity/said.ts";
import { depthStep } from "./depth.ts";
import { BLANK, fix, type Given, type Guide, type GuideStep, good, look } from "./guide.ts";
import { inBand } from "./judging.ts";

const MM = 0.001;

/** Gauge wheel above a flat floor with the blade on it (common practice, no source). */
const CLEAR = [12 * MM, 19 * MM] as const;
/** On soft soil the wheel sinks nearly as deep as the blade, so it stands lower; on hard soil it is raised (ours, the outer third of the band). */
const BY_SOIL = { soft: [12 * MM, 15 * MM], usual: CLEAR, hard: [16 * MM, 19 * MM] } as const;
/** A finger arm's float (common practice, no source). */
const FLOAT = [25 * MM, 50 * MM] as const;
/** Ours. */
const HALF = 5 * MM;
/** "Slightly below the blade" (ours). */
const BELOW = [2 * MM, 10 * MM] as const;

const blade: GuideStep = {
  key: "blade",
  title: "Blades between the rows",
  where: "yard",
  how: [
    "In the rear holes for trash room, forward only on clean land; larger blades reach further forward.",
    "Units sit on a square bar; longer bars come off where they carry nothing.",
  ],
  fields: [
    {
      key: "holes",
      label: "Blades are in",
      kind: "choice",
      choices: { rear: "The rear holes", front: "The forward holes" },
    },
    { key: "land", label: "The land is", kind: "choice", choices: { trash: "Trashy", clean: "Clean" } },
  ],
  measures: [],
  judge: ({ choices: { holes, land } }) =>
    holes === "front" && land === "trash"
      ? fix("Forward on trashy land they choke.", "Move them to the rear holes.")
      : good(holes === "rear" ? "In the rear holes." : "Forward, on clean land."),
  drill: () => ({ ...BLANK, choices: { holes: "rear", land: "trash" } }),
};

/** The soil is as somebody found it, to practise on as well. */
const soilOf = ({ looksAt }: Given) => looksAt("clear")[0]?.choices.soil ?? "usual";

const clear: GuideStep = {
  key: "clear",
  title: "Gauge wheel",
  where: "yard",
  how: [
    "Flat floor, height crank in the middle of its range, blade on the floor: from the floor up to the wheel.",
    "Soft soil: lower, it sinks nearly as deep as the blade. Hard soil: raise it.",
  ],
  fields: [
    {
      key: "soil",
      stays: true,
      label: "The soil is",
      kind: "choice",
      choices: { soft: "Soft", usual: "Usual", hard: "Hard" },
    },
    { key: "clear", label: "Floor to wheel", kind: "length", fine: true, zero: true },
  ],
  measures: ["wheelClear"],
  judge: ({ figures, choices }) => {
    const [least, most] = BY_SOIL[choices.soil as keyof typeof BY_SOIL];
    return inBand({
      measure: "wheelClear",
      value: figures.clear!,
      least,
      most,
      name: "Gauge wheel above the floor",
      cures: { less: "Raise the wheel by its crank.", more: "Lower the wheel by its crank." },
    });
  },
  drill: ({ read }, given) => ({
    ...BLANK,
    choices: { soil: soilOf(given) },
    figures: { clear: Math.max(0, read("wheelClear")) },
  }),
};

const gap: GuideStep = {
  key: "gap",
  title: "Gap to the blade",
  where: "yard",
  how: ["Between the blade's tip and the gauge wheel trash must fall through."],
  fields: [
    { key: "gap", label: "It is", kind: "choice", choices: { free: "Free", close: "Close: trash wedges" } },
  ],
  measures: [],
  judge: ({ choices }) =>
    choices.gap === "free"
      ? good("Free.")
      : fix("Trash wedges there.", "Move the blade back a hole, or take the shorter one."),
  drill: () => ({ ...BLANK, choices: { gap: "free" } }),
};

const crank: GuideStep = {
  key: "crank",
  title: "Height crank",
  where: "yard",
  how: ["The nut at its foot drags: it turns easily and does not shake loose."],
  fields: [
    {
      key: "crank",
      label: "It",
      kind: "choice",
      choices: { holds: "Turns easily and holds", walks: "Walks by itself", hard: "Turns hard" },
    },
  ],
  measures: [],
  judge: ({ choices: { crank } }) =>
    crank === "holds"
      ? good("It holds.")
      : fix(
          crank === "walks" ? "It walks: the depth is not kept." : "It turns hard.",
          crank === "walks"
            ? "Tighten its drag nut a little."
            : "Slacken its drag nut a little, grease the thread.",
        ),
  drill: () => ({ ...BLANK, choices: { crank: "holds" } }),
};

const springs: GuideStep = {
  key: "springs",
  title: "Down-springs",
  where: "field",
  how: [
    "Gravity alone on loose soil; else two notches a side to begin with, each side by itself.",
    "Too much on light soil drives the wheel in.",
  ],
  fields: [
    {
      key: "soil",
      stays: true,
      label: "The soil is",
      kind: "choice",
      choices: { loose: "Loose", usual: "Usual", hard: "Hard" },
    },
    { key: "left", label: "Notches left", kind: "count", least: 0 },
    { key: "right", label: "Notches right", kind: "count", least: 0 },
    {
      key: "unit",
      label: "The unit",
      kind: "choice",
      choices: { steady: "Runs steady", rides: "Rides up", sinks: "Its wheel is driven in" },
    },
  ],
  measures: ["unitSpring"],
  judge: ({ choices: { soil, unit }, figures }) => {
    const { left, right } = figures as Record<"left" | "right", number>;
    const said = tell`${left} left, ${right} right.`;
    if (unit === "sinks")
      return fix(
        tell`${said} The wheel is driven in.`,
        soil === "loose" ? "Take all notches off: gravity alone." : "One notch less, each side.",
        { measure: "unitSpring", sense: 1 },
      );
    if (unit === "rides")
      return fix(tell`${said} The unit rides up.`, "One notch more, each side.", {
        measure: "unitSpring",
        sense: -1,
      });
    if (left !== right) return look(said, "One side more than the other: on purpose, or forgotten?");
    if (soil === "loose" && left > 0)
      return look(said, "On loose soil gravity alone is enough: try without.");
    return good(said);
  },
  drill: ({ value }, given) => {
    const by = value("unitSpring");
    const soft = soilOf(given) === "soft";
    const notches = Math.max(0, Math.round((soft ? 0 : 2) + by));
    return {
      ...BLANK,
      choices: { soil: soft ? "loose" : "usual", unit: by > 0.5 ? "sinks" : by < -0.5 ? "rides" : "steady" },
      figures: { left: notches, right: notches },
    };
  },
};

const fingers: GuideStep = {
  key: "fingers",
  title: "Fingers",
  where: "field",
  how: [
    "In the field: into the soil at half of the arm's stroke.",
    "Light spring for light soil or tender crop, with soft large fingers; heavier for firmer; rigid bolt with stiff fingers for hard soil, or for a tool that needs no float.",
  ],
  fields: [
    {
      key: "kind",
      stays: true,
      label: "Fingers",
      kind: "choice",
      choices: { spring: "On a spring", rigid: "Rigid", none: "None" },
    },
    {
      key: "stroke",
      stays: true,
      label: "Whole stroke of the arm",
      kind: "length",
      fine: true,
      optional: true,
    },
    { key: "into", label: "Into it at work", kind: "length", fine: true, optional: true, zero: true },
  ],
  measures: ["fingerFloat"],
  byDepth: true,
  wrong: ({ figures: { stroke, into } }) =>
    stroke !== undefined && into !== undefined && into > stroke
      ? { into: "That is further than the arm goes." }
      : {},
  judge: ({ choices: { kind }, figures: { stroke, into } }) => {
    if (kind === "none") return good("It has none.");
    if (kind === "rigid") return good("Rigid: nothing floats.");
    if (stroke === undefined || into === undefined)
      return {
        verdict: "unknown",
        said: "Nobody measured how far the arm is pushed in.",
        cure: "Measure its whole stroke, and how far it is in at work.",
      };
    const judged = inBand({
      measure: "fingerFloat",
      value: into,
      least: stroke / 2 - HALF,
      most: stroke / 2 + HALF,
      name: "The arm is in by",
      cures: { less: "Lower the fingers.", more: "Raise the fingers." },
    });
    if (judged.verdict === "good" && (stroke < FLOAT[0] || stroke > FLOAT[1]))
      return look(
        tell`${judged.said} Its stroke of ${fineLength(stroke)} is not the usual ${fineLength(FLOAT[0])} to ${fineLength(FLOAT[1])}.`,
        "Look whether something stops it.",
      );
    return judged;
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { kind: "spring" },
    figures: { stroke: 40 * MM, into: Math.min(40 * MM, Math.max(0, read("fingerFloat"))) },
  }),
};

const disc: GuideStep = {
  key: "disc",
  title: "Cutaway discs",
  where: "field",
  how: [
    "Slightly below the blade, so that no shelf of soil is pushed over the seedlings. In and out by the clamp or by two nuts.",
    "Reversed it throws soil to the row.",
  ],
  fields: [
    { key: "kind", stays: true, label: "Discs", kind: "choice", choices: { fitted: "Fitted", none: "None" } },
    {
      key: "below",
      label: "Below the blade",
      kind: "length",
      fine: true,
      optional: true,
      zero: true,
      sides: { plus: "below", minus: "above" },
    },
  ],
  measures: ["discBelow"],
  judge: ({ choices: { kind }, figures: { below } }) => {
    if (kind === "none") return good("It has none.");
    if (below === undefined)
      return {
        verdict: "unknown",
        said: "Nobody measured them.",
        cure: "Measure from the blade's edge down to the disc's.",
      };
    return inBand({
      measure: "discBelow",
      value: below,
      least: BELOW[0],
      most: BELOW[1],
      name: "Disc below the blade",
      cures: {
        less: "Lower the disc: else a shelf of soil is pushed over the row.",
        more: "Raise the disc.",
      },
    });
  },
  drill: ({ read }) => ({ ...BLANK, choices: { kind: "fitted" }, figures: { below: read("discBelow") } }),
};

const row: GuideStep = {
  key: "row",
  title: "The row after it",
  where: "field",
  how: ["Look along a few metres of row: seedlings free, roots covered, weeds cut all across."],
  fields: [
    {
      key: "seen",
      label: "You see",
      kind: "choice",
      choices: {
        clean: "Seedlings free, weeds cut",
        thrown: "Soil on seedlings",
        strips: "Strips of weeds left",
      },
    },
  ],
  measures: ["discBelow", "bladeDepth"],
  byDepth: true,
  judge: ({ choices: { seen } }) => {
    if (seen === "clean") return good("Seedlings free, weeds cut.");
    return seen === "thrown"
      ? fix("Soil lies on seedlings.", "Cutaway disc a little lower, blade a hole back, then slower.", {
          measure: "discBelow",
          sense: -1,
        })
      : fix(
          "Strips of weeds are left.",
          "Blades overlap: a wider blade, or the units closer; look at the row spacing.",
        );
  },
  drill: ({ value }) => ({ ...BLANK, choices: { seen: value("discBelow") < 0 ? "thrown" : "clean" } }),
};

export const HOE: Guide = {
  key: "hoe",
  title: "Inter-row hoe",
  tools: ["hoe"],
  strip: "A few metres of row at working speed; then look at every unit.",
  cautions: ["Nobody between units while the lift is up: prop it."],
  steps: [
    blade,
    clear,
    gap,
    crank,
    depthStep(["Scrape the loose soil off beside each unit: from the surface down to the uncut floor."]),
    springs,
    fingers,
    disc,
    row,
  ],
};
