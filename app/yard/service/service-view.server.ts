/** Service as its pages show it: of one machine, and of the whole yard. */

import { bareUnit, printLength } from "../../../core/quantity/length.ts";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { unitOf } from "../../../core/quantity/units.ts";
import { comesIn, type Due, dueOf, SERVICE_KINDS, type ServiceItem } from "../../../core/season/service.ts";
import { meterNow, paceOf, usedSince } from "../../../core/season/use.ts";
import { type Order, orderOf, type Wear, wearOf } from "../../../core/season/wear.ts";
import type { Database } from "../../../data/handle.ts";
import { findMachine, listMachines } from "../../../data/machines.ts";
import { push } from "../../../data/push.ts";
import type { Machine } from "../../../data/rigs.ts";
import {
  type DoneOf,
  type MeasuredOf,
  metersOf,
  servicedOf,
  serviceItems,
  usesOf,
  type WearPartOf,
  wearParts,
  wornOf,
} from "../../../data/service.ts";
import { machineName } from "../../../data/whole.ts";
import type { ServiceLine } from "../../../formats/csv/service.ts";
import { moment } from "../../stations/frame/print.ts";
import { comesSaid, dueSaid, everySaid, HOUR, hours, orderSaid, STATES, wearSaid } from "./service-words.ts";

type Uses = ReturnType<typeof usesOf>;

/** What is known of some machines at once. */
function known(db: Database, uses: Uses, items: readonly ServiceItem[], parts: readonly WearPartOf[]) {
  const machines = [...new Set([...items, ...parts].map(({ machineId }) => machineId))];
  return {
    uses,
    meters: metersOf(db, machines),
    /** newest first */
    done: listedBy(
      servicedOf(
        db,
        items.map(({ id }) => id),
      ),
      ({ itemId }) => itemId,
    ),
    /** oldest first */
    worn: listedBy(
      wornOf(
        db,
        parts.map(({ id }) => id),
      ),
      ({ partId }) => partId,
    ),
  };
}
type Known = ReturnType<typeof known>;

function listedBy<Row>(rows: readonly Row[], keyOf: (row: Row) => number): Map<number, Row[]> {
  const found = new Map<number, Row[]>();
  for (const row of rows) push(found, keyOf(row), row);
  return found;
}

/** An item of an interval, judged. */
export type Judged = { item: ServiceItem; last: DoneOf | null; due: Due; inDays: number | null };

function judge(item: ServiceItem, { uses, meters, done }: Known, now: Date): Judged {
  const entries = uses.get(item.machineId) ?? [];
  const last = done.get(item.id)?.[0] ?? null;
  const use = usedSince(entries, meters.get(item.machineId) ?? [], last?.at ?? null, last?.meter ?? null);
  const due = dueOf(item.every, last, use, now);
  return { item, last, due, inDays: due.first ? comesIn(due, paceOf(entries, now)) : null };
}

const RANK = { due: 0, unknown: 1, soon: 2, good: 3 } as const;
const share = ({ due: { first } }: Judged) => (first ? first.used / first.limit : 0);

/** Intervals of some machines, or of all, what is due first. */
export function judgedService(
  db: Database,
  now: Date,
  machines?: readonly number[],
  uses: Uses = usesOf(db, machines),
): Judged[] {
  const items = serviceItems(db, machines).filter(({ round }) => round === "interval");
  const facts = known(db, uses, items, []);
  return items
    .map((item) => judge(item, facts, now))
    .sort((a, b) => RANK[a.due.state] - RANK[b.due.state] || share(b) - share(a));
}

/** An item as its form has it. */
function formOf({ id, name, kind, round, points, every, note }: ServiceItem, units: Units) {
  const text = (value: number | null) => (value === null ? "" : String(Math.round(value * 100) / 100));
  return {
    item: String(id),
    name,
    kind,
    round,
    points: text(points),
    time: text(every.time === null ? null : every.time / HOUR),
    area: every.area === null ? "" : say("area", every.area, units).split("\u00a0")[0]!,
    days: text(every.days),
    season: every.season,
    note,
  };
}
export type ItemTyped = ReturnType<typeof formOf>;

