/** Tools that stand on the simulated bench: what each really is, which no page is told. */
import { eq } from "drizzle-orm";
import type { TrueDose } from "../core/simulation/dose.ts";
import type { Database } from "./handle.ts";
import { bench } from "./schema/index.ts";

/** What a coupled tool really is; null where it does not stand on the bench. */
export function benchOf(db: Database, couplingId: number): TrueDose | null {
  return db.select().from(bench).where(eq(bench.couplingId, couplingId)).get()?.truth ?? null;
}

/** Puts a coupled tool on the bench as it really is. */
export function putOnBench(db: Database, couplingId: number, truth: TrueDose): void {
  db.insert(bench)
    .values({ couplingId, truth })
    .onConflictDoUpdate({ target: bench.couplingId, set: { truth } })
    .run();
}

/** Counts a run and returns its number: each has its own chance. */
export function nextRun(db: Database, couplingId: number): number {
  return db.transaction((tx) => {
    const { runs } = tx.select().from(bench).where(eq(bench.couplingId, couplingId)).get()!;
    return tx
      .update(bench)
      .set({ runs: runs + 1 })
      .where(eq(bench.couplingId, couplingId))
      .returning()
      .get();
  }).runs;
}
