/**
 * What a number that was wrong did to work that was driven with it. The error of tool and receiver turns with the machine: the work lay so far to the right and
 * ahead of where it was recorded, in the way of travel, whichever way that was.
 */
import type { Costs } from "../calibration/kind.ts";
import { type DimensionKey, dimension, isDimensionKey } from "../dimension/catalogue.ts";
import { entryFigure } from "../dimension/entry.ts";
import { quantity, type Said, tapeLength, tell } from "../quantity/said.ts";
import { between } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { calibrationsAt } from "../subjects/calibrations.ts";
import type { Frozen } from "../yard/log.ts";

export type Spoilt = {
  /** metres the work lay to the right of where it was recorded; null where it is not known then or now, or did not change */
  right: number | null;
  /** metres it lay ahead of where it was recorded */
  ahead: number | null;
  /** metres; null where it did not change */
  width: { was: number; is: number } | null;
  constants: { key: DimensionKey; was: number; is: number; costs: Costs }[];
};

/** Of work where tool and receiver were told right. */
export const NOTHING_SPOILT: Spoilt = { right: null, ahead: null, width: null, constants: [] };

/** Less than that nobody corrects: 2 cm across, 5 cm along, half a hundredth of the width, a hundredth of a constant (ours). */
const ACROSS = 0.02;
const ALONG = 0.05;
const WIDTH = 0.005;
const CONSTANT = 0.01;

/** A rig's tool as it is known now, held against what was frozen of it; null where nothing that counts is otherwise, or nothing was on record. */
export function spoiltOf(now: ResolvedRig, { readings }: Frozen, part: number): Spoilt | null {
  const own = readingsOf(readings, part);
  if (own.size === 0) return null;
  const then = asItWas(now, own);
  const moved = (axis: "x" | "y") => {
    const [was, is] = [then, now].map((rig) => between(rig, "receiver", "workMid", axis).total);
    return was == null || is == null ? null : is - was;
  };
  const [ahead, right] = [moved("x"), moved("y")];
  const [was, is] = [own.get("tool.width") ?? null, now.values["tool.width"].value];
  const spoilt: Spoilt = {
    right: right !== null && Math.abs(right) >= ACROSS ? right : null,
    ahead: ahead !== null && Math.abs(ahead) >= ALONG ? ahead : null,
    width: was !== null && is !== null && Math.abs(was / is - 1) >= WIDTH ? { was, is } : null,
    constants: constantsOf(now, own),
  };
  return spoilt.right === null &&
    spoilt.ahead === null &&
    spoilt.width === null &&
    spoilt.constants.length === 0
    ? null
    : spoilt;
}

/** Where the terminal then had the work from the antenna, metres right and ahead; null where a reading of that was not on record. */
export function believedOf(
  now: ResolvedRig,
  { readings }: Frozen,
  part: number,
): { right: number; ahead: number } | null {
  const own = readingsOf(readings, part);
  const then = asItWas(now, own);
  const [ahead, right] = (["x", "y"] as const).map(
    (axis) => between(then, "receiver", "workMid", axis).total,
  );
  return ahead == null || right == null ? null : { right, ahead };
}

/** What was on record of one tool, by dimension. */
function readingsOf(readings: Frozen["readings"], part: number): Map<string, number | null> {
  return new Map(readings.filter((each) => each.part === part).map((each) => [each.key, each.value]));
}

/** The rig with the figures that were believed: what was not on record then is not known. */
function asItWas(now: ResolvedRig, own: ReadonlyMap<string, number | null>): ResolvedRig {
  const values = { ...now.values };
  for (const key of Object.keys(values) as DimensionKey[])
    values[key] = { ...values[key], value: own.get(key) ?? null };
  return { ...now, values };
}

function constantsOf(now: ResolvedRig, own: ReadonlyMap<string, number | null>): Spoilt["constants"] {
  const seen = new Set<string>();
  return calibrationsAt(now).flatMap(({ kind }) => {
    const key = kind.constant;
    if (!key || !kind.costs || seen.has(key) || !isDimensionKey(key)) return [];
    seen.add(key);
    const [was, is] = [own.get(key) ?? null, now.values[key].value];
    if (was === null || is === null || was === 0 || Math.abs(is / was - 1) < CONSTANT) return [];
    return [{ key, was, is, costs: kind.costs(is / was) }];
  });
}

/** Hectares that were really worked of those that were recorded: m² for each m². */
export function areaFactor({ width, constants }: Spoilt): number {
  const byWidth = width ? width.is / width.was : 1;
  // A speed constant shows so many hectares of those done.
  return constants.reduce((factor, { costs }) => factor / (costs.area ?? 1), byWidth);
}

/** What lay on the ground of what was wanted, for each: 1 where it was right. */
export function doseFactor({ width, constants }: Spoilt): number {
  const byWidth = width ? width.was / width.is : 1;
  return constants.reduce((factor, { costs }) => factor * (costs.applied ?? 1), byWidth);
}

/** What it did, in sentences; `area`: m² recorded, null where nobody told. */
export function spoiltSaid(spoilt: Spoilt, rig: ResolvedRig, area: number | null): Said[] {
  const { right, ahead, width, constants } = spoilt;
  const factor = areaFactor(spoilt);
  const dose = doseFactor(spoilt);
  return [
    ...(right === null
      ? []
      : [
          tell`The work lay ${tapeLength(Math.abs(right))} to the ${right > 0 ? "right" : "left"} of where it was recorded, seen in the way of travel: pass by pass to the one side and the other.`,
        ]),
    ...(ahead === null
      ? []
      : [
          tell`It began and ended ${tapeLength(Math.abs(ahead))} ${ahead > 0 ? "ahead of" : "behind"} where it was recorded.`,
        ]),
    ...(width === null
      ? []
      : [
          tell`Told ${tapeLength(width.was)} wide, it is ${tapeLength(width.is)}: ${
            width.is < width.was
              ? tell`strips of ${tapeLength(width.was - width.is)} stayed unworked between passes`
              : tell`passes lapped by ${tapeLength(width.is - width.was)}`
          }.`,
        ]),
    ...constants.map(({ key, was, is }) => {
      const entry = dimension(key, rig);
      return tell`${entry.label} was ${entryFigure(entry, was)}, is ${entryFigure(entry, is)}.`;
    }),
    ...(Math.abs(factor - 1) < 1e-6
      ? []
      : [
          area === null
            ? tell`Hectares recorded times ${factor.toFixed(3)} were worked.`
            : tell`${quantity("area", area * factor)} were worked, not ${quantity("area", area)}.`,
        ]),
    ...(Math.abs(dose - 1) < 1e-6
      ? []
      : [
          tell`${Math.abs(100 * (dose - 1)).toFixed(1)} % ${dose > 1 ? "more" : "less"} lay on the ground than was wanted.`,
        ]),
  ];
}

/** Where the work has to be moved on a map, for a way of travel: metres east and north. */
export function shiftAt(
  { right, ahead }: Pick<Spoilt, "right" | "ahead">,
  heading: number,
): { east: number; north: number } {
  const [across, along] = [right ?? 0, ahead ?? 0];
  return {
    east: across * Math.cos(heading) + along * Math.sin(heading),
    north: -across * Math.sin(heading) + along * Math.cos(heading),
  };
}
