/** Wide cultivators: stacks, gauge wheels, depth, wings, what the strip shows; and the system that holds their depth, where there is one. */
import { fineLength, roundLength, type Said, tell } from "../../../quantity/said.ts";
import { depthStep } from "./depth.ts";
import { BLANK, fix, type Given, type Guide, type GuideStep, good, look, unknown } from "./guide.ts";
import { calibrated } from "./two-points.ts";

const MM = 0.001;
/** Wings as deep as the middle (ours). */
export const WING = 10 * MM;
/** Gauge wheels' turnbuckles against the book (ours). */
const BOOK = 2 * MM;
/** What a depth system shows against what is measured (ours). */
const SHOWN = 10 * MM;

const stacks: GuideStep = {
  key: "stacks",
  title: "Stacks",
  where: "yard",
  how: [
    "Shims on the master cylinders only; slaves follow. In front the masters stand in the middle, the slaves on the wings; behind the masters stand outside. A shim acts where its master is.",
    "The same count left and right, unless the maker says otherwise.",
  ],
  fields: [
    {
      key: "kind",
      stays: true,
      label: "Depth is held by",
      kind: "choice",
      choices: { shims: "Shims", other: "Something else" },
    },
    { key: "frontLeft", label: "Front left", kind: "count", least: 0, optional: true },
    { key: "frontRight", label: "Front right", kind: "count", least: 0, optional: true },
    { key: "rearLeft", label: "Rear left", kind: "count", least: 0, optional: true },
    { key: "rearRight", label: "Rear right", kind: "count", least: 0, optional: true },
    {
      key: "meant",
      stays: true,
      label: "Unequal on purpose",
      kind: "choice",
      choices: { no: "No", yes: "Yes, by its book" },
    },
  ],
  measures: [],
  judge: ({ choices, figures }) => {
    if (choices.kind === "other") return good("No shims on it.");
    if (
      figures.frontLeft === undefined ||
      figures.frontRight === undefined ||
      figures.rearLeft === undefined ||
      figures.rearRight === undefined
    )
      return unknown("Nobody counted all four stacks.", "Count them: in front and behind, left and right.");
    const { frontLeft, frontRight, rearLeft, rearRight } = figures as Record<
      "frontLeft" | "frontRight" | "rearLeft" | "rearRight",
      number
    >;
    const said = `In front ${frontLeft} and ${frontRight}, behind ${rearLeft} and ${rearRight}, left and right.`;
    if (choices.meant === "yes" || (frontLeft === frontRight && rearLeft === rearRight)) return good(said);
    const off = [
      frontLeft === frontRight
        ? ""
        : `in front ${Math.abs(frontLeft - frontRight)} ${frontLeft > frontRight ? "more on the left" : "more on the right"}`,
      rearLeft === rearRight
        ? ""
        : `behind ${Math.abs(rearLeft - rearRight)} ${rearLeft > rearRight ? "more on the left" : "more on the right"}`,
    ].filter(Boolean);
    return fix(
      `${said} Unequal: ${off.join(", ")}.`,
      "Make them equal before anything else: then measure the depth.",
    );
  },
  fault: {
    name: "unequal stack",
    seen: ({ choices, figures }) =>
      choices.kind === "shims" &&
      choices.meant === "no" &&
      (figures.frontLeft !== figures.frontRight || figures.rearLeft !== figures.rearRight),
  },
  drill: ({ faults }) => ({
    ...BLANK,
    choices: { kind: "shims", meant: "no" },
    figures: { frontLeft: 6, frontRight: faults.has("unequal stack") ? 5 : 6, rearLeft: 4, rearRight: 4 },
  }),
};

