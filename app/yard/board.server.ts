import { drawThumbnail, type Thumbnail } from "../../core/drawing/thumbnail.ts";
import type { Finding } from "../../core/finding/finding.ts";
import { judge } from "../../core/finding/judge.ts";
import { PRESETS, type Units } from "../../core/quantity/units.ts";
import { resolveRig } from "../../core/rig/resolve.ts";
import { factsOf } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import type { Rig } from "../../data/rigs.ts";
import { keysOf, type Marks, marksOf, touchedSince } from "../../data/touched.ts";

export type Standing = { stops: number; fixes: number; checks: number };

/** What a rig's card in the yard shows beside its names. */
export type Judged = { holding: Finding[]; drawing: Thumbnail };

type Board = {
  marks: Marks;
  standings: Map<number, Standing>;
  /** by rig, then by the units it was written in */
  judged: Map<number, Map<string, Judged>>;
};

const boards = new WeakMap<Database, Board>();

/**
 * The yard's board. Judging and drawing every rig of a large yard takes longer than a page may, so what was worked out is
 * remembered, and only rigs that something was written about since are worked out again.
 */
function boardOf(db: Database, rigs: readonly Rig[]): Board {
  const now = marksOf(db);
  const board = boards.get(db) ?? { marks: now, standings: new Map(), judged: new Map() };
  boards.set(db, board);
  const touched = touchedSince(db, board.marks, now);
  board.marks = now;
  if (touched?.size === 0) return board;
  for (const rig of rigs)
    if (touched === null || keysOf(rig).some((key) => touched.has(key))) {
      board.standings.delete(rig.id);
      board.judged.delete(rig.id);
    }
  return board;
}

/** How each of these rigs stands. */
export function standingsOf(db: Database, rigs: readonly Rig[]): Map<number, Standing> {
  const { standings } = boardOf(db, rigs);
  const unknown = rigs.filter(({ id }) => !standings.has(id));
  if (unknown.length === 0) return standings;
  const facts = factsOf(db, unknown);
  for (const { id } of unknown) {
    const found = judge(resolveRig(facts.get(id)!), PRESETS.metric);
    const count = (severity: string) => found.filter((finding) => finding.severity === severity).length;
    standings.set(id, { stops: count("stop"), fixes: count("fix"), checks: count("check") });
  }
  return standings;
}

/** Stops and fixes of each of these rigs in the operator's units, and its drawing. */
export function judgedOf(db: Database, rigs: readonly Rig[], units: Units): Map<number, Judged> {
  const { judged } = boardOf(db, rigs);
  const written = `${units.tape} ${units.small}`;
  const unknown = rigs.filter(({ id }) => !judged.get(id)?.has(written));
  const facts = factsOf(db, unknown);
  for (const { id } of unknown) {
    const resolved = resolveRig(facts.get(id)!);
    const holding = judge(resolved, units).filter(
      ({ severity }) => severity === "stop" || severity === "fix",
    );
    const own = judged.get(id) ?? new Map<string, Judged>();
    own.set(written, { holding, drawing: drawThumbnail(resolved, 150, 210) });
    judged.set(id, own);
  }
  return new Map(rigs.map(({ id }) => [id, judged.get(id)!.get(written)!]));
}
