/** What a station shows, worked out before it is drawn: components only lay it out. */
import {
  CATALOGUE,
  type DimensionKey,
  dimension,
  SECTIONS_LETTER,
  type StationKey,
} from "../../core/dimension/catalogue.ts";
import { printEntry } from "../../core/dimension/entry.ts";
import { POINT_LABELS, type PointKey } from "../../core/dimension/points.ts";
import type { Finding, Target } from "../../core/finding/finding.ts";
import { printLength } from "../../core/quantity/length.ts";
import { IN_TAPE_UNITS, type UnitSystem } from "../../core/quantity/units.ts";
import { between, type Chain, trackSpacing } from "../../core/rig/chain.ts";
import { SENSE } from "../../core/rig/frame.ts";
import { type Grade, gradeOf } from "../../core/rig/grade.ts";
import type { ResolvedRig } from "../../core/rig/resolve.ts";
import { sectionSum } from "../../core/rig/sections.ts";
import { rankTaping, SIDE_SLOPE } from "../../core/rig/tape-next.ts";

export type ReadingRow = {
  target: Target;
  letter: string;
  label: string;
  fromTo: string;
  how: string;
  /** the value in the operator's units; null where missing */
  value: string | null;
  grade: Grade;
  doubted: boolean;
  /** "1.472 m, Ilse Marrin, 14 Sep 2026": what was typed, by whom, when */
  source: string | null;
  /** the id to take back, null where there is nothing to take back */
  readingId: string | null;
  bareUnit: string;
  sides: { plus: string; minus: string } | null;
  kind: "length" | "count" | "sections";
  currentGrade: Grade;
};

export type ChainView = {
  title: string;
  links: { key: DimensionKey; label: string; text: string; grade: Grade }[];
  total: string | null;
  /** "± 9 mm" */
  plusMinus: string | null;
  /** what is known where there is no total */
  known: string;
  grade: Grade;
  caption: string;
};

export type FollowRow = { label: string; text: string; plusMinus: string | null };

export type TapeNext = { label: string; letter: string; href: string; reason: string } | null;

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
};

const LEADS: Record<StationKey, { title: string; lead: string }> = {
  antenna: { title: "Antenna", lead: "Where the receiver and the drawbar pin are, seen from the rear axle." },
  tool: { title: "Tool", lead: "Where the drill meets the ground, seen from the drawbar pin." },
};

export function viewStation(
  station: StationKey,
  rigId: number,
  rig: ResolvedRig,
  findings: readonly Finding[],
  units: Units,
): StationView {
  const href = (target: Target, at: StationKey) => `/rigs/${rigId}/${at}?at=${target}`;
  const own = findings.filter((finding) => finding.station === station);
  const readings = CATALOGUE.filter((entry) => entry.station === station).map((entry) =>
    readingRow(entry.key, rig, system),
  );
  if (station === "tool") readings.push(sectionsRow(rig, system));
  const ranked = rankTaping(rig);
  const [next] = ranked;
  const most = ranked[0]?.effect ?? 1;
  return {
    station,
    ...LEADS[station],
    findings: own.map((finding) => ({ ...finding, href: href(finding.next.target, finding.station) })),
    elsewhere: stopsElsewhere(station, rigId, findings),
    readings,
    taped: readings.filter(({ grade, doubted }) => grade === "taped" && !doubted).length,
    chain: chainView(station === "antenna" ? "pin" : "workFront", rig, system),
    follows: station === "antenna" ? antennaFollows(rig, system) : toolFollows(rig, system),
    tapeNext: next?.open ? tapeNextOf(next.key, next.moves, next.effect, rig, system, href) : null,
    bars: ranked.slice(0, 3).map(({ key, effect, open }) => ({
      letter: dimension(key).letter,
      label: dimension(key).label,
      text: small(effect, system),
      share: Math.max(effect / most, 0.01),
      open,
    })),
  };
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

function readingRow(key: DimensionKey, rig: ResolvedRig, units: Units): ReadingRow {
  const entry = dimension(key);
  const { value, grade, doubt, reading } = rig.values[key];
  const style = units[entry.shown];
  return {
    target: key,
    letter: entry.letter,
    label: entry.label,
    fromTo: entry.fromTo,
    how: entry.how,
    value: value === null ? null : printEntry(entry, value, system),
    grade,
    doubted: doubt !== null && doubt !== "habitual zero",
    source: reading ? sourceOf(reading.rawText, reading.person, reading.measuredAt) : null,
    readingId: reading?.id ?? null,
    bareUnit: style === "ft-in" ? "inches" : style,
    sides: entry.sides,
    kind: entry.kind,
    currentGrade: grade,
  };
}

function sectionsRow({ sections }: ResolvedRig, units: Units): ReadingRow {
  return {
    target: "sections",
    letter: SECTIONS_LETTER,
    label: "Sections",
    fromTo: "every section's width, from the left end to the right",
    how: "Count rows in each section and multiply by the row spacing, or tape from hose to hose.",
    value: sections
      ? `${groupWidths(sections.widths, system)} = ${printLength(sectionSum(sections.widths), units.tape)}`
      : null,
    grade: sections ? gradeOf(sections.instrument) : "missing",
    doubted: false,
    source: sections
      ? sourceOf(`${sections.widths.length} sections`, sections.person, sections.measuredAt)
      : null,
    readingId: sections?.id ?? null,
    bareUnit: system === "us" ? "inches" : "m",
    sides: null,
    kind: "sections",
    currentGrade: sections ? gradeOf(sections.instrument) : "missing",
  };
}

/** "5 × 1.000; 0.700": equal neighbours together, left to right, as it can be typed again. */
export function groupWidths(widths: readonly number[], units: Units): string {
  const groups: { text: string; count: number }[] = [];
  for (const width of widths) {
    const text = printLength(width, units.tape, { bare: true });
    const last = groups.at(-1);
    if (last?.text === text) last.count += 1;
    else groups.push({ text, count: 1 });
  }
  return groups.map(({ text, count }) => (count > 1 ? `${count} × ${text}` : text)).join("; ");
}

function sourceOf(rawText: string, person: string, measuredAt: string): string {
  const day = new Date(measuredAt).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone: "UTC",
  });
  return `typed “${rawText}”, ${person}, ${day}`;
}

