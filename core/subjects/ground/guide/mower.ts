/** Mowers and mower-conditioners: bed, suspension, cutting height, swath. */
import { linkageOf } from "../../../linkage/from-rig.ts";
import { pitchPerMetre, poseAtHeight } from "../../../linkage/linkage.ts";
import { fineLength, quantity, roundLength, type Said, smallLength, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { BLANK, fix, type Given, type Guide, type GuideStep, good, look } from "./guide.ts";
import { inBand, summaryOf } from "./judging.ts";
import { boardAngle, pitchForCut } from "./swath.ts";

const CM = 0.01;
const DEGREE = Math.PI / 180;
/** Charge of the suspension: about 130 bar (common practice, no source; the maker's word comes first), within 5 bar (ours). */
const CHARGE = [125e5, 135e5] as const;
/** Cutting height is within this of what is wanted (ours). */
const CUT = 0.5 * CM;
/** Stand above the ground at work: about 5 cm (common practice, no source), within one (ours). */
const STAND = [4 * CM, 6 * CM] as const;
/** The swath fits the pickup within this (ours). */
const FITS = 10 * CM;

const ready: GuideStep = {
  key: "ready",
  title: "Ready for work",
  where: "yard",
  how: [
    "Parking stands up. The transport cylinder's bracket out for work, back in before uncoupling.",
    "Aboard: blades of both hands, and a shear key for a disc.",
  ],
  caution: "Mower lowered and at rest, tractor stopped, key out, before anybody reaches in. Blades run on.",
  fields: [
    {
      key: "bracket",
      label: "Transport bracket",
      kind: "choice",
      choices: { out: "Out", in: "Still in", none: "It has none" },
    },
    { key: "stands", label: "Stands", kind: "choice", choices: { up: "Up", down: "Down" } },
    { key: "keys", label: "Blades and keys aboard", kind: "choice", choices: { yes: "Yes", no: "No" } },
  ],
  measures: [],
  judge: ({ choices }) => {
    if (choices.bracket === "in")
      return fix("The transport bracket is still in: the bed cannot follow the ground.", "Take it out.");
    if (choices.stands === "down") return fix("A stand is still down.", "Put it up and lock it.");
    return choices.keys === "no"
      ? look("Nothing aboard to mend it with.", "Take blades of both hands and a shear key along.")
      : good("Bracket out, stands up, spares aboard.");
  },
  releases: true,
  fault: { name: "lock in", seen: ({ choices }) => choices.bracket === "in" },
  drill: ({ faults }) => ({
    ...BLANK,
    choices: { bracket: faults.has("lock in") ? "in" : "out", stands: "up", keys: "yes" },
  }),
};

const bed: GuideStep = {
  key: "bed",
  title: "Pitch of the bed",
  where: "yard",
  how: [
    "Top link so that the bed's scale reads zero to begin with: the bed itself then stands about 5° nose down.",
    "From there the top link sets the cutting height the crop wants.",
  ],
  fields: [
    {
      key: "scale",
      label: "The scale reads",
      kind: "measure",
      family: "angle",
      sides: { plus: "nose up", minus: "nose down" },
      zero: true,
    },
  ],
  measures: ["bedPitch"],
  judge: ({ figures: { scale } }) =>
    inBand({
      measure: "bedPitch",
      value: scale!,
      least: -3 * DEGREE,
      most: 0.5 * DEGREE,
      name: "Against the scale's zero the bed stands at",
      cures: {
        less: "Top link longer: the nose comes up.",
        more: "Top link shorter: nose up the knives tear and leave it long.",
      },
    }),
  drill: ({ read }) => ({ ...BLANK, figures: { scale: read("bedPitch") } }),
};

const suspension: GuideStep = {
  key: "suspension",
  title: "Suspension",
  where: "yard",
  how: [
    "Lower in float first. Then open the tap, charge the line, shut the tap. Springs stay as delivered.",
    "About 130 bar (1 900 psi) is common; the maker's word comes first.",
  ],
  caution: "A charged line keeps its pressure: release it before it is opened.",
  fields: [
    {
      key: "tap",
      label: "Tap",
      kind: "choice",
      choices: { shut: "Shut", open: "Open", none: "It hangs on springs" },
    },
    { key: "charge", label: "Gauge reads", kind: "measure", family: "pressure", zero: true, optional: true },
  ],
  measures: ["suspension"],
  judge: ({ choices: { tap }, figures: { charge } }) => {
    if (tap === "none") return good("It hangs on springs: as delivered.");
    if (charge === undefined)
      return { verdict: "unknown", said: "Nobody read the charge.", cure: "Read it with the bed in float." };
    if (tap === "open")
      return fix(
        tell`The tap is open: the bed carries itself on nothing. The gauge reads ${quantity("pressure", charge)}.`,
        "In float charge the line to its pressure, then shut the tap.",
      );
    return inBand({
      measure: "suspension",
      value: charge,
      least: CHARGE[0],
      most: CHARGE[1],
      name: "Charged to",
      cures: {
        less: "In float open the tap, charge, shut it: else the bed is heavy and digs.",
        more: "Let some off: else it bounces and leaves some standing.",
      },
    });
  },
  releases: true,
  fault: { name: "tap open", seen: ({ choices }) => choices.tap === "open" },
  drill: ({ read, faults }) => ({
    ...BLANK,
    choices: { tap: faults.has("tap open") ? "open" : "shut" },
    figures: { charge: Math.max(0, read("suspension")) },
  }),
};

const stand: GuideStep = {
  key: "stand",
  title: "Links at work",
  where: "field",
  how: [
    tell`Links so that the stand clears the ground by about ${smallLength(5 * CM)}; afterwards by the sight marks from the cab.`,
  ],
  fields: [
    {
      key: "where",
      label: "The links",
      kind: "choice",
      choices: { held: "Are held at a mark", float: "Float" },
    },
    { key: "clear", label: "Stand above the ground", kind: "length", zero: true, optional: true },
  ],
  measures: ["standClear"],
  judge: ({ choices, figures: { clear } }) => {
    if (choices.where === "float") return good("The links float with the bed.");
    if (clear === undefined)
      return {
        verdict: "unknown",
        said: "Nobody measured it.",
        cure: "Measure from the ground up to the stand.",
      };
    return inBand({
      measure: "standClear",
      value: clear,
      least: STAND[0],
      most: STAND[1],
      name: "Stand above the ground",
      cures: { less: "Links higher.", more: "Links lower." },
    });
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { where: "held" },
    figures: { clear: Math.max(0, read("standClear")) },
  }),
};

