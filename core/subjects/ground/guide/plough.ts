/** The mouldboard plough, in its order: everything the same left and right; once the tractor is right, correct only the plough. */
import { fineLength, quantity, roundLength, type Said, tell } from "../../../quantity/said.ts";
import { chosen, known } from "../../../rig/whole.ts";
import type { Look } from "../../../yard/ground.ts";
import { movedSince } from "../moved.ts";
import { stepsText } from "../words.ts";
import { depthStep, judgeDepth } from "./depth.ts";
import {
  BLANK,
  fix,
  type Given,
  type Guide,
  type GuideStep,
  good,
  type Judgement,
  look,
  type Off,
  type SeenField,
  unknown,
} from "./guide.ts";
import { inBand, unequal } from "./judging.ts";
import { firstFurrow } from "./marker.ts";

const CM = 0.01;
const DEGREE = Math.PI / 180;
/** Litres a hectare, m³/m². */
const LITRES = 1e-7;

/** Level and upright: half a degree (ours). */
const UPRIGHT = 0.5 * DEGREE;
/** Ours. */
const FIRST_FURROW = 0.03;
/** A body further off than this from its neighbours is bent (ours). */
const BODIES = 0.01;
/** Tyres of one axle differ no more (ours). */
const TYRES = 10e3;
/** Play of the side rods of a stone release, metres (common practice, no source). */
const SIDE_ROD = [0.001, 0.002] as const;
/** A spring pack differs from its book by no more (ours). */
const SPRINGS = 0.003;

const alike = {
  key: "alike",
  title: "Points, shares and boards",
  where: "yard",
  how: [
    "Before any screw is turned: look at every point and share, both sides. A bent point or an odd share throws the whole plough out.",
    "Points are replaced as a set.",
  ],
  fields: [
    {
      key: "state",
      label: "They are",
      kind: "choice",
      choices: { alike: "All alike", worn: "One worn or odd", bent: "One bent" },
    },
  ],
  measures: [],
  judge: ({ choices }) =>
    choices.state === "alike"
      ? good("All alike.")
      : fix(
          choices.state === "bent" ? "One is bent." : "One is worn or not like the rest.",
          "Straighten or replace it first: no screw makes up for it.",
        ),
  fault: { name: "bent point", seen: ({ choices }) => choices.state === "bent" },
  drill: ({ faults }) => ({ ...BLANK, choices: { state: faults.has("bent point") ? "bent" : "alike" } }),
} satisfies GuideStep;

const tyres: GuideStep = {
  key: "tyres",
  title: "Tyres of the rear axle",
  where: "yard",
  how: [
    "Read both rear tyres with one gauge. The pressure is the same on one axle; which, says the axle's table.",
  ],
  fields: [
    { key: "left", label: "Left", kind: "measure", family: "pressure" },
    { key: "right", label: "Right", kind: "measure", family: "pressure" },
  ],
  measures: [],
  judge: ({ figures }) => {
    const [left, right] = [figures.left!, figures.right!];
    const said = tell`Left ${quantity("pressure", left)}, right ${quantity("pressure", right)}.`;
    if (Math.abs(left - right) <= TYRES) return good(said);
    return fix(
      said,
      tell`Bring the ${left < right ? "left" : "right"} one to ${quantity("pressure", Math.max(left, right))}: the plough leans by the softer.`,
    );
  },
  fault: {
    name: "soft tyre",
    seen: ({ figures }) => Math.abs((figures.left ?? 0) - (figures.right ?? 0)) > TYRES,
  },
  drill: ({ faults, chance }) => {
    const right = 1.6e5 + Math.round(chance.normal(0.3)) * 5e3;
    return { ...BLANK, figures: { right, left: faults.has("soft tyre") ? right - 35e3 : right } };
  },
};

