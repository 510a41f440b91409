/** A year on one page, of one machine or of the yard: what was done and what it cost, what was proved, what went wrong and was found, what is to be mended in winter. */
import { inWords } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { costOf, grouped, ratesOf } from "../../../core/season/rates.ts";
import type { Database } from "../../../data/handle.ts";
import { liveProofs } from "../../../data/live.ts";
import { logOf } from "../../../data/log.ts";
import { everyMachine, listMachines } from "../../../data/machines.ts";
import { planAways } from "../../../data/plan.ts";
import { pricesOf, type YardPrices } from "../../../data/prices.ts";
import { everyRig, listEveryTool, type Machine, type RigTool } from "../../../data/rigs.ts";
import { servicedOf, serviceItems } from "../../../data/service.ts";
import { machineName, shortName } from "../../../data/whole.ts";
import { spoiltEntries } from "../../spoilt/spoilt-view.server.ts";
import { rigAddress } from "../../stations/frame/address.ts";
import { day } from "../../stations/frame/print.ts";
import { judgedOf } from "../board.server.ts";
import { spanWords } from "../plan/plan-words.ts";
import { costSaid, drivenOf, figures, wearByRig } from "../rates/rates-view.server.ts";
import { seasonView } from "../season/season-view.server.ts";
import { judgedService, judgedWear } from "../service/service-view.server.ts";

/** As many entries as a contractor has in a year. */
const MOST = 10_000;

type Line = { key: string; text: string; href: string; tone: "plain" | "stop" | "warn" };

type Given = {
  db: Database;
  units: Units;
  now: Date;
  year: number;
  /** null: the whole yard */
  machine: Machine | null;
  rigs: ReadonlyMap<number, readonly RigTool[]>;
  /** those put away as well */
  named: ReadonlyMap<number, Machine>;
};

const ofYear = ({ year }: Given, iso: string): boolean => iso.startsWith(String(year));

/** Years anything was driven in, the newest first, and this one. */
export function yearsOf(db: Database, now: Date): number[] {
  const years = logOf(db, { most: MOST }).map(({ begun }) => Number(begun.slice(0, 4)));
  return [...new Set([now.getUTCFullYear(), ...years])].sort((a, b) => b - a);
}

export function yearView(
  db: Database,
  { year, machine, units, now }: { year: number; machine: Machine | null; units: Units; now: Date },
) {
  const every = everyRig(listEveryTool(db));
  const rigs = machine
    ? new Map([...every].filter(([, parts]) => parts.some((part) => isOf(part, machine.id))))
    : every;
  const given: Given = { db, units, now, year, machine, rigs, named: everyMachine(db) };
  return {
    year,
    years: yearsOf(db, now),
    machines: listMachines(db)
      .filter(({ practice }) => !practice)
      .map((each) => ({
        id: each.id,
        name: each.fleetNumber ? `${each.fleetNumber} ${machineName(each)}` : machineName(each),
      })),
    machine: machine && { id: machine.id, name: `${shortName(machine)}, ${machineName(machine)}` },
    worked: workedIn(given),
    proved: provedIn(given),
    wrong: wrongIn(given),
    done: doneIn(given),
    winter: winterOf(given),
  };
}
export type YearView = ReturnType<typeof yearView>;

const isOf = ({ tractor, implement }: RigTool, id: number) => tractor.id === id || implement.id === id;

