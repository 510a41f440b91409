/** A pass along rows as a camera sees it, and what each mode would have done on it. Metres, qualities as shares. */
import type { CameraMode } from "../steering/camera.ts";
import { chance } from "./random.ts";

/** One metre of a pass: how well rows are seen, and how far they lie beside the line. */
export type Metre = {
  quality: number;
  /** rows beside the line, to the right positive; null where there are none: grass, headland */
  rows: number | null;
  ground: "rows" | "weeds" | "grass" | "headland";
};

export type PassAsked = {
  seed: number;
  /** seen in clean rows */
  quality: number;
  /** share of the way that is weedy, 0 to 1 */
  weeds: number;
  /** a grass strip crosses it */
  grass: boolean;
};

const LENGTH = 400;
const HEADLAND = 24;
const STRIP = 18;
/** How far what was sown strays from the line, metres, 1 σ, and over how many metres. */
const SOWN = { by: 0.05, over: 40 };

/** A pass of 400 m: a headland at either end, patches of weeds, perhaps a strip of grass. The same seed, the same pass. */
export function layPass({ seed, quality, weeds, grass }: PassAsked): Metre[] {
  const random = chance(seed);
  const strip = Math.round(random.between(0.35, 0.6) * LENGTH);
  const patches = Array.from({ length: 6 }, () => random.between(HEADLAND, LENGTH - HEADLAND));
  const half = (weeds * (LENGTH - 2 * HEADLAND)) / patches.length / 2;
  let strays = random.normal(SOWN.by);
  return Array.from({ length: LENGTH }, (_, at): Metre => {
    strays = strays * (1 - 1 / SOWN.over) + random.normal(SOWN.by * Math.sqrt(2 / SOWN.over));
    const shown = random.normal(0.03);
    if (at < HEADLAND || at >= LENGTH - HEADLAND)
      return { quality: clamp(0.05 + shown), rows: null, ground: "headland" };
    if (grass && at >= strip && at < strip + STRIP)
      return { quality: clamp(0.08 + shown), rows: null, ground: "grass" };
    const near = Math.min(...patches.map((patch) => Math.abs(at - patch)));
    const weedy = weeds > 0 && near < half;
    return weedy
      ? { quality: clamp(quality * 0.55 + shown), rows: strays, ground: "weeds" }
      : { quality: clamp(quality + shown), rows: strays, ground: "rows" };
  });
}

const clamp = (value: number) => Math.min(1, Math.max(0, value));

export type Steers = "line" | "rows" | "hand";

export type PassDriven = {
  /** who steers, metre by metre */
  steers: Steers[];
  /** times it let go or handed over */
  letGo: number;
  handed: number;
  /** metres the driver had to steer */
  byHand: number;
  /** root mean square of the tool beside the rows where there are any, metres; null where nothing steered along rows */
  beside: number | null;
  /** metres of rows with the tool more than 8 cm beside them: they are hoed out (ours) */
  hoedOut: number;
};

/** It takes rows again only this much above the threshold, so that it does not flutter. */
const AGAIN = 0.05;
/** So long above it before it is trusted, metres. */
const TRUSTED = 5;
/** A camera holds rows to 2 cm where they are seen at all, worse as they are seen worse; a receiver its pass to 2 cm (ours). */
const HOLDS = { rows: 0.02, pass: 0.02 };
const HOES_OUT = 0.08;

/** What one mode does on a pass with a threshold. In the hands of the driver the tool is as good as by the camera. */
export function drivePass(pass: readonly Metre[], mode: CameraMode, threshold: number): PassDriven {
  const steers: Steers[] = [];
  let above = 0;
  let follows = false;
  for (const { quality } of pass) {
    above = quality >= threshold + (follows ? 0 : AGAIN) ? above + 1 : 0;
    follows = mode !== "receiver" && (follows ? quality >= threshold : above >= TRUSTED);
    steers.push(follows ? "rows" : mode === "camera" ? "hand" : "line");
  }
  const changes = steers.filter((each, at) => at > 0 && each !== steers[at - 1]);
  const errors = pass.flatMap(({ rows, quality }, at) => {
    if (rows === null) return [];
    if (steers[at] === "line") return [Math.hypot(rows, HOLDS.pass)];
    return [steers[at] === "hand" ? HOLDS.rows : HOLDS.rows / Math.max(0.25, quality)];
  });
  return {
    steers,
    letGo: changes.filter((each) => each === "hand").length,
    handed: changes.filter((each) => each !== "hand").length,
    byHand: steers.filter((each) => each === "hand").length,
    beside:
      errors.length === 0
        ? null
        : Math.sqrt(errors.reduce((sum, each) => sum + each * each, 0) / errors.length),
    hoedOut: errors.filter((each) => each > HOES_OUT).length,
  };
}