const bodies: GuideStep = {
  key: "bodies",
  title: "Bodies, point to point",
  where: "yard",
  how: [
    "Tape from each point to the next, then from each tail of a board to the next. All are equal.",
    "Again whenever a board was replaced; boards are set by the stays behind them.",
  ],
  fields: [
    {
      key: "points",
      label: "Point to point",
      hint: "from the front, one after the other",
      kind: "lengths",
      fewest: 2,
    },
    { key: "tails", label: "Tail to tail", hint: "from the front", kind: "lengths", fewest: 2 },
  ],
  measures: [],
  judge: ({ lists }) => {
    const odd = [
      ...unequal(lists.points!, BODIES).map((each) => ({ ...each, of: "points" })),
      ...unequal(lists.tails!, BODIES).map((each) => ({ ...each, of: "tails" })),
    ];
    if (odd.length === 0) return good(tell`Equal within ${fineLength(BODIES)}.`);
    const said = odd
      .map(
        ({ at, by, of }) =>
          tell`${of} ${at + 1} to ${at + 2} ${fineLength(Math.abs(by))} too ${by > 0 ? "wide" : "close"}`,
      )
      .reduce<Said>((sum, each) => (sum === "" ? each : tell`${sum}; ${each}`), "");
    return fix(
      tell`Not equal: ${said}.`,
      odd.some(({ of }) => of === "points")
        ? "A point or beam is bent: look at both bodies of that distance before anything is turned."
        : "Set that board by the stays behind it.",
    );
  },
  drill: ({ chance, faults }, { part: { rig } }) => {
    const apart = known(rig, "rows.spacing") ?? 0.45;
    const count = Math.max(2, (known(rig, "rows.count") ?? 4) - 1);
    const lists = Array.from({ length: count }, () => apart * 2.2 + chance.normal(0.002));
    return {
      ...BLANK,
      lists: {
        points: lists.map((each, at) => each + (faults.has("bent point") && at === 1 ? 0.024 : 0)),
        tails: lists,
      },
    };
  },
};

const springs: GuideStep = {
  key: "springs",
  title: "Stone release",
  where: "yard",
  how: [
    "Side rods first: a tripping body swings sideways. Then the length of each spring pack between its pin centres, by its book.",
    tell`It holds best at its set length. Each leaf more adds about ${quantity("force", 980)} at the point, for very deep work (common practice).`,
  ],
  caution: "A spring pack is under load: slacken it as its book says, never under a lifted body.",
  fields: [
    {
      key: "kind",
      stays: true,
      label: "Release",
      kind: "choice",
      choices: { leaves: "Spring packs", bolt: "Shear bolts", other: "Another" },
    },
    { key: "rod", label: "Play of the side rods", kind: "length", fine: true, optional: true, zero: true },
    { key: "length", label: "Pack, pin to pin", kind: "lengths", fewest: 1, optional: true },
    { key: "book", stays: true, label: "By its book", kind: "length", optional: true },
  ],
  measures: ["springLength"],
  judge: ({ choices, figures, lists }) => {
    if (choices.kind !== "leaves")
      return good(choices.kind === "bolt" ? "Shear bolts: nothing to set." : "Set by its own book.");
    const { rod, book } = figures;
    const packs = lists.length ?? [];
    if (rod === undefined || book === undefined || packs.length === 0)
      return unknown(
        "Play of the rods, length and book length are not all known.",
        "Tape them, and look in the book.",
      );
    if (rod < SIDE_ROD[0] - 1e-6 || rod > SIDE_ROD[1] + 1e-6)
      return fix(
        tell`The side rods have ${fineLength(rod)} of play, wanted ${fineLength(SIDE_ROD[0])} to ${fineLength(SIDE_ROD[1])}.`,
        "Set the rods before the springs.",
      );
    const off = packs.flatMap((each, at) =>
      Math.abs(each - book) > SPRINGS + 1e-6 ? [{ at, by: each - book }] : [],
    );
    if (off.length === 0)
      return good(tell`All packs at ${fineLength(book)}, rods with ${fineLength(rod)} of play.`);
    const first = off[0]!;
    return fix(
      tell`Body ${first.at + 1}: ${fineLength(Math.abs(first.by))} too ${first.by > 0 ? "long" : "short"}${off.length > 1 ? tell`, and ${off.length - 1} more` : ""}.`,
      tell`Bring every pack to ${fineLength(book)}.`,
      { measure: "springLength", value: packs[first.at]!, wanted: book, tolerance: SPRINGS },
    );
  },
  drill: () => ({ ...BLANK, choices: { kind: "bolt" } }),
};