/** Hectares, hours, fuel and money, by what was done; the whole first. */
function workedIn(given: Given) {
  const { db, units, now, rigs } = given;
  const entries = logOf(db, { most: MOST }).filter(
    (entry) => entry.ended !== null && ofYear(given, entry.begun) && rigs.has(entry.rigId),
  );
  const driven = entries.map(drivenOf);
  const prices = pricesOf(db);
  const wear = wearByRig(db, now);
  const cost = (own: typeof driven) => {
    const ids = [...new Set(own.map(({ rigId }) => rigId))];
    // Of several rigs together no single wear for a hectare is known.
    const rates = ratesOf(own);
    return costSaid(
      costOf(rates, prices, ids.length === 1 ? (wear.get(ids[0]!) ?? null) : null),
      prices,
      units,
    );
  };
  const row = (key: string, own: typeof driven) => {
    const hours = own.reduce((sum, { time }) => sum + (time ?? 0), 0);
    const fuel = own.reduce((sum, each) => sum + (each.fuel ?? 0), 0);
    return {
      key,
      figures: figures(ratesOf(own), units),
      hours: `${Math.round(hours / 360) / 10}\u00a0h`,
      fuel: fuel > 0 ? say("volume", fuel, units, 0) : null,
      without: own.filter((each) => each.fuel === null).length,
      money: moneyOf(fuel, hours, prices),
      cost: cost(own),
    };
  };
  return {
    all: driven.length === 0 ? null : row("All of it", driven),
    rows: grouped(driven, ({ rig, operation }) => `${operation}, ${rig}`).map(({ key, entries: own }) =>
      row(key, own),
    ),
  };
}

/** Fuel and labour in money, as far as both prices are told; null where one is not. */
function moneyOf(fuel: number, seconds: number, { fuel: litre, labour, money }: YardPrices): string | null {
  return litre === null || labour === null
    ? null
    : `${Math.round(fuel * litre + seconds * labour).toLocaleString("en-GB")}\u00a0${money}`;
}

/** What was proved, and how it came out; the second names the first as a rule. */
function proofSaid(what: string, result: string): string {
  const named = result.toLowerCase().startsWith(what.toLowerCase()) ? result : `${what}: ${result}`;
  return named.endsWith(".") ? named : `${named}.`;
}

function provedIn(given: Given): Line[] {
  const parts = [...given.rigs.values()].flat();
  const proofs = liveProofs(
    given.db,
    parts.map(({ couplingId }) => couplingId),
  );
  return parts.flatMap((part) =>
    (proofs.get(part.couplingId) ?? [])
      .filter(({ at }) => ofYear(given, at))
      .map(({ id, what, result, at, person }) => ({
        key: id,
        text: `${proofSaid(what, result)} ${part.name}, ${person}, ${day(at)}`,
        href: rigAddress(part.id, "proof", { tool: part.couplingId }),
        tone: "plain" as const,
      })),
  );
}

/** What was driven with a wrong number, what broke, what was noted. */
function wrongIn(given: Given): Line[] {
  const { db, units, machine, rigs, named } = given;
  const spoilt = spoiltEntries(db, machine ? [...rigs.keys()] : undefined).filter(
    ({ entry }) => ofYear(given, entry.begun) && rigs.has(entry.rigId),
  );
  const bySpoilt = new Map<string, typeof spoilt>();
  for (const each of spoilt) bySpoilt.set(each.entry.rig, [...(bySpoilt.get(each.entry.rig) ?? []), each]);
  const aways = planAways(db).filter(
    ({ machineId, from, why }) =>
      machineId !== null &&
      why !== "" &&
      ofYear(given, from) &&
      (machine === null || machineId === machine.id),
  );
  const notes = logOf(db, { most: MOST }).filter(
    ({ begun, rigId }) => ofYear(given, begun) && rigs.has(rigId),
  );
  return [
    ...[...bySpoilt].map(([rig, own]): Line => {
      const area = own.reduce((sum, { entry }) => sum + (entry.ended?.area ?? 0), 0);
      return {
        key: `spoilt ${rig}`,
        text: `${rig}: ${say("area", area, units, 1)} driven with a number that is another by now, found since`,
        href: "/spoilt",
        tone: "stop",
      };
    }),
    ...aways.map(
      ({ id, machineId, from, to, why }): Line => ({
        key: `away ${id}`,
        text: `${shortName(named.get(machineId!)!)} away ${spanWords(from, to)}: ${why}`,
        href: `/machines/${machineId}`,
        tone: "warn",
      }),
    ),
    ...notes.flatMap(({ id, rigId, rig, field, ended, notes: own, begun }): Line[] =>
      [...own.map(({ text }) => text), ended?.note ?? ""]
        .filter((text) => text.trim() !== "")
        .map((text, at) => ({
          key: `note ${id} ${at}`,
          text: `“${text}” ${rig}, ${field.name}, ${day(begun)}`,
          href: rigAddress(rigId, "log"),
          tone: "plain",
        })),
    ),
  ];
}

