/** The page of the plan: what is asked, what was kept, and what that was solved from. */
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { dateAfter } from "../../../core/season/plan/kept.ts";
import { RERIG_ACTS, RERIG_KEYS } from "../../../core/season/rerig.ts";
import type { Database } from "../../../data/handle.ts";
import { listMachines } from "../../../data/machines.ts";
import { listFields } from "../../../data/places.ts";
import {
  keptPlan,
  otherDays,
  planAways,
  planDaysOf,
  planJobs,
  planPeople,
  rerigSeconds,
} from "../../../data/plan.ts";
import { shortName } from "../../../data/whole.ts";
import { day } from "../../stations/frame/print.ts";
import { digestOf } from "./keep-plan.server.ts";
import { HOUR, perHourSaid, planGiven, usualDays } from "./plan-asked.server.ts";
import { areaWords, spanWords } from "./plan-words.ts";

export function planView(db: Database, units: Units, now: Date) {
  const { asked, days, jobs, machineIds, rerigs, pins } = planGiven(db, units, now);
  const digest = digestOf({ asked } as Parameters<typeof digestOf>[0]);
  const kept = keptPlan(db);
  const told = planJobs(db);
  return {
    asked,
    digest,
    first: days.first,
    units,
    machineIds,
    rerigs,
    pins,
    jobs: jobs.map(({ id, name, field, area, done, unknown, at, ways }) => {
      const { opens, closes } = told.find((each) => each.id === id)!;
      return {
        id,
        name,
        field,
        at,
        unknown,
        area: area === null ? "" : areaWords(area, units),
        done: done > 0 ? areaWords(done, units) : "",
        window: spanWords(opens, closes),
        ways: ways.map(({ rig, rate, from }) => ({
          rig,
          rate: rate === null ? "" : perHourSaid(rate, units),
          from,
        })),
      };
    }),
    kept: kept && {
      by: `${kept.person}, ${day(kept.at)}`,
      same: kept.plan.from === digest,
      ends: dateAfter(kept.plan.first, kept.plan.count - 1),
    },
  };
}
export type PlanView = ReturnType<typeof planView>;

/** What is told of the season: jobs, people, days away, hours, minutes. */
export function planToldView(db: Database, units: Units, now: Date) {
  const { jobs, rigs } = planGiven(db, units, now);
  const days = planDaysOf(db);
  const unit = unitOf("area", units);
  const number = (value: number | null, by: number) =>
    value === null ? "" : String(Math.round((value / by) * 100) / 100);
  const areaBy = unit === "ac" ? 4046.8564224 : 1e4;
  const machines = listMachines(db).filter(({ kind }) => kind !== "implement");
  const nameOf = (id: number) => {
    const machine = machines.find((each) => each.id === id);
    return machine ? shortName(machine) : "a machine that is put away";
  };
  const people = planPeople(db);
  const seconds = rerigSeconds(db);
  return {
    unit,
    jobs: planJobs(db).map((job) => ({
      id: job.id,
      name: job.name,
      field: job.fieldId === null ? "" : String(job.fieldId),
      area: number(job.area, areaBy),
      opens: job.opens,
      closes: job.closes,
      most: number(job.most, HOUR),
      rate: number(job.rate === null ? null : job.rate * HOUR, areaBy),
      rigs: job.rigs,
      window: spanWords(job.opens, job.closes),
      given: jobs.find(({ id }) => id === job.id)!,
      asked: jobs
        .filter(({ id, area }) => id === job.id && area !== null)
        .map(({ area }) => areaWords(area!, units))
        .join(""),
      rates: jobs
        .find(({ id }) => id === job.id)!
        .ways.map(({ rig, rate, from }) =>
          rate === null ? `${rig}: ${from || "not known"}` : `${rig}: ${perHourSaid(rate, units)}, ${from}`,
        ),
    })),
    rigs,
    fields: listFields(db)
      .filter(({ archivedAt }) => archivedAt === null)
      .map(({ id, name, farm }) => ({ id, name: farm ? `${name}, ${farm}` : name })),
    machines: machines.map(({ id }) => ({ id, name: nameOf(id) })),
    people: people.map(({ id, name, drives }) => ({ id, name, drives: drives.map(nameOf) })),
    aways: planAways(db).map(({ id, machineId, personId, from, to, why }) => ({
      id,
      who:
        machineId !== null
          ? nameOf(machineId)
          : (people.find((each) => each.id === personId)?.name ?? "somebody who left"),
      when: spanWords(from, to),
      why,
    })),
    days: days
      ? { ...days, told: true, weeks: days.count / 7 }
      : { ...usualDays(now), told: false, weeks: 4 },
    other: [...otherDays(db)].sort().map(([date, time]) => ({ date, hours: number(time, HOUR) })),
    acts: RERIG_KEYS.map((act) => ({
      act,
      label: RERIG_ACTS[act].label,
      minutes: number(seconds[act], 60),
      ours: seconds[act] === RERIG_ACTS[act].seconds,
    })),
  };
}
export type PlanToldView = ReturnType<typeof planToldView>;
