/** Work rates and costs, learnt from the log: by rig and operation, with who, where, and before and after a setting was changed. */
import type { Attachment } from "../../../core/dimension/attachment.ts";
import { dimension, isDimensionKey } from "../../../core/dimension/catalogue.ts";
import { entryFigure } from "../../../core/dimension/entry.ts";
import { FAMILIES } from "../../../core/quantity/measure.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import {
  beforeAfter,
  type Changed,
  type Cost,
  changedBetween,
  costOf,
  type Driven,
  grouped,
  type Rates,
  ratesOf,
  SAME_RATE,
} from "../../../core/season/rates.ts";
import { wearCost } from "../../../core/season/wear.ts";
import { OPERATIONS } from "../../../core/trade/operations.ts";
import type { LogEntry } from "../../../core/yard/log.ts";
import type { Database } from "../../../data/handle.ts";
import { logOf, seasonsOf } from "../../../data/log.ts";
import { pricesOf, type YardPrices } from "../../../data/prices.ts";
import { everyRig, listEveryTool } from "../../../data/rigs.ts";
import { day } from "../../stations/frame/print.ts";
import { judgedOf } from "../board.server.ts";
import { judgedWear } from "../service/service-view.server.ts";

/** As many entries as a contractor has in a year. */
const MOST = 5_000;
const HOUR = 3600;

/** What soil the rig was set for when it was begun, in the words of the list. */
function soilOf({ frozen }: LogEntry): string {
  const chosen = frozen.readings.find(({ key }) => key === "work.soil")?.choice ?? null;
  const { choices } = dimension("work.soil", "drawn");
  return choices?.find(({ key }) => key === chosen)?.label ?? "";
}

/** An entry of the log as work rates are reckoned from it. */
export function drivenOf(entry: LogEntry): Driven {
  const { id, rigId, rig, operations, person, field, begun, ended, frozen } = entry;
  const reading = (key: string) => frozen.readings.find((each) => each.key === key)?.value ?? null;
  return {
    id,
    rigId,
    rig,
    operation: operations[0] ? OPERATIONS[operations[0]].label : "no operation",
    person,
    field: field.name,
    soil: soilOf(entry),
    begun,
    area: ended?.area ?? null,
    time: ended?.time ?? null,
    fuel: ended?.fuel ?? null,
    width: reading("tool.width"),
    speed: reading("work.speed"),
  };
}

/** Money for a m² of what wears on the machines of each rig; null where nothing is listed, or its price or wear is not known. */
export function wearByRig(db: Database, now: Date): Map<number, number | null> {
  const worn = judgedWear(db, now);
  return new Map(
    [...everyRig(listEveryTool(db))].map(([rigId, parts]) => {
      const machines = new Set(parts.flatMap(({ tractor, implement }) => [tractor.id, implement.id]));
      const own = worn.filter(({ part }) => machines.has(part.machineId));
      const costs = own.map(({ part, wear }) => wearCost(part, wear));
      const known = costs.flatMap((cost) => (cost === null ? [] : [cost]));
      return [
        rigId,
        own.length === 0 || known.length < own.length ? null : known.reduce((sum, cost) => sum + cost, 0),
      ];
    }),
  );
}

/** m³ of the unit fuel is bought in. */
export const fuelFactor = (units: Units): number => factorOf("volume", units);

export function ratesView(db: Database, season: string, units: Units, now: Date) {
  const entries = logOf(db, season === "" ? { most: MOST } : { season, most: MOST }).filter(
    ({ ended }) => ended !== null,
  );
  const prices = pricesOf(db);
  const wear = wearByRig(db, now);
  const rigs = everyRig(listEveryTool(db));
  /** what is reckoned of the rig as it stands now; null where speed or width is not known, or it is put away */
  const shown = [...new Set(entries.map(({ rigId }) => rigId))].flatMap((id) => rigs.get(id) ?? []);
  const judged = judgedOf(db, shown);
  const matchSaid = (rigId: number) => perHour(judged.get(rigId)?.rate ?? null, units);
  const hangs = new Map([...rigs].map(([id, parts]) => [id, parts.map(({ attachment }) => attachment)]));
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const groups = grouped(entries.map(drivenOf), ({ rigId, operation }) => `${rigId} ${operation}`);
  return {
    season,
    seasons: seasonsOf(db),
    prices: pricesTyped(prices, units),
    fuelUnit: unitOf("volume", units),
    rows: groups.map(({ key, entries: own }) => {
      const { rigId, rig, operation } = own[0]!;
      const rates = ratesOf(own);
      return {
        key,
        rigId,
        rig,
        operation,
        figures: figures(rates, units),
        match: matchSaid(rigId),
        cost: costSaid(costOf(rates, prices, wear.get(rigId) ?? null), prices, units),
        people: split(own, ({ person }) => person, units),
        fields: split(own, ({ field }) => field, units),
        soils: split(own, ({ soil }) => soil || "not told", units),
        changes: changesIn(own, { byId, hangs: hangs.get(rigId) ?? [], units }),
      };
    }),
  };
}
export type RatesView = ReturnType<typeof ratesView>;

