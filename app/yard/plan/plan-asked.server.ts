/** What a plan is made from, put together from what was told, the log and the rigs themselves. */
import { inWords } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import type { PlanAsked, PlanPerson, PlanTractor } from "../../../core/season/plan/asked.ts";
import { dateAfter, daysBetween, weekdayOf } from "../../../core/season/plan/kept.ts";
import { ratesOf } from "../../../core/season/rates.ts";
import { type RerigSeconds, type RigSetup, rerigOf } from "../../../core/season/rerig.ts";
import { areaOfBoundary } from "../../../data/areas.ts";
import type { Database } from "../../../data/handle.ts";
import { coupledRigs } from "../../../data/in-use.ts";
import { machinesElsewhere } from "../../../data/lending/loans.ts";
import { logOf } from "../../../data/log.ts";
import { fieldNamed } from "../../../data/places.ts";
import {
  otherDays,
  type PlannedAway,
  type PlannedDays,
  type PlannedJob,
  planAways,
  planDaysOf,
  planJobs,
  planPeople,
  planPins,
  rerigSeconds,
} from "../../../data/plan.ts";
import { everyRig, listEveryTool, outfitOf, type RigTool } from "../../../data/rigs.ts";
import { machineName, shortName } from "../../../data/whole.ts";
import { notHereOf } from "../../stations/frame/not-here.server.ts";
import { judgedOf } from "../board.server.ts";
import { drivenOf } from "../rates/rates-view.server.ts";
import { setupOfRig } from "./setups.server.ts";

/** How fast a rig is, and how that is known; of one that cannot be planned with, null and why. */
export type RigRate = { rate: number | null; from: string };

export type GivenWay = { rigId: number; rig: string; tractor: number; outfit: number } & RigRate;

export type GivenJob = {
  id: number;
  name: string;
  field: string;
  /** m² asked, and done of it by the log */
  area: number | null;
  done: number;
  ways: GivenWay[];
  /** why it is not in the plan; empty where it is */
  unknown: string;
  /** place in the plan's list; null where it is not in it */
  at: number | null;
};

export type RerigSaid = { seconds: number; lines: string[]; unknown: string[] };

export type PlanGiven = {
  days: PlannedDays;
  asked: PlanAsked;
  jobs: GivenJob[];
  machineIds: number[];
  /** rigs of the yard that could be planned with */
  rigs: { id: number; name: string }[];
  /** by tractor, then "from to" */
  rerigs: Record<string, RerigSaid>[];
  /** what was pulled, by its number, in the order of the plan's list */
  pins: number[];
};

export const HOUR = 3600;
const DAYS: Omit<PlannedDays, "first"> = {
  count: 28,
  week: [10, 10, 10, 10, 10, 8, 0].map((hours) => hours * HOUR),
  late: 10,
};

/** What is planned with where nobody told: four weeks from the Monday of this week. */
export function usualDays(now: Date): PlannedDays {
  const today = now.toISOString().slice(0, 10);
  return { first: dateAfter(today, -weekdayOf(today)), ...DAYS };
}

type Rig = { id: number; name: string; parts: readonly RigTool[] };

const ENTRIES = 5_000;

/** m² and seconds of every entry that told both, rig by rig; and where each was. */
function drivenByRig(db: Database) {
  const found = new Map<number, { driven: ReturnType<typeof drivenOf>; fieldId: number }[]>();
  for (const entry of logOf(db, { most: ENTRIES })) {
    if (!entry.ended) continue;
    const own = found.get(entry.rigId) ?? [];
    own.push({ driven: drivenOf(entry), fieldId: entry.field.id });
    found.set(entry.rigId, own);
  }
  return found;
}

function rateOf(
  { id }: Rig,
  entries: ReturnType<typeof drivenByRig>,
  judged: ReturnType<typeof judgedOf>,
): RigRate {
  const own = entries.get(id)?.map(({ driven }) => driven) ?? [];
  const { rate, entries: count, untold } = ratesOf(own);
  if (rate !== null) return { rate, from: `by the log, ${count - untold} entries` };
  const reckoned = judged.get(id)!.rate;
  return reckoned ? { rate: reckoned, from: "reckoned from speed and width" } : { rate: null, from: "" };
}

const within = (aways: readonly PlannedAway[], first: string, count: number): Set<number> => {
  const days = new Set<number>();
  for (const { from, to } of aways)
    for (
      let day = Math.max(0, daysBetween(first, from));
      day <= Math.min(count - 1, daysBetween(first, to));
      day += 1
    )
      days.add(day);
  return days;
};

