/** What a migration cannot say in SQL alone, because the catalogue says it: done once, when a yard of an older build is opened. */
import { and, asc, eq, isNull, sql } from "drizzle-orm";
import { type DimensionKey, dimension } from "../core/dimension/catalogue.ts";
import { READING } from "./entries.ts";
import { placeOf } from "./facts.ts";
import type { Database } from "./handle.ts";
import { PROOF } from "./live.ts";
import { isOfKind, written } from "./record.ts";
import { listEveryTool, type RigTool } from "./rigs.ts";
import { fact, proof, proofReading, proofTerm } from "./schema/index.ts";

export function upgrade(db: Database): void {
  db.transaction(() => restProofs(db));
}

/** Older builds kept no list of what a proof rests on: it is what counted when the proof was made. */
function restProofs(db: Database): void {
  const rows = db
    .select({ fact, key: proofTerm.dimension })
    .from(fact)
    .innerJoin(proof, eq(proof.seq, fact.seq))
    .innerJoin(proofTerm, eq(proofTerm.proof, proof.seq))
    .leftJoin(proofReading, eq(proofReading.proof, proof.seq))
    .where(and(isOfKind(PROOF), isNull(proofReading.proof)))
    .orderBy(asc(proof.seq))
    .all();
  if (rows.length === 0) return;
  const tools = listEveryTool(db);
  for (const { fact: of, key } of rows) {
    const rig = tools.find(({ couplingId }) => couplingId === of.couplingId);
    if (!rig) continue;
    const variant = of.variantId === null ? null : { id: of.variantId, name: "" };
    for (const reading of countedThen(db, { ...rig, variant }, key, of.happened))
      db.insert(proofReading).values({ proof: of.seq, reading }).run();
  }
}

/** The sitting of a dimension that counted at a moment: what was taken back later counted then. */
function countedThen(db: Database, rig: RigTool, key: DimensionKey, at: string): number[] {
  const own = sittingAt(db, placeOf(rig, key), at);
  if (own.length > 0 || rig.variant === null) return own;
  return dimension(key, rig.attachment).ofVariant === "inherits"
    ? sittingAt(db, placeOf({ ...rig, variant: null }, key), at)
    : own;
}

function sittingAt(db: Database, place: ReturnType<typeof placeOf>, at: string): number[] {
  if (!place) return [];
  const then = sql`f.about = ${place.about} and f.kind = ${written(READING)} and f.slot = ${place.slot} and f.happened <= ${at}
    and not exists (select 1 from fact b where b.takes_back in (f.seq, f.part_of) and b.happened <= ${at})`;
  return db
    .all<{ seq: number }>(
      sql`select f.seq as seq from fact f join reading r on r.seq = f.seq where ${then} and r.sitting = (
        select r.sitting from fact f join reading r on r.seq = f.seq where ${then} order by f.happened desc, f.seq desc limit 1)`,
    )
    .map(({ seq }) => seq);
}