const perHour = (rate: number | null, units: Units) =>
  rate === null ? null : `${say("area", rate * HOUR, units)}/h`;

const factorOf = (family: "area" | "volume", units: Units): number =>
  (FAMILIES[family] as Record<string, { factor: number }>)[unitOf(family, units)]!.factor;

const fuelSaid = (fuel: number | null, units: Units): string | null =>
  fuel === null ? null : say("volume per area", fuel, units, 1);

/** What is known of some entries together, as it is read. */
export function figures({ entries, area, untold, rate, efficiency, fuel, labour }: Rates, units: Units) {
  return {
    entries,
    area: say("area", area, units),
    untold,
    rate: perHour(rate, units),
    efficiency: efficiency === null ? null : `${Math.round(100 * efficiency)}\u00a0%`,
    /** more than width and speed can do: one of them is wrong */
    odd: efficiency !== null && efficiency > 1,
    fuel: fuelSaid(fuel, units),
    labour:
      labour === null
        ? null
        : `${((labour * factorOf("area", units)) / HOUR).toFixed(2)}\u00a0h/${unitOf("area", units)}`,
  };
}

const split = (entries: readonly Driven[], keyOf: (entry: Driven) => string, units: Units) =>
  grouped(entries, keyOf).map(({ key, entries: own }) => ({ name: key, ...figures(ratesOf(own), units) }));

/** What a hectare cost, and what is not in it. */
export function costSaid({ sum, fuel, labour, wear, missing }: Cost, { money }: YardPrices, units: Units) {
  const [unit, area] = [unitOf("area", units), factorOf("area", units)];
  const said = (value: number | null) =>
    value === null ? null : `${(value * area).toFixed(2)}\u00a0${money}`;
  return {
    sum: sum === null ? null : `${said(sum)}/${unit}`,
    parts: [
      ["fuel", said(fuel)],
      ["labour", said(labour)],
      ["wear", said(wear)],
    ].flatMap(([name, value]) => (value === null ? [] : [`${name} ${value}`])),
    missing,
  };
}

const MOST_CHANGES = 6;

/** What was set otherwise from one entry to the next, and what rate and fuel did. */
function changesIn(
  own: readonly Driven[],
  { byId, hangs, units }: { byId: ReadonlyMap<string, LogEntry>; hangs: readonly Attachment[]; units: Units },
) {
  const sorted = [...own].sort((a, b) => (a.begun < b.begun ? -1 : 1));
  const changes = sorted.flatMap((entry, at): Changed[] => {
    const before = sorted[at - 1];
    return before
      ? changedBetween(byId.get(before.id)!.frozen.readings, byId.get(entry.id)!.frozen.readings, entry.begun)
      : [];
  });
  return changes.slice(-MOST_CHANGES).flatMap(({ key, part, was, is, at }) => {
    const found = beforeAfter(own, at);
    const hung = hangs[part];
    if (!isDimensionKey(key) || !found || !hung) return [];
    const entry = dimension(key, hung);
    const figure = (value: number) => inWords(entryFigure(entry, value), units);
    return [
      {
        what: `${entry.label} from ${figure(was)} to ${figure(is)}, ${day(at)}`,
        rate: moved(
          "Work rate",
          found.rate,
          perHour(found.before.rate, units),
          perHour(found.after.rate, units),
        ),
        fuel: moved(
          "Fuel",
          found.fuel,
          fuelSaid(found.before.fuel, units),
          fuelSaid(found.after.fuel, units),
        ),
      },
    ];
  });
}

function moved(what: string, by: number | null, before: string | null, after: string | null): string {
  if (by === null) return `${what}: one side told none.`;
  return Math.abs(by) < SAME_RATE
    ? `${what} as before: ${before}, ${after}.`
    : `${what} ${Math.round(Math.abs(100 * by))}\u00a0% ${by > 0 ? "more" : "less"}: ${before}, then ${after}.`;
}

/** Prices as their form has them: of a litre or gallon, and of an hour. */
function pricesTyped({ fuel, labour, money }: YardPrices, units: Units) {
  const text = (value: number | null) => (value === null ? "" : String(Math.round(value * 1000) / 1000));
  return {
    fuel: text(fuel === null ? null : fuel * factorOf("volume", units)),
    labour: text(labour === null ? null : labour * HOUR),
    money,
  };
}