export function planGiven(db: Database, units: Units, now: Date): PlanGiven {
  const days = planDaysOf(db) ?? usualDays(now);
  const told = planJobs(db);
  const every = [...everyRig(listEveryTool(db))].map(
    ([id, parts]): Rig => ({ id, name: parts[0]!.name, parts }),
  );
  const used = new Set(told.flatMap(({ rigs }) => rigs));
  const rigs = every.filter(({ id }) => used.has(id));
  const outfitKeys = [...new Set(rigs.map(({ parts }) => outfitOf(parts)))];
  const tractorIds = [...new Set(rigs.map(({ parts }) => parts[0]!.tractor.id))];
  const entries = drivenByRig(db);
  const judged = judgedOf(
    db,
    rigs.flatMap(({ parts }) => parts),
  );
  const rates = new Map(rigs.map((rig) => [rig.id, rateOf(rig, entries, judged)]));
  const lent = lentDays(db, days, now);
  const missing = missingOf(db, rigs, lent);
  const wayOf = ({ id, name, parts }: Rig, rate: number | null): GivenWay => ({
    rigId: id,
    rig: name,
    tractor: tractorIds.indexOf(parts[0]!.tractor.id),
    outfit: outfitKeys.indexOf(outfitOf(parts)),
    ...(missing.get(id) ?? (rate === null ? rates.get(id)! : { rate, from: "as told" })),
  });
  const jobs = told.map((job) => jobOf(db, job, { rigs, wayOf, entries, days }));
  const planned = jobs.filter(({ unknown }) => unknown === "");
  for (const [at, job] of planned.entries()) job.at = at;
  const tractors = tractorsOf(db, { tractorIds, outfitKeys, rigs, days, units, lent });
  const people = planPeople(db);
  const aways = planAways(db);
  const other = otherDays(db);
  const today = daysBetween(days.first, now.toISOString().slice(0, 10));
  const opening = (day: number) => {
    const date = dateAfter(days.first, day);
    return today > 0 && today < days.count && day < today
      ? 0
      : (other.get(date) ?? days.week[weekdayOf(date)] ?? 0);
  };
  const pins = planPins(db).flatMap((pin) => {
    const at = planned.findIndex(({ id }) => id === pin.jobId);
    const tractor = tractorIds.indexOf(pin.machineId);
    const day = daysBetween(days.first, pin.day);
    const able = planned[at]?.ways.some((way) => way.tractor === tractor && way.rate !== null);
    return able && day >= 0 && day < days.count
      ? [{ id: pin.id, pin: { job: at, tractor, day, days: pin.days, area: pin.area } }]
      : [];
  });
  const asked: PlanAsked = {
    days: Array.from({ length: days.count }, (_, day) => opening(day)),
    tractors: tractors.map(({ tractor }) => tractor),
    outfits: outfitKeys.map((key) => {
      const { parts } = rigs.find((rig) => outfitOf(rig.parts) === key)!;
      return {
        name: parts.map(({ implement }) => machineName(implement)).join(" + "),
        tools: key.split(" ").map(Number),
      };
    }),
    jobs: planned.map((job) => {
      const own = told.find(({ id }) => id === job.id)!;
      return {
        id: job.id,
        name: job.name,
        area: job.area! - job.done,
        from: daysBetween(days.first, own.opens),
        to: Math.min(days.count - 1, daysBetween(days.first, own.closes)),
        most: own.most,
        ways: job.ways.flatMap(({ tractor, outfit, rate }, place) =>
          // Two rigs of the same tools on one tractor are one way to do it.
          rate === null ||
          job.ways.findIndex(
            (way) => way.tractor === tractor && way.outfit === outfit && way.rate !== null,
          ) !== place
            ? []
            : [{ tractor, outfit, rate }],
        ),
      };
    }),
    people: people.map(
      ({ id, name, drives }): PlanPerson => ({
        name,
        away: within(
          aways.filter(({ personId }) => personId === id),
          days.first,
          days.count,
        ),
        drives: drives.length === 0 ? null : new Set(drives.map((each) => tractorIds.indexOf(each))),
      }),
    ),
    late: days.late,
    pins: pins.map(({ pin }) => pin),
  };
  return {
    days,
    asked,
    jobs,
    machineIds: tractorIds,
    rigs: every.map(({ id, name }) => ({ id, name })),
    rerigs: tractors.map(({ rerigs }) => rerigs),
    pins: pins.map(({ id }) => id),
  };
}

/** Machines that are at another yard, with the days of the plan until they are to be back; null where nobody can say. */
type LentDays = ReadonlyMap<number, ReadonlySet<number> | null>;

function lentDays(db: Database, { first, count }: PlannedDays, now: Date): LentDays {
  const today = now.toISOString().slice(0, 10);
  return new Map(
    [...machinesElsewhere(db)].map(([id, { until }]) => {
      const back = until !== "" && until >= today ? daysBetween(first, until) : count;
      const away = Array.from({ length: Math.max(0, back + 1) }, (_, day) => day);
      return [id, back >= count ? null : new Set(away)];
    }),
  );
}