const wheels: GuideStep = {
  key: "wheels",
  title: "Gauge wheels' turnbuckles",
  where: "yard",
  how: [
    "Base plate to holder, each side against its book: some are unequal by design. To be checked even when new.",
  ],
  fields: [
    {
      key: "kind",
      stays: true,
      label: "Gauge wheels",
      kind: "choice",
      choices: { fitted: "On turnbuckles", none: "None" },
    },
    { key: "left", label: "Left", kind: "length", optional: true },
    { key: "leftBook", stays: true, label: "Left by the book", kind: "length", optional: true },
    { key: "right", label: "Right", kind: "length", optional: true },
    { key: "rightBook", stays: true, label: "Right by the book", kind: "length", optional: true },
  ],
  measures: [],
  judge: ({ choices, figures: { left, leftBook, right, rightBook } }) => {
    if (choices.kind === "none") return good("It has none.");
    if (left === undefined || right === undefined || leftBook === undefined || rightBook === undefined)
      return unknown("Not all four lengths are known.", "Tape both sides, and look in the book.");
    const off = (
      [
        ["left", left - leftBook],
        ["right", right - rightBook],
      ] as const
    ).filter(([, by]) => Math.abs(by) > BOOK + 1e-6);
    if (off.length === 0)
      return good(tell`Left ${fineLength(left)}, right ${fineLength(right)}, as in the book.`);
    const said = off.map(
      ([side, by]) => tell`the ${side} one ${fineLength(Math.abs(by))} too ${by > 0 ? "long" : "short"}`,
    );
    return fix(
      said.length === 1
        ? tell`Against the book ${said[0]!}.`
        : tell`Against the book ${said[0]!}, ${said[1]!}.`,
      "Bring each to its book length.",
    );
  },
  drill: () => ({ ...BLANK, choices: { kind: "none" } }),
};

const wings: GuideStep = {
  key: "wings",
  title: "Wings against the middle",
  where: "field",
  how: [
    "After the strip: depth at each wing less the depth in the middle. Wings are trimmed against the main frame, never the other way.",
  ],
  caution: "Re-phase with nobody within reach of the wings, side levelling off.",
  fields: [
    {
      key: "kind",
      stays: true,
      label: "Wings",
      kind: "choice",
      choices: { wings: "It has wings", none: "It is one piece" },
    },
    {
      key: "left",
      label: "Left wing",
      kind: "length",
      sides: { plus: "deeper", minus: "shallower" },
      zero: true,
      optional: true,
    },
    {
      key: "right",
      label: "Right wing",
      kind: "length",
      sides: { plus: "deeper", minus: "shallower" },
      zero: true,
      optional: true,
    },
  ],
  measures: ["wingLeft", "wingRight"],
  byDepth: true,
  ofMap: ({ zones }) =>
    zones.length === 2 ? Object.fromEntries(zones.map(({ side, by }) => [side, by])) : null,
  judge: ({ choices, figures: { left, right } }) => {
    if (choices.kind === "none") return good("It is one piece.");
    if (left === undefined || right === undefined)
      return unknown("Nobody measured both wings.", "Dig at each wing and in the middle.");
    const of = (by: number): Said =>
      Math.abs(by) < MM / 2
        ? "as deep"
        : tell`${fineLength(Math.abs(by))} ${by > 0 ? "deeper" : "shallower"}`;
    const said = tell`Left wing ${of(left)}, right wing ${of(right)}.`;
    const worst =
      Math.abs(left) >= Math.abs(right)
        ? (["left", "wingLeft", left] as const)
        : (["right", "wingRight", right] as const);
    if (Math.abs(worst[2]) <= WING) return good(said);
    return fix(
      said,
      `Trim the ${worst[0]} wing ${worst[2] > 0 ? "up" : "down"}: its screw or stroke stop; re-phase first where one lags.`,
      { measure: worst[1], value: worst[2], wanted: 0, tolerance: WING },
    );
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { kind: "wings" },
    figures: { left: read("wingLeft"), right: read("wingRight") },
  }),
};

