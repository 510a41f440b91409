import type { ToolAhead } from "../../../core/card/ahead.ts";
import { type Card, type CardLine, fillCard } from "../../../core/card/fill.ts";
import { withJob } from "../../../core/card/job.ts";
import { byPage, lapsed, type Retype, retype } from "../../../core/card/numbered.ts";
import { type StepOfEntry, stepsOf } from "../../../core/card/order.ts";
import type { Scheme } from "../../../core/card/scheme.ts";
import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { type Finding, stopsOf } from "../../../core/finding/finding.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { fineStyle } from "../../../core/quantity/units.ts";
import { usesTerminal } from "../../../core/rig/asked.ts";
import type { Grade } from "../../../core/rig/grade.ts";
import { together } from "../../../core/rig/swath.ts";
import { aheadOf, works } from "../../../core/rig/whole.ts";
import { leadOf } from "../../../core/subjects/job/job-of-rig.ts";
import { isHeldBy } from "../../../core/subjects/walk.ts";
import { latestCard, listCards, type NumberedCard, readbacksOf } from "../../../data/cards.ts";
import { uncoupledAt } from "../../../data/hookup.ts";
import { findScheme, listSchemes, profileOf, type Terminal, terminalOf } from "../../../data/schemes.ts";
import { rigAddress } from "../frame/address.ts";
import { day } from "../frame/print.ts";
import { type OpenRig, toolName } from "../frame/rig-view.server.ts";
import { cureHref } from "../frame/stations.ts";

export type CardRow = Omit<CardLine, "chain" | "rounding" | "form"> & {
  grade: Grade | null;
  stale: boolean;
  links: { letter: string; label: string; text: string; grade: Grade; href: string }[];
  total: string | null;
  rounding: string | null;
};

/** The card that is in the cab now, against what the rig says now. */
export type CabState = {
  number: number;
  issued: string;
  retype: Retype[];
  /** lines whose read-back stands: shown and still the same figure */
  readBack: { matched: number; differing: number; lines: number };
};

export type CardView = Omit<Card, "lines" | "stops"> & {
  pages: { page: string; rows: CardRow[] }[];
  stops: { id: string; what: string; why: string; label: string; href: string }[];
  schemes: { id: string; name: string; asks: string }[];
  terminal: Terminal;
  /** what the terminal's profile of this tool is called, as it works now */
  profile: { name: string; of: string };
  /** in which order it is typed in */
  order: StepOfEntry[];
  cab: CabState | null;
  earlier: { number: number; issued: string }[];
  /** false for a tool that only carries: a terminal is told nothing of it */
  works: boolean;
  /** how many tools of the rig have a card that could be printed */
  printable: number;
  /** the whole rig's file can be written: nothing stops any of its tools */
  file: boolean;
};

const FIRST_SCHEME = "axle-m";

/** How the terminal in the rig's tractor asks. */
export function schemeNow({ db, rig }: OpenRig): { scheme: Scheme; terminal: Terminal } {
  const { schemeId, name } = terminalOf(db, rig.tractor.id) ?? { schemeId: FIRST_SCHEME, name: "" };
  const scheme = findScheme(db, schemeId);
  if (!scheme) throw new Response("This terminal's scheme is gone.", { status: 500 });
  return { scheme, terminal: { schemeId, name } };
}

/** The card of the rig's tractor now, in the scheme chosen for its terminal. */
export function cardNow(open: OpenRig): { card: Card; terminal: Terminal } {
  const { scheme, terminal } = schemeNow(open);
  const { whole, index, cardFindings, preferences } = open;
  const rig = together(whole, index);
  const card = fillCard(scheme, rig, cardFindings, preferences.units, toolsAhead(open));
  return { card: index === leadOf(whole) ? withJob(card, whole.work, rig) : card, terminal };
}

/** Readings that this terminal asks for and nobody has read: nothing else may wait for them. */
export function askedByTerminal(open: OpenRig): DimensionKey[] {
  const own = cardNow(open).card.lines.filter(({ tool, form }) => tool === null && form.kind !== "time");
  const links = own.flatMap(({ chain }) => chain?.links ?? []);
  return [...new Set(links.flatMap(({ key, value }) => (value === null ? [key] : [])))];
}

