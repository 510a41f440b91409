/** Work rates and what a hectare costs, learnt from the log. SI. */

export type Driven = {
  id: string;
  rigId: number;
  rig: string;
  operation: string;
  person: string;
  field: string;
  /** the soil it was set for, as frozen when it was begun; empty where nobody told */
  soil: string;
  begun: string;
  /** m², seconds at work, m³; null where nobody told */
  area: number | null;
  time: number | null;
  fuel: number | null;
  /** width and speed it was set to, as frozen when it was begun; null where they were not on record */
  width: number | null;
  speed: number | null;
};

export type Rates = {
  entries: number;
  /** m², of those that told */
  area: number;
  /** entries without hectares or hours: they count for no rate */
  untold: number;
  /** m² a second at work */
  rate: number | null;
  /** of what width and speed would have worked: turning, filling and waiting take the rest */
  efficiency: number | null;
  /** m³ on a m² */
  fuel: number | null;
  /** seconds of somebody's work on a m²: from beginning to end is not told, so hours at work */
  labour: number | null;
};

const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0);

/** Rates of some entries together, each figure by those that told both of its sides. */
export function ratesOf(entries: readonly Driven[]): Rates {
  const timed = entries.flatMap(({ area, time, width, speed }) =>
    area === null || time === null || time === 0
      ? []
      : [{ area, time, ideal: width === null || speed === null ? null : width * speed * time }],
  );
  const ideal = timed.flatMap((each) =>
    each.ideal === null ? [] : [{ area: each.area, ideal: each.ideal }],
  );
  const fuelled = entries.flatMap(({ area, fuel }) =>
    area === null || fuel === null ? [] : [{ area, fuel }],
  );
  const [area, time] = [sum(timed.map((each) => each.area)), sum(timed.map((each) => each.time))];
  return {
    entries: entries.length,
    area: sum(entries.map((entry) => entry.area ?? 0)),
    untold: entries.length - timed.length,
    rate: timed.length === 0 ? null : area / time,
    efficiency:
      ideal.length === 0 ? null : sum(ideal.map((each) => each.area)) / sum(ideal.map((each) => each.ideal)),
    fuel:
      fuelled.length === 0
        ? null
        : sum(fuelled.map((each) => each.fuel)) / sum(fuelled.map((each) => each.area)),
    labour: timed.length === 0 || area === 0 ? null : time / area,
  };
}

/** Entries by a key, the one with most hectares first. */
export function grouped<K>(
  entries: readonly Driven[],
  keyOf: (entry: Driven) => K,
): { key: K; entries: Driven[] }[] {
  const groups = new Map<K, Driven[]>();
  for (const entry of entries) groups.set(keyOf(entry), [...(groups.get(keyOf(entry)) ?? []), entry]);
  const area = (all: readonly Driven[]) => sum(all.map((entry) => entry.area ?? 0));
  return [...groups]
    .map(([key, own]) => ({ key, entries: own }))
    .sort((a, b) => area(b.entries) - area(a.entries));
}

export type Prices = {
  /** money for a m³, and for a second of somebody's work; null where nobody told */
  fuel: number | null;
  labour: number | null;
};

export type Cost = {
  /** money for a m²; null where price or use is not known */
  fuel: number | null;
  labour: number | null;
  wear: number | null;
  /** of what is known; null where nothing is */
  sum: number | null;
  /** what is not in the sum */
  missing: ("fuel" | "labour" | "wear")[];
};

/** What a m² costs. `wear`: money for a m² of what wears on its tools; null where something that wears has no price or no known wear, 0 of what has nothing that wears. */
export function costOf({ fuel, labour }: Rates, prices: Prices, wear: number | null): Cost {
  const times = (use: number | null, price: number | null) =>
    use === null || price === null ? null : use * price;
  const parts = { fuel: times(fuel, prices.fuel), labour: times(labour, prices.labour), wear };
  const known = Object.values(parts).filter((value) => value !== null);
  return {
    ...parts,
    sum: known.length === 0 ? null : sum(known),
    missing: (["fuel", "labour", "wear"] as const).filter((key) => parts[key] === null),
  };
}

/** A reading that was another from one entry of a rig to the next. */
export type Changed = { key: string; part: number; was: number; is: number; at: string };

export type Setting = { part: number; key: string; value: number | null };

/** What the frozen readings of two entries that follow one another say otherwise. */
export function changedBetween(before: readonly Setting[], after: readonly Setting[], at: string): Changed[] {
  const was = new Map(before.map(({ part, key, value }) => [`${part} ${key}`, value]));
  return after.flatMap(({ part, key, value }) => {
    const then = was.get(`${part} ${key}`) ?? null;
    return then === null || value === null || then === value ? [] : [{ key, part, was: then, is: value, at }];
  });
}

/** Less of a difference between before and after is weather and field (ours): a twentieth. */
export const SAME_RATE = 0.05;

/** Rates before and after a change, of work of the same kind; null where either side tells none. */
export function beforeAfter(
  entries: readonly Driven[],
  at: string,
): { before: Rates; after: Rates; rate: number | null; fuel: number | null } | null {
  const before = ratesOf(entries.filter(({ begun }) => begun < at));
  const after = ratesOf(entries.filter(({ begun }) => begun >= at));
  if (before.entries === 0 || after.entries === 0) return null;
  const change = (was: number | null, is: number | null) =>
    was === null || is === null || was === 0 ? null : is / was - 1;
  return { before, after, rate: change(before.rate, after.rate), fuel: change(before.fuel, after.fuel) };
}
