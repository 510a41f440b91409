/** Guidance lines of fields, and how they were shifted. */
import { and, eq, type SQL, sql } from "drizzle-orm";
import { degreesOf, radiansOf } from "../core/geodesy/degrees.ts";
import { type LineShape, placesOf } from "../core/place/line.ts";
import type { Database } from "./handle.ts";
import { asDegrees, asPlaces } from "./places.ts";
import { listed, prepared } from "./prepared.ts";
import { factOf, inOrder, isOfKind, record, standing, type Told } from "./record.ts";
import { fact, guidanceLine, lineShift } from "./schema/index.ts";

export const LINE = "line";
export const LINE_SHIFT = "line-shift";

export type Shift = {
  id: string;
  /** metres to the right of the way from A to B; outwards of a circle */
  amount: number;
  reason: string;
  person: string;
  at: string;
};

export type FieldLine = {
  id: string;
  seq: number;
  fieldId: number;
  name: string;
  shape: LineShape;
  person: string;
  at: string;
  /** in the order they were made */
  shifts: Shift[];
};

type LineRow = typeof guidanceLine.$inferSelect;

function shapeOf({ kind, points, heading, radius }: LineRow): LineShape {
  const places = asPlaces(points);
  switch (kind) {
    case "ab":
      return { kind, a: places[0]!, b: places[1]! };
    case "heading":
      return { kind, a: places[0]!, heading: radiansOf(heading!) };
    case "curve":
      return { kind, points: places };
    case "circle":
      return { kind, centre: places[0]!, radius: radius! };
  }
}

/** Lines that stand, of one field or of all, in the order they came. */
export function linesOf(db: Database, fieldId: number | null = null): FieldLine[] {
  return linesWhere(db, fieldId === null ? undefined : eq(guidanceLine.fieldId, fieldId));
}

/** A line by the number of its fact; null where it was taken back. */
export function lineOfSeq(db: Database, seq: number): FieldLine | null {
  return linesWhere(db, eq(guidanceLine.seq, seq))[0] ?? null;
}

function linesWhere(db: Database, which: SQL | undefined): FieldLine[] {
  const rows = db
    .select({ fact, row: guidanceLine })
    .from(fact)
    .innerJoin(guidanceLine, eq(guidanceLine.seq, fact.seq))
    .where(and(standing(), which))
    .orderBy(...inOrder)
    .all();
  const shifts = shiftsOf(
    db,
    rows.map(({ row }) => row.fieldId),
  );
  return rows.map(({ fact: { id, seq, person, happened }, row }) => ({
    id,
    seq,
    fieldId: row.fieldId,
    name: row.name,
    shape: shapeOf(row),
    person,
    at: happened,
    shifts: shifts.get(seq) ?? [],
  }));
}

/** Shifts that stand of the lines of these fields, by line. */
function shiftsOf(db: Database, fieldIds: readonly number[]): Map<number, Shift[]> {
  const of = new Map<number, Shift[]>();
  const query = prepared(db, "shifts of lines", () =>
    db
      .select({ fact, row: lineShift })
      .from(fact)
      .innerJoin(lineShift, eq(lineShift.seq, fact.seq))
      .where(
        sql`${fact.about} = 'yard' and ${isOfKind(LINE_SHIFT)} and ${fact.slot} in (select value || '/' from json_each(${sql.placeholder("fields")})) and ${standing()}`,
      )
      .orderBy(...inOrder)
      .prepare(),
  );
  for (const { fact: at, row } of query.all({ fields: listed(fieldIds) })) {
    const { amount, reason } = row;
    const own = of.get(row.line) ?? [];
    of.set(row.line, [...own, { id: at.id, amount, reason, person: at.person, at: at.happened }]);
  }
  return of;
}

export type NewLine = {
  fieldId: number;
  name: string;
  shape: LineShape;
  id?: string;
  partOf?: number | null;
};

/** Keeps a line of a field; returns its id. */
export function keepLine(
  db: Database,
  { fieldId, name, shape, id, partOf = null }: NewLine,
  told: Told,
): string {
  return record(db, { kind: LINE, about: {}, topic: String(fieldId), id, partOf }, told, (seq) => {
    db.insert(guidanceLine)
      .values({
        seq,
        fieldId,
        name,
        kind: shape.kind,
        points: placesOf(shape).map(asDegrees),
        heading: shape.kind === "heading" ? degreesOf(shape.heading) : null,
        radius: shape.kind === "circle" ? shape.radius : null,
      })
      .run();
  });
}

/** Records that a line was shifted; returns the id. @throws RangeError where there is no such line */
export function keepShift(
  db: Database,
  lineId: string,
  { amount, reason, id }: { amount: number; reason: string; id?: string },
  told: Told,
): string {
  const line = factOf(db, lineId);
  if (line?.kind !== LINE) throw new RangeError(`no line ${lineId}`);
  return record(db, { kind: LINE_SHIFT, about: {}, topic: line.topic, id }, told, (seq) => {
    db.insert(lineShift).values({ seq, line: line.seq, amount, reason }).run();
  });
}