const COULTER_REACH = { "1 to 2": [CM, 2 * CM], "2 to 3": [2 * CM, 3 * CM], "2 up": [2 * CM, null] } as const;

const COULTERS: SeenField = {
  key: "kind",
  stays: true,
  label: "Coulters",
  kind: "choice",
  choices: { discs: "Discs", none: "None" },
};

const coulterReach: GuideStep = {
  key: "coulterReach",
  title: "Coulters beside the cut",
  where: "yard",
  how: [
    "Upright, parallel to the land side, all alike. Tape how far the disc stands beyond the cut.",
    "Further on light soil and for deep work.",
  ],
  fields: [COULTERS, { key: "reach", label: "Beyond the cut", kind: "length", optional: true, zero: true }],
  school: "coulterReach",
  measures: ["coulterReach"],
  judge: ({ choices, figures: { reach } }, { school }) => {
    if (choices.kind === "none") return good("It has no coulters.");
    if (reach === undefined) return unknown("Nobody taped it.", "Tape it at one, then set the rest alike.");
    const [least, most] = COULTER_REACH[school("coulterReach") as keyof typeof COULTER_REACH];
    return inBand({
      measure: "coulterReach",
      value: reach,
      least,
      most,
      name: "Beyond the cut",
      cures: {
        less: "Turn the cranked stem outward, all alike: else the share tears the wall.",
        more: "Turn the stem inward, all alike: a wide step stays.",
      },
    });
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { kind: "discs" },
    figures: { reach: Math.max(0, read("coulterReach")) },
  }),
};

const coulterDepth: GuideStep = {
  key: "coulterDepth",
  title: "Coulters above the share",
  where: "yard",
  how: ["From the lowest point of the disc up from the share. Higher in stones."],
  fields: [COULTERS, { key: "above", label: "Above the share", kind: "length", optional: true }],
  school: "coulterDepth",
  measures: ["coulterDepth"],
  judge: ({ choices, figures: { above } }, { school, wanted }) => {
    if (choices.kind === "none") return good("It has no coulters.");
    if (above === undefined) return unknown("Nobody taped it.", "Tape it at one, then set the rest alike.");
    const practice = school("coulterDepth");
    if (practice === "half" && wanted === null)
      return unknown(
        "By this school it hangs on the depth, which nobody said.",
        "Say how deep it shall work.",
      );
    const [least, most] =
      practice === "about 5"
        ? [4 * CM, 6 * CM]
        : practice === "half"
          ? [wanted! / 2 - 2 * CM, wanted! / 2 + 2 * CM]
          : [4 * CM, 10 * CM];
    return inBand({
      measure: "coulterDepth",
      value: above,
      least,
      most,
      name: "Above the share",
      cures: { less: "Raise them, all alike.", more: "Lower them, all alike." },
    });
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { kind: "discs" },
    figures: { above: Math.max(CM, read("coulterDepth")) },
  }),
};

const skimmers: GuideStep = {
  key: "skimmers",
  title: "Skimmers",
  where: "yard",
  how: ["Their depth below the surface at working depth. The marks on the arms help to set all alike."],
  fields: [
    {
      key: "kind",
      stays: true,
      label: "Skimmers",
      kind: "choice",
      choices: { fitted: "Fitted", none: "None" },
    },
    { key: "depth", label: "Depth", kind: "length", optional: true },
  ],
  school: "skimmerDepth",
  measures: ["skimmerDepth"],
  byDepth: true,
  judge: ({ choices, figures: { depth } }, { school, wanted }) => {
    if (choices.kind === "none") return good("It has none.");
    if (depth === undefined) return unknown("Nobody taped them.", "Tape one, then set the rest alike.");
    if (wanted === null)
      return unknown(
        "They go no deeper than a third of the ploughing depth, which nobody said.",
        "Say how deep it shall work.",
      );
    const least = school("skimmerDepth") === "3 to 5" ? 3 * CM : 2 * CM;
    const most = Math.min(5 * CM, wanted / 3);
    if (most < least)
      return look(
        tell`At ${fineLength(wanted)} a third is ${fineLength(most)}: less than this school's ${fineLength(least)}.`,
        "So shallow they do more harm than good: take them off, or plough deeper.",
      );
    return inBand({
      measure: "skimmerDepth",
      value: depth,
      least,
      most,
      name: "Skimmers work at",
      cures: {
        less: "Lower them, all alike.",
        more: "Raise them, all alike: never over a third of the ploughing depth.",
      },
    });
  },
  drill: ({ read }) => ({
    ...BLANK,
    choices: { kind: "fitted" },
    figures: { depth: Math.max(0.005, read("skimmerDepth")) },
  }),
};

