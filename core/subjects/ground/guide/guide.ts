/**
 * A guided strip: what is set and looked at for one kind of tool, in the order of the trade. Set, run, stop without coasting back, look, correct
 * one thing, again.
 */
import type { DimensionKey } from "../../../dimension/catalogue.ts";
import type { Verdict } from "../../../finding/check.ts";
import type { Family } from "../../../quantity/measure.ts";
import type { Said } from "../../../quantity/said.ts";
import type { Sides } from "../../../quantity/typed.ts";
import type { ToolOfRig } from "../../../rig/whole.ts";
import type { Fault, TrueWorld } from "../../../simulation/tool.ts";
import type { ToolKindKey } from "../../../trade/kinds.ts";
import type { Adjuster, Look, MeasureKey, PartGround, Seen } from "../../../yard/ground.ts";
import type { GroundOf } from "../ground-of-rig.ts";
import type { SchoolKey } from "./schools.ts";

/** One thing to enter at a step. Figures are SI once they are read. */
export type SeenField = {
  key: string;
  label: string;
  hint?: string;
  /** it may be left empty */
  optional?: true;
  /** the same at every look: what was typed last stands there again */
  stays?: true;
} & (
  | { kind: "length"; sides?: Sides; zero?: true; fine?: true }
  | { kind: "lengths"; fewest: number; zero?: true; fine?: true }
  | { kind: "measure"; family: Family; sides?: Sides; zero?: true }
  | { kind: "count"; least: number }
  | { kind: "choice"; choices: Readonly<Record<string, string>> }
);

/** What a step is judged with, besides what was seen. */
export type Given = {
  part: ToolOfRig;
  ground: PartGround;
  /** depth and level of its newest map; null: none was measured */
  map: GroundOf | null;
  school(key: SchoolKey): string;
  /** metres; null while nobody said how deep it shall work */
  wanted: number | null;
  /** looks at a step in this strip, the newest first */
  looksAt(step: string): readonly Look[];
};

/** How far one measure is off: a figure, or only which way. */
export type Off = { measure: MeasureKey } & (
  | { value: number; wanted: number; tolerance: number }
  | { sense: 1 | -1 }
);

export type Judgement = {
  verdict: Verdict;
  /** what it is, in figures */
  said: Said;
  /** what to do; empty where nothing is to be done */
  cure: Said;
  /** what an adjuster moves of it; also of what is good, to learn from */
  off?: Off;
};

export type GuideStep = {
  key: string;
  title: string;
  /** on a flat floor in the yard, or after a strip in the field */
  where: "yard" | "field";
  how: readonly Said[];
  caution?: string;
  fields: readonly SeenField[];
  /** the school its limits follow */
  school?: SchoolKey;
  /** what it is judged by: adjusters that move one of these make what was seen old */
  measures: readonly MeasureKey[];
  /** a turn that changes the depth changes this too */
  byDepth?: true;
  /** why it does not apply, by what is known of the rig or was said; null: it applies, or nobody knows */
  spared?(given: Given): string | null;
  /** figures the depth map says as well, SI, by field: offered, and taken over by a person */
  ofMap?(map: GroundOf): Readonly<Record<string, number>> | null;
  /** what cannot be, by field; said while it is still typed */
  wrong?(seen: Seen): Readonly<Record<string, string>>;
  /** @param seen what was entered, complete; an empty one where `fields` has none */
  judge(seen: Seen, given: Given): Judgement;
  /** a reading of the tool that it measures as well, SI: to be kept at its station once the step is good */
  tells?(seen: Seen): { key: DimensionKey; value: number } | null;
  /** a fault no screw cures, by its name in the simulated tool, and whether it was seen */
  fault?: { name: Fault; seen(seen: Seen): boolean };
  /** its good is that the road's locks are off: what the ladder asks for */
  releases?: true;
  /** what one would enter of the simulated tool; absent: it is looked at on the iron alone */
  drill?(world: TrueWorld, given: Given): Seen;
};

export type Guide = {
  key: string;
  title: string;
  tools: readonly ToolKindKey[];
  /** how long the strip is, and how fast */
  strip: Said;
  cautions: readonly Said[];
  steps: readonly GuideStep[];
};

/** It is as it should be. */
export const good = (said: Said, off?: Off): Judgement => ({
  verdict: "good",
  said,
  cure: "",
  ...(off ? { off } : {}),
});
/** It is off, and this cures it. */
export const fix = (said: Said, cure: Said, off?: Off): Judgement => ({
  verdict: "fix",
  said,
  cure,
  ...(off ? { off } : {}),
});
/** Somebody has to look before it can be called off. */
export const look = (said: Said, cure: Said): Judgement => ({ verdict: "check", said, cure });
/** What was seen does not tell. */
export const unknown = (said: Said, cure: Said): Judgement => ({ verdict: "unknown", said, cure });

/** Nothing seen. */
export const BLANK: Seen = { figures: {}, lists: {}, choices: {} };

/** Adjusters that move one of these measures. */
export function movers(adjusters: readonly Adjuster[], measures: readonly MeasureKey[]): Adjuster[] {
  return adjusters.filter(({ acts }) => acts !== null && measures.includes(acts.measure));
}
