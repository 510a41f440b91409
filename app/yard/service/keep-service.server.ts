/** What is written on the page of a machine's service. */

import { sameName } from "../../../core/place/given.ts";
import type { Every, ServiceItem } from "../../../core/season/service.ts";
import { meterProblem } from "../../../core/season/use.ts";
import type { Database } from "../../../data/handle.ts";
import { factOf, type Told, takeBack } from "../../../data/record.ts";
import type { Machine } from "../../../data/rigs.ts";
import {
  addServiceItem,
  addWearPart,
  changeServiceItem,
  changeWearPart,
  keepMeter,
  keepServiced,
  keepWorn,
  METER,
  metersOf,
  putServiceItemAway,
  putWearPartAway,
  SERVICE_DONE,
  serviceItems,
  takeUsual,
  WEAR,
  wearParts,
  wornOf,
} from "../../../data/service.ts";
import { checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { moment } from "../../stations/frame/print.ts";
import { amountOf } from "../amount.ts";
import { readMoney } from "../rates/prices.dto.ts";
import {
  DoneDto,
  ItemIdDto,
  MeterDto,
  OfServiceDto,
  PartIdDto,
  readMeter,
  ServiceItemDto,
  StockDto,
  WearPartDto,
  WornDto,
} from "./service.dto.ts";
import { hours } from "./service-words.ts";

export type AtService = { db: Database; machine: Machine; told: Told };

const lengthIn = (text: string, unit: string): number => {
  const read = amountOf(text, { family: "length", unit, optional: false });
  return read.ok ? read.value! : Number.NaN;
};

function everyOf({ round, time, area, areaUnit, days, season }: ServiceItemDto): Every {
  if (round !== "interval") return { time: null, area: null, days: null, season: false };
  const read = amountOf(area, { family: "area", unit: areaUnit, optional: true });
  return {
    time: readMeter(time),
    area: read.ok ? read.value : null,
    days: days.trim() === "" ? null : Number(days),
    season: season === "yes",
  };
}

/** An item as it was typed; `but`: the one it takes the place of. */
function itemIn(
  { db, machine }: AtService,
  given: ServiceItemDto,
  but: ServiceItem | null = null,
): Omit<ServiceItem, "id"> | Outcome {
  const every = everyOf(given);
  const { name, kind, round, points, note } = given;
  const limits = [every.time, every.area, every.days];
  if (limits.some((limit) => limit !== null && !(limit > 0)))
    return refused({ time: "An interval is more than nothing." });
  if (round === "interval" && limits.every((limit) => limit === null) && !every.season)
    return refused({
      time: "After how many hours, hectares or days, or each season? One of them is wanted.",
    });
  const others = serviceItems(db, [machine.id]).filter(({ id }) => id !== but?.id);
  if (others.some((each) => sameName(each.name, name)))
    return refused({ name: "That is on the list already." });
  return {
    machineId: machine.id,
    name: name.trim(),
    kind,
    round,
    points: points.trim() === "" ? null : Number(points),
    every,
    note: note.trim(),
  };
}

const isOutcome = (found: object): found is Outcome => "ok" in found;

function add(at: AtService, given: ServiceItemDto): Outcome {
  const item = itemIn(at, given);
  if (isOutcome(item)) return item;
  addServiceItem(at.db, item, at.told);
  return kept(`${item.name} is on the list.`);
}

function change(at: AtService, given: ServiceItemDto, form: FormData): Outcome {
  const known = itemOf(at, String(form.get("item") ?? ""));
  if (!known) return NO_ITEM;
  const item = itemIn(at, given, known);
  if (isOutcome(item)) return item;
  changeServiceItem(at.db, { ...item, id: known.id }, at.told);
  return kept(`${item.name} is changed.`);
}

const itemOf = ({ db, machine }: AtService, id: string): ServiceItem | null =>
  serviceItems(db, [machine.id]).find((each) => String(each.id) === id) ?? null;

const partOf = ({ db, machine }: AtService, id: string) =>
  wearParts(db, [machine.id]).find((each) => String(each.id) === id) ?? null;

const NO_ITEM = refused({ form: "This line is not there any more." });
const NO_PART = refused({ form: "This part is not there any more." });

/** Why a meter cannot show this, in words; null where it can. */
function meterSaid({ db, machine }: AtService, at: string, reading: number): string | null {
  const found = meterProblem(metersOf(db, [machine.id]).get(machine.id) ?? [], { at, reading });
  if (!found) return null;
  const { kind, than } = found;
  const then = `${hours(than.reading)} on ${moment(than.at)}`;
  return kind === "less"
    ? `It showed ${then}: a meter does not run backward.`
    : `It showed ${then}: no more hours have passed than the clock's.`;
}

function done(at: AtService, value: DoneDto): Outcome {
  const item = itemOf(at, value.item);
  if (!item) return NO_ITEM;
  const when = value.on === "" ? at.told.at : new Date(value.on);
  if (Number.isNaN(when.getTime()) || when > (at.told.now ?? at.told.at))
    return refused({ on: "That has not come yet." });
  const meter = value.meter.trim() === "" ? null : readMeter(value.meter);
  const problem = meter === null ? null : meterSaid(at, when.toISOString(), meter);
  if (problem) return refused({ meter: problem });
  const told = { ...at.told, at: when, person: value.person };
  const id = at.db.transaction(() => {
    if (meter !== null) keepMeter(at.db, at.machine.id, meter, told);
    return keepServiced(at.db, item, { meter, note: value.note }, told);
  });
  return kept(`${item.name}: done.`, { id, person: value.person });
}

function meter(at: AtService, { reading, person }: MeterDto): Outcome {
  const read = readMeter(reading)!;
  const problem = meterSaid(at, at.told.at.toISOString(), read);
  if (problem) return refused({ reading: problem });
  const id = keepMeter(at.db, at.machine.id, read, { ...at.told, person });
  return kept(`The meter shows ${hours(read)}.`, { id, person });
}

function addPart(at: AtService, value: WearPartDto): Outcome {
  const [fresh, limit] = [lengthIn(value.fresh, value.freshUnit), lengthIn(value.limit, value.limitUnit)];
  if (!(limit > 0)) return refused({ limit: "It is changed before nothing is left." });
  if (!(fresh > limit)) return refused({ limit: "Worn it is smaller than new." });
  if (wearParts(at.db, [at.machine.id]).some(({ name }) => sameName(name, value.name)))
    return refused({ name: "That is on the list already." });
  addWearPart(
    at.db,
    {
      machineId: at.machine.id,
      name: value.name.trim(),
      count: Number(value.count),
      fresh,
      limit,
      stock: Number(value.stock),
      delivery: Number(value.delivery),
      price: readMoney(value.price) || null,
    },
    at.told,
  );
  return kept(`${value.name} is on the list.`);
}

function worn(at: AtService, value: WornDto): Outcome {
  const part = partOf(at, value.part);
  if (!part) return NO_PART;
  const size = lengthIn(value.size, value.sizeUnit);
  if (!(size > 0)) return refused({ size: "It is some length." });
  if (size > 1.2 * part.fresh) return refused({ size: "That is larger than a new one." });
  const id = keepWorn(
    at.db,
    part,
    { size, replaced: value.replaced === "yes" },
    { ...at.told, person: value.person },
  );
  return kept(value.replaced === "yes" ? `New ${part.name} are fitted.` : `${part.name}: measured.`, {
    id,
    person: value.person,
  });
}

/** Takes an entry of this machine back; new ones that were not fitted after all lie on the shelf again. */
function back(at: AtService, { id }: OfServiceDto): Outcome {
  const { db, machine, told } = at;
  const fact = factOf(db, id);
  const parts = wearParts(db, [machine.id]);
  const worn = wornOf(
    db,
    parts.map((part) => part.id),
  ).find((each) => each.id === id);
  const part = parts.find((each) => each.id === worn?.partId);
  const taken = db.transaction(() => {
    const known = fact && OF_SERVICE.includes(fact.kind) && fact.machineId === machine.id;
    if (!known || !takeBack(db, id, told)) return false;
    if (worn?.replaced && part) changeWearPart(db, { ...part, stock: part.stock + part.count }, told);
    return true;
  });
  return taken
    ? kept("Taken back.")
    : refused({ form: "It is not there any more, or was taken back before." });
}

const OF_SERVICE = [SERVICE_DONE, METER, WEAR];

export const SERVICE_INTENTS: Intents<AtService> = {
  usual: ({ db, machine, told }) => {
    const came = takeUsual(db, machine.id, machine.kind !== "implement", told);
    return kept(came === 0 ? "All of the usual list is there." : `${came} lines of the usual list came.`);
  },
  "add-item": checkedBy(ServiceItemDto, add),
  "change-item": checkedBy(ServiceItemDto, change),
  "item-away": checkedBy(ItemIdDto, (at: AtService, { item: id }) => {
    const item = itemOf(at, id);
    if (!item) return NO_ITEM;
    putServiceItemAway(at.db, item, true, at.told);
    return kept(`${item.name} is off the list. What was done stays.`);
  }),
  done: checkedBy(DoneDto, done),
  meter: checkedBy(MeterDto, meter),
  "add-part": checkedBy(WearPartDto, addPart),
  stock: checkedBy(StockDto, (at: AtService, { part: id, stock }) => {
    const part = partOf(at, id);
    if (!part) return NO_PART;
    changeWearPart(at.db, { ...part, stock: Number(stock) }, at.told);
    return kept(`${stock} of ${part.name} lie on the shelf.`);
  }),
  "part-away": checkedBy(PartIdDto, (at: AtService, { part: id }) => {
    const part = partOf(at, id);
    if (!part) return NO_PART;
    putWearPartAway(at.db, part, at.told);
    return kept(`${part.name} is off the list.`);
  }),
  worn: checkedBy(WornDto, worn),
  "take-back": checkedBy(OfServiceDto, back),
};
