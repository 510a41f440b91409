/** What is told of the plan, pulled about in it, and kept. */
import { createHash } from "node:crypto";
import { sameName } from "../../../core/place/given.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { blocksOf, pulled } from "../../../core/season/plan/blocks.ts";
import { judgePlan } from "../../../core/season/plan/judged.ts";
import { dateAfter, daysBetween, type KeptBlock, weekdayOf } from "../../../core/season/plan/kept.ts";
import { drivingOf } from "../../../core/season/plan/people.ts";
import { type PinProblem, pinProblem } from "../../../core/season/plan/pins.ts";
import { askedText, readPlan } from "../../../core/season/plan/read.ts";
import type { Database } from "../../../data/handle.ts";
import { machinesElsewhere } from "../../../data/lending/loans.ts";
import { findMachine } from "../../../data/machines.ts";
import { fieldNamed } from "../../../data/places.ts";
import {
  addPlanAway,
  addPlanJob,
  addPlanPerson,
  changePlanAway,
  changePlanJob,
  keepPlan,
  letGo,
  likeItsWeekday,
  otherDays,
  type PlannedJob,
  planAways,
  planDaysOf,
  planJobs,
  planPeople,
  pullTo,
  putPlanJobAway,
  putPlanPersonAway,
  setOtherDay,
  setPlanDays,
  setRerigTime,
} from "../../../data/plan.ts";
import type { Told } from "../../../data/record.ts";
import { listRigs } from "../../../data/rigs.ts";
import { checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { amountOf } from "../amount.ts";
import {
  AwayIdDto,
  ChangeJobDto,
  CureDto,
  JobIdDto,
  KeepPlanDto,
  LetGoDto,
  PersonIdDto,
  PlanAwayDto,
  PlanDayDto,
  PlanDaysDto,
  PlanJobDto,
  PlanPersonDto,
  PullDto,
  RerigTimeDto,
  readHours,
  readMinutes,
  readNumbers,
  WEEKDAYS,
} from "./plan.dto.ts";
import { HOUR, type PlanGiven, planGiven, usualDays } from "./plan-asked.server.ts";

export type AtPlan = { db: Database; told: Told; units: Units };

const nowOf = ({ told }: AtPlan): Date => told.now ?? told.at;
const givenAt = (at: AtPlan): PlanGiven => planGiven(at.db, at.units, nowOf(at));

/** What a plan was solved from, in sixteen letters. */
export const digestOf = ({ asked }: PlanGiven): string =>
  createHash("sha256").update(askedText(asked)).digest("hex").slice(0, 16);

function jobIn({ db }: AtPlan, dto: PlanJobDto, but: number | null): Omit<PlannedJob, "id"> | Outcome {
  const unit = dto.areaUnit;
  const read = (text: string) => {
    const found = amountOf(text, { family: "area", unit, optional: true });
    return found.ok ? found.value : null;
  };
  const [area, rate] = [read(dto.area), read(dto.rate)];
  if (area !== null && !(area > 0)) return refused({ area: "More than nothing." });
  if (rate !== null && !(rate > 0)) return refused({ rate: "More than nothing." });
  const fieldId = dto.field === "" ? null : Number(dto.field);
  if (fieldId !== null && !fieldNamed(db, fieldId)) return refused({ field: "There is no such field." });
  const known = new Set(listRigs(db).map(({ id }) => id));
  const rigs = readNumbers(dto.rigs);
  if (rigs.some((id) => !known.has(id))) return refused({ rigs: "One of these rigs is not in use." });
  if (planJobs(db).some((job) => job.id !== but && sameName(job.name, dto.name)))
    return refused({ name: "There is a job of that name." });
  return {
    name: dto.name.trim(),
    fieldId,
    area,
    opens: dto.opens,
    closes: dto.closes,
    most: readHours(dto.most) ?? null,
    rate: rate === null ? null : rate / HOUR,
    rigs,
  };
}

const isOutcome = (found: object): found is Outcome => "ok" in found;
const NO_JOB = refused({ form: "This job is not planned any more." });

const jobOf = ({ db }: AtPlan, id: string): PlannedJob | null =>
  planJobs(db).find((each) => String(each.id) === id) ?? null;

const addJob = (at: AtPlan, dto: PlanJobDto): Outcome => {
  const job = jobIn(at, dto, null);
  if (isOutcome(job)) return job;
  addPlanJob(at.db, job, at.told);
  return kept(`${job.name} is to be done.`);
};

const changeJob = (at: AtPlan, dto: ChangeJobDto): Outcome => {
  if (!jobOf(at, dto.job)) return NO_JOB;
  const job = jobIn(at, dto, Number(dto.job));
  if (isOutcome(job)) return job;
  changePlanJob(at.db, { ...job, id: Number(dto.job) }, at.told);
  return kept(`${job.name} is changed.`);
};

function addPerson(at: AtPlan, { name, drives }: PlanPersonDto): Outcome {
  if (planPeople(at.db).some((each) => sameName(each.name, name)))
    return refused({ name: "There is somebody of that name." });
  const machines = readNumbers(drives);
  if (machines.some((id) => !findMachine(at.db, id))) return refused({ drives: "There is no such machine." });
  addPlanPerson(at.db, { name: name.trim(), drives: machines }, at.told);
  return kept(`${name.trim()} drives.`);
}

function addAway(at: AtPlan, { who, from, to, why }: PlanAwayDto): Outcome {
  const [kind, number] = who.split(" ");
  const id = Number(number);
  const there =
    kind === "machine" ? findMachine(at.db, id) !== null : planPeople(at.db).some((each) => each.id === id);
  if (!there) return refused({ who: "Not in this yard." });
  const whose = kind === "machine" ? { machineId: id, personId: null } : { machineId: null, personId: id };
  addPlanAway(at.db, { ...whose, from, to, why: why.trim() }, at.told);
  return kept("Kept: the plan goes without.");
}

function setDays(at: AtPlan, dto: PlanDaysDto): Outcome {
  setPlanDays(
    at.db,
    {
      first: dto.first,
      count: 7 * Number(dto.weeks),
      week: WEEKDAYS.map((day) => readHours(dto[day])!),
      late: Number(dto.late),
    },
    at.told,
  );
  return kept("Kept.");
}

/** Why a piece cannot stay where it was pulled, in words. */
function pinSaid(problem: PinProblem, { asked, days }: PlanGiven): string {
  const date = (day: number) => dateAfter(days.first, day);
  switch (problem.kind) {
    case "cannot carry it":
      return "No rig of that tractor does this job.";
    case "no days left":
      return "From that day on it does not hold before the plan ends.";
    case "tractor has other work":
      return `${asked.jobs[problem.job]!.name} was pulled there, ${date(problem.day)}: let that go first.`;
    case "tool is elsewhere":
      return `On ${date(problem.day)} its tool is pulled to ${asked.tractors[problem.tractor]!.name}.`;
    case "nobody to drive":
      return `On ${date(problem.day)} nobody is left to drive it.`;
  }
}

function pull(at: AtPlan, { job: id, machine, day, area, instead }: PullDto): Outcome {
  const given = givenAt(at);
  const job = given.jobs.find((each) => String(each.id) === id);
  if (!job || job.at === null) return NO_JOB;
  const tractor = given.machineIds.indexOf(Number(machine));
  const from = daysBetween(given.days.first, day);
  const wanted = Math.min(Number(area), given.asked.jobs[job.at]!.area);
  if (!(wanted > 0) || from < 0 || from >= given.days.count)
    return refused({ form: "That is beside the plan." });
  const pin = pulled(given.asked, { job: job.at, area: wanted }, tractor, from);
  if (!pin) return refused({ form: pinSaid({ kind: "cannot carry it" }, given) });
  const instead_ = new Set(readNumbers(instead).filter((each) => given.pins.includes(each)));
  const pins = given.asked.pins.filter((_, place) => !instead_.has(given.pins[place]!));
  const problem = pinProblem({ ...given.asked, pins }, pin);
  if (problem) return refused({ form: pinSaid(problem, given) });
  const others = pins.filter((each) => each.job === pin.job).reduce((sum, each) => sum + each.area, 0);
  if (others + pin.area > given.asked.jobs[pin.job]!.area + 100)
    return refused({ form: "More of it would be pulled than there is." });
  pullTo(
    at.db,
    { jobId: job.id, machineId: Number(machine), day, days: pin.days, area: pin.area },
    [...instead_],
    at.told,
  );
  return kept(`${job.name} stays there. The rest is solved again.`);
}

/** One day more or less where a day is told otherwise already. */
function moreHours(at: AtPlan, job: PlannedJob, more: number): void {
  const { first, count, week } = planDaysOf(at.db) ?? usualDays(nowOf(at));
  const other = otherDays(at.db);
  for (let day = Math.max(0, daysBetween(first, job.opens)); day < count; day += 1) {
    const date = dateAfter(first, day);
    if (date > job.closes) break;
    const there = other.get(date) ?? week[weekdayOf(date)] ?? 0;
    if (there > 0) setOtherDay(at.db, date, Math.min(24 * HOUR, there + more), at.told);
  }
}

/** A machine is there on these days after all: what is left of the days it is away. */
function there(at: AtPlan, machineId: number, days: ReadonlySet<string>): void {
  for (const away of planAways(at.db).filter((each) => each.machineId === machineId)) {
    let { from, to } = away;
    while (from <= to && days.has(to)) to = dateAfter(to, -1);
    while (from <= to && days.has(from)) from = dateAfter(from, 1);
    if (from !== away.from || to !== away.to)
      changePlanAway(at.db, away.id, from > to ? null : { from, to }, at.told);
  }
}

function cure(at: AtPlan, { job: id, cure: kind, amount, days, machine }: CureDto): Outcome {
  const job = jobOf(at, id);
  if (!job) return NO_JOB;
  const loan = kind === "tractor there" ? machinesElsewhere(at.db).get(Number(machine)) : undefined;
  // Whether it comes sooner is said where it is, not here.
  if (loan)
    return refused({
      form: `It is at ${loan.there}: ask there whether it comes back sooner. It is planned with once its file is brought in here.`,
    });
  const by = Number(amount);
  const dates = days === "" ? [] : days.split(",");
  at.db.transaction(() => {
    switch (kind) {
      case "later":
        return changePlanJob(at.db, { ...job, closes: dateAfter(job.closes, by) }, at.told);
      case "earlier":
        return changePlanJob(at.db, { ...job, opens: dateAfter(job.opens, -by) }, at.told);
      case "days off": {
        const { week } = planDaysOf(at.db) ?? usualDays(nowOf(at));
        for (const date of dates) setOtherDay(at.db, date, Math.max(...week), at.told);
        return;
      }
      case "hours":
        moreHours(at, job, by);
        if (job.most !== null) changePlanJob(at.db, { ...job, most: job.most + by }, at.told);
        return;
      case "tractor there":
        return there(at, Number(machine), new Set(dates));
      case "hire": {
        const area = givenAt(at).jobs.find((each) => each.id === job.id)?.area ?? null;
        if (area !== null && area > by) changePlanJob(at.db, { ...job, area: area - by }, at.told);
      }
    }
  });
  return kept("Changed: the plan is solved again.");
}

function keep(at: AtPlan, dto: KeepPlanDto): Outcome {
  const given = givenAt(at);
  const { asked, days } = given;
  if (digestOf(given) !== dto.from)
    return refused({ form: "Something was told otherwise meanwhile: it is solved again, then keep it." });
  const plan = readPlan(asked, dto.plan);
  if (!plan) return refused({ form: "This is no plan of this season." });
  const judged = judgePlan(asked, plan);
  if (judged.faults.length > 0) return refused({ form: "This plan cannot be done: it was not kept." });
  const driving = drivingOf(asked, plan);
  const blocks = blocksOf(asked, plan).map((block): KeptBlock => {
    const job = given.jobs.find((each) => each.at === block.job)!;
    const way = job.ways.find(({ tractor, outfit }) => tractor === block.tractor && outfit === block.outfit)!;
    const own = plan.works.filter(
      ({ job: of, tractor, day }) =>
        of === block.job && tractor === block.tractor && day >= block.from && day <= block.to,
    );
    return {
      jobId: job.id,
      job: job.name,
      field: job.field,
      machineId: given.machineIds[block.tractor]!,
      machine: asked.tractors[block.tractor]!.name,
      rigId: way.rigId,
      rig: way.rig,
      from: dateAfter(days.first, block.from),
      to: dateAfter(days.first, block.to),
      days: own.map(({ day, time }) => ({
        day: dateAfter(days.first, day),
        time,
        people: driving
          .filter((each) => each.day === day && each.tractor === block.tractor)
          .map(({ person, time: hours }) => ({ name: asked.people[person]!.name, time: hours })),
      })),
      area: block.area,
      pinned: block.pinned,
    };
  });
  const id = keepPlan(
    at.db,
    {
      first: days.first,
      count: days.count,
      blocks,
      from: dto.from,
      inside: judged.inside,
      asked: judged.asked,
      most: dto.most === "" ? null : Number(dto.most),
      late: judged.late,
      rerig: judged.rerig,
    },
    { ...at.told, person: dto.person },
  );
  return kept("Kept: this is the plan.", { id, person: dto.person });
}

export const PLAN_INTENTS: Intents<AtPlan> = {
  "add-job": checkedBy(PlanJobDto, addJob),
  "change-job": checkedBy(ChangeJobDto, changeJob),
  "job-away": checkedBy(JobIdDto, (at: AtPlan, { job: id }) => {
    const job = jobOf(at, id);
    if (!job) return NO_JOB;
    putPlanJobAway(at.db, job.id, at.told);
    return kept(`${job.name} is off the plan.`);
  }),
  "add-person": checkedBy(PlanPersonDto, addPerson),
  "person-away": checkedBy(PersonIdDto, (at: AtPlan, { person }) => {
    const known = planPeople(at.db).find(({ id }) => String(id) === person);
    if (!known) return refused({ form: "There is nobody of that number." });
    putPlanPersonAway(at.db, known.id, at.told);
    return kept(`${known.name} is off the list.`);
  }),
  "add-away": checkedBy(PlanAwayDto, addAway),
  "away-back": checkedBy(AwayIdDto, (at: AtPlan, { away }) => {
    if (!planAways(at.db).some(({ id }) => String(id) === away))
      return refused({ form: "There is no such line any more." });
    changePlanAway(at.db, Number(away), null, at.told);
    return kept("There again.");
  }),
  days: checkedBy(PlanDaysDto, setDays),
  day: checkedBy(PlanDayDto, (at: AtPlan, { day, hours }) => {
    if (hours === "") likeItsWeekday(at.db, day, at.told);
    else setOtherDay(at.db, day, readHours(hours)!, at.told);
    return kept("Kept.");
  }),
  "rerig-time": checkedBy(RerigTimeDto, (at: AtPlan, { act, minutes }) => {
    setRerigTime(at.db, act, readMinutes(minutes)!, at.told);
    return kept("Kept: the plan reckons with it.");
  }),
  pull: checkedBy(PullDto, pull),
  "let-go": checkedBy(LetGoDto, (at: AtPlan, { pins }) => {
    letGo(at.db, readNumbers(pins), at.told);
    return kept("Let go: it lies where the plan lays it.");
  }),
  cure: checkedBy(CureDto, cure),
  keep: checkedBy(KeepPlanDto, keep),
};
