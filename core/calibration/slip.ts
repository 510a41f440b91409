/** A constant that moved by a whole factor did not drift: somebody counted otherwise, or in another unit. */
import { METRES_PER } from "../quantity/length.ts";

type Slip = { factor: number; said: string };

/** Factors between what was and what was found, and the slip behind each (units exact; the rest common practice, no source). */
const SLIPS: readonly Slip[] = [
  { factor: 2, said: "twice: both edges of a pulse counted, or two sensors in one line" },
  { factor: 3, said: "three times: a wheel with another number of teeth or magnets" },
  { factor: 10, said: "ten times: a comma in the wrong place" },
  { factor: 100, said: "a hundred times: a constant for 100 m or 100 turns entered as one for a single one" },
  { factor: 231 * METRES_PER.in ** 3 * 1000, said: "3.79 times: gallons taken for litres" },
  { factor: 1.609344, said: "1.61 times: miles taken for kilometres" },
  { factor: 1 / 0.45359237, said: "2.2 times: pounds taken for kilograms" },
  { factor: 1 / METRES_PER.ft, said: "3.28 times: feet taken for metres" },
  { factor: (43560 * METRES_PER.ft ** 2) / 1e4, said: "0.40 times: acres taken for hectares" },
];

/** So near a factor is no accident. */
const NEAR = 0.02;

/** Which slip a ratio of found to had looks like, either way round; null where it looks like none. */
export function slipOf(ratio: number): string | null {
  const found = SLIPS.find(({ factor }) =>
    [factor, 1 / factor].some((each) => Math.abs(ratio / each - 1) <= NEAR),
  );
  return found ? found.said : null;
}