const shows: GuideStep = {
  key: "shows",
  title: "What the strip shows",
  where: "field",
  how: [
    "Clear the loose soil off and look at the floor: blades level, the rear ones splitting the tracks of the front ones, ridge removers at work, the outer edge covered.",
  ],
  fields: [
    {
      key: "blades",
      label: "Floor",
      kind: "choice",
      choices: {
        smooth: "Smooth, blades level",
        tracks: "Rear blades run in the front tracks",
        steps: "Steps across",
      },
    },
    {
      key: "edge",
      label: "Outer edge",
      kind: "choice",
      choices: { covered: "Covered, no ridge", ridge: "A ridge stays", open: "Not covered" },
    },
  ],
  measures: [],
  byDepth: true,
  judge: ({ choices: { blades, edge } }) => {
    if (blades === "tracks")
      return fix(
        "The rear blades run in the front blades' tracks.",
        "It tows askew: level it across, then look at the hitch's middle.",
      );
    if (blades === "steps")
      return fix(
        "There are steps across.",
        "A blade bent or worn, or a wing trimmed otherwise: the depth map names it.",
      );
    if (edge === "covered") return good("Smooth, the edge covered.");
    return edge === "ridge"
      ? fix("A ridge stays at the edge.", "Ridge removers lower, or the outside disc's angle more.")
      : fix(
          "The outer edge is not covered.",
          "Deflector a position lower; its bolt sets nose up or tail down.",
        );
  },
  fault: { name: "worn point", seen: ({ choices }) => choices.blades === "steps" },
  drill: ({ faults }) => ({
    ...BLANK,
    choices: { blades: faults.has("worn point") ? "steps" : "smooth", edge: "covered" },
  }),
};

const notFitted = ({ looksAt }: Given) =>
  looksAt("system")[0]?.choices.fitted === "no" ? "There is no depth system on it." : null;

const system: GuideStep = {
  key: "system",
  title: "Depth system",
  where: "yard",
  how: [
    "Model, sections (three or five), width, sweep, options declared; then which function is on which remote, both set to automatic; its task controller on.",
    "Bled: hold in detent until no air comes. Upper limit is a height above the ground.",
  ],
  fields: [
    {
      key: "fitted",
      stays: true,
      label: "A system holds its depth",
      kind: "choice",
      choices: { no: "No", yes: "Yes" },
    },
    {
      key: "declared",
      label: "Declared, functions on automatic",
      kind: "choice",
      choices: { yes: "Yes", no: "No", none: "Does not apply" },
    },
    { key: "bled", label: "Bled", kind: "choice", choices: { yes: "Yes", no: "No", none: "Does not apply" } },
    {
      key: "frame",
      label: "Frame learnt, down and up to the stop",
      kind: "choice",
      choices: { yes: "Both ticked", no: "Not both", none: "Does not apply" },
    },
  ],
  measures: [],
  judge: ({ choices: { fitted, declared, bled, frame } }) => {
    if (fitted === "no") return good("There is none on it.");
    if ([declared, bled, frame].includes("none"))
      return unknown("It has a system, so each of these applies.", "Look at each in its menu.");
    if (declared === "no")
      return fix(
        "Not declared, or a function is not on automatic.",
        "Declare it; then both functions to automatic.",
      );
    if (bled === "no")
      return fix(
        "There may be air in the lines.",
        "Hold each in detent until no air comes: it sinks unevenly otherwise.",
      );
    return frame === "no"
      ? fix(
          "Its frame was not learnt.",
          "Down to the stop, up to the stop: each calibration done carries its tick.",
        )
      : good("Declared, bled, frame learnt.");
  },
  // Whether there is one a person says; a tool nobody asked about has one, to practise on.
  drill: (_, { looksAt }) => ({
    ...BLANK,
    choices:
      looksAt("system")[0]?.choices.fitted === "no"
        ? { fitted: "no", declared: "none", bled: "none", frame: "none" }
        : { fitted: "yes", declared: "yes", bled: "yes", frame: "yes" },
  }),
};

