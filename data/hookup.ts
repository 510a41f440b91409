/** Hitching and unhitching, and the ticks of people: on the hook-up list, and on the ladder. */
import { and, eq, type SQL } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { newestFirst, record, standing, type Told } from "./record.ts";
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
  and(eq(fact.about, `rig ${rigId}`), eq(fact.kind, kind), standing())!;

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

/** Records that a rig was hitched up or taken apart; returns the event's id. */
export function keepEvent(
  db: Database,
  rigId: number,
  what: CouplingEvent["kind"],
  { id, ...told }: Told & { id?: string },
): string {
  return record(db, { kind: COUPLING, about: { rigId }, id }, told, (seq) =>
    db.insert(couplingEvent).values({ seq, what }).run(),
  );
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
