import { drawThumbnail, type Thumbnail } from "../../core/drawing/thumbnail.ts";
import type { Finding } from "../../core/finding/finding.ts";
import { standing } from "../../core/ladder/ladder.ts";
import { judgeWhole } from "../../core/subjects/judge-whole.ts";
import { recallBoard, rememberBoard } from "../../data/board.ts";
import { isAmong } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import type { LadderFacts } from "../../data/ladder.ts";
import { markOf, touchedSince } from "../../data/record.ts";
import type { RigTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { rungsOf } from "../stations/ladder/rungs.ts";

export type FindingCount = { stops: number; fixes: number; checks: number };

/** What a rig's card in the yard shows beside its names. */
export type YardCard = {
  holding: Finding[];
  drawing: Thumbnail;
  /** how far its ladder is climbed, with what the log says now */
  climbed: (facts: LadderFacts) => { good: number; all: number };
};

type Board = {
  /** how far the record had grown when it was worked out, and when it was kept last */
  mark: number;
  kept: number;
  standings: Map<number, FindingCount>;
  /** by rig */
  judged: Map<number, YardCard>;
};

const boards = new WeakMap<Database, Board>();

/** Told by the server: a board worked out by another build says nothing. */
const build = () => process.env.AMBREK_BUILD ?? "";

/** After so many facts the board is kept anew, or when so many rigs were judged at once. */
const KEEP_AFTER = 500;
const MANY = 20;

function openBoard(db: Database): Board {
  const kept = build() === "" ? null : recallBoard(db, build());
  const mark = kept?.mark ?? markOf(db);
  const standings = new Map(kept?.standings.map(({ rigId, ...standing }) => [rigId, standing]));
  return { mark, kept: mark, standings, judged: new Map() };
}

/**
 * The yard's board. Judging and drawing every rig of a large yard takes longer than a page may, so what was worked out is
 * remembered, also over a restart, and only rigs that something was written about since are worked out again.
 */
function boardOf(db: Database, parts: readonly RigTool[]): Board {
  const board = boards.get(db) ?? openBoard(db);
  boards.set(db, board);
  const now = markOf(db);
  if (now === board.mark) return board;
  const touched = touchedSince(db, board.mark);
  board.mark = now;
  for (const rig of parts)
    if (isAmong(touched, [rig])) {
      board.standings.delete(rig.id);
      board.judged.delete(rig.id);
    }
  return board;
}

/** How each rig stands, from every tool of each. */
export function standingsOf(db: Database, parts: readonly RigTool[]): Map<number, FindingCount> {
  const board = boardOf(db, parts);
  const { standings } = board;
  const unknown = parts.filter(({ id }) => !standings.has(id));
  for (const [id, whole] of unknown.length === 0 ? [] : wholesOf(db, unknown)) {
    const found = judgeWhole(whole).findings;
    const count = (severity: string) => found.filter((finding) => finding.severity === severity).length;
    standings.set(id, { stops: count("stop"), fixes: count("fix"), checks: count("check") });
  }
  if (unknown.length >= MANY || board.mark - board.kept > KEEP_AFTER) keepBoard(db, board);
  return standings;
}

function keepBoard(db: Database, board: Board): void {
  if (build() === "") return;
  board.kept = board.mark;
  const standings = [...board.standings].map(([rigId, standing]) => ({ rigId, ...standing }));
  rememberBoard(db, build(), { mark: board.mark, standings });
}

/** Stops and fixes of each of these rigs, and its drawing. */
export function judgedOf(db: Database, parts: readonly RigTool[]): Map<number, YardCard> {
  const { judged } = boardOf(db, parts);
  const unknown = parts.filter(({ id }) => !judged.has(id));
  for (const [id, whole] of unknown.length === 0 ? [] : wholesOf(db, unknown)) {
    const judgedWhole = judgeWhole(whole);
    const [lead, ...others] = whole.parts.map((part) => part.rig);
    judged.set(id, {
      holding: judgedWhole.findings.filter(({ severity }) => severity === "stop" || severity === "fix"),
      drawing: drawThumbnail(lead!, 150, 210, others),
      climbed: (facts) => standing(rungsOf(whole, judgedWhole, facts)),
    });
  }
  return new Map(parts.map(({ id }) => [id, judged.get(id)!]));
}
