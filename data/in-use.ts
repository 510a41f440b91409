/** Which rigs are in use: coupled, or with something written about them lately. */
import { sql } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { COUPLING } from "./hookup.ts";
import { isOfKind, standing } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { couplingEvent, fact } from "./schema/index.ts";

type Written = { seq: number; rigId: number | null; couplingId: number | null; arrived: string };

/** So many facts are looked through at a time; they come in the order they arrived, the newest first. */
const PIECE = 2000;

/** Rigs that are coupled, then those used since, ISO 8601; each the newest first. Rigs nobody may use any more are not among `parts`. */
export function rigsInUse(db: Database, parts: readonly RigTool[], since: string): number[] {
  const byCoupling = new Map(parts.map(({ couplingId, id }) => [couplingId, id]));
  const known = new Set(parts.map(({ id }) => id));
  const used = new Set<number>();
  for (let before = Number.MAX_SAFE_INTEGER; ; ) {
    const piece = writtenBefore(db, before);
    const late = piece.filter(({ arrived }) => arrived >= since);
    for (const { rigId, couplingId } of late) {
      const id = rigId ?? byCoupling.get(couplingId ?? -1);
      if (id !== undefined && known.has(id)) used.add(id);
    }
    if (late.length < piece.length || piece.length < PIECE) break;
    before = piece.at(-1)!.seq;
  }
  const coupled = coupledRigs(db).filter((id) => known.has(id));
  return [...new Set([...coupled, ...used])];
}

function writtenBefore(db: Database, before: number): Written[] {
  return db
    .select({ seq: fact.seq, rigId: fact.rigId, couplingId: fact.couplingId, arrived: fact.arrived })
    .from(fact)
    .where(sql`${fact.seq} < ${before}`)
    .orderBy(sql`${fact.seq} desc`)
    .limit(PIECE)
    .all();
}

/** Rigs whose last coupling or uncoupling was a coupling, the latest first. */
export function coupledRigs(db: Database): number[] {
  return db
    .select({
      rigId: fact.rigId,
      what: couplingEvent.what,
      at: sql<string>`max(${fact.happened} || ' ' || ${fact.seq})`,
    })
    .from(fact)
    .innerJoin(couplingEvent, sql`${couplingEvent.seq} = ${fact.seq}`)
    .where(sql`${isOfKind(COUPLING)} and ${standing()}`)
    .groupBy(fact.rigId)
    .orderBy(sql`3 desc`)
    .all()
    .flatMap(({ rigId, what }) => (what === "coupled" && rigId !== null ? [rigId] : []));
}
