/** What several calibrations ask alike. */
import type { Asked, Calibrating, Costs, Filled } from "../../../calibration/kind.ts";
import type { DimensionKey } from "../../../dimension/catalogue.ts";
import { unchanging } from "../../../dimension/catalogue.ts";
import type { Family } from "../../../quantity/measure.ts";
import type { ResolvedRig } from "../../../rig/resolve.ts";
import { known } from "../../../rig/whole.ts";
import type { ToolKindKey } from "../../../trade/kinds.ts";

/** The constant the terminal stood at while the runs were made. */
export function hadOf(constant: DimensionKey): Asked {
  const family = unchanging(constant).family as Family;
  return {
    key: "had",
    label: "Constant in the terminal now",
    hint: "as it stands while the runs are made",
    kind: "measure",
    family,
    range: [0, Number.POSITIVE_INFINITY],
    optional: true,
  };
}

/** Figures of a set-up as far as the rig tells them. */
export function told(
  rig: ResolvedRig,
  figures: Record<string, DimensionKey | number | null>,
  choices: Record<string, string> = {},
): Filled {
  const known_ = Object.entries(figures).flatMap(([key, from]): [string, number][] => {
    const value = typeof from === "string" ? known(rig, from) : from;
    return value === null ? [] : [[key, value]];
  });
  return { figures: Object.fromEntries(known_), choices };
}

/** Whether a tool is of one of these kinds. */
export const isOneOf =
  (...kinds: readonly ToolKindKey[]) =>
  ({ tool }: ResolvedRig): boolean =>
    tool !== null && kinds.includes(tool);

/** A speed constant set wrong: the terminal takes metres for more or fewer than they are, and puts out for the speed it believes. */
export const SPEED_COSTS = (ratio: number): Costs => ({ area: ratio, applied: ratio, shown: ratio });
/** A flow constant set wrong: what is called a litre is less or more than one. */
export const FLOW_COSTS = (ratio: number): Costs => ({ area: null, applied: 1 / ratio, shown: ratio });
/** An amount for each turn set wrong: as many turns, and another amount. */
export const AMOUNT_COSTS = (ratio: number): Costs => ({ area: null, applied: ratio, shown: 1 / ratio });
/** A scale or monitor set wrong: nothing is put out otherwise, and all of it is counted wrong. */
export const COUNT_COSTS = (ratio: number): Costs => ({ area: null, applied: null, shown: 1 / ratio });

export const LITRE = 0.001;
export const MINUTE = 60;

/** As it would be read off a display or a jug. */
export function rounded(value: number, step: number): number {
  return Math.round(value / step) * step;
}

/** What was caught at each place, SI: one caught twice as it was caught last. */
export function caughtByPlace({ runs, left }: Pick<Calibrating, "runs" | "left">): Map<number, number> {
  return new Map(
    runs.flatMap(({ figures: { place, caught } }, at): [number, number][] =>
      left.has(at) || place === undefined || caught === undefined ? [] : [[place, caught]],
    ),
  );
}
