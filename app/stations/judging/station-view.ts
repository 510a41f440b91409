/** What a station shows, worked out before it is drawn: components only lay it out. */
import {
  type DimensionKey,
  dimension,
  isDimensionKey,
  isOfCarrier,
  type StationKey,
} from "../../../core/dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../../../core/dimension/change.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { type Finding, inUnits, type Target, type ToldFinding } from "../../../core/finding/finding.ts";
import { verbOf } from "../../../core/finding/value.ts";
import { capital } from "../../../core/quantity/capital.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { askedOf, guidedBy, usesTerminal } from "../../../core/rig/asked.ts";
import type { Change } from "../../../core/rig/facts.ts";
import { isBelieved, provenBy, type ResolvedRig } from "../../../core/rig/resolve.ts";
import { type Ranked, rankTaping } from "../../../core/rig/tape-next.ts";
import { calibrationsAt } from "../../../core/subjects/calibrations.ts";
import { provablesOf } from "../../../core/subjects/proof/provable.ts";
import { subjectOf } from "../../../core/subjects/walk.ts";
import { rigAddress } from "../frame/address.ts";
import { day, fine } from "../frame/print.ts";
import { cureHref } from "../frame/stations.ts";
import { type ReadingRow, readingRows, type Stales } from "../reading/reading-rows.ts";
import { type ChainView, chainView, type FollowRow, followRow, proofText } from "./chains.ts";

export type TapeNext = { label: string; letter: string; href: string; reason: string } | null;

/** What happened to the rig: changes and field tests, each with the id to take it back by. */
export type LogRow = { id: string; title: string; text: string };

/** What every station has. */
export type CommonView = {
  station: StationKey;
  title: string;
  lead: string;
  /** `onField`: where one sees what it would have done on a field; null where it moves no work */
  findings: (ToldFinding & { href: string; onField: string | null; tool: string })[];
  elsewhere: { label: string; href: string; stops: number } | null;
  readings: ReadingRow[];
  taped: number;
  /** of how many: what nobody read and nothing waits for is not among them */
  wanted: number;
  /** whether a terminal is told anything of the rig, by what it was told to be */
  used: boolean;
  changes: LogRow[];
  changeKinds: { kind: ChangeKind; label: string; stales: readonly string[] }[];
};

export type StationView = CommonView & {
  /** null where its readings are no lengths of the rig */
  chain: ChainView | null;
  follows: FollowRow[];
  /** pages under its own */
  pages: readonly { page: string; label: string }[];
  tapeNext: TapeNext;
  bars: { letter: string; label: string; text: string; share: number; open: boolean }[];
  proofs: LogRow[];
};

export type StationFacts = {
  rigId: number;
  rig: ResolvedRig;
  /** the same as a terminal is told of it: where several tools work one swath, with the width and the middle of all */
  told: ResolvedRig;
  /** of the couplings, in order; the one in view */
  couplings: readonly number[];
  names: readonly string[];
  index: number;
  /** every tool's readings, the one in view among them */
  rigs: readonly ResolvedRig[];
  findings: readonly Finding[];
  changes: readonly Change[];
  /** readings that are due, in words */
  dues: ReadonlyMap<DimensionKey, string>;
  units: Units;
};

/** Where a reading of the tool in view is entered. */
function addressOf({ rigId, couplings, index }: Pick<StationFacts, "rigId" | "couplings" | "index">) {
  return (target: Target, at: StationKey) =>
    cureHref(rigId, { station: at, part: index, next: { target } }, couplings);
}

export function commonView(station: StationKey, facts: StationFacts): CommonView {
  const { rigId, rig, couplings, names, index, findings, changes, dues, units } = facts;
  const several = couplings.length > 1;
  const { label: title, lead, changesOf, shows } = subjectOf(station)!;
  const own = findings.filter((finding) => finding.station === station);
  // A tool's own station shows that tool; what is wrong with another leads there.
  const shown = shows === "tool" ? own.filter(({ part = index }) => part === index) : own;
  const stales = stalesOf(facts);
  const readings = readingRows(station, rig, units, stales, dues);
  const kept = (kind: ChangeKind) => changesOf.includes(CHANGES[kind].machine);
  return {
    station,
    title,
    lead,
    findings: shown.map((finding) => ({
      ...inUnits(finding, units),
      href: cureHref(rigId, finding, couplings),
      onField: onFieldHref(rigId, finding, rig, units),
      tool: several && finding.part !== undefined ? names[finding.part]! : "",
    })),
    elsewhere: stopsElsewhere(shown, facts),
    readings,
    used: usesTerminal(rig),
    taped: readings.filter(
      ({ grade, doubted, stale }) => (grade === "taped" || grade === "proven") && !doubted && !stale,
    ).length,
    wanted: readings.filter(({ value, quiet }) => value !== null || !quiet || !usesTerminal(rig)).length,
    changes: changes
      .filter(({ kind }) => kept(kind))
      .map(({ id, kind, at, person, note }) => ({
        id,
        title: CHANGES[kind].label,
        text: [day(at), person, note].filter(Boolean).join(", "),
      })),
    changeKinds: (Object.keys(CHANGES) as ChangeKind[])
      .filter(kept)
      .map((kind) => ({ kind, label: CHANGES[kind].label, stales: stales[kind] ?? [] })),
  };
}

