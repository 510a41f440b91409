/** Bases that had moved: what is on record of them. */
import { eq, sql } from "drizzle-orm";
import type { Geographic } from "../core/geodesy/plane.ts";
import type { Spell } from "../core/spoilt/base.ts";
import type { Database } from "./handle.ts";
import { asDegrees, asPlaces } from "./places.ts";
import { newestFirst, record, standing, type Told } from "./record.ts";
import { baseShift, fact, farm } from "./schema/index.ts";

export const BASE_SHIFT = "base-shift";

export type BaseShift = Spell & {
  /** of the fact */
  id: string;
  person: string;
  at: string;
  base: string;
  /** null: work on every field */
  farmId: number | null;
  farm: string;
  mark: Geographic;
  shown: Geographic;
};

/** Bases that are said to have moved and stand so, newest first. */
export function baseShifts(db: Database): BaseShift[] {
  return db
    .select({ fact, row: baseShift, farm: sql<string>`coalesce(${farm.name}, '')` })
    .from(fact)
    .innerJoin(baseShift, eq(baseShift.seq, fact.seq))
    .leftJoin(farm, eq(farm.id, baseShift.farmId))
    .where(standing())
    .orderBy(...newestFirst)
    .all()
    .map(({ fact: { id, person, happened }, row, farm: name }) => {
      const [mark, shown] = asPlaces([row.mark, row.shown]) as [Geographic, Geographic];
      const { base, farmId, since, until } = row;
      return { id, person, at: happened, base, farmId, farm: name, since, until, mark, shown };
    });
}

export type NewBaseShift = Omit<BaseShift, "id" | "person" | "at" | "farm"> & { id?: string };

/** Keeps that a base had moved; returns the id. */
export function keepBaseShift(db: Database, { id, mark, shown, ...row }: NewBaseShift, told: Told): string {
  return record(db, { kind: BASE_SHIFT, about: {}, topic: row.base, id }, told, (seq) => {
    db.insert(baseShift)
      .values({ seq, ...row, mark: asDegrees(mark), shown: asDegrees(shown) })
      .run();
  });
}
