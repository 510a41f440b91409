/** The rounds of a rig: what is done before it goes out, what is aboard, what is done when it comes home; and ticking one. */
import { doneToday, SERVICE_KINDS, type ServiceItem } from "../../../core/season/service.ts";
import { logOf } from "../../../data/log.ts";
import { keepServiced, servicedOf, serviceItems } from "../../../data/service.ts";
import { machineName } from "../../../data/whole.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { judgedService } from "../../yard/service/service-view.server.ts";
import { dueSaid } from "../../yard/service/service-words.ts";
import { day, moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { written } from "../writing/written.server.ts";
import { ServicedDto } from "./rounds.dto.ts";

/** Machines of a rig, each once, what drives first. */
function machinesOf({ parts }: OpenRig) {
  const all = new Map(
    [...parts.map(({ tractor }) => tractor), ...parts.map(({ implement }) => implement)].map((machine) => [
      machine.id,
      machine,
    ]),
  );
  return [...all.values()];
}

export type RoundLine = {
  id: number;
  name: string;
  machine: string;
  kind: string;
  points: number | null;
  note: string;
  /** who did it today, and when; null where nobody did */
  done: string | null;
  /** why an interval stands on today's list; null of what is done each day */
  due: string | null;
};

export type RoundsView = ReturnType<typeof roundsView>;

export function roundsView(open: OpenRig, now = new Date()) {
  const { db, rig, preferences } = open;
  const machines = machinesOf(open);
  const ids = machines.map(({ id }) => id);
  const items = serviceItems(db, ids);
  const all = servicedOf(
    db,
    items.map(({ id }) => id),
  );
  const name = new Map(machines.map((machine) => [machine.id, machineName(machine)]));
  const today = (item: ServiceItem) => {
    const last = all.find(({ itemId }) => itemId === item.id) ?? null;
    return doneToday(last, now, day) ? `${last!.person}, ${moment(last!.at)}` : null;
  };
  const line = (item: ServiceItem, due: string | null): RoundLine => ({
    id: item.id,
    name: item.name,
    machine: name.get(item.machineId)!,
    kind: SERVICE_KINDS[item.kind],
    points: item.points,
    note: item.note,
    done: today(item),
    due,
  });
  const of = (round: ServiceItem["round"]) =>
    items.filter((item) => item.round === round).map((item) => line(item, null));
  const intervals = judgedService(db, now, ids);
  const pressing = intervals
    .filter(({ item, due }) => due.state === "due" || today(item) !== null)
    .map(({ item, due }) => line(item, dueSaid(due, preferences.units)));
  return {
    morning: [...pressing, ...of("morning")],
    aboard: of("aboard"),
    evening: of("evening"),
    open: openTonight(open, now),
    unknown: intervals.filter(({ due }) => due.state === "unknown").length,
    machines: machines.map(({ id }) => ({
      id,
      name: name.get(id)!,
      listed: items.some(({ machineId }) => machineId === id),
    })),
    rig: rig.name,
  };
}

/** What the log still wants before the day is over. */
function openTonight({ db, rig }: OpenRig, now: Date): string[] {
  const entries = logOf(db, { rigs: [rig.id], most: 20 });
  const going = entries.filter(({ ended }) => ended === null);
  const today = entries.filter(({ ended }) => ended !== null && day(ended.at) === day(now.toISOString()));
  const without = (what: string, missing: (entry: (typeof today)[number]) => boolean) => {
    const fields = today.filter(missing).map(({ field }) => field.name);
    return fields.length === 0 ? [] : [`${what} nobody told of ${fields.join(", ")}.`];
  };
  return [
    ...going.map(({ field }) => `${field.name} is still open in the log: its registers run on.`),
    ...without("Fuel", ({ ended }) => ended!.fuel === null),
    ...without("Hectares", ({ ended }) => ended!.area === null),
    ...without("Hours", ({ ended }) => ended!.time === null),
    ...without("A load's weight", ({ loads }) => loads.some(({ mass }) => mass === null)),
  ];
}

/** Ticks something that was done, by a machine of this rig. */
export const keepServicedOn = written(ServicedDto, ({ open, value: { id, item }, told }): Outcome => {
  const found = serviceItems(
    open.db,
    machinesOf(open).map((machine) => machine.id),
  ).find((each) => String(each.id) === item);
  if (!found) return refused({ form: "This line is not on the list any more." });
  keepServiced(open.db, found, { meter: null, note: "", id }, told);
  return kept(`${found.name}: done`, { id });
});
