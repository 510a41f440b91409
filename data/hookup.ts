import { randomUUID } from "node:crypto";
import { and, desc, eq, isNull, sql } from "drizzle-orm";
import type { Database } from "./handle.ts";
import { couplingEvent, hookupTick, retraction } from "./schema.ts";

export type CouplingEvent = typeof couplingEvent.$inferSelect;
export type Tick = typeof hookupTick.$inferSelect;

/** Hitchings and unhitchings of a rig that nobody took back, the newest first by the time it happened. */
export function eventsOf(db: Database, rigId: number): CouplingEvent[] {
  return db
    .select({ row: couplingEvent })
    .from(couplingEvent)
    .leftJoin(retraction, eq(retraction.eventId, couplingEvent.id))
    .where(and(isNull(retraction.id), eq(couplingEvent.rigId, rigId)))
    .orderBy(desc(couplingEvent.at), sql`${couplingEvent}.rowid desc`)
    .all()
    .map(({ row }) => row);
}

/** Every tick of a rig that nobody took back, the newest first. Which of them still hold is for core to say. */
export function ticksOf(db: Database, rigId: number): Tick[] {
  return db
    .select({ row: hookupTick })
    .from(hookupTick)
    .leftJoin(retraction, eq(retraction.tickId, hookupTick.id))
    .where(and(isNull(retraction.id), eq(hookupTick.rigId, rigId)))
    .orderBy(desc(hookupTick.at), sql`${hookupTick}.rowid desc`)
    .all()
    .map(({ row }) => row);
}

type Told = { person: string; at: Date; id?: string };

/** Records that a rig was hitched up or taken apart; returns the event's id. */
export function keepEvent(
  db: Database,
  rigId: number,
  kind: CouplingEvent["kind"],
  { person, at, id = randomUUID() }: Told,
): string {
  db.insert(couplingEvent)
    .values({ id, rigId, kind, person, at: at.toISOString() })
    .onConflictDoNothing()
    .run();
  return id;
}

/** Ticks a line of the hook-up list as it reads now; returns the tick's id. */
export function keepTick(
  db: Database,
  rigId: number,
  tick: Pick<Tick, "line" | "said" | "state" | "reason">,
  { person, at, id = randomUUID() }: Told,
): string {
  db.insert(hookupTick)
    .values({ id, rigId, ...tick, person, at: at.toISOString() })
    .onConflictDoNothing()
    .run();
  return id;
}
