/**
 * The yard's board: how each rig stands, and what service asks of each machine. The judge works it out on a thread of its own and keeps it
 * beside the yard; here is taken what it told, less everything somebody wrote about since. Nothing that was written about counts as judged.
 */
import type { Database } from "../../data/handle.ts";
import { judgedSince, judgedWhole, judgementsPath } from "../../data/judgements.ts";
import { machinesInUse } from "../../data/machines.ts";
import { markOf, touchedSince } from "../../data/record.ts";
import { everyRig, listEveryTool, type RigTool } from "../../data/rigs.ts";
import {
  abouts,
  countsOf,
  type FindingCount,
  type MachineJudged,
  machinesJudged,
  type RigJudged,
  readRig,
  rigsJudged,
} from "./judged.server.ts";

export type { FindingCount, RigJudged } from "./judged.server.ts";

/** How a rig stands; all that was worked out of it is read from the judge's file, by its number there, once somebody wants it. */
type KnownRig = FindingCount & { n: number; whole: RigJudged | null };

/** Judged here: the judge's file has no number for it. */
const HERE = -1;

type Board = {
  /** how far the record had grown when somebody looked last */
  mark: number;
  /** what of the judge's file was taken */
  stamp: string;
  n: number;
  rigs: Map<number, KnownRig>;
  machines: Map<number, MachineJudged>;
  /** grows with every change of what is known */
  version: number;
};

const boards = new WeakMap<Database, Board>();

/** Told by the server: what another build worked out says nothing. */
const build = () => process.env.AMBREK_BUILD ?? "";

/** Whether there is a judge to leave work to: not in tests, nor of a yard in memory. */
const isJudgedBeside = (db: Database) => build() !== "" && judgementsPath(db) !== null;

/** So few are judged while somebody waits for the page; more than these are left to the judge. */
const FEW = 12;

function begun(db: Database): Board {
  const board: Board = {
    mark: markOf(db),
    stamp: "",
    n: 0,
    rigs: new Map(),
    machines: new Map(),
    version: 0,
  };
  boards.set(db, board);
  return board;
}

/** The board as far as it is known now. */
function boardOf(db: Database): Board {
  const board = boards.get(db) ?? begun(db);
  const now = markOf(db);
  if (now !== board.mark) forget(db, board, touchedSince(db, board.mark));
  board.mark = now;
  take(db, board, now);
  return board;
}

/** What was written about is no longer known. */
function forget(db: Database, board: Board, touched: ReadonlySet<string> | null): void {
  board.version += 1;
  if (touched === null) {
    board.rigs.clear();
    board.machines.clear();
    return;
  }
  const { rigs, machines } = abouts(listEveryTool(db), touched);
  for (const id of rigs) board.rigs.delete(id);
  for (const id of machines) board.machines.delete(id);
}

/** What the judge told since. */
function take(db: Database, board: Board, now: number): void {
  const told = judgedSince(db, build(), board.stamp, board.n);
  if (!told) return;
  [board.stamp, board.n] = [told.stamp, told.n];
  if (told.judgements.length === 0) return;
  const touched = told.mark < now ? touchedSince(db, told.mark) : new Set<string>();
  const gone = touched && abouts(listEveryTool(db), touched);
  for (const { kind, key, n, brief } of told.judgements) {
    if (gone === null || gone[`${kind}s`].has(key)) continue;
    if (kind === "rig") board.rigs.set(key, { ...(JSON.parse(brief) as FindingCount), n, whole: null });
    else board.machines.set(key, JSON.parse(brief));
  }
  board.version += 1;
}

export type Standings = {
  /** how each rig stands; of one that is not in here nobody knows yet */
  known: ReadonlyMap<number, FindingCount>;
  /** alike as long as nothing of it changed */
  version: number;
};

/** How the rigs stand. A few that nobody judged yet are judged now; many are left to the judge, and are not known meanwhile. */
export function standingsOf(db: Database): Standings {
  const board = boardOf(db);
  const parts = listEveryTool(db);
  const rigs = everyRig(parts);
  const open: number[] = [];
  if (board.rigs.size < rigs.size) for (const id of rigs.keys()) if (!board.rigs.has(id)) open.push(id);
  if (open.length > 0 && (!isJudgedBeside(db) || open.length <= FEW))
    judgeHere(
      db,
      board,
      open.flatMap((id) => rigs.get(id)!),
    );
  return { known: board.rigs, version: board.version };
}

/** These rigs, judged: those nobody judged yet are judged now. */
export function judgedOf(db: Database, parts: readonly RigTool[]): Map<number, RigJudged> {
  const board = boardOf(db);
  for (const { id } of parts) {
    const known = board.rigs.get(id);
    if (!known || known.whole) continue;
    const told = judgedWhole(db, board.stamp, known.n);
    known.whole = told === null ? null : readRig(told);
  }
  judgeHere(
    db,
    board,
    parts.filter(({ id }) => !board.rigs.get(id)?.whole),
  );
  return new Map(parts.map(({ id }) => [id, board.rigs.get(id)!.whole!]));
}

const judgedHere = (whole: RigJudged): KnownRig => ({ ...countsOf(whole), n: HERE, whole });

/** Judges rigs again, whatever is known of them. */
export function judgedAnew(db: Database, parts: readonly RigTool[]): Map<number, RigJudged> {
  const found = rigsJudged(db, parts);
  const { rigs } = boardOf(db);
  for (const [id, judged] of found) rigs.set(id, judgedHere(judged));
  return found;
}

function judgeHere(db: Database, board: Board, parts: readonly RigTool[]): void {
  if (parts.length === 0) return;
  for (const [id, judged] of rigsJudged(db, parts)) board.rigs.set(id, judgedHere(judged));
  board.version += 1;
}

export type ServiceAsked = { due: number; order: number };

const asked = new WeakMap<Board, { told: string; sum: ServiceAsked }>();

/** What service asks for in the yard today; null while much of it is still being worked out. */
export function serviceAsked(db: Database, now: Date): ServiceAsked | null {
  const board = boardOf(db);
  const day = now.toISOString().slice(0, 10);
  const known = asked.get(board);
  if (known?.told === `${board.version} ${day}`) return known.sum;
  const machines = machinesInUse(db).map(({ id }) => id);
  const open = machines.filter((id) => board.machines.get(id)?.day !== day);
  if (isJudgedBeside(db) && open.length > FEW) return null;
  if (open.length > 0) {
    for (const [id, judged] of machinesJudged(db, now, open)) board.machines.set(id, judged);
    board.version += 1;
  }
  const sum = { due: 0, order: 0 };
  for (const id of machines) {
    sum.due += board.machines.get(id)!.due;
    sum.order += board.machines.get(id)!.order;
  }
  asked.set(board, { told: `${board.version} ${day}`, sum });
  return sum;
}
