/** Hitching and unhitching, and the ticks of people: on the hook-up list, and on the ladder. */
import { and, eq, type SQL } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { factOf, isOfKind, newestFirst, record, standing, type Told } from "./record.ts";
import { toolsOf, toolsWith } from "./rigs.ts";
import { couplingEvent, fact, tick } from "./schema/index.ts";

export const COUPLING = "coupling";
/** A tick on the hook-up list, and one on the ladder. */
export const TICK = "tick";
export const RUNG = "rung";

export type CouplingEvent = {
  id: string;
  seq: number;
  kind: "coupled" | "uncoupled";
  person: string;
  at: string;
};
export type Tick = Omit<typeof tick.$inferSelect, "seq"> & {
  id: string;
  seq: number;
  line: string;
  person: string;
  at: string;
};

export const aboutRig = (kind: string, rigId: number): SQL =>
  and(eq(fact.about, `rig ${rigId}`), isOfKind(kind), standing())!;

/** Hitchings and unhitchings of a rig that nobody took back, the newest first by the time it happened. */
export function eventsOf(db: Database, rigId: number): CouplingEvent[] {
  return db
    .select({ id: fact.id, seq: fact.seq, kind: couplingEvent.what, person: fact.person, at: fact.happened })
    .from(fact)
    .innerJoin(couplingEvent, eq(couplingEvent.seq, fact.seq))
    .where(aboutRig(COUPLING, rigId))
    .orderBy(...newestFirst)
    .all();
}

/** When a rig was uncoupled last; null where it never was. What was plugged, ticked or read back before says nothing of now. */
export function uncoupledAt(db: Database, rigId: number): string | null {
  return eventsOf(db, rigId).find(({ kind }) => kind === "uncoupled")?.at ?? null;
}

/** Every tick on a rig's hook-up list that nobody took back, the newest first. Which of them still hold is for core to say. */
export function ticksOf(db: Database, rigId: number): Tick[] {
  return db
    .select({ id: fact.id, line: fact.topic, person: fact.person, at: fact.happened, tick })
    .from(fact)
    .innerJoin(tick, eq(tick.seq, fact.seq))
    .where(aboutRig(TICK, rigId))
    .orderBy(...newestFirst)
    .all()
    .map(({ tick: row, ...of }) => ({ ...of, ...row }));
}

/** Records that a rig was hitched up or taken apart, perhaps as part of another event that ended it; returns the event's id. */
export function keepEvent(
  db: Database,
  rigId: number,
  what: CouplingEvent["kind"],
  { id, partOf = null, ...told }: Told & { id?: string; partOf?: number | null },
): string {
  return record(db, { kind: COUPLING, about: { rigId }, id, partOf }, told, (seq) =>
    db.insert(couplingEvent).values({ seq, what }).run(),
  );
}

/** Other rigs that need the same machine or one of the same implements: there is one of each. */
export function rivalsOf(db: Database, rigId: number): { id: number; name: string }[] {
  const own = toolsOf(db, rigId).flatMap(({ tractor, implement }) => [tractor.id, implement.id]);
  return toolsWith(db, [...new Set(own)])
    .filter(({ id, position }) => id !== rigId && position === 1)
    .map(({ id, name }) => ({ id, name }));
}

/** Those of them that were coupled at a time, by what was recorded up to then. */
export function coupledRivals(db: Database, rigId: number, at: string): { id: number; name: string }[] {
  return rivalsOf(db, rigId).filter(
    ({ id }) => eventsOf(db, id).find((event) => event.at <= at)?.kind === "coupled",
  );
}

/**
 * Records that a rig was coupled: rigs of the same machine or implement end then. Where it arrives late, and one of them was coupled after it,
 * this one ends at that time. All of it is one: taken back together.
 */
export function keepCoupled(db: Database, rigId: number, { id, ...told }: Told & { id: string }): void {
  const at = told.at.toISOString();
  db.transaction(() => {
    const rivals = coupledRivals(db, rigId, at);
    const next = rivalsOf(db, rigId)
      .flatMap(({ id: other }) => eventsOf(db, other))
      .filter((event) => event.kind === "coupled" && event.at > at)
      .map((event) => event.at)
      .sort()[0];
    const own = eventsOf(db, rigId).some(
      (event) => event.at > at && (next === undefined || event.at <= next),
    );
    keepEvent(db, rigId, "coupled", { id, ...told });
    const partOf = factOf(db, id)!.seq;
    for (const rival of rivals) keepEvent(db, rival.id, "uncoupled", { partOf, ...told });
    if (next !== undefined && !own)
      keepEvent(db, rigId, "uncoupled", { partOf, ...told, at: new Date(next) });
  });
}

/** Ticks a line of the hook-up list, or a rung of the ladder, as it reads now; returns the tick's id. */
export function keepTick(
  db: Database,
  rigId: number,
  { line, ...rest }: Pick<Tick, "line" | "said" | "state" | "reason">,
  { id, on = TICK, ...told }: Told & { id?: string; on?: typeof TICK | typeof RUNG },
): string {
  return record(db, { kind: on, about: { rigId }, id, topic: line }, told, (seq) =>
    db
      .insert(tick)
      .values({ seq, ...rest })
      .run(),
  );
}