const putBackSaid = (moved: ReturnType<typeof movedSince>) =>
  moved.map(({ adjuster, was }) => `${adjuster.label} to ${stepsText(was)}`).join(", ");

/** What stood otherwise when it was called put back, and does so still; what was corrected after that is no matter of the opening furrow. */
function notPutBack({ ground }: Given, before: Look, called: Look | undefined) {
  return movedSince(ground.adjusters, before.settings).filter(
    ({ adjuster, was }) => called?.settings.get(adjuster.id) !== was,
  );
}

const opening: GuideStep = {
  key: "opening",
  title: "Opening furrow",
  where: "field",
  how: [
    "Before anything is changed for the opening furrow say so here: where every adjuster stands is kept.",
    "Headland marked all round first with the rear body: over-frame ploughs turned part way; under-frame ploughs with the top link longer and the right lift rod shorter. Rear coulter lower for a clean cut; the depth wheel is normally left.",
    "After it put everything back before the next furrow, and say that too.",
  ],
  fields: [
    {
      key: "state",
      label: "It is",
      kind: "choice",
      choices: {
        about: "About to be set up for it",
        back: "Made, everything put back",
        none: "Not needed here",
      },
    },
  ],
  school: "headland",
  measures: [],
  judge: ({ choices }, given) => {
    if (choices.state === "none") return good("None is needed here.");
    const looks = given.looksAt("opening");
    if (choices.state === "about") return about(given, looks[0]);
    const before = looks.slice(1).find((each) => each.choices.state === "about");
    if (!before)
      return good("Made. Nobody kept how it stood before: whether all is put back only a person knows.");
    const left = notPutBack(given, before, looks[0]);
    return left.length === 0
      ? good("Made, and every adjuster was put back as it stood before.")
      : fix(
          `Not put back: ${left.map(({ adjuster }) => adjuster.label).join(", ")}.`,
          `Set ${putBackSaid(left)}.`,
        );
  },
  drill: () => ({ ...BLANK, choices: { state: "none" } }),
};

function about(given: Given, now: Look | undefined): Judgement {
  const moved = now ? movedSince(given.ground.adjusters, now.settings) : [];
  return fix(
    moved.length === 0
      ? "How it stands is kept. Nothing was set for the opening furrow yet."
      : `Set for it: ${moved.map(({ adjuster }) => adjuster.label).join(", ")}.`,
    moved.length === 0
      ? "Make it, put back what you change, and say so here."
      : `After it set ${putBackSaid(moved)}, and say so here.`,
  );
}

/** Front and rear of the work against what is wanted, metres, positive too deep. */
function ends({ map }: Given): { front: number; rear: number } | null {
  if (!map) return null;
  const half = ((map.fit.fore ?? 0) * map.long) / 2;
  const off = map.fit.depth - map.map.wanted;
  return { front: off + half, rear: off - half };
}

/** By which hole: in a slot the top link only lifts, and the lower links and the wheel set the depth. The two rules are never mixed. */
function depthByHole(given: Given): Judgement {
  const judged = judgeDepth(given);
  const off = ends(given);
  const { map } = given;
  if (judged.verdict !== "fix" || !off || !map) return judged;
  const wheelFirst = given.school("level") === "wheel first";
  const slot = chosen(given.part.rig, "work.topHole") === "slot";
  if (!slot && !wheelFirst) return judged;
  const allowed = map.tolerance.depth;
  const by = (value: number) =>
    tell`${fineLength(Math.abs(value))} ${value > 0 ? "too deep" : "too shallow"}`;
  const wheel = tell`behind it is ${by(off.rear)}: wheel ${off.rear > 0 ? "lower, it carries more" : "higher"}`;
  const links = tell`in front it is ${by(off.front)}: lower links ${off.front > 0 ? "higher" : "lower"}`;
  const [first, second] = wheelFirst
    ? [Math.abs(off.rear) > allowed ? wheel : null, Math.abs(off.front) > allowed ? links : null]
    : [Math.abs(off.front) > allowed ? links : null, Math.abs(off.rear) > allowed ? wheel : null];
  const what = first && second ? tell`${first}; then ${second}` : (first ?? second);
  if (!what) return judged;
  const rule = wheelFirst
    ? "Wheel first, then level with the lower links; last look at the top link's slope."
    : "The pin lies in a slot: the top link only lifts and sets no depth.";
  return {
    ...judged,
    cure: tell`${rule} Now ${what}. Lift before a depth screw is turned, the same count on both sides.`,
  };
}

