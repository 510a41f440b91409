/** A tractor is down: what each of the others would be with its tools, in minutes, and what stops it. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Finding } from "../finding/finding.ts";
import type { RigFacts } from "../rig/facts.ts";
import type { Judged } from "../subjects/judge-whole.ts";
import type { Rerig } from "./rerig.ts";

/**
 * Readings of a coupling that are about the work and go along to another tractor. What is about links, shaft, slip or steering is about the two
 * machines together: it is read anew.
 */
const TRAVELS: readonly DimensionKey[] = [
  "work.guided",
  "work.switched",
  "work.speed",
  "work.depth",
  "work.soil",
  "work.surface",
  "work.slope",
  "work.overlap",
  "guidance.trackSpacing",
  "work.area",
  "rate.liquid",
  "rate.seed",
  "rate.seeds",
  "rate.spread",
];

/** Whether a reading of a coupling goes along to another tractor. */
export const travels = (key: DimensionKey): boolean => TRAVELS.includes(key);

/** What is known of a tool on another tractor: what was proved there is proved of the old one. */
export function onAnother(facts: RigFacts, ofCoupling: (key: DimensionKey) => boolean): RigFacts {
  const stays = <T>(values: Partial<Record<DimensionKey, T>>): Partial<Record<DimensionKey, T>> =>
    Object.fromEntries(
      (Object.entries(values) as [DimensionKey, T][]).filter(([key]) => !ofCoupling(key) || travels(key)),
    );
  return { ...facts, readings: stays(facts.readings), previous: stays(facts.previous), proofs: [] };
}

export type Swap = {
  /** what must be cured before it may work, and does not stand against these tools on any machine */
  stops: Finding[];
  /** what stands against them on the machine that is down as well */
  anyway: Finding[];
  /** lengths nobody has read yet: a tape and some minutes, no obstacle */
  toRead: Finding[];
  /** what nobody knows yet of this pair */
  unknown: { label: string; station: string }[];
  rerig: Rerig;
  /** seconds of setting and of reading what is missing */
  seconds: number;
};

const isMissing = (id: string): boolean => id.startsWith("missing:");

const sameStop = (a: Finding, b: Finding) =>
  a.id === b.id && JSON.stringify(a.what) === JSON.stringify(b.what);

/** Once each: a length of the machine that drives is missed by every tool behind it. */
const once = (findings: readonly Finding[]): Finding[] => [
  ...new Map(findings.map((finding) => [JSON.stringify([finding.subject, finding.what]), finding])).values(),
];

/** How a pair that was judged as if it were coupled stands. `before`: the tools on the machine that is down; null where there is none. */
export function swapOf(
  { findings, checks }: Judged,
  rerig: Rerig,
  read: number,
  before: Judged | null = null,
): Swap {
  const old = before?.findings ?? [];
  const all = once(findings.filter(({ severity }) => severity === "stop"));
  const anyway = all.filter((stop) => old.some((each) => sameStop(each, stop)));
  const own = all.filter((stop) => !anyway.includes(stop));
  const toRead = own.filter(({ id }) => isMissing(id));
  const unknown = checks.filter(({ verdict }) => verdict === "unknown");
  return {
    stops: own.filter((stop) => !toRead.includes(stop)),
    anyway,
    toRead,
    unknown: [
      ...new Map(unknown.map(({ label, station }) => [`${station} ${label}`, { label, station }])).values(),
    ],
    rerig,
    seconds: rerig.seconds + toRead.length * read,
  };
}

/** Those that nothing stops first, then by minutes, then by what is not known. */
export function bySwap<T extends { swap: Swap }>(all: readonly T[]): T[] {
  return [...all].sort(
    ({ swap: a }, { swap: b }) =>
      Math.sign(a.stops.length) - Math.sign(b.stops.length) ||
      a.seconds - b.seconds ||
      a.unknown.length - b.unknown.length,
  );
}