function row({ item, last, due, inDays }: Judged, units: Units) {
  return {
    form: formOf(item, units),
    id: item.id,
    machineId: item.machineId,
    name: item.name,
    kind: SERVICE_KINDS[item.kind],
    note: item.note,
    points: item.points,
    every: everySaid(item.every, units),
    state: due.state,
    word: STATES[due.state],
    said: dueSaid(due, units),
    comes: due.state === "due" ? null : comesSaid(inDays),
    last: last ? `${last.person}, ${moment(last.at)}` : null,
  };
}
export type ServiceRow = ReturnType<typeof row>;

export type JudgedWear = {
  part: WearPartOf;
  wear: Wear;
  order: Order;
  /** what was measured and fitted, oldest first */
  measured: MeasuredOf[];
};

/** Parts that wear, of some machines or of all; what has to be ordered first. */
export function judgedWear(
  db: Database,
  now: Date,
  machines?: readonly number[],
  uses: Uses = usesOf(db, machines),
): JudgedWear[] {
  const parts = wearParts(db, machines);
  const { worn } = known(db, uses, [], parts);
  const rank = { now: 0, unknown: 1, later: 2, idle: 3, enough: 4 };
  return parts
    .map((part): JudgedWear => {
      const entries = uses.get(part.machineId) ?? [];
      const own = worn.get(part.id) ?? [];
      const fitted = own.findLast(({ replaced }) => replaced) ?? null;
      const since = fitted?.at ?? null;
      const area = (until: string | null) => {
        const { known: sum, untold } = usedSince(
          until === null ? entries : entries.filter(({ at }) => at <= until),
          [],
          since,
        ).area;
        return untold > 0 ? null : sum;
      };
      const points = own
        .filter(({ replaced, at }) => !replaced && (since === null || at > since))
        .map(({ at, size }) => ({ area: area(at), size }));
      const wear = wearOf(part, fitted?.size ?? part.fresh, points, area(null));
      return {
        part,
        wear,
        order: orderOf(part, wear, paceOf(entries, now).area),
        measured: own,
      };
    })
    .sort((a, b) => rank[a.order.kind] - rank[b.order.kind]);
}

const MOST_MEASURED = 4;

function wearRow({ part, wear, order, measured }: JudgedWear, units: Units) {
  const { id, machineId, name, count, fresh, limit, stock, delivery } = part;
  const ordered = orderSaid(order);
  return {
    id,
    machineId,
    name,
    count,
    stock,
    delivery,
    fresh: printLength(fresh, units.small),
    limit: printLength(limit, units.small),
    worn: wear.known && wear.left === 0,
    known: wear.known,
    said: wearSaid(wear, units),
    order: ordered.text,
    now: ordered.now,
    measured: measured
      .slice(-MOST_MEASURED)
      .reverse()
      .map((each) => ({
        id: each.id,
        text: `${each.replaced ? "New ones fitted, " : ""}${printLength(each.size, units.small)}`,
        who: `${each.person}, ${moment(each.at)}`,
      })),
  };
}
export type WearRow = ReturnType<typeof wearRow>;

/** What is due, and what has to be ordered now, of some machines or of all: what the machines did is read once for both. */
export function pressing(db: Database, now: Date, machines?: readonly number[]) {
  const uses = usesOf(db, machines);
  return {
    due: judgedService(db, now, machines, uses).filter(({ due: { state } }) => state === "due"),
    order: judgedWear(db, now, machines, uses).filter(({ order }) => order.kind === "now"),
  };
}