/** Small lengths, such as uncertainties: millimetres or decimal inches. */
function small(metres: number, units: Units): string {
  if (system === "us") return printLength(metres, "in", { decimals: metres < 0.254 ? 2 : 0 });
  return metres < 1 ? printLength(metres, "mm") : printLength(metres, "m", { decimals: 1 });
}

function signed(metres: number, units: Units, bare = true): string {
  return printLength(metres, units.tape, { bare });
}

function chainView(to: PointKey, rig: ResolvedRig, units: Units): ChainView {
  const chain = between(rig, "receiver", to, "x");
  return {
    title: `Receiver to ${POINT_LABELS[to]}`,
    links: chain.links.map(({ key, coefficient, contribution, grade }) => ({
      key,
      label: walked(key, coefficient),
      text: contribution === null ? "missing" : signed(contribution, system),
      grade,
    })),
    total: chain.total === null ? null : signed(chain.total, system, false),
    plusMinus: plusMinus(chain, system),
    known: signed(chain.known, system, false),
    grade: chain.grade,
    caption: "behind is −, 1 σ",
  };
}

/** A link named the way the chain walks it: readings are taken outward from the axle, chains also walk home. */
function walked(key: DimensionKey, coefficient: number): string {
  const { span, direction, label } = dimension(key);
  if (!span) return label;
  const outward = Math.sign(coefficient) === SENSE[direction];
  const [from, to] = outward ? [span.from, span.to] : [span.to, span.from];
  const name = `${POINT_LABELS[from]} to ${POINT_LABELS[to]}`;
  return name.charAt(0).toUpperCase() + name.slice(1);
}

function plusMinus({ sigma }: Chain, units: Units): string | null {
  return sigma === null ? null : `± ${small(sigma, system)}`;
}

function follow(
  label: string,
  chain: Chain,
  units: Units,
  words?: readonly [string, string],
): FollowRow {
  if (chain.total === null) return { label, text: "not known yet", plusMinus: null };
  const style = words ? (system === "us" ? "in" : "cm") : units.tape;
  const text = printLength(words ? Math.abs(chain.total) : chain.total, style);
  const word = words && Number.parseFloat(text) !== 0 ? ` ${chain.total > 0 ? words[0] : words[1]}` : "";
  return { label, text: `${text}${word}`, plusMinus: plusMinus(chain, system) };
}

function antennaFollows(rig: ResolvedRig, units: Units): FollowRow[] {
  const height = between(rig, "axle", "receiver", "up").total;
  return [
    follow("Receiver ahead of the pin", between(rig, "pin", "receiver", "x"), system),
    follow("Receiver off the centre line", between(rig, "axle", "receiver", "y"), system, ["right", "left"]),
    {
      label: "Leans downhill on a 4° slope",
      text: height === null ? "not known yet" : small(height * Math.sin(SIDE_SLOPE), system),
      plusMinus: null,
    },
  ];
}

function toolFollows(rig: ResolvedRig, units: Units): FollowRow[] {
  return [
    follow("Receiver to rear rank", between(rig, "receiver", "workRear", "x"), system),
    follow("Receiver to wheels", between(rig, "receiver", "pivot", "x"), system),
    follow("Work, seen from the receiver", between(rig, "receiver", "workMid", "y"), system, [
      "right",
      "left",
    ]),
    follow("Track spacing, width less overlap", trackSpacing(rig), system),
  ];
}

function tapeNextOf(
  key: DimensionKey,
  moves: string,
  effect: number,
  rig: ResolvedRig,
  units: Units,
  href: (target: Target, at: StationKey) => string,
): TapeNext {
  const entry = dimension(key);
  const { grade, doubt } = rig.values[key];
  const because =
    grade === "missing"
      ? "It is missing"
      : doubt && doubt !== "habitual zero"
        ? "It cannot be right"
        : grade === "book"
          ? "It is from the book"
          : "It is assumed";
  return {
    label: entry.label,
    letter: entry.letter,
    href: href(key, entry.station),
    reason: `${because}: ${moves} is open by ${small(effect, system)}.`,
  };
}
