/** How far a guided strip has come: each step as it was last seen, whether that still holds, and what to do next. */
import type { Said } from "../../../quantity/said.ts";
import { known, type ToolOfRig } from "../../../rig/whole.ts";
import type { Look, PartGround } from "../../../yard/ground.ts";
import type { GroundOf } from "../ground-of-rig.ts";
import { depthAdjusters, movedSince } from "../moved.ts";
import { adviseMeasure, learnMeasure, type MeasureAdvice, type MeasureLearnt } from "./advise.ts";
import { DEPTH_STEP } from "./depth.ts";
import { BLANK, type Given, type Guide, type GuideStep, type Judgement, movers } from "./guide.ts";
import { practiceOf } from "./schools.ts";

export type StepState =
  /** it does not apply, by a fact */
  | "spared"
  | "not yet"
  /** an adjuster of it was turned since: run and look again */
  | "turned"
  /** the depth was changed since */
  | "old"
  | "judged";

export type StepStanding = {
  step: GuideStep;
  state: StepState;
  /** why it does not apply, or holds no more; empty where it was judged */
  why: string;
  /** of the newest look; null where there is none */
  judgement: Judgement | null;
  look: Look | null;
  /** how often it was looked at in this strip */
  loops: number;
  advice: MeasureAdvice | null;
  learnt: MeasureLearnt | null;
};

export type StripStanding = {
  part: number;
  guide: Guide;
  given: Given;
  steps: readonly StepStanding[];
  /** the first that is not good; null: all are */
  next: StepStanding | null;
  good: number;
  all: number;
};

/** Nothing is to be done at it: it is good, or does not apply. */
export function isGood({ state, judgement }: StepStanding): boolean {
  return state === "spared" || (state === "judged" && judgement?.verdict === "good");
}

/** What a step is judged with. A map measured before the strip began says nothing of it. */
export function givenOf(part: ToolOfRig, ground: PartGround, map: GroundOf | null): Given {
  const { strip, looks, schools } = ground;
  const own = strip && map && map.map.at >= strip.at ? map : null;
  return {
    part,
    ground,
    map: own,
    school: (key) => practiceOf(key, schools),
    wanted: own?.map.wanted ?? known(part.rig, "work.depth"),
    looksAt: (step) => looks.filter((each) => each.step === step),
  };
}

/** A guided strip of one tool as it stands. */
export function stripStanding(guide: Guide, index: number, given: Given): StripStanding {
  const steps = guide.steps.map((step) => stepStanding(step, given));
  const apply = steps.filter(({ state }) => state !== "spared");
  return {
    part: index,
    guide,
    given,
    steps,
    next: steps.find((each) => !isGood(each)) ?? null,
    good: apply.filter(isGood).length,
    all: apply.length,
  };
}

function stepStanding(step: GuideStep, given: Given): StepStanding {
  const bare: StepStanding = {
    step,
    state: "not yet",
    why: "",
    judgement: null,
    look: null,
    loops: 0,
    advice: null,
    learnt: null,
  };
  const spared = step.spared?.(given) ?? null;
  if (spared !== null) return { ...bare, state: "spared", why: spared };
  if (step.key === DEPTH_STEP) return depthStanding(bare, given);
  const looks = given.looksAt(step.key);
  const [newest, before] = looks;
  if (!newest) return bare;
  const { adjusters } = given.ground;
  const judgement = step.judge(newest, given);
  const moved = movedSince(movers(adjusters, step.measures), newest.settings);
  const deeper = step.byDepth ? movedSince(depthAdjusters(adjusters), newest.settings) : [];
  const learnt = before
    ? learnMeasure(
        { look: newest, off: judgement.off },
        { look: before, off: step.judge(before, given).off },
        adjusters,
      )
    : null;
  const seen = { ...bare, judgement, look: newest, loops: looks.length, learnt };
  if (moved.length > 0)
    return { ...seen, state: "turned", why: `${namesOf(moved)} turned since: run again and look.` };
  if (deeper.length > 0)
    return { ...seen, state: "old", why: `The depth was changed since (${namesOf(deeper)}): look again.` };
  const advice =
    judgement.verdict !== "good" && judgement.off ? adviseMeasure(judgement.off, adjusters) : null;
  return { ...seen, state: "judged", advice };
}

function depthStanding(bare: StepStanding, given: Given): StepStanding {
  const { map, ground } = given;
  if (!map) return bare;
  const judgement = bare.step.judge(BLANK, given);
  const seen = { ...bare, judgement, loops: ground.before ? 2 : 1 };
  if (movedSince(depthAdjusters(ground.adjusters), map.map.settings).length > 0)
    return {
      ...seen,
      state: "turned",
      why: "Its adjusters were turned since the map: run again and measure.",
    };
  // A point that does not fit comes before anything is turned. What to turn, and how it then is, the cure says.
  const advice = map.advice && map.fit.odd.length === 0 ? { ...map.advice, comes: "", said: "" } : null;
  return { ...seen, state: "judged", advice };
}

const namesOf = (moved: ReturnType<typeof movedSince>) =>
  moved.map(({ adjuster }) => adjuster.label).join(", ");

/** What to do at a step now: what was turned wants a new look, what is off its cure, and what to turn for it. */
export function cureOf({ state, why, step, judgement, advice }: StepStanding): {
  said: Said;
  cure: Said;
  turn: Said;
} {
  if (state === "not yet") return { said: "Not looked at yet.", cure: step.how[0] ?? "", turn: "" };
  if (state !== "judged") return { said: why, cure: "", turn: "" };
  return { said: judgement!.said, cure: judgement!.cure, turn: advice?.said ?? "" };
}
