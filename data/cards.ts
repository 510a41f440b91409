import { and, asc, desc, eq, inArray, max, type SQL } from "drizzle-orm";
import type { FrozenLine } from "../core/card/numbered.ts";
import type { EntryStep } from "../core/card/order.ts";
import type { Database } from "./handle.ts";
import { inOrder, isOfKind, record, type Told } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { card, cardLine, fact, readback } from "./schema/index.ts";

const CARD = "card";
const READ_BACK = "read-back";

export type NumberedCard = typeof card.$inferSelect & {
  /** the tool it is for */
  couplingId: number;
  person: string;
  issuedAt: string;
  lines: FrozenLine[];
};
export type Readback = Omit<typeof readback.$inferSelect, "seq"> & { person: string; at: string };

type NewCard = Told & {
  terminalName: string;
  schemeName: string;
  profileName: string;
  order: readonly EntryStep[];
  lines: readonly FrozenLine[];
};

/** Writes the next numbered card of the rig's tractor; returns its number. */
export function issueCard(
  db: Database,
  { couplingId, tractor }: RigTool,
  { lines, terminalName, schemeName, profileName, order, ...told }: NewCard,
): number {
  return db.transaction(() => {
    const last = db
      .select({ number: max(card.number) })
      .from(card)
      .where(eq(card.tractorId, tractor.id))
      .get();
    const number = (last?.number ?? 0) + 1;
    record(db, { kind: CARD, about: { couplingId } }, told, (seq) => {
      db.insert(card)
        .values({
          seq,
          tractorId: tractor.id,
          number,
          terminalName,
          schemeName,
          profileName,
          entryOrder: [...order],
        })
        .run();
      db.insert(cardLine)
        .values(lines.map((line, position) => ({ card: seq, position, ...line })))
        .run();
    });
    return number;
  });
}

function cardsOf(db: Database, tools: readonly Pick<RigTool, "couplingId">[], which?: SQL) {
  return db
    .select({ card, couplingId: fact.couplingId, person: fact.person, issuedAt: fact.happened })
    .from(fact)
    .innerJoin(card, eq(card.seq, fact.seq))
    .where(
      and(
        inArray(
          fact.about,
          tools.map(({ couplingId }) => `coupling ${couplingId}`),
        ),
        isOfKind(CARD),
        which,
      ),
    )
    .orderBy(desc(card.number));
}

/** The card the cab has for this tool of the rig: the newest, or null before the first. */
export function latestCard(db: Database, rig: RigTool): NumberedCard | null {
  const head = cardsOf(db, [rig]).limit(1).get();
  return head ? withLines(db, head) : null;
}

/** A card of one of a rig's tools, by its number; null where that rig has none such. */
export function findCard(db: Database, tools: readonly RigTool[], number: number): NumberedCard | null {
  const head = cardsOf(db, tools, eq(card.number, number)).get();
  return head ? withLines(db, head) : null;
}

type Head = ReturnType<ReturnType<typeof cardsOf>["all"]>[number];

function withLines(db: Database, { card: head, couplingId, ...of }: Head): NumberedCard {
  const lines = db
    .select()
    .from(cardLine)
    .where(eq(cardLine.card, head.seq))
    .orderBy(asc(cardLine.position))
    .all();
  return {
    ...head,
    ...of,
    couplingId: couplingId!,
    lines: lines.map(({ card: _, position: __, ...line }) => line),
  };
}

export function listCards(
  db: Database,
  rig: RigTool,
): { number: number; person: string; issuedAt: string }[] {
  return cardsOf(db, [rig])
    .all()
    .map(({ card: { number }, person, issuedAt }) => ({ number, person, issuedAt }));
}

export type NewReadback = Pick<Readback, "position" | "shown" | "word" | "outcome" | "by" | "wrong">;

export function keepReadbacks(
  db: Database,
  { seq: partOf, couplingId }: Pick<NumberedCard, "seq" | "couplingId">,
  lines: readonly NewReadback[],
  told: Told,
): void {
  db.transaction(() => {
    for (const line of lines)
      record(
        db,
        { kind: READ_BACK, about: { couplingId }, topic: String(line.position), partOf },
        told,
        (seq) =>
          db
            .insert(readback)
            .values({ seq, ...line })
            .run(),
      );
  });
}

/** The newest read-back of each line of a card, by position. */
export function readbacksOf(db: Database, { seq }: Pick<NumberedCard, "seq">): Map<number, Readback> {
  const rows = db
    .select({ readback, person: fact.person, at: fact.happened })
    .from(fact)
    .innerJoin(readback, eq(readback.seq, fact.seq))
    .where(eq(fact.partOf, seq))
    .orderBy(...inOrder)
    .all();
  return new Map(rows.map(({ readback: { seq: _, ...line }, ...of }) => [line.position, { ...line, ...of }]));
}
