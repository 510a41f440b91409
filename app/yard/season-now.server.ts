/** What the season asks for today, on the first page: who is planned where, what is due, what is to be ordered. */
import type { Database } from "../../data/handle.ts";
import { keptPlan } from "../../data/plan.ts";
import { serviceAsked } from "./board.server.ts";

export function seasonNow(db: Database, now: Date) {
  const today = now.toISOString().slice(0, 10);
  const blocks = keptPlan(db)?.plan.blocks ?? [];
  return {
    today: blocks.flatMap(({ job, machine, rigId, days }) =>
      days
        .filter(({ day }) => day === today)
        .map(({ people }) => ({
          key: `${rigId} ${job}`,
          text: `${machine}: ${job}${people.length > 0 ? `, ${people.map(({ name }) => name).join(" and ")}` : ""}`,
          rigId,
        })),
    ),
    /** null while it is being worked out */
    service: serviceAsked(db, now),
  };
}
export type SeasonNow = ReturnType<typeof seasonNow>;