const TOWARD = { plus: "to ploughed", minus: "to unploughed" } as const;

/** A lean with the right side at work. */
const TURNING_RIGHT: SeenField = {
  key: "right",
  label: "Turning right",
  hint: "0 where upright",
  kind: "measure",
  family: "angle",
  sides: TOWARD,
  zero: true,
};

const leansSaid = (value: number): Said =>
  Math.abs(value) < 0.05 * DEGREE
    ? "upright"
    : tell`${quantity("angle", Math.abs(value))} toward ${value > 0 ? "ploughed" : "unploughed"} land`;

/** Large ploughs carry their rear part on a wheel: two parts, each set by itself. */
const isSemi = ({ part: { rig } }: Given) => rig.attachment === "semi";
const oneFrame = (given: Given) =>
  isSemi(given) ? null : "It is carried whole: it has no front part of its own.";

/** The frame's height above the ground differs in front and behind by no more (ours). */
const PARALLEL = 0.02;

const frame: GuideStep = {
  key: "frame",
  title: "Frame parallel, front and rear part",
  where: "field",
  how: [
    "At working depth tape from the ground to the underside of the frame: at the first body and at the last.",
    "After new spacers on the wheel's cylinder look again: they change both parts.",
  ],
  caution: "Spacers are put in with the plough lowered and the engine off.",
  fields: [
    { key: "front", label: "Frame above the ground, first body", kind: "length" },
    { key: "rear", label: "The same, last body", kind: "length" },
  ],
  measures: [],
  byDepth: true,
  spared: oneFrame,
  judge: ({ figures: { front, rear } }) => {
    const by = front! - rear!;
    const said = tell`In front ${fineLength(front!)}, behind ${fineLength(rear!)}.`;
    if (Math.abs(by) <= PARALLEL + 1e-9) return good(said);
    return fix(
      said,
      by > 0
        ? tell`The front is ${fineLength(by)} higher. Too shallow in front: a spacer out on the front wheel's cylinder. Too deep behind: the rear wheel. Then the depth again.`
        : tell`The front is ${fineLength(-by)} lower. Too deep in front: a spacer in on the front wheel's cylinder. Too shallow behind: the rear wheel. Then the depth again.`,
    );
  },
  drill: () => ({ ...BLANK, figures: { front: 0.78, rear: 0.78 } }),
};

const frontUpright: GuideStep = {
  key: "frontUpright",
  title: "Front part upright, both ways",
  where: "field",
  how: [
    "At working depth, seen from behind: an angle gauge on the leg of the first body, once with each side working.",
    "The front part is set by spacers on the turnover cylinders, the rear part by its cranks: the front first.",
  ],
  caution: "Nobody within reach of the turnover; spacers only with it lowered and the engine off.",
  fields: [
    TURNING_RIGHT,
    { key: "left", label: "Turning left", kind: "measure", family: "angle", sides: TOWARD, zero: true },
  ],
  measures: ["frontLean"],
  byDepth: true,
  spared: oneFrame,
  judge: ({ figures }) => {
    const [right, left] = [figures.right!, figures.left!];
    const lean = (right + left) / 2;
    const said = tell`Front bodies: turning right ${leansSaid(right)}, turning left ${leansSaid(left)}.`;
    const off: Off = { measure: "frontLean", value: lean, wanted: 0, tolerance: UPRIGHT };
    if (Math.abs(right - left) / 2 > UPRIGHT)
      return fix(
        said,
        "It leans otherwise after turnover: unequal spacers on the two turnover cylinders, tyre pressures, then lower links. Make those equal first.",
      );
    return Math.abs(lean) <= UPRIGHT
      ? good(said, off)
      : fix(
          said,
          "Spacers on the turnover cylinders, as many on both; the rear part is looked at after it.",
          off,
        );
  },
  drill: ({ read }) => {
    const lean = read("frontLean");
    return { ...BLANK, figures: { right: lean, left: lean } };
  },
};