const cut: GuideStep = {
  key: "cut",
  title: "Cutting height",
  where: "field",
  how: [
    tell`${quantity("speed", 8 / 3.6)} to ${quantity("speed", 9 / 3.6)} in a heavy first cut, 1000 rpm. Stop, get out, measure the stubble at four places across.`,
  ],
  fields: [
    { key: "stubble", label: "Stubble", hint: "across, one after the other", kind: "lengths", fewest: 4 },
    { key: "wanted", stays: true, label: "Wanted", kind: "length" },
    {
      key: "ahead",
      stays: true,
      label: "Knives ahead of the lower pins",
      hint: "empty where nobody taped",
      kind: "length",
      optional: true,
      zero: true,
    },
    { key: "below", stays: true, label: "Knives below the lower pins", kind: "length", optional: true },
  ],
  measures: ["cutHeight", "bedPitch"],
  judge: ({ lists, figures }, given) => {
    const { mean, least, most } = summaryOf(lists.stubble!)!;
    const { wanted, ahead, below } = figures as Record<"wanted", number> &
      Partial<Record<"ahead" | "below", number>>;
    const judged = inBand({
      measure: "cutHeight",
      value: mean,
      least: wanted - CUT,
      most: wanted + CUT,
      name: "It cuts at",
      cures: {
        less: byTopLink(given, wanted - mean, ahead, below),
        more: byTopLink(given, wanted - mean, ahead, below),
      },
    });
    const apart = lists.stubble!.at(-1)! - lists.stubble![0]!;
    if (judged.verdict === "good" && most - least > 4 * CUT)
      return look(
        tell`${judged.said} But from ${fineLength(least)} to ${fineLength(most)}.`,
        tell`It lies ${apart > 0 ? "higher at the end" : "lower at the end"} of the row by ${fineLength(Math.abs(apart))}: level it across first.`,
      );
    return judged;
  },
  drill: ({ read }) => ({
    ...BLANK,
    lists: { stubble: [0, 1, 2, 3].map(() => Math.max(CM, read("cutHeight"))) },
    figures: { wanted: 6 * CM },
  }),
};

/** How far the top link is turned for so much more height, by the built linkage; in words alone where it is not known. */
function byTopLink(
  { part: { rig } }: Given,
  more: number,
  ahead: number | undefined,
  below: number | undefined,
): Said {
  const way = more > 0 ? "longer: nose up, higher" : "shorter: nose down, lower";
  const { linkage } = linkageOf(rig);
  const pins = known(rig, "work.ballHeight");
  const turn = ahead !== undefined && below !== undefined ? pitchForCut({ ahead, below }, more) : null;
  if (!linkage || pins === null || turn === null) return `Top link ${way}.`;
  const posed = poseAtHeight(linkage, pins);
  if (!posed.ok) return `Top link ${way}.`;
  const change = Math.abs(turn) / pitchPerMetre(posed.pose, linkage);
  return tell`Top link ${fineLength(change)} ${way} (${quantity("angle", Math.abs(turn))} by its linkage).`;
}

