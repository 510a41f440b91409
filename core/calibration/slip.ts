/** A constant that moved by a whole factor did not drift: somebody counted otherwise, or in another unit. */
import { METRES_PER } from "../quantity/length.ts";
import { FAMILIES, type Family } from "../quantity/measure.ts";

const PULSES: readonly Family[] = ["count per length", "count per volume"];

type Slip = { factor: number; said: string; of: readonly Family[] | null };

/** Factors between what was and what was found, and the slip behind each; `of`: constants it can happen to, null all (units exact; the rest common practice, no source). */
const SLIPS: readonly Slip[] = [
  { factor: 2, said: "twice: both edges of a pulse counted, or two sensors in one line", of: PULSES },
  { factor: 2, said: "twice: one rank or outlet counted for two, or half the turns", of: ["mass per count"] },
  { factor: 3, said: "three times: a wheel with another number of teeth or magnets", of: PULSES },
  { factor: 10, said: "ten times: a comma in the wrong place", of: null },
  {
    factor: 100,
    said: "a hundred times: a constant for 100 m or 100 turns entered as one for a single one",
    of: null,
  },
  {
    factor: FAMILIES.volume.gal.factor / FAMILIES.volume.l.factor,
    said: "3.79 times: gallons taken for litres",
    of: ["count per volume"],
  },
  {
    factor: 1 / FAMILIES.mass.lb.factor,
    said: "2.2 times: pounds taken for kilograms",
    of: ["mass per count", "factor"],
  },
  { factor: 1 / METRES_PER.ft, said: "3.28 times: feet taken for metres", of: ["count per length"] },
];

/** So near a factor is no accident. */
const NEAR = 0.02;

/** Which slip a ratio of found to had looks like, either way round, of a constant of this family; null where it looks like none. */
export function slipOf(ratio: number, family: Family): string | null {
  const found = SLIPS.find(
    ({ factor, of }) =>
      (of === null || of.includes(family)) &&
      [factor, 1 / factor].some((each) => Math.abs(ratio / each - 1) <= NEAR),
  );
  return found ? found.said : null;
}
