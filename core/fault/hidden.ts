/** What is hidden in a case: one fault, two, nothing, or one the library has not; drawn by chance that can be repeated. */
import { type Chance, chance } from "../simulation/random.ts";
import { type Area, FAULTS, type Fault, OUTSIDE, STRANGE } from "./faults.ts";
import { type Card, rightSetup, type Setup } from "./setup.ts";
import { ELSE, NOTHING } from "./weigh.ts";

export type Hidden = {
  seed: number;
  card: Card;
  /** whether the learner is told that there may be two */
  two: boolean;
  /** by key: of the library, of what it has not, or none */
  faults: readonly { key: string; magnitude: number }[];
};

export const KINDS = ["one", "two", "nothing", "outside"] as const;
export type Kind = (typeof KINDS)[number];

const pick = <T>(random: Chance, all: readonly T[]): T =>
  all[Math.min(all.length - 1, Math.floor(random.between(0, all.length)))]!;

/** A drawn drill of six metres, and chance about it. */
function someCard(random: Chance): Card {
  const cm = (value: number) => Math.round(value * 100) / 100;
  const row = pick(random, [0.5, 0.75]);
  return {
    antenna: cm(random.between(-0.12, 0.12)),
    tool: cm(pick(random, [-1, 1]) * random.between(0.08, 0.22)),
    length: -cm(random.between(5.4, 7)),
    width: row * 8,
    row,
    on: cm(random.between(0.4, 0.9)),
    off: cm(random.between(0.3, 0.8)),
    speed: cm(random.between(2, 3)),
  };
}

/** Any size between two of the library's on the same side, or just one of them. */
function someSize(
  { magnitudes, between }: Pick<Fault, "magnitudes" | "between">,
  card: Card,
  random: Chance,
): number {
  const all = magnitudes(card);
  const size = pick(random, all);
  if (!between) return size;
  const own = all.filter((each) => Math.sign(each) === Math.sign(size)).map(Math.abs);
  return Math.sign(size) * random.between(Math.min(...own), Math.max(...own));
}

/** Draws one. `area`: only of that; `card`: of a rig's own. */
export function hide(
  seed: number,
  kind: Kind,
  { area, card: own, two = kind === "two" }: { area?: Area; card?: Card; two?: boolean } = {},
): Hidden {
  const random = chance(seed);
  const card = own ?? someCard(random);
  const from = FAULTS.filter((each) => !area || each.area === area);
  const one = (fault: Fault) => ({ key: fault.key, magnitude: someSize(fault, card, random) });
  if (kind === "nothing") return { seed, card, two, faults: [] };
  if (kind === "outside") {
    const of = pick(random, [...OUTSIDE, ...STRANGE]);
    return { seed, card, two, faults: [{ key: of.key, magnitude: pick(random, of.magnitudes) }] };
  }
  const first = pick(random, from);
  if (kind === "one") return { seed, card, two, faults: [one(first)] };
  const second = pick(
    random,
    FAULTS.filter((each) => each.area !== first.area),
  );
  return { seed, card, two, faults: [one(first), one(second)] };
}

/** The rig as it then is. */
export function setupOf({ card, faults }: Hidden): Setup {
  return faults.reduce((setup, { key, magnitude }) => {
    const of = [...FAULTS, ...OUTSIDE, ...STRANGE].find((each) => each.key === key)!;
    return of.apply(setup, card, magnitude);
  }, rightSetup(card));
}

/** What has to be said of it: the library's names, nothing, or that it has no name there. */
export function toBeNamed({ faults }: Hidden): string[] {
  if (faults.length === 0) return [NOTHING];
  return faults.map(({ key }) => (FAULTS.some((each) => each.key === key) ? key : ELSE));
}
