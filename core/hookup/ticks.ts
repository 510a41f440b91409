/** Which ticks of a hook-up list still hold, and what may be ticked next. */

import { inWords } from "../quantity/said.ts";
import { PRESETS, type Units } from "../quantity/units.ts";
import type { HookupLine } from "../subject/hookup-line.ts";

export type Tick = {
  id: string;
  line: string;
  /** the line as it read then, in metric units */
  said: string;
  state: "done" | "not applicable";
  reason: string;
  person: string;
  /** ISO 8601, UTC */
  at: string;
};

/** A line as the operator reads it, and as it reads in metric units: one tick holds whatever units a screen shows. */
export type ShownLine = Omit<HookupLine, "text"> & { text: string; metric: string };

/** Lines in the reader's units, each with its metric words, which a tick is held against. */
export function shownLines(lines: readonly HookupLine[], units: Units): ShownLine[] {
  return lines.map((line) => ({
    ...line,
    text: inWords(line.text, units),
    metric: inWords(line.text, PRESETS.metric),
  }));
}

export type LineState = {
  line: ShownLine;
  tick: Tick | null;
  /** a tick that held until the line came to say something else; null where there is none */
  lapsed: Tick | null;
};

/**
 * Each line with the tick that holds: made since the rig was last coupled or uncoupled, on the line as it reads now.
 * Ticks come newest first. `since` is the time the last uncoupling was recorded, null where there was none.
 */
export function lineStates(
  lines: readonly ShownLine[],
  ticks: readonly Tick[],
  since: string | null,
): LineState[] {
  const current = ticks.filter(({ at }) => since === null || at > since);
  return lines.map((line) => {
    const latest = current.find((tick) => tick.line === line.key) ?? null;
    // A stop is cured, not ticked; only a word against it stands.
    const counts = latest !== null && latest.said === line.metric && !(line.stop && latest.state === "done");
    return { line, tick: counts ? latest : null, lapsed: latest !== null && !counts ? latest : null };
  });
}

/** A line, and whether it is settled: as much as the order of ticks asks. */
type Settled = { line: Pick<ShownLine, "key" | "text" | "stop" | "protects">; tick: unknown };

/** Why a line cannot be ticked yet; null where it can. A step that protects people is never passed over. */
export function heldBy(states: readonly Settled[], key: string): string | null {
  const at = states.findIndex(({ line }) => line.key === key);
  const line = states[at]?.line;
  if (!line) return "There is no such line on the list any more.";
  if (line.stop) return "A stop is cured, not ticked.";
  const before = states.slice(0, at).find((each) => each.line.protects && each.tick === null);
  return before ? `First: ${before.line.text}` : null;
}

/** "3 lines that protect people are open." */
export const openWords = (count: number): string =>
  count === 1 ? "1 line that protects people is open." : `${count} lines that protect people are open.`;

/** The lines that keep a rig from being called coupled: those that protect people and are still open. */
export function openProtections(states: readonly LineState[]): ShownLine[] {
  return states.filter(({ line, tick }) => line.protects && tick === null).map(({ line }) => line);
}