/** What each kind of change would make stale now: readings that are there and not stale already, and proofs it would end. */
export function stalesOf({ rigs, names }: Pick<StationFacts, "rigs" | "names">): Stales {
  const found: Partial<Record<ChangeKind, string[]>> = {};
  for (const [index, rig] of rigs.entries())
    for (const entry of askedOf(rig)) {
      const { key, label, touchedBy } = entry;
      const { value, stale } = rig.values[key];
      if (value === null || stale !== null) continue;
      const shared = isOfCarrier(entry);
      if (shared && index > 0) continue;
      for (const kind of touchedBy) {
        found[kind] ??= [];
        found[kind].push(rigs.length > 1 && !shared ? `${label} (${names[index]})` : label);
      }
    }
  for (const rig of rigs)
    for (const { label, terms } of provablesOf(rig)) {
      if (!provenBy(terms, rig.proofs)) continue;
      for (const kind of new Set(terms.flatMap(({ key }) => dimension(key, rig).touchedBy)))
        found[kind] = [
          ...(found[kind] ?? []),
          `the proof of ${label.charAt(0).toLowerCase()}${label.slice(1)}`,
        ];
    }
  return found;
}

export function viewStation(station: StationKey, facts: StationFacts): StationView {
  const { measured } = subjectOf(station)!;
  const { rig, told, units } = facts;
  const used = usesTerminal(rig);
  const ranked = used ? rankTaping(rig) : [];
  const [next] = ranked;
  const most = ranked[0]?.effect ?? 1;
  return {
    ...commonView(station, facts),
    chain: measured && used ? chainView(measured.to, rig, units) : null,
    follows: (used ? (measured?.follows(told) ?? []) : []).map((each) => followRow(each, units)),
    pages: used ? (measured?.pages ?? []) : [],
    tapeNext: next?.open ? tapeNextOf(next, rig, units, addressOf(facts)) : null,
    bars: ranked.slice(0, 3).map(({ key, effect, open }) => ({
      letter: dimension(key, rig).letter,
      label: dimension(key, rig).label,
      text: fine(effect, units),
      share: Math.max(effect / most, 0.01),
      open,
    })),
    proofs: rig.proofs.map((proof) => ({ id: proof.id, title: capital(proof.what), text: proofText(proof) })),
  };
}

const MOVES_WORK: readonly string[] = ["antenna", "tool"];

/** The field driven with what it is to be, or else with twice its doubt: only of lengths and times that place or switch the work, and of constants that dose it. */
function onFieldHref(
  rigId: number,
  { subject, advised }: Finding,
  rig: ResolvedRig,
  units: Units,
): string | null {
  if (!isDimensionKey(subject) || !guidedBy(rig).lines) return null;
  const entry = dimension(subject, rig);
  const places = (entry.kind === "length" || entry.family === "time") && MOVES_WORK.includes(entry.station);
  const doses = calibrationsAt(rig).some(({ kind }) => kind.constant === subject);
  if (!places && !doses) return null;
  const { value, sigma } = rig.values[subject];
  const really = advised ?? (value === null ? null : value + 2 * sigma);
  return rigAddress(rigId, "world", {
    [`is.${subject}`]: really === null ? null : printEntry(entry, really, units),
  });
}

/** Stops that this page does not show, and the first place to go for them. */
function stopsElsewhere(
  shown: readonly Finding[],
  { findings, rigId, couplings, names }: StationFacts,
): CommonView["elsewhere"] {
  const here = new Set(shown.map(({ id }) => id));
  const stops = findings.filter((finding) => finding.severity === "stop" && !here.has(finding.id));
  const first = stops[0];
  if (!first) return null;
  const tool = first.part !== undefined && couplings.length > 1 ? `, ${names[first.part]}` : "";
  return {
    label: `${subjectOf(first.station)!.label}${tool}`,
    href: cureHref(rigId, first, couplings),
    stops: stops.length,
  };
}

function tapeNextOf(
  { key, moves, effect }: Ranked,
  rig: ResolvedRig,
  units: Units,
  href: (target: Target, at: StationKey) => string,
): TapeNext {
  const entry = dimension(key, rig);
  return {
    label: entry.label,
    letter: entry.letter || verbOf(entry),
    href: href(key, entry.station),
    reason: `${becauseOf(rig.values[key])}: ${moves} is open by ${fine(effect, units)}.`,
  };
}

function becauseOf({ grade, doubt, stale }: ResolvedRig["values"][keyof ResolvedRig["values"]]): string {
  if (grade === "missing") return "It is missing";
  if (!isBelieved(doubt)) return "It cannot be right";
  if (stale) return `It went stale on ${day(stale.at)}`;
  return grade === "book" ? "It is from the book" : "It is assumed";
}