/** The tools between the machine and the one in view, with what stops their figures. */
export function toolsAhead(open: Pick<OpenRig, "whole" | "index" | "findings">): ToolAhead[] {
  return aheadOf(open.whole.parts, open.index).map((at) => {
    const { name, rig } = open.whole.parts[at]!;
    return { name, rig, stops: stopsOf(open.findings.filter(({ part }) => part === at)) };
  });
}

export function viewCard(open: OpenRig): CardView {
  const { db, rig } = open;
  const { card, terminal } = cardNow(open);
  const { lines, stops, ...rest } = card;
  const rows = lines.map((line) => rowOf(line, open));
  const pages = byPage(rows).map(({ page, lines: own }) => ({ page, rows: own }));
  const latest = latestCard(db, rig);
  return {
    ...rest,
    pages,
    stops: stops.map((stop) => ({
      id: stop.id,
      what: stop.what,
      why: stop.why,
      label: stop.next.label,
      href: cureHref(
        rig.id,
        stop,
        open.parts.map(({ couplingId }) => couplingId),
      ),
    })),
    schemes: listSchemes(db),
    terminal,
    profile: {
      name: profileOf(db, rig),
      of: rig.variant ? `${toolName(rig)}, ${rig.variant.name}` : toolName(rig),
    },
    order: stepsOf(card.scheme.order),
    cab: latest && cabState(open, latest, card),
    earlier: listCards(db, rig)
      .slice(1, 6)
      .map(({ number, issuedAt, person }) => ({ number, issued: `${day(issuedAt)}, ${person}` })),
    works: works(open.resolved) && usesTerminal(open.resolved),
    printable: open.parts.filter((part) => latestCard(db, part) !== null).length,
    file: fileStops(open).length === 0,
  };
}

/** What keeps the file of the whole rig from being written: a terminal would believe it. */
export function fileStops({ findings }: Pick<OpenRig, "findings">): Finding[] {
  return findings.filter(({ severity, station }) => severity === "stop" && isHeldBy("card", station));
}

export function cabState({ db, rig }: OpenRig, latest: NumberedCard, now: Card): CabState {
  const isLapsed = lapsed(latest.lines, now);
  // What was read back before another rig took its place in the cab says nothing of the terminal now.
  const since = uncoupledAt(db, rig.id) ?? "";
  const standing = [...readbacksOf(db, latest).values()].filter(({ position, at }) => {
    const line = latest.lines[position];
    return line && !isLapsed(line) && at >= since;
  });
  return {
    number: latest.number,
    issued: `${day(latest.issuedAt)}, ${latest.person}`,
    retype: retype(latest.lines, now),
    readBack: {
      matched: standing.filter(({ outcome }) => outcome === "match").length,
      differing: standing.filter(({ outcome }) => outcome !== "match").length,
      lines: latest.lines.length,
    },
  };
}

function rowOf(
  { chain, rounding, form: _, ...line }: CardLine,
  { rig, index, whole, parts, preferences: { units } }: OpenRig,
): CardRow {
  const inches = fineStyle(units) === "in";
  const about = line.tool === null ? index : aheadOf(whole.parts, index)[line.tool]!;
  return {
    ...line,
    grade: chain?.grade ?? null,
    stale: chain?.stale ?? false,
    links: (chain?.links ?? []).map(({ key, contribution, coefficient, grade, next }) => {
      const part = next ? index : about;
      const entry = dimension(key, whole.parts[part]!.rig);
      return {
        letter: entry.letter,
        label: `${entry.label}${Math.abs(coefficient) === 0.5 ? ", half" : ""}`,
        text:
          contribution === null
            ? "missing"
            : entry.kind === "length"
              ? printLength(contribution, units.tape, { signed: true })
              : printEntry(entry, contribution, units),
        grade,
        href: rigAddress(rig.id, entry.station, {
          tool: parts.length > 1 ? parts[part]!.couplingId : null,
          at: key,
        }),
      };
    }),
    total:
      chain?.total == null || chain.links.length < 2
        ? null
        : printLength(chain.total, units.tape, { signed: true }),
    rounding:
      rounding === null
        ? null
        : printLength(Math.abs(rounding), inches ? "in" : "mm", { decimals: inches ? 2 : 0 }),
  };
}