/** What was done to the machines themselves. */
function doneIn(given: Given): Line[] {
  const { db, machine, named } = given;
  const items = serviceItems(db, machine ? [machine.id] : undefined);
  const byId = new Map(items.map((item) => [item.id, item]));
  const done = servicedOf(
    db,
    items.map(({ id }) => id),
  ).filter(({ at, itemId }) => ofYear(given, at) && byId.get(itemId)?.round === "interval");
  const count = new Map<number, typeof done>();
  for (const each of done) count.set(each.itemId, [...(count.get(each.itemId) ?? []), each]);
  return [...count].map(([id, own]): Line => {
    const item = byId.get(id)!;
    const times = own.length === 1 ? day(own[0]!.at) : `${own.length} times`;
    return {
      key: `done ${id}`,
      text: `${item.name}, ${shortName(named.get(item.machineId)!)}: ${times}`,
      href: `/machines/${item.machineId}/service`,
      tone: "plain",
    };
  });
}

/** Tools in use of the rigs this page is of. */
const ownParts = ({ rigs }: Given): RigTool[] =>
  [...rigs.values()].flat().filter(({ archivedAt, tractor }) => archivedAt === null && !tractor.practice);

/** What is to be mended, ordered and made anew before the next season: as it stands now. */
function winterOf(given: Given): Line[] {
  const { db, units, now, machine, rigs, named } = given;
  const machines = machine ? [machine.id] : undefined;
  const due = judgedService(db, now, machines).filter(({ due: { state } }) => state !== "good");
  const wear = judgedWear(db, now, machines).filter(({ order }) => order?.kind === "now");
  const season = seasonView(db, now.toISOString(), units, ownParts(given)).filter(
    ({ key }) =>
      machine === null ||
      key === `machine ${machine.id}` ||
      [...rigs.values()]
        .flat()
        .some((part) => key === `coupling ${part.couplingId}` && isOf(part, machine.id)),
  );
  const judged = judgedOf(db, [...rigs.values()].flat());
  const stops = [...rigs].flatMap(([id, parts]) =>
    judged
      .get(id)!
      .holding.filter(({ severity, id: finding }) => severity === "stop" && !finding.startsWith("missing:"))
      .map(({ what, station, id: finding }) => ({
        id,
        name: parts[0]!.name,
        finding,
        station,
        what: inWords(what, units),
      })),
  );
  return [
    ...stops.map(
      ({ id, name, finding, station, what }): Line => ({
        key: `stop ${id} ${finding}`,
        text: `${name}: ${what}`,
        href: rigAddress(id, station),
        tone: "stop",
      }),
    ),
    ...due.map(
      ({ item, due: { state } }): Line => ({
        key: `service ${item.id}`,
        text: `${item.name}, ${shortName(named.get(item.machineId)!)}: ${state === "unknown" ? "nobody told when it was done" : state === "due" ? "due" : "soon due"}`,
        href: `/machines/${item.machineId}/service`,
        tone: state === "due" ? "warn" : "plain",
      }),
    ),
    ...wear.map(
      ({ part }): Line => ({
        key: `wear ${part.id}`,
        text: `${part.count} × ${part.name}, ${shortName(named.get(part.machineId)!)}: to order`,
        href: `/machines/${part.machineId}/service`,
        tone: "warn",
      }),
    ),
    ...season.map(({ key, name, lines }): Line => {
      const items = lines.filter(({ kind }) => kind !== "service").flatMap(({ items: own }) => own);
      return {
        key: `season ${key}`,
        text: `${name}: ${items.length} ${items.length === 1 ? "reading, calibration or proof" : "readings, calibrations and proofs"} due, stale or never made`,
        href: "/season",
        tone: "plain",
      };
    }),
  ];
}
