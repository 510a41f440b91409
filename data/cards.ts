import { randomUUID } from "node:crypto";
import { and, asc, desc, eq, isNull, max, or, sql } from "drizzle-orm";
import type { FrozenLine } from "../core/card/numbered.ts";
import type { Database } from "./handle.ts";
import type { Rig } from "./rigs.ts";
import { card, cardLine, readback } from "./schema.ts";

export type NumberedCard = typeof card.$inferSelect & { lines: FrozenLine[] };
export type Readback = typeof readback.$inferSelect;

type NewCard = {
  terminalName: string;
  schemeName: string;
  profileName: string;
  person: string;
  at: Date;
  lines: readonly FrozenLine[];
};

/** Writes the next numbered card of the rig's tractor; returns its number. */
export function issueCard(db: Database, rig: Rig, { lines, at, ...rest }: NewCard): number {
  return db.transaction((tx) => {
    const last = tx
      .select({ number: max(card.number) })
      .from(card)
      .where(eq(card.tractorId, rig.tractor.id))
      .get();
    const number = (last?.number ?? 0) + 1;
    const { id } = tx
      .insert(card)
      .values({
        rigId: rig.id,
        tractorId: rig.tractor.id,
        couplingId: rig.couplingId,
        number,
        ...rest,
        issuedAt: at.toISOString(),
      })
      .returning()
      .get();
    tx.insert(cardLine)
      .values(lines.map((line, position) => ({ cardId: id, position, ...line })))
      .run();
    return number;
  });
}

/** Cards of the tool in view; those from before a rig had several belong to its first. */
function ofTool({ couplingId, position }: Rig) {
  return position === 1
    ? or(eq(card.couplingId, couplingId), isNull(card.couplingId))
    : eq(card.couplingId, couplingId);
}

/** The card the cab has for this tool of the rig: the newest, or null before the first. */
export function latestCard(db: Database, rig: Rig): NumberedCard | null {
  const head = db
    .select()
    .from(card)
    .where(and(eq(card.rigId, rig.id), ofTool(rig)))
    .orderBy(desc(card.number))
    .get();
  return head ? withLines(db, head) : null;
}

export function findCard(db: Database, rig: Rig, number: number): NumberedCard | null {
  const head = db
    .select()
    .from(card)
    .where(and(eq(card.rigId, rig.id), eq(card.number, number)))
    .get();
  return head ? withLines(db, head) : null;
}

function withLines(db: Database, head: typeof card.$inferSelect): NumberedCard {
  const lines = db
    .select()
    .from(cardLine)
    .where(eq(cardLine.cardId, head.id))
    .orderBy(asc(cardLine.position))
    .all();
  return { ...head, lines: lines.map(({ cardId: _, position: __, ...line }) => line) };
}

export function listCards(db: Database, rig: Rig): { number: number; person: string; issuedAt: string }[] {
  return db
    .select({ number: card.number, person: card.person, issuedAt: card.issuedAt })
    .from(card)
    .where(and(eq(card.rigId, rig.id), ofTool(rig)))
    .orderBy(desc(card.number))
    .all();
}

export type NewReadback = Pick<Readback, "position" | "shown" | "word" | "outcome" | "by" | "wrong">;

export function keepReadbacks(
  db: Database,
  cardId: number,
  lines: readonly NewReadback[],
  { person, at }: { person: string; at: Date },
): void {
  if (lines.length === 0) return;
  db.transaction((tx) => {
    tx.insert(readback)
      .values(lines.map((line) => ({ id: randomUUID(), cardId, ...line, person, at: at.toISOString() })))
      .run();
  });
}

/** The newest read-back of each line of a card, by position. */
export function readbacksOf(db: Database, cardId: number): Map<number, Readback> {
  const rows = db
    .select()
    .from(readback)
    .where(eq(readback.cardId, cardId))
    .orderBy(sql`${readback}.rowid`)
    .all();
  return new Map(rows.map((row) => [row.position, row]));
}
