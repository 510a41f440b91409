/** What a turn asks of drawbar, shaft and hoses. Radians, metres. */
import { between, type Outline } from "../motion/between.ts";
import { placed } from "../motion/train.ts";

const DEGREE = Math.PI / 180;

/** What stays free between a tyre and a drawbar or a link in the tightest turn (common practice, no source). */
export const TYRE_CLEAR = 0.1;
/** What hoses are longer than the way they have to reach (common practice, no source: they move, and couplings pull). */
export const HOSE_SLACK = 0.1;

/** How far a joint of a drive shaft bends while it turns, and for the moment of a turn (common practice, no source; the shaft's book comes first). */
export const SHAFT_BENDS = {
  plain: { running: 25 * DEGREE, briefly: 45 * DEGREE },
  wide: { running: 50 * DEGREE, briefly: 50 * DEGREE },
} as const;

export const SHAFT_JOINTS = ["plain", "wide ahead", "wide both"] as const;
export type ShaftJoints = (typeof SHAFT_JOINTS)[number];

/** Seen from above with the pin at the origin, x ahead: the drawbar bent to the right by `bend` where what draws it has turned so. */
export type DrawbarShape = {
  /** its width at the pin */
  width: number;
  /** from the pin back to where it, or the tool, is as wide as `shoulder` */
  length: number;
  shoulder: number;
  /** even as far as there, or widening all the way */
  shape: "even" | "v";
};

/** A tyre, or twins, to the right of the middle: how far ahead of the pin its axle is, half its height, from its inner to its outer face. */
export type TyreBeside = { ahead: number; reach: number; inner: number; outer: number };

/** Outline of a drawbar and the front of its tool in line, the pin at the origin; the tool is drawn on for a metre behind its shoulders. */
export function drawbarOutline({ width, length, shoulder, shape }: DrawbarShape): Outline {
  const [half, wide] = [width / 2, Math.max(shoulder, width) / 2];
  const one = [
    { x: 0, y: half },
    ...(shape === "even" ? [{ x: -length, y: half }] : []),
    { x: -length, y: wide },
    { x: -length - 1, y: wide },
  ];
  return [...one, ...one.map(({ x, y }) => ({ x, y: -y })).reverse()];
}

/** Outline of the tyre, the pin at the origin. */
export function tyreOutline({ ahead, reach, inner, outer }: TyreBeside): Outline {
  return [
    { x: ahead + reach, y: inner },
    { x: ahead + reach, y: outer },
    { x: ahead - reach, y: outer },
    { x: ahead - reach, y: inner },
  ];
}

/** What is free between the tyre and the drawbar bent towards it, metres, seen from above: 0 where they touch. */
export function tyreClear(drawbar: DrawbarShape, tyre: TyreBeside, bend: number): number {
  // The machine has turned right: seen from it the tool stands to its right behind, against the right tyre.
  const swung = drawbarOutline(drawbar).map((spot) => placed({ x: 0, y: 0 }, -bend, spot));
  return between(swung, tyreOutline(tyre));
}

/** The greatest bend up to which something stays so, found from 0 by steps of half a degree and halved; null where it does not hold in line. */
export function bendUpTo(holds: (bend: number) => boolean, most = 100 * DEGREE): number | null {
  if (!holds(0)) return null;
  let good = 0;
  while (good < most && holds(good + DEGREE / 2)) good += DEGREE / 2;
  if (good >= most) return most;
  let bad = good + DEGREE / 2;
  for (let at = 0; at < 24; at++) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

export type ShaftPlace = {
  /** from the pin ahead to the tractor's shaft end */
  ahead: number;
  /** from the pin back to the tool's */
  behind: number;
};

/** The bends of both joints of a shaft and its length with the drawbar bent so: seen from above, both stubs at one height. */
export function shaftBent({ ahead, behind }: ShaftPlace, bend: number) {
  const [along, across] = [ahead + behind * Math.cos(bend), behind * Math.sin(bend)];
  const first = Math.atan2(across, along);
  return { ahead: first, behind: bend - first, length: Math.hypot(along, across) };
}

/** What either joint may bend. A figure from the shaft's book counts before both. */
export function shaftLimits(joints: ShaftJoints, book: number | null) {
  if (book !== null) {
    const own = { running: book, briefly: book };
    return { ahead: own, behind: own };
  }
  return {
    ahead: SHAFT_BENDS[joints === "plain" ? "plain" : "wide"],
    behind: SHAFT_BENDS[joints === "wide both" ? "wide" : "plain"],
  };
}

export type HosePlace = {
  /** from the pin ahead to the couplers, from the middle to the outermost used, and how much higher they are than where the hoses are held */
  ahead: number;
  aside: number;
  above: number;
  /** from the pin back to where the hoses are held on the tool */
  held: number;
};

/**
 * The longest way from the couplers to where hoses are held, on the way from in line to a drawbar bent away from their side: longest of all
 * where coupler, pin and holder lie in one line.
 */
export function hoseWay({ ahead, aside, above, held }: HosePlace, bend: number): number {
  const far = Math.abs(aside);
  const at = Math.min(bend, Math.atan2(far, ahead));
  return Math.hypot(ahead + held * Math.cos(at), far + held * Math.sin(at), above);
}