const upright: GuideStep = {
  key: "upright",
  title: "Upright, both ways",
  where: "field",
  how: [
    "At working depth, seen from behind: an angle gauge on the leg, once with each side working.",
    "The last body's land-side plate or its point, whichever is polished more, tells which way it leans.",
  ],
  fields: [
    TURNING_RIGHT,
    {
      key: "left",
      label: "Turning left",
      hint: "empty on a plough that turns one way",
      kind: "measure",
      family: "angle",
      sides: TOWARD,
      zero: true,
      optional: true,
    },
  ],
  measures: ["lean", "leanApart"],
  byDepth: true,
  judge: ({ figures: { right, left } }, given) => {
    const one = left === undefined;
    const lean = one ? right! : (right! + left) / 2;
    const apart = one ? 0 : (right! - left) / 2;
    const said = one
      ? tell`It stands ${leansSaid(right!)}.`
      : tell`Turning right ${leansSaid(right!)}, turning left ${leansSaid(left)}.`;
    if (Math.abs(apart) > UPRIGHT)
      return fix(
        said,
        "It leans otherwise after turnover: that is the tractor, not the plough. Tyre pressure, then lift rods and lower links equal.",
        {
          measure: "leanApart",
          value: apart,
          wanted: 0,
          tolerance: UPRIGHT,
        },
      );
    if (Math.abs(lean) > UPRIGHT)
      return fix(
        said,
        tell`${lean > 0 ? "Leaning toward ploughed land the first furrow comes too wide and deep, and it penetrates badly." : "Leaning away from ploughed land the first furrow comes too narrow."} ${isSemi(given) ? "Cranks of the rear part, by the same count on both sides." : "Stop screws: lift a few centimetres, nudge the turnover to free the stop, turn, and copy the length to the other side."}`,
        { measure: "lean", value: lean, wanted: 0, tolerance: UPRIGHT },
      );
    return good(said, { measure: "lean", value: lean, wanted: 0, tolerance: UPRIGHT });
  },
  drill: ({ read }) => {
    const [lean, apart] = [read("lean"), read("leanApart")];
    return { ...BLANK, figures: { right: lean + apart, left: lean - apart } };
  },
};

type Marked = "bodies" | "cut" | "before" | "after";

const furrow: GuideStep = {
  key: "furrow",
  title: "First furrow",
  where: "field",
  how: [
    "On a plough of variable width first choose the width, and verify its pointer: the cut of one body is from the heel of its land side to its point.",
    tell`Put a marker on unploughed land, square off the furrow's wall: at the theoretical width and ${roundLength(1)}, or simply at ${roundLength(3)}. Plough past it and tape again from the new wall to the marker.`,
  ],
  fields: [
    { key: "bodies", stays: true, label: "Bodies that plough", kind: "count", least: 1 },
    { key: "cut", stays: true, label: "Cut of one body", kind: "length" },
    { key: "before", stays: true, label: "Wall to marker, before", kind: "length" },
    { key: "after", label: "Wall to marker, after", kind: "length", zero: true },
  ],
  measures: ["firstFurrow"],
  byDepth: true,
  wrong: ({ figures }) => {
    const { bodies: count, cut, before, after } = figures as Record<Marked, number>;
    const found = firstFurrow({ bodies: count, cut, before, after });
    return found.ok ? {} : { after: found.problem };
  },
  judge: ({ figures }) => {
    const { bodies: count, cut, before, after } = figures as Record<Marked, number>;
    const found = firstFurrow({ bodies: count, cut, before, after });
    if (!found.ok) return unknown(found.problem, "Tape both again.");
    const { first, worked } = found;
    const said = tell`First furrow ${fineLength(first)}, cut of a body ${fineLength(cut)}; it worked ${fineLength(worked)} wide where ${fineLength(count * cut)} is theirs.`;
    const off: Off = { measure: "firstFurrow", value: first, wanted: cut, tolerance: FIRST_FURROW };
    if (Math.abs(first - cut) <= FIRST_FURROW) return good(said, off);
    return fix(
      said,
      tell`Too ${first > cut ? "wide" : "narrow"} by ${fineLength(Math.abs(first - cut))}. Spindle or cylinder of the first furrow; then the draw line. The width found is that of the pass just made: measure again.`,
      off,
    );
  },
  // What the pass took is how wide it really works: with the first furrow right it stands for all passes.
  tells: ({ figures }) => {
    const found = firstFurrow(figures as Record<Marked, number>);
    return found.ok ? { key: "tool.width", value: found.worked } : null;
  },
  drill: ({ read }, { part: { rig } }) => {
    const cut = known(rig, "rows.spacing") ?? 0.45;
    const count = known(rig, "rows.count") ?? 4;
    const first = Math.max(0.05, read("firstFurrow"));
    return {
      ...BLANK,
      figures: { bodies: count, cut, before: count * cut + 1, after: Math.max(0, 1 + cut - first) },
    };
  },
};

