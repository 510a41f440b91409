/** What was worked out of every rig, kept over a restart. */
import type { Database } from "./handle.ts";
import { type BoardStanding, board } from "./schema/index.ts";

export type KeptBoard = { mark: number; standings: readonly BoardStanding[] };

/** What this very build worked out last; null where it was another, or nothing was kept. */
export function recallBoard(db: Database, build: string): KeptBoard | null {
  const row = db.select().from(board).get();
  return row && row.build === build ? row : null;
}

export function rememberBoard(db: Database, build: string, { mark, standings }: KeptBoard): void {
  const row = { build, mark, standings: [...standings] };
  db.insert(board)
    .values({ id: 1, ...row })
    .onConflictDoUpdate({ target: board.id, set: row })
    .run();
}