const zero: GuideStep = {
  key: "zero",
  title: "Depth shown against depth measured",
  where: "field",
  how: [
    "At two settings well apart, each driven and dug: what the display shows, and what the rule says. Setpoint and actual are separate readings: take the actual.",
    "Telling it the measured depth shifts its zero; two points give slope and zero.",
  ],
  fields: [
    { key: "shownA", label: "Shallow: shown", kind: "length", zero: true },
    { key: "trueA", label: "Shallow: measured", kind: "length", zero: true },
    { key: "shownB", label: "Deep: shown", kind: "length" },
    { key: "trueB", label: "Deep: measured", kind: "length" },
  ],
  measures: ["zero"],
  spared: notFitted,
  wrong: ({ figures }) => {
    const found = calibrated(figures as Record<"shownA" | "trueA" | "shownB" | "trueB", number>);
    return found.ok ? {} : { [found.field]: found.problem };
  },
  judge: ({ figures }) => {
    const points = figures as Record<"shownA" | "trueA" | "shownB" | "trueB", number>;
    const found = calibrated(points);
    if (!found.ok) return unknown(found.problem, "Take both again, further apart.");
    const worst =
      Math.abs(points.shownA - points.trueA) > Math.abs(points.shownB - points.trueB)
        ? (["A", points.shownA - points.trueA] as const)
        : (["B", points.shownB - points.trueB] as const);
    const said = tell`Shown ${fineLength(points.shownA)} and ${fineLength(points.shownB)}, measured ${fineLength(points.trueA)} and ${fineLength(points.trueB)}: true = ${found.slope.toFixed(2)} × shown ${found.zero < 0 ? "−" : "+"} ${fineLength(Math.abs(found.zero))}.`;
    if (Math.abs(worst[1]) <= SHOWN) return good(said);
    return fix(
      said,
      tell`Tell it the measured depth at both points, or until it is told set ${fineLength(found.shownFor((points.trueA + points.trueB) / 2))} for ${fineLength((points.trueA + points.trueB) / 2)}.`,
      { measure: "zero", value: worst[1], wanted: 0, tolerance: SHOWN },
    );
  },
  drill: ({ read }) => {
    const by = read("zero");
    return {
      ...BLANK,
      figures: {
        trueA: 0.06,
        shownA: Math.max(0, 0.06 + by),
        trueB: 0.15,
        shownB: Math.max(0.01, 0.15 + by),
      },
    };
  },
};

const holds: GuideStep = {
  key: "holds",
  title: "Setpoint held",
  where: "field",
  how: [
    "Commanded standing still it arms, and cancels after about seven seconds; holding the lever tests it. What a flick of the lever does (nothing, for now, saved) is a setting.",
    "How hard it follows is its response. Rear baskets are set by pressure, in clicks of 3.4 bar (50 psi). What triggers recording: lever or depth.",
  ],
  fields: [
    {
      key: "held",
      label: "Driving, it",
      kind: "choice",
      choices: {
        holds: "Holds its setpoint",
        cancels: "Arms and cancels",
        hunts: "Hunts about it",
        slow: "Comes too late",
      },
    },
    {
      key: "trigger",
      label: "Recording starts by",
      kind: "choice",
      choices: { lever: "The lever's detent", depth: "The depth", unseen: "Nobody looked" },
    },
  ],
  measures: [],
  spared: notFitted,
  judge: ({ choices: { held, trigger } }) => {
    if (held === "cancels")
      return fix(
        "It arms and cancels.",
        "It was not moving: command it while driving; standing, hold the lever to test.",
      );
    if (held === "hunts") return fix("It hunts.", "Response a step softer.");
    if (held === "slow") return fix("It comes late.", "Response a step harder; look for air first.");
    return trigger === "unseen"
      ? look("It holds. Nobody looked what starts the recording.", "Lower once and watch the coverage.")
      : good(`It holds its setpoint; recording starts by the ${trigger === "lever" ? "lever" : "depth"}.`);
  },
  drill: () => ({ ...BLANK, choices: { held: "holds", trigger: "depth" } }),
};

export const CULTIVATOR: Guide = {
  key: "cultivator",
  title: "Cultivator",
  tools: ["chisel", "disc", "cultivator"],
  strip: tell`About ${roundLength(100)} at full speed where it is wide and fast; else ${roundLength(30)}.`,
  cautions: ["Nobody under raised wings; locks in before anybody changes a shim."],
  steps: [
    system,
    stacks,
    wheels,
    depthStep([
      "At working speed, then stop without backing. Clear the loose soil off and measure at several places across, along the front and the rear of the work.",
    ]),
    wings,
    shows,
    zero,
    holds,
  ],
};
