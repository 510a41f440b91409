import { dimension } from "../../../core/dimension/catalogue.ts";
import { printReading } from "../../../core/dimension/entry.ts";
import { citeLabel, hookupList } from "../../../core/hookup/list.ts";
import {
  heldBy,
  type LineState,
  lineStates,
  openProtections,
  openWords,
  shownLines,
} from "../../../core/hookup/ticks.ts";
import { gradeOf } from "../../../core/rig/grade.ts";
import type { Group, HookupLine } from "../../../core/subject/hookup-line.ts";
import { coupledRivals, eventsOf, ticksOf } from "../../../data/hookup.ts";
import { day, moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { cureHref } from "../frame/stations.ts";

export type HookupRow = {
  key: string;
  group: Group;
  text: string;
  /** what is sent with a tick: the line it was made on */
  metric: string;
  protects: boolean;
  stop: boolean;
  cites: { label: string; value: string; who: string; href: string }[];
  done: { id: string; said: string } | null;
  /** "was ticked when it read …" */
  lapsed: string | null;
  /** why it cannot be ticked yet */
  held: string | null;
};

export type HookupView = {
  rows: HookupRow[];
  done: number;
  coupled: { id: string; said: string } | null;
  /** what is coupled now and ends when this is coupled: asked once; null where nothing is */
  instead: string | null;
  /** what keeps it from being called coupled */
  open: string | null;
  log: { id: string; said: string }[];
};

/**
 * The list of a rig with the ticks that hold at a time, now where none is told: those made between the uncoupling before it and
 * that time, on the lines as they read now.
 */
export function statesOf(
  { db, rig, whole, judged, preferences }: OpenRig,
  at: Date | null = null,
): LineState[] {
  const lines = shownLines(hookupList(whole, judged), preferences.units);
  const until = at?.toISOString() ?? null;
  const past = <T extends { at: string }>(all: T[]) =>
    all.filter((each) => until === null || each.at <= until);
  const uncoupled = past(eventsOf(db, rig.id)).find(({ kind }) => kind === "uncoupled");
  return lineStates(lines, past(ticksOf(db, rig.id)), uncoupled?.at ?? null);
}

/** The uncoupling that ended the span a moment lies in; null where that span is not over. */
export function endedBy(
  { db, rig }: Pick<OpenRig, "db" | "rig">,
  at: Date,
): { at: string; person: string } | null {
  const later = eventsOf(db, rig.id).filter(
    (event) => event.kind === "uncoupled" && event.at > at.toISOString(),
  );
  return later.at(-1) ?? null;
}

export function hookupView(open: OpenRig): HookupView {
  const states = statesOf(open);
  const events = eventsOf(open.db, open.rig.id);
  const [latest] = events;
  const protections = openProtections(states);
  const others = coupledRivals(open.db, open.rig.id, new Date().toISOString());
  return {
    rows: states.map((state) => rowOf(state, states, open)),
    done: states.filter(({ tick }) => tick !== null).length,
    coupled:
      latest?.kind === "coupled" ? { id: latest.id, said: `${moment(latest.at)}, ${latest.person}` } : null,
    instead: others.length === 0 ? null : insteadOf(others.map(({ name }) => name)),
    open: protections.length > 0 ? openWords(protections.length) : null,
    log: events.slice(0, 8).map(({ id, kind, at, person }) => ({
      id,
      said: `${kind === "coupled" ? "Coupled" : "Uncoupled"} ${moment(at)}, ${person}`,
    })),
  };
}

/** There is one of each machine: what coupling ends, as a question. */
export function insteadOf(names: readonly string[]): string {
  const named = names.map((name) => `“${name}”`).join(" and ");
  return `${named} ${names.length === 1 ? "is" : "are"} coupled, with the same machine or implement: coupling this ends that, with its ticks, hoses and read-back.`;
}

function rowOf({ line, tick, lapsed }: LineState, states: readonly LineState[], open: OpenRig): HookupRow {
  const { key, group, text, protects, stop } = line;
  return {
    key,
    group,
    text,
    metric: line.metric,
    protects,
    stop,
    cites: citesOf(line, open),
    done: tick && {
      id: tick.id,
      said:
        tick.state === "done"
          ? `done, ${tick.person}, ${moment(tick.at)}`
          : `does not apply: ${tick.reason}; ${tick.person}, ${moment(tick.at)}`,
    },
    lapsed: lapsed && !stop ? `Ticked by ${lapsed.person} when it read: ${lapsed.said}` : null,
    held: tick ? null : heldBy(states, key),
  };
}

/** Every figure of a line with the reading it came from. */
function citesOf({ cites }: HookupLine, { whole, rig, parts, preferences }: OpenRig): HookupRow["cites"] {
  const couplings = parts.map(({ couplingId }) => couplingId);
  return cites.flatMap((cite) => {
    const { rig: seen } = whole.parts[cite.part]!;
    const { reading } = seen.values[cite.key];
    if (!reading) return [];
    const entry = dimension(cite.key, seen);
    return [
      {
        label: citeLabel(whole, cite),
        value: printReading(entry, reading, preferences.units),
        who: `${gradeOf(reading.instrument)}, ${reading.person}, ${day(reading.measuredAt)}`,
        href: cureHref(
          rig.id,
          { station: entry.station, part: cite.part, next: { target: cite.key } },
          couplings,
        ),
      },
    ];
  });
}
