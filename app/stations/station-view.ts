/** What a station shows, worked out before it is drawn: components only lay it out. */
import { dimension, type StationKey } from "../../core/dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../../core/dimension/change.ts";
import type { Finding, Target } from "../../core/finding/finding.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Change } from "../../core/rig/facts.ts";
import type { ResolvedRig } from "../../core/rig/resolve.ts";
import { type Ranked, rankTaping } from "../../core/rig/tape-next.ts";
import { type ChainView, chainView, type FollowRow, follows, PROVABLE, proofText } from "./chains.ts";
import { day, fine } from "./print.ts";
import { type ReadingRow, readingRows } from "./reading-rows.ts";

export type TapeNext = { label: string; letter: string; href: string; reason: string } | null;

/** What happened to the rig: changes and field tests, each with the id to take it back by. */
export type LogRow = { id: string; title: string; text: string };

export type StationView = {
  station: StationKey;
  title: string;
  lead: string;
  findings: (Finding & { href: string })[];
  elsewhere: { label: string; href: string; stops: number } | null;
  readings: ReadingRow[];
  taped: number;
  chain: ChainView;
  follows: FollowRow[];
  tapeNext: TapeNext;
  bars: { letter: string; label: string; text: string; share: number; open: boolean }[];
  changes: LogRow[];
  proofs: LogRow[];
  changeKinds: { kind: ChangeKind; label: string }[];
  provable: { key: string; label: string }[];
};

const LEADS: Record<StationKey, { title: string; lead: string }> = {
  antenna: { title: "Antenna", lead: "Where the receiver and the drawbar pin are, seen from the rear axle." },
  tool: { title: "Tool", lead: "Where the drill meets the ground, seen from the drawbar pin." },
};

export type StationFacts = {
  rigId: number;
  rig: ResolvedRig;
  findings: readonly Finding[];
  changes: readonly Change[];
  units: Units;
};

export function viewStation(
  station: StationKey,
  { rigId, rig, findings, changes, units }: StationFacts,
): StationView {
  const href = (target: Target, at: StationKey) => `/rigs/${rigId}/${at}?at=${target}`;
  const own = findings.filter((finding) => finding.station === station);
  const readings = readingRows(station, rig, units);
  const ranked = rankTaping(rig);
  const [next] = ranked;
  const most = ranked[0]?.effect ?? 1;
  const machine = station === "antenna" ? "tractor" : "implement";
  return {
    station,
    ...LEADS[station],
    findings: own.map((finding) => ({ ...finding, href: href(finding.next.target, finding.station) })),
    elsewhere: stopsElsewhere(station, rigId, findings),
    readings,
    taped: readings.filter(
      ({ grade, doubted, stale }) => (grade === "taped" || grade === "proven") && !doubted && !stale,
    ).length,
    chain: chainView(station, rig, units),
    follows: follows(station, rig, units),
    tapeNext: next?.open ? tapeNextOf(next, rig, units, href) : null,
    bars: ranked.slice(0, 3).map(({ key, effect, open }) => ({
      letter: dimension(key).letter,
      label: dimension(key).label,
      text: fine(effect, units),
      share: Math.max(effect / most, 0.01),
      open,
    })),
    changes: changes
      .filter(({ kind }) => CHANGES[kind].machine === machine)
      .map(({ id, kind, at, person, note }) => ({
        id,
        title: CHANGES[kind].label,
        text: [day(at), person, note].filter(Boolean).join(", "),
      })),
    proofs: rig.proofs.map((proof) => ({ id: proof.id, title: capital(proof.what), text: proofText(proof) })),
    changeKinds: (Object.keys(CHANGES) as ChangeKind[])
      .filter((kind) => CHANGES[kind].machine === machine)
      .map((kind) => ({ kind, label: CHANGES[kind].label })),
    provable: Object.entries(PROVABLE)
      .filter(([, { station: at }]) => at === station)
      .map(([key, { label }]) => ({ key, label })),
  };
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function stopsElsewhere(
  station: StationKey,
  rigId: number,
  findings: readonly Finding[],
): StationView["elsewhere"] {
  const stops = findings.filter((finding) => finding.severity === "stop" && finding.station !== station);
  const first = stops[0];
  return first
    ? { label: LEADS[first.station].title, href: `/rigs/${rigId}/${first.station}`, stops: stops.length }
    : null;
}

function tapeNextOf(
  { key, moves, effect }: Ranked,
  rig: ResolvedRig,
  units: Units,
  href: (target: Target, at: StationKey) => string,
): TapeNext {
  const entry = dimension(key);
  return {
    label: entry.label,
    letter: entry.letter,
    href: href(key, entry.station),
    reason: `${becauseOf(rig.values[key])}: ${moves} is open by ${fine(effect, units)}.`,
  };
}

function becauseOf({ grade, doubt, stale }: ResolvedRig["values"][keyof ResolvedRig["values"]]): string {
  if (grade === "missing") return "It is missing";
  if (doubt && doubt !== "habitual zero") return "It cannot be right";
  if (stale) return `It went stale on ${day(stale.at)}`;
  return grade === "book" ? "It is from the book" : "It is assumed";
}