const PULL = {
  ploughed: "Drawn to ploughed land",
  straight: "Runs straight",
  unploughed: "Drawn to unploughed land",
} as const;

const pull: GuideStep = {
  key: "pull",
  title: "Draw line",
  where: "field",
  how: [
    "Only once the first furrow is right. Hands light on the wheel: which way does the tractor want to go?",
    "The line of draw runs through the middle of the rear axle: from above the top link then points straight back.",
  ],
  caution: "Never cure wandering with stabilisers or the steering wheel.",
  fields: [{ key: "way", label: "The tractor", kind: "choice", choices: PULL }],
  measures: ["pull", "firstFurrow"],
  judge: ({ choices: { way } }) =>
    way === "straight"
      ? good("It runs straight.")
      : fix(
          way === "ploughed" ? "It is drawn to ploughed land." : "It is drawn to unploughed land.",
          "Draw-line spindle; which way is this plough's own.",
          { measure: "pull", sense: way === "ploughed" ? 1 : -1 },
        ),
  drill: ({ value }) => {
    const way = value("pull");
    return {
      ...BLANK,
      choices: { way: Math.abs(way) < 0.5 ? "straight" : way > 0 ? "ploughed" : "unploughed" },
    };
  },
};

const packer: GuideStep = {
  key: "packer",
  title: "Packer",
  where: "field",
  how: [
    "The arm in the middle of the frame, the roller parallel to the furrows: its angle by the turnbuckle on the arm, its pressure by the crank.",
  ],
  fields: [
    {
      key: "way",
      label: "It runs",
      kind: "choice",
      choices: {
        none: "There is none",
        parallel: "Parallel to the furrows",
        to: "Into ploughed land",
        from: "Off ploughed land",
      },
    },
  ],
  measures: ["packerRun"],
  judge: ({ choices: { way } }) => {
    if (way === "none") return good("There is none.");
    if (way === "parallel") return good("Parallel to the furrows.");
    return fix(
      way === "to" ? "It runs into ploughed land." : "It runs off ploughed land.",
      "Turnbuckle on its arm.",
      {
        measure: "packerRun",
        sense: way === "to" ? 1 : -1,
      },
    );
  },
  drill: () => ({ ...BLANK, choices: { way: "none" } }),
};

const TRASH: Record<string, string> = {
  slower: "Slow down first.",
  forward: "Set the skimmers forward, all alike.",
  back: "Set the skimmers back and a little deeper, all alike; never over a third of the ploughing depth.",
};

