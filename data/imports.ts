import { createHash, randomUUID } from "node:crypto";
import { desc, eq, sql } from "drizzle-orm";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { SubjectColumns } from "./facts.ts";
import type { Database } from "./handle.ts";
import { batch, reading, retraction, section, sectionLayout } from "./schema.ts";

export type ImportBatch = typeof batch.$inferSelect & { takenBack: boolean };

/** Keeps what was read in a file until somebody has looked at it; returns the batch's id. */
export function keepPreview(
  db: Database,
  { fileName, bytes, content, at }: { fileName: string; bytes: Uint8Array; content: unknown; at: Date },
): string {
  const id = randomUUID();
  const hash = createHash("sha256").update(bytes).digest("hex");
  db.insert(batch)
    .values({
      id,
      kind: "import",
      fileName,
      hash,
      content: JSON.stringify(content),
      state: "preview",
      recordedAt: at.toISOString(),
    })
    .run();
  return id;
}

export function findImport(db: Database, id: string): ImportBatch | null {
  return importsQuery(db).find((each) => each.id === id) ?? null;
}

/** Imports that were taken over, newest first. */
export function listImports(db: Database): ImportBatch[] {
  return importsQuery(db).filter(({ state }) => state === "taken");
}

function importsQuery(db: Database): ImportBatch[] {
  return db
    .select({ row: batch, taken: retraction.id })
    .from(batch)
    .leftJoin(retraction, eq(retraction.batchId, batch.id))
    .where(eq(batch.kind, "import"))
    .orderBy(desc(sql`${batch}.rowid`))
    .all()
    .map(({ row, taken }) => ({ ...row, takenBack: taken !== null }));
}

export type ImportedReading = { key: DimensionKey; value: number; subject: SubjectColumns };
export type ImportedSections = { machineId: number; widths: readonly number[] };

/** Takes an import over as one batch, graded as what came in a file. Nothing is written unless all of it can be. */
export function takeOver(
  db: Database,
  batchId: string,
  readings: readonly ImportedReading[],
  layouts: readonly ImportedSections[],
  { person, at }: { person: string; at: Date },
): void {
  const stamp = at.toISOString();
  const common = { instrument: "file" as const, person, measuredAt: stamp, recordedAt: stamp, batchId };
  db.transaction((tx) => {
    tx.update(batch).set({ state: "taken", person, recordedAt: stamp }).where(eq(batch.id, batchId)).run();
    for (const { key, value, subject } of readings) {
      const id = randomUUID();
      tx.insert(reading)
        .values({
          id,
          dimension: key,
          ...subject,
          rawText: `${value} m`,
          value,
          step: 0.001,
          sitting: id,
          ...common,
        })
        .run();
    }
    for (const { machineId, widths } of layouts) {
      const id = randomUUID();
      tx.insert(sectionLayout)
        .values({ id, machineId, ...common })
        .run();
      tx.insert(section)
        .values(widths.map((width, index) => ({ layoutId: id, number: index + 1, width })))
        .run();
    }
  });
}
