/** Openers of a drill or planter: depth notch, closing wheel, firming wheel, each on both ranks; and the pressure that holds them down. */
import { quantity, tapeLength, tell } from "../../../quantity/said.ts";
import { shareInterval } from "../../../statistics/binomial.ts";
import { depthStep } from "./depth.ts";
import { BLANK, fix, type Guide, type GuideStep, good } from "./guide.ts";
import { inBand } from "./judging.ts";

/** Gauge wheels that cannot be turned by hand or boot, of all (common practice, no source). */
const ENOUGH = 0.9;

const ranks: GuideStep = {
  key: "ranks",
  title: "Every opener alike",
  where: "yard",
  how: [
    "Depth notch, closing wheel, firming wheel: the same at every opener, the front rank too, awkward as it is.",
    "Rearmost notch is shallow, forward deep; small seed at the rearmost, beans rarely past about the fourth. Handles sit on the inner side and change sides at the middle of the drill.",
  ],
  fields: [
    {
      key: "state",
      label: "They stand",
      kind: "choice",
      choices: { alike: "All alike", rank: "One rank otherwise", some: "Some otherwise" },
    },
  ],
  measures: [],
  judge: ({ choices: { state } }) =>
    state === "alike"
      ? good("All alike, on both ranks.")
      : fix(
          state === "rank" ? "One rank stands otherwise." : "Some stand otherwise.",
          "Set them all to the same notch: else the rows come up in turns.",
        ),
  drill: () => ({ ...BLANK, choices: { state: "alike" } }),
};

const lockouts: GuideStep = {
  key: "lockouts",
  title: "Lock-outs and downforce",
  where: "yard",
  how: ["The road's lock-outs are released, the downforce is switched on and tried standing."],
  caution: "Released, openers may drop by themselves: nobody under or between them.",
  fields: [
    {
      key: "locks",
      label: "Lock-outs",
      kind: "choice",
      choices: { out: "Released", in: "Still in", none: "It has none" },
    },
    { key: "force", label: "Downforce", kind: "choice", choices: { on: "On", off: "Off" } },
  ],
  measures: [],
  judge: ({ choices }) => {
    if (choices.locks === "in")
      return fix("A lock-out is still in.", "Release it: the openers there hang in the air.");
    return choices.force === "off"
      ? fix("The downforce is off.", "Switch it on: the stand is uneven from the first pass.")
      : good("Released, and the downforce is on.");
  },
  releases: true,
  fault: { name: "lock in", seen: ({ choices }) => choices.locks === "in" },
  drill: ({ faults }) => ({
    ...BLANK,
    choices: { locks: faults.has("lock in") ? "in" : "out", force: "on" },
  }),
};

const gauge: GuideStep = {
  key: "gauge",
  title: "Down pressure",
  where: "field",
  how: [
    "Read the pressure gauge while it works, and the ends of its marked zone.",
    "Look at the frame's left wheel: in the air it is the first sign of too much. Too much turns the rockshaft on, and because the gauge wheel's axle sits behind the disc's it lifts the openers.",
  ],
  fields: [
    { key: "now", label: "Gauge reads", kind: "measure", family: "pressure", zero: true },
    { key: "low", stays: true, label: "Zone from", kind: "measure", family: "pressure", zero: true },
    { key: "high", stays: true, label: "Zone to", kind: "measure", family: "pressure" },
    {
      key: "wheel",
      label: "Frame's wheels",
      kind: "choice",
      choices: { down: "All on the ground", up: "The left one lifts" },
    },
  ],
  measures: ["downforce"],
  wrong: ({ figures: { low, high } }) =>
    (high ?? 0) <= (low ?? 0) ? { high: "The zone ends above where it begins." } : {},
  judge: ({ figures, choices }) => {
    const { now, low, high } = figures as Record<"now" | "low" | "high", number>;
    const judged = inBand({
      measure: "downforce",
      value: now,
      least: low,
      most: high,
      name: "Down pressure",
      cures: {
        less: "A little more, one step at a time.",
        more: "Back off, or add ballast: the ballast bar takes the tractor's own front plates.",
      },
    });
    if (choices.wheel === "down") return judged;
    return fix(
      tell`A frame wheel lifts at ${quantity("pressure", now)}: the openers are lifted, not pressed.`,
      now > low
        ? "Back off until it stays down, or add ballast."
        : "It lifts below its zone already: add ballast.",
      judged.off ?? { measure: "downforce", sense: 1 },
    );
  },
  drill: ({ read, value }) => ({
    ...BLANK,
    figures: { now: Math.max(0, read("downforce")), low: 7e5, high: 9e5 },
    choices: { wheel: value("downforce") > 9.6e5 ? "up" : "down" },
  }),
};

