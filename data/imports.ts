/** Files from elsewhere: read, looked at, taken over as one. */
import { createHash, randomUUID } from "node:crypto";
import { and, desc, eq, lt, notInArray, or, type SQL, sql } from "drizzle-orm";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import { writeReading, writeSections } from "./entries.ts";
import { ofSubject, type SubjectColumns } from "./facts.ts";
import type { Database } from "./handle.ts";
import { backing, factOf, isOfKind, record, TAKES_BACK, type Told, takeBack } from "./record.ts";
import { fact, imported, upload } from "./schema/index.ts";

const IMPORT = "import";

/** A file that waits to be looked at, or was taken over, and perhaps taken back. */
export type FileRead = {
  id: string;
  fileName: string;
  hash: string;
  content: string;
  state: "preview" | "taken";
  person: string;
  at: string;
  takenBack: boolean;
};
type ImportTaken = Omit<FileRead, "content">;

/** Nobody has looked at a file for so long, ms: it is brought in anew. */
const LOOKED_AT = 7 * 24 * 3600_000;
/** So many wait at once; what came first goes first. */
const MOST_WAITING = 60;

/** Keeps what was read in a file until somebody has looked at it, a week at most; returns its id. */
export function keepPreview(
  db: Database,
  { fileName, bytes, content, at }: { fileName: string; bytes: Uint8Array; content: unknown; at: Date },
): string {
  const id = randomUUID();
  const hash = createHash("sha256").update(bytes).digest("hex");
  db.transaction(() => {
    db.insert(upload)
      .values({ id, fileName, hash, content: JSON.stringify(content), arrived: at.toISOString() })
      .run();
    const newest = db
      .select({ id: upload.id })
      .from(upload)
      .orderBy(desc(upload.arrived), desc(sql`rowid`))
      .limit(MOST_WAITING);
    const old = new Date(at.getTime() - LOOKED_AT).toISOString();
    db.delete(upload)
      .where(or(lt(upload.arrived, old), notInArray(upload.id, newest)))
      .run();
  });
  return id;
}

export function findImport(db: Database, id: string): FileRead | null {
  const [taken] = importsWhere(db, eq(fact.id, id));
  if (taken) {
    const { content } = db
      .select({ content: imported.content })
      .from(imported)
      .where(eq(imported.seq, taken.seq))
      .get()!;
    return { ...taken, content };
  }
  const waiting = db.select().from(upload).where(eq(upload.id, id)).get();
  if (!waiting) return null;
  const { arrived: at, ...rest } = waiting;
  return { ...rest, at, state: "preview", person: "", takenBack: false };
}

/** Imports that were taken over, newest first, without what was in them. */
export const listImports = (db: Database): ImportTaken[] => importsWhere(db);

function importsWhere(db: Database, which?: SQL): (ImportTaken & { seq: number })[] {
  return db
    .select({
      seq: fact.seq,
      id: fact.id,
      person: fact.person,
      at: fact.happened,
      fileName: imported.fileName,
      hash: imported.hash,
      taken: backing.seq,
    })
    .from(fact)
    .innerJoin(imported, eq(imported.seq, fact.seq))
    .leftJoin(backing, TAKES_BACK)
    .where(and(isOfKind(IMPORT), which))
    .orderBy(desc(imported.seq))
    .all()
    .map(({ taken, ...of }) => ({ ...of, state: "taken", takenBack: taken !== null }));
}

export type ImportedReading = { key: DimensionKey; value: number; subject: SubjectColumns };
export type ImportedSections = { machineId: number; widths: readonly number[] };

/** Takes a file over as one: what `write` writes is part of it. Nothing is written unless all of it can be. */
export function takeOverAs(db: Database, id: string, told: Told, write: (partOf: number) => void): void {
  db.transaction(() => {
    const waiting = db.select().from(upload).where(eq(upload.id, id)).get();
    if (!waiting) throw new RangeError("There is no such file waiting.");
    const { fileName, hash, content } = waiting;
    record(db, { kind: IMPORT, about: {}, id }, told, (partOf) => {
      db.insert(imported).values({ seq: partOf, fileName, hash, content }).run();
      write(partOf);
    });
    db.delete(upload).where(eq(upload.id, id)).run();
  });
}

/** Takes readings and section tables of a file over, graded as what came in a file. */
export function takeOver(
  db: Database,
  id: string,
  readings: readonly ImportedReading[],
  layouts: readonly ImportedSections[],
  told: Told,
): void {
  takeOverAs(db, id, told, (partOf) => {
    for (const { key, value, subject } of readings) {
      const row = { rawText: `${value} m`, value, step: 0.001, instrument: "file" as const };
      writeReading(db, { ...ofSubject(subject), topic: key, partOf }, told, row);
    }
    for (const { machineId, widths } of layouts)
      writeSections(db, { about: { machineId }, partOf }, told, { instrument: "file", widths });
  });
}

/** Takes an import back as one. Returns false where it was never taken over, or was taken back already. */
export function retractImport(db: Database, id: string, told: Told): boolean {
  return factOf(db, id)?.kind === IMPORT && takeBack(db, id, told);
}
