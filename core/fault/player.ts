/** Plays a case by the advice alone: what is expected to tell most by the minute, until one fault stands out, then until its size is sure. */

import { faultOf } from "./faults.ts";
import { measurementOf } from "./measurements.ts";
import { bestForSize, sizeOf, sureOf } from "./size.ts";
import { advise, named, type Reading, type Weighing, weigh } from "./weigh.ts";

/** What is said of a case in the end: faults by key, or nothing, or something the library has not; with each its figure where one is asked. */
export type Answer = { faults: readonly { fault: string; figure: number | null }[] };

export type Played = { readings: Reading[]; minutes: number; answer: Answer; sure: number };

/** Named once it is so likely; given up where no measurement tells more than so many bits. */
const SURE = 0.985;
const TELLS = 0.02;
const MOST = 24;

/** What to take next: the measurement that tells most by the minute; null where it is time to name it. */
export function nextMeasurement(weighing: Weighing, readings: readonly Reading[]): string | null {
  const weights = weigh(weighing, readings);
  if (named(weighing, weights)[0]!.share >= SURE) return forSize(weighing, readings);
  const taken = readings.map(({ measurement }) => measurement);
  const [best] = advise(weighing, weights, taken);
  return best && best.bits > TELLS ? best.measurement : forSize(weighing, readings);
}

/** What is still to be taken for the figure of the correction; null where that is sure enough. */
function forSize(weighing: Weighing, readings: readonly Reading[]): string | null {
  for (const key of leading(weighing, readings)) {
    const fault = faultOf(key);
    if (!fault?.correction) continue;
    const sized = sizeOf(fault, weighing.card, readings);
    if (2 * sureOf(fault, weighing.card, sized) <= fault.correction.within) continue;
    const best = bestForSize(fault, weighing.card, sized);
    if (best) return best.key;
  }
  return null;
}

const leading = (weighing: Weighing, readings: readonly Reading[]) =>
  named(weighing, weigh(weighing, readings))[0]!.faults;

/** What is to be said after these readings. */
export function answerOf(weighing: Weighing, readings: readonly Reading[]): Answer {
  return {
    faults: leading(weighing, readings).map((key) => {
      const fault = faultOf(key);
      if (!fault?.correction) return { fault: key, figure: null };
      const { magnitude } = sizeOf(fault, weighing.card, readings);
      return { fault: key, figure: fault.correction.right(weighing.card, magnitude) };
    }),
  };
}

/** The whole case, by whatever answers a measurement. */
export function play(weighing: Weighing, measure: (key: string) => readonly number[]): Played {
  const readings: Reading[] = [{ measurement: "seat", figures: measure("seat") }];
  let minutes = 0;
  for (let step = 0; step < MOST; step += 1) {
    const next = nextMeasurement(weighing, readings);
    if (next === null) break;
    minutes += measurementOf(next)!.minutes;
    readings.push({ measurement: next, figures: measure(next) });
  }
  return {
    readings,
    minutes,
    answer: answerOf(weighing, readings),
    sure: named(weighing, weigh(weighing, readings))[0]!.share,
  };
}