const firm: GuideStep = {
  key: "firm",
  title: "Gauge wheels firm",
  where: "field",
  how: [
    "Stop on the level. Try each gauge wheel by hand or boot; count those that cannot be turned.",
    "To be sure of nine in ten 36 must all be firm: so says the interval.",
  ],
  caution: "Machine lowered and at rest, tractor stopped, key out, before anybody reaches in.",
  fields: [
    { key: "tried", stays: true, label: "Wheels tried", kind: "count", least: 1 },
    { key: "firm", label: "Firm", kind: "count", least: 0 },
  ],
  school: "firm",
  measures: ["downforce"],
  byDepth: true,
  wrong: ({ figures: { tried, firm } }) =>
    (firm ?? 0) > (tried ?? 0) ? { firm: "More are firm than were tried." } : {},
  judge: ({ figures }, { school }) => {
    const { tried, firm } = figures as Record<"tried" | "firm", number>;
    const { low, high } = shareInterval(firm, tried);
    const sure = school("firm") === "sure";
    const said = tell`${firm} of ${tried} are firm, ${quantity("ratio", firm / tried)}; so few leave ${quantity("ratio", low)} to ${quantity("ratio", high)} open.`;
    if (sure ? low >= ENOUGH - 1e-6 : firm / tried >= ENOUGH - 1e-9) return good(said);
    if (firm / tried >= ENOUGH)
      return {
        verdict: "check",
        said,
        cure: "By this school too few were tried to be sure: try more of them.",
      };
    return fix(said, "A little more down pressure, one step; then again.", {
      measure: "downforce",
      sense: -1,
    });
  },
  drill: ({ value, chance }) => {
    const tried = 30;
    const share = Math.min(
      0.99,
      Math.max(
        0.3,
        0.97 - Math.max(0, 7e5 - value("downforce")) / 3e5 - Math.max(0, value("downforce") - 9.6e5) / 4e5,
      ),
    );
    let firm = 0;
    for (let at = 0; at < tried; at += 1) firm += chance.between(0, 1) < share ? 1 : 0;
    return { ...BLANK, figures: { tried, firm } };
  },
};

const closing: GuideStep = {
  key: "closing",
  title: "Closing wheel",
  where: "field",
  how: [
    "The wheel is heavy on a long arm: only as much as closes the slot. Set at an angle it ploughs and moves seed when overdone.",
  ],
  fields: [
    {
      key: "slot",
      label: "The slot is",
      kind: "choice",
      choices: { closed: "Just closed", open: "Open", thrown: "Ploughed, seed moved" },
    },
  ],
  measures: ["closing"],
  judge: ({ choices: { slot } }) => {
    if (slot === "closed") return good("The slot is just closed.");
    return slot === "open"
      ? fix("The slot stays open.", "One notch harder, every opener.", { measure: "closing", sense: -1 })
      : fix("The wheel ploughs and moves seed.", "One notch softer, every opener.", {
          measure: "closing",
          sense: 1,
        });
  },
  drill: ({ value }) => {
    const by = value("closing");
    return { ...BLANK, choices: { slot: Math.abs(by) < 0.5 ? "closed" : by > 0 ? "thrown" : "open" } };
  },
};

const firming: GuideStep = {
  key: "firming",
  title: "Firming wheel",
  where: "field",
  how: ["The middle notch normally; on loose tilled soil the lowest, closing wheel too."],
  fields: [
    {
      key: "soil",
      label: "The seedbed is",
      kind: "choice",
      choices: { firm: "Firm", loose: "Loose, tilled" },
    },
    {
      key: "notch",
      label: "Its notch",
      kind: "choice",
      choices: { low: "Lowest", middle: "Middle", high: "Higher" },
    },
  ],
  measures: [],
  judge: ({ choices: { soil, notch } }) => {
    const wanted = soil === "loose" ? "low" : "middle";
    if (notch === wanted) return good(soil === "loose" ? "Lowest, on loose soil." : "In the middle.");
    return fix(
      notch === "high"
        ? "It presses hard."
        : notch === "low"
          ? "It hardly presses."
          : "It presses as on firm soil.",
      `Set it to the ${wanted === "low" ? "lowest" : "middle"} notch, every opener.`,
    );
  },
  drill: () => ({ ...BLANK, choices: { soil: "firm", notch: "middle" } }),
};

export const OPENERS: Guide = {
  key: "openers",
  title: "Openers",
  tools: ["drill", "planter"],
  strip: tell`${tapeLength(4.6)} to ${tapeLength(6)} on a level spot, at working speed.`,
  cautions: ["Nobody under raised openers: props or lock-outs in."],
  steps: [
    ranks,
    lockouts,
    gauge,
    firm,
    depthStep([
      "Dig the seed at several openers, front rank and rear rank, and measure from the surface down to it. The lever's number is no depth.",
    ]),
    closing,
    firming,
  ],
};