/** The service of one machine. */
export function machineService(db: Database, machine: Machine, units: Units, now: Date) {
  const { id } = machine;
  const items = serviceItems(db, [id]);
  const meters = metersOf(db, [id]).get(id) ?? [];
  const uses = usesOf(db, [id]);
  const entries = uses.get(id) ?? [];
  const shown = meterNow(entries, meters);
  const area = entries.reduce((sum, entry) => sum + (entry.area ?? 0), 0);
  return {
    machine: { id, name: machineName(machine), drives: machine.kind !== "implement" },
    small: bareUnit(units.small),
    area: unitOf("area", units),
    meter: {
      last: meters.at(-1) ? `${hours(meters.at(-1)!.reading)} on ${moment(meters.at(-1)!.at)}` : null,
      now: shown === null ? null : (shown / HOUR).toFixed(1),
    },
    logged: `${say("area", area, units)} in ${entries.length} ${entries.length === 1 ? "entry" : "entries"} of the log`,
    intervals: judgedService(db, now, [id], uses).map((each) => row(each, units)),
    rounds: items
      .filter(({ round }) => round !== "interval")
      .map((item) => ({
        id: item.id,
        name: item.name,
        kind: SERVICE_KINDS[item.kind],
        round: item.round,
        points: item.points,
        note: item.note,
        form: formOf(item, units),
      })),
    wear: judgedWear(db, now, [id], uses).map((each) => wearRow(each, units)),
    history: servicedOf(
      db,
      items.map((item) => item.id),
    )
      .slice(0, MOST_SHOWN)
      .map((done) => ({
        id: done.id,
        what: items.find((item) => item.id === done.itemId)!.name,
        meter: done.meter === null ? null : hours(done.meter),
        note: done.note,
        who: `${done.person}, ${moment(done.at)}`,
      })),
  };
}
export type MachineService = ReturnType<typeof machineService>;

/** So many lines of history stand on the page; all of them in the file. */
const MOST_SHOWN = 40;

/** The service of the whole yard: what is due, and what to order. */
export function yardService(db: Database, units: Units, now: Date) {
  const names = new Map(listMachines(db).map((machine) => [machine.id, machineName(machine)]));
  const of = <T extends { machineId: number }>(line: T) => ({
    ...line,
    machine: names.get(line.machineId) ?? "",
  });
  const uses = usesOf(db);
  const intervals = judgedService(db, now, undefined, uses).map((each) => of(row(each, units)));
  const wear = judgedWear(db, now, undefined, uses).map((each) => of(wearRow(each, units)));
  const served = new Set([...serviceItems(db), ...wearParts(db)].map(({ machineId }) => machineId));
  const count = (state: Due["state"]) => intervals.filter((each) => each.state === state).length;
  return {
    counts: {
      due: count("due"),
      soon: count("soon"),
      unknown: count("unknown"),
      order: wear.filter(({ now: asap }) => asap).length,
    },
    pressing: intervals.filter(({ state }) => state !== "good"),
    good: intervals.filter(({ state }) => state === "good"),
    wear,
    without: [...names].filter(([id]) => !served.has(id)).map(([id, name]) => ({ id, name })),
  };
}
export type YardService = ReturnType<typeof yardService>;

/** Everything that was done, newest first, of one machine, in use or put away, or of all in use. */
export function serviceHistory(db: Database, machineId: number | null): ServiceLine[] {
  const asked = machineId === null ? listMachines(db) : [findMachine(db, machineId)];
  const machines = new Map(asked.flatMap((machine) => (machine ? [[machine.id, machine]] : [])));
  const items = new Map(serviceItems(db, [...machines.keys()]).map((item) => [item.id, item]));
  return servicedOf(db, [...items.keys()]).map(({ itemId, at, meter, note, person }) => {
    const { name, kind, machineId: of } = items.get(itemId)!;
    const machine = machines.get(of)!;
    return {
      machine: machineName(machine),
      fleetNumber: machine.fleetNumber,
      what: name,
      kind: SERVICE_KINDS[kind].toLowerCase(),
      at,
      meter,
      note,
      person,
    };
  });
}
