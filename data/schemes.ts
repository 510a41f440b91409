import { and, asc, eq, isNull } from "drizzle-orm";
import { type EntryStep, isEntryStep, USUAL_ORDER } from "../core/card/order.ts";
import type { Measure, Scheme, SchemeLine, SignRule } from "../core/card/scheme.ts";
import { SHIPPED_SCHEMES } from "../core/card/shipped.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { Axis, PointKey } from "../core/dimension/points.ts";
import type { Database } from "./handle.ts";
import { settingChanged, type Told } from "./record.ts";
import type { RigTool } from "./rigs.ts";
import { profile, scheme, schemeLine, terminal } from "./schema/index.ts";

type Row = typeof schemeLine.$inferSelect;

/** Writes the shipped schemes where they are not there yet; a scheme that exists is left as its users made it. */
export function keepShippedSchemes(db: Database): void {
  db.transaction((tx) => {
    for (const each of SHIPPED_SCHEMES) {
      const written = tx.insert(scheme).values(headOf(each)).onConflictDoNothing().run();
      if (written.changes === 0) continue;
      tx.insert(schemeLine)
        .values(each.lines.map((line, position) => toRow(each.id, position, line)))
        .run();
    }
  });
}

function headOf({ id, name, asks, order }: Scheme): typeof scheme.$inferInsert {
  return { id, name, asks, entryOrder: [...order] };
}

function toRow(
  schemeId: string,
  position: number,
  { measure, sign, only, ...line }: SchemeLine,
): typeof schemeLine.$inferInsert {
  return {
    schemeId,
    position,
    ...line,
    onlyFor: only,
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
    only: row.onlyFor,
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
    case "section count":
    case "section widths":
    case "section units":
    case "rates":
      return { kind: row.measure };
  }
}

function toSign(row: Row): SignRule {
  return row.sign === "words"
    ? { kind: "words", plus: row.plusWord, minus: row.minusWord }
    : { kind: row.sign };
}

/** Writes a scheme whole: a new one, or over one that is there. */
export function saveScheme(db: Database, given: Scheme, by: Told): void {
  const { id, lines } = given;
  const { id: _, ...head } = headOf(given);
  db.transaction((tx) => {
    tx.insert(scheme)
      .values({ id, ...head })
      .onConflictDoUpdate({ target: scheme.id, set: head })
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
  const { id, name, asks } = scheme;
  return db.select({ id, name, asks }).from(scheme).orderBy(asc(name)).all();
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
  const { entryOrder, ...named } = head;
  return { ...named, lines: rows.map(toLine), order: orderFrom(entryOrder) };
}

/** An order as it was kept; none is the usual one, as is what names no steps. */
export function orderFrom(kept: readonly unknown[]): EntryStep[] {
  const known = kept.filter(isEntryStep);
  return known.length > 0 ? known : USUAL_ORDER;
}

export type Terminal = { schemeId: string; name: string };

export function terminalOf(db: Database, tractorId: number): Terminal | null {
  return db.select().from(terminal).where(eq(terminal.tractorId, tractorId)).get() ?? null;
}

/** @throws where the scheme does not exist: foreign keys hold */
export function setTerminal(db: Database, tractorId: number, { schemeId, name }: Terminal, by: Told): void {
  db.transaction(() => {
    db.insert(terminal)
      .values({ tractorId, schemeId, name })
      .onConflictDoUpdate({ target: terminal.tractorId, set: { schemeId, name } })
      .run();
    settingChanged(db, "terminal", { machineId: tractorId }, by);
  });
}

type OfTool = Pick<RigTool, "implement" | "variant">;

function profileOfTool({ implement, variant }: OfTool) {
  const { implementId, variantId } = profile;
  return and(eq(implementId, implement.id), variant ? eq(variantId, variant.id) : isNull(variantId));
}

/** What the terminal's profile of a tool is called, as the variant it works as; empty where nobody said. */
export function profileOf(db: Database, tool: OfTool): string {
  return db.select().from(profile).where(profileOfTool(tool)).get()?.name ?? "";
}

/** Names the profile of a tool as it works now; an empty name forgets it. */
export function nameProfile(db: Database, tool: OfTool, name: string, by: Told): void {
  db.transaction(() => {
    db.delete(profile).where(profileOfTool(tool)).run();
    if (name !== "")
      db.insert(profile)
        .values({ implementId: tool.implement.id, variantId: tool.variant?.id ?? null, name })
        .run();
    settingChanged(db, "profile", { machineId: tool.implement.id }, by);
  });
}
