import { asc, eq } from "drizzle-orm";
import type { Measure, Scheme, SchemeLine, SignRule } from "../core/card/scheme.ts";
import { SHIPPED_SCHEMES } from "../core/card/shipped.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { Axis, PointKey } from "../core/dimension/points.ts";
import type { Database } from "./handle.ts";
import { settingChanged, type Told } from "./record.ts";
import { scheme, schemeLine, terminal } from "./schema/index.ts";

type Row = typeof schemeLine.$inferSelect;

/** Writes the shipped schemes where they are not there yet; a scheme that exists is left as its users made it. */
export function keepShippedSchemes(db: Database): void {
  db.transaction((tx) => {
    for (const each of SHIPPED_SCHEMES) {
      const written = tx
        .insert(scheme)
        .values({ id: each.id, name: each.name, asks: each.asks })
        .onConflictDoNothing()
        .run();
      if (written.changes === 0) continue;
      tx.insert(schemeLine)
        .values(each.lines.map((line, position) => toRow(each.id, position, line)))
        .run();
    }
  });
}

function toRow(
  schemeId: string,
  position: number,
  { measure, sign, ...line }: SchemeLine,
): typeof schemeLine.$inferInsert {
  return {
    schemeId,
    position,
    ...line,
    measure: measure.kind,
    ...(measure.kind === "between"
      ? { fromPoint: measure.from, toPoint: measure.to, axis: measure.axis }
      : {}),
    ...(measure.kind === "dimension" ? { dimension: measure.key } : {}),
    ...(measure.kind === "choice" ? { choice: measure.choice } : {}),
    sign: sign.kind,
    ...(sign.kind === "words" ? { plusWord: sign.plus, minusWord: sign.minus } : {}),
  };
}

function toLine(row: Row): SchemeLine {
  return {
    page: row.page,
    label: row.label,
    measure: toMeasure(row),
    sense: row.sense === -1 ? -1 : 1,
    unit: row.unit,
    decimals: row.decimals,
    sign: toSign(row),
  };
}

function toMeasure(row: Row): Measure {
  switch (row.measure) {
    case "between":
      return {
        kind: "between",
        from: row.fromPoint as PointKey,
        to: row.toPoint as PointKey,
        axis: row.axis as Axis,
      };
    case "dimension":
      return { kind: "dimension", key: row.dimension as DimensionKey };
    case "choice":
      // Before choices had names of their own there was one, the axle's, whatever stood here.
      return {
        kind: "choice",
        choice: row.choice === null || row.choice === "rigid" ? "axle type" : row.choice,
      };
    case "track spacing":
      return { kind: "track spacing" };
  }
}

function toSign(row: Row): SignRule {
  return row.sign === "words"
    ? { kind: "words", plus: row.plusWord, minus: row.minusWord }
    : { kind: row.sign };
}

/** Writes a scheme whole: a new one, or over one that is there. */
export function saveScheme(db: Database, { id, name, asks, lines }: Scheme, by: Told): void {
  db.transaction((tx) => {
    tx.insert(scheme)
      .values({ id, name, asks })
      .onConflictDoUpdate({ target: scheme.id, set: { name, asks } })
      .run();
    tx.delete(schemeLine).where(eq(schemeLine.schemeId, id)).run();
    if (lines.length > 0)
      tx.insert(schemeLine)
        .values(lines.map((line, position) => toRow(id, position, line)))
        .run();
    settingChanged(db, `scheme ${id}`, {}, by);
  });
}

export function listSchemes(db: Database): Pick<Scheme, "id" | "name" | "asks">[] {
  return db.select().from(scheme).orderBy(asc(scheme.name)).all();
}

export function findScheme(db: Database, id: string): Scheme | null {
  const head = db.select().from(scheme).where(eq(scheme.id, id)).get();
  if (!head) return null;
  const rows = db
    .select()
    .from(schemeLine)
    .where(eq(schemeLine.schemeId, id))
    .orderBy(asc(schemeLine.position))
    .all();
  return { ...head, lines: rows.map(toLine) };
}

export type Terminal = { schemeId: string; profileName: string; name: string };

export function terminalOf(db: Database, tractorId: number): Terminal | null {
  return db.select().from(terminal).where(eq(terminal.tractorId, tractorId)).get() ?? null;
}

/** @throws where the scheme does not exist: foreign keys hold */
export function setTerminal(
  db: Database,
  tractorId: number,
  { schemeId, profileName, name }: Terminal,
  by: Told,
): void {
  db.transaction(() => {
    db.insert(terminal)
      .values({ tractorId, schemeId, profileName, name })
      .onConflictDoUpdate({ target: terminal.tractorId, set: { schemeId, profileName, name } })
      .run();
    settingChanged(db, "terminal", { machineId: tractorId }, by);
  });
}