const CONDITIONING = { slow: "700 rpm", fast: "1000 rpm", none: "It has none" } as const;

const conditioner: GuideStep = {
  key: "conditioner",
  title: "Conditioner and baffle",
  where: "field",
  how: [
    "1000 rpm for thick stems, 700 for leafy or thin stands; the baffle closer rubs more.",
    "Slower and wider open where leaves are lost.",
  ],
  fields: [
    { key: "speed", label: "Conditioner", kind: "choice", choices: CONDITIONING },
    {
      key: "seen",
      label: "You see",
      kind: "choice",
      choices: { even: "Stems broken, leaves on", leaves: "Leaves lost", whole: "Stems whole" },
    },
  ],
  measures: [],
  judge: ({ choices: { speed, seen } }) => {
    if (speed === "none") return good("It has none.");
    if (seen === "even") return good("Stems broken, leaves on.");
    return seen === "leaves"
      ? fix(
          "Leaves are lost.",
          speed === "fast" ? "Go to 700 rpm, then the baffle further off." : "Baffle further off.",
        )
      : fix("Stems stay whole.", speed === "slow" ? "Baffle closer, then 1000 rpm." : "Baffle closer.");
  },
  drill: () => ({ ...BLANK, choices: { speed: "fast", seen: "even" } }),
};

const swath: GuideStep = {
  key: "swath",
  title: "Swath",
  where: "field",
  how: [
    tell`To the baler: boards to its row, ${roundLength(1.2)} to ${roundLength(1.3)} is common. Board length by its bolts, vanes one by one.`,
    "From a swath to wide spreading: front mower's boards out; rear mower's outer board out, its vanes down, its curtain up. Heavy is about 32 to 35 bales a hectare.",
  ],
  fields: [
    {
      key: "aim",
      stays: true,
      label: "It shall lie",
      kind: "choice",
      choices: { baler: "In a swath", wide: "Wide open, to wilt" },
    },
    { key: "width", label: "It lies", hint: "across the swath", kind: "length" },
    { key: "pickup", stays: true, label: "Pickup, or working width where it is spread", kind: "length" },
    {
      key: "board",
      stays: true,
      label: "Board's length",
      hint: "empty where nobody taped",
      kind: "length",
      optional: true,
    },
    { key: "hinge", stays: true, label: "Its hinge from the middle", kind: "length", optional: true },
  ],
  measures: ["swath"],
  judge: ({ choices: { aim }, figures }) => {
    const { width, pickup, board, hinge } = figures as Record<"width" | "pickup", number> &
      Partial<Record<"board" | "hinge", number>>;
    if (aim === "wide") {
      const share = width / pickup;
      const said = tell`It lies over ${quantity("ratio", share)} of the working width.`;
      return share >= 0.75
        ? good(said)
        : fix(said, "Boards out, vanes down, curtain up, one after the other.", {
            measure: "swath",
            value: width,
            wanted: 0.85 * pickup,
            tolerance: 0.1 * pickup,
          });
    }
    const most = pickup - FITS;
    const angle = board !== undefined && hinge !== undefined ? boardAngle(hinge, board, most / 2) : null;
    const set: Said = angle === null ? "" : tell` Set each board ${quantity("angle", angle)} inward.`;
    return inBand({
      measure: "swath",
      value: width,
      least: most - 2 * FITS,
      most,
      name: "The swath is",
      cures: {
        less: tell`Boards out: a thin high swath feeds badly.${set}`,
        more: tell`Boards in: what lies outside the pickup stays there.${set}`,
      },
    });
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { aim: "baler" },
    figures: { width: Math.max(0.3, read("swath")), pickup: 1.4 },
  }),
};

export const MOWER: Guide = {
  key: "mower",
  title: "Mower",
  tools: ["mower", "conditioner"],
  strip: "A short pass at mowing speed; get out with everything at rest.",
  cautions: [
    "A front tool hides crossing traffic: mirrors or cameras.",
    tell`Counterweight at the rear is judged under Balance: ${quantity("mass", 400)} to ${quantity("mass", 500)} against a raised bed at the headland is common.`,
  ],
  steps: [ready, bed, suspension, stand, cut, conditioner, swath],
};