const surface: GuideStep = {
  key: "surface",
  title: "What the furrows show",
  where: "field",
  how: ["Walk back along the last pass: trash, the wall, and whether the furrows lie in pairs."],
  fields: [
    {
      key: "seen",
      label: "You see",
      kind: "choice",
      choices: {
        even: "All even, all buried",
        trash: "Trash showing",
        ragged: "A ragged furrow wall",
        pairs: "Furrows in pairs",
      },
    },
  ],
  school: "trash",
  measures: ["coulterReach", "coulterDepth", "skimmerDepth", "firstFurrow"],
  byDepth: true,
  judge: ({ choices: { seen } }, { school }) => {
    if (seen === "even") return good("Even, and all is buried.");
    if (seen === "trash") return fix("Trash shows.", TRASH[school("trash")]!);
    if (seen === "ragged")
      return fix(
        "The wall is ragged.",
        "Coulters: upright, all alike, at their reach; worn discs are replaced.",
      );
    return fix(
      "The furrows lie in pairs.",
      "One body cuts otherwise than its neighbour: points and boards taped again, then the first furrow.",
    );
  },
  drill: () => ({ ...BLANK, choices: { seen: "even" } }),
};

/** A figure of the wear: where it is, the plough noses in or runs on its heel. */
const wear: GuideStep = {
  key: "wear",
  title: "Wear",
  where: "yard",
  how: ["Compare the points: more wear at the front means the plough noses in."],
  fields: [
    {
      key: "where",
      label: "Points are worn",
      kind: "choice",
      choices: { even: "All alike", front: "More at the front bodies", rear: "More at the rear bodies" },
    },
  ],
  measures: [],
  judge: ({ choices: { where } }) =>
    where === "even"
      ? good("Worn alike.")
      : look(
          where === "front" ? "The front bodies wear faster." : "The rear bodies wear faster.",
          where === "front"
            ? "It noses in: in a fixed hole the top link is too short, in a slot the lower links are too low. The depth map tells."
            : "It runs deep behind: in a fixed hole the top link is too long, in a slot it is the wheel. The depth map tells.",
        ),
  drill: () => ({ ...BLANK, choices: { where: "even" } }),
};

/** Fuel after setting may be so much above that before and still be the same (ours). */
const SAME_FUEL = 0.05;

/** A well-set plough shows in fuel. */
const fuel: GuideStep = {
  key: "fuel",
  title: "Fuel, before and after",
  where: "field",
  how: [
    "The tractor's own meter over the same kind of land, before the plough was set and after: a well-set plough shows in it.",
    // Common practice, no source.
    tell`People quote ${quantity("volume per area", 25 * LITRES)} to ${quantity("volume per area", 37 * LITRES)}.`,
  ],
  fields: [
    {
      key: "kind",
      label: "Fuel",
      kind: "choice",
      stays: true,
      choices: { logged: "Logged", not: "Not logged" },
    },
    {
      key: "before",
      label: "Before it was set",
      kind: "measure",
      family: "volume per area",
      optional: true,
      stays: true,
    },
    { key: "now", label: "Now", kind: "measure", family: "volume per area", optional: true },
  ],
  measures: [],
  judge: ({ choices, figures: { before, now } }) => {
    if (choices.kind === "not") return good("Not logged.");
    if (before === undefined || now === undefined)
      return unknown(
        "One of the two is not known.",
        "Read the meter over the same kind of land, or say it is not logged.",
      );
    const said = tell`${quantity("volume per area", before)} before, ${quantity("volume per area", now)} now.`;
    return now <= before * (1 + SAME_FUEL)
      ? good(said)
      : look(
          said,
          "It takes more than before: other land, deeper, or it pulls askew. Depth first, then the first furrow and the draw line.",
        );
  },
  drill: () => ({ ...BLANK, choices: { kind: "not" } }),
};

export const PLOUGH: Guide = {
  key: "plough",
  title: "Plough",
  tools: ["plough"],
  strip: tell`About ${roundLength(10)} at working speed, coming to rest without backing.`,
  cautions: [
    "Couple in position control. Nobody between tractor and plough, nobody within reach of the turnover.",
  ],
  steps: [
    alike,
    tyres,
    springs,
    bodies,
    wear,
    coulterReach,
    coulterDepth,
    skimmers,
    opening,
    depthStep(
      [
        "Ten metres, stop, dig to the furrow's floor: along the front body and the rear one, both sides of the run.",
        "Lift before turning depth screws, the same count on both sides.",
      ],
      (_, given) => depthByHole(given),
    ),
    frame,
    frontUpright,
    upright,
    furrow,
    pull,
    packer,
    surface,
    fuel,
  ],
};
