/** What the season says of a rig: when it is planned, what is due on its machines, what wears out and is not on the shelf. */
import { keptPlan } from "../../../data/plan.ts";
import { shortName } from "../../../data/whole.ts";
import { spanWords } from "../../yard/plan/plan-words.ts";
import { pressing } from "../../yard/service/service-view.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type SeasonLine = { key: string; text: string; href: string; tone: "plain" | "warn" };

/** As many stretches of the plan as one looks ahead. */
const AHEAD = 3;

export function seasonLines({ db, rig, parts }: OpenRig, now: Date): SeasonLine[] {
  const machines = new Map(
    parts.flatMap(({ tractor, implement }) => [tractor, implement]).map((each) => [each.id, each]),
  );
  const nameOf = (id: number) => shortName(machines.get(id)!);
  const today = now.toISOString().slice(0, 10);
  const ahead = (keptPlan(db)?.plan.blocks ?? [])
    .filter(({ rigId, to }) => rigId === rig.id && to >= today)
    .sort((a, b) => (a.from < b.from ? -1 : 1))
    .slice(0, AHEAD);
  const { due, order } = pressing(db, now, [...machines.keys()]);
  return [
    ...ahead.map(({ job, from, to, days }, at): SeasonLine => {
      const who = [...new Set(days.flatMap(({ people }) => people.map(({ name }) => name)))];
      const when = from <= today ? `today, till ${spanWords(to, to)}` : spanWords(from, to);
      return {
        key: `plan ${at}`,
        text: `Planned: ${job}, ${when}${who.length > 0 ? `, ${who.join(" and ")}` : ""}`,
        href: "/plan",
        tone: "plain",
      };
    }),
    ...due.map(
      ({ item }): SeasonLine => ({
        key: `service ${item.id}`,
        text: `Due on ${nameOf(item.machineId)}: ${item.name}`,
        href: `/machines/${item.machineId}/service`,
        tone: "warn",
      }),
    ),
    ...order.map(
      ({ part }): SeasonLine => ({
        key: `wear ${part.id}`,
        text: `To order for ${nameOf(part.machineId)}: ${part.count} × ${part.name}`,
        href: `/machines/${part.machineId}/service`,
        tone: "warn",
      }),
    ),
  ];
}