/** Rigs that cannot be planned with, for want of a machine, and why. A tractor that is back in these weeks is planned with from then on. */
function missingOf(
  db: Database,
  rigs: readonly Rig[],
  lent: LentDays,
): Map<number, RigRate & { rate: null }> {
  const lacking = notHereOf(
    db,
    rigs.map(({ parts }) => parts),
  );
  return new Map(
    rigs.flatMap(({ id, parts }, at) => {
      const drives = parts[0]!.tractor.id;
      const gone = lacking[at]!.filter(({ id }) => id !== drives || !lent.get(id));
      const said = gone.map(({ name, why, until }) => `${name} is ${why}, not planned with ${until}`);
      return said.length === 0 ? [] : [[id, { rate: null, from: said.join("; ") }]];
    }),
  );
}

type OfJobs = {
  rigs: readonly Rig[];
  wayOf: (rig: Rig, rate: number | null) => GivenWay;
  entries: ReturnType<typeof drivenByRig>;
  days: PlannedDays;
};

function jobOf(db: Database, job: PlannedJob, { rigs, wayOf, entries, days }: OfJobs): GivenJob {
  const field = job.fieldId === null ? null : fieldNamed(db, job.fieldId);
  const bounded = field?.boundaryId ? areaOfBoundary(db, field.boundaryId) : null;
  const area = job.area ?? bounded;
  const done =
    job.fieldId === null
      ? 0
      : job.rigs
          .flatMap((rig) => entries.get(rig) ?? [])
          .filter(({ driven, fieldId }) => fieldId === job.fieldId && driven.begun.slice(0, 10) >= job.opens)
          .reduce((sum, { driven }) => sum + (driven.area ?? 0), 0);
  const ways = rigs.filter(({ id }) => job.rigs.includes(id)).map((rig) => wayOf(rig, job.rate));
  return {
    id: job.id,
    name: job.name,
    field: field?.name ?? "",
    area,
    done: Math.min(done, area ?? done),
    ways,
    unknown:
      job.closes < days.first || job.opens >= dateAfter(days.first, days.count)
        ? "in which of the planned weeks: its window lies beside them"
        : lackOf({ area, done, ways }),
    at: null,
  };
}

/** Less of a job than that is nothing left to plan, m². */
const NOTHING = 100;

function lackOf({ area, done, ways }: Pick<GivenJob, "area" | "done" | "ways">): string {
  if (area === null) return "how many hectares it is: tell them, or where its field ends";
  if (area - done < NOTHING) return "done, by the log";
  if (ways.length === 0) return "which rig does it";
  const gone = ways.filter(({ rate, from }) => rate === null && from !== "").map(({ from }) => from);
  if (gone.length === ways.length) return `with which rig: ${[...new Set(gone)].join("; ")}`;
  return ways.every(({ rate }) => rate === null)
    ? "how fast its rigs work: tell hectares an hour, or their speed and width"
    : "";
}

type Tractors = {
  tractorIds: readonly number[];
  outfitKeys: readonly string[];
  rigs: readonly Rig[];
  days: PlannedDays;
  units: Units;
  lent: LentDays;
};

function tractorsOf(db: Database, { tractorIds, outfitKeys, rigs, days, units, lent }: Tractors) {
  const seconds = rerigSeconds(db);
  const aways = planAways(db);
  const coupled = coupledRigs(db);
  return tractorIds.map((id, at) => {
    const own = rigs
      .filter(({ parts }) => parts[0]!.tractor.id === id)
      .sort((a, b) => coupled.indexOf(b.id) - coupled.indexOf(a.id));
    const carries = [...new Set(own.map(({ parts }) => outfitKeys.indexOf(outfitOf(parts))))];
    const setups = [
      null,
      ...carries.map((outfit) =>
        setupOfRig(db, own.find(({ parts }) => outfitOf(parts) === outfitKeys[outfit])!.parts, units),
      ),
    ];
    const { matrix, said } = rerigsOf(setups, seconds, units);
    const on = own.find((rig) => coupled.includes(rig.id));
    const { tractor: machine } = own[0]!.parts[0]!;
    const tractor: PlanTractor = {
      id: at,
      name: shortName(machine),
      carries,
      begins: on ? carries.indexOf(outfitKeys.indexOf(outfitOf(on.parts))) + 1 : 0,
      away: new Set([
        ...within(
          aways.filter(({ machineId }) => machineId === id),
          days.first,
          days.count,
        ),
        ...(lent.get(id) ?? []),
      ]),
      rerig: matrix,
    };
    return { tractor, rerigs: said };
  });
}

function rerigsOf(setups: readonly (RigSetup | null)[], seconds: RerigSeconds, units: Units) {
  const said: Record<string, RerigSaid> = {};
  const matrix = setups.map((from, a) =>
    setups.map((to, b) => {
      if (a === b) return 0;
      const rerig = rerigOf(from, to, seconds);
      said[`${a} ${b}`] = {
        seconds: rerig.seconds,
        lines: rerig.lines.map((line) => inWords(line.said, units)),
        unknown: rerig.unknown,
      };
      return rerig.seconds;
    }),
  );
  return { matrix, said };
}

/** Hectares an hour as they are read. */
export const perHourSaid = (rate: number, units: Units): string => `${say("area", rate * HOUR, units)}/h`;
