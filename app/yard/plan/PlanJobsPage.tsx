import { useEffect, useState } from "react";
import { Form, Link, useNavigation } from "react-router";
import type { Route } from "../../routes/+types/plan-jobs";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { YardFrame } from "../YardFrame.tsx";
import {
  PlanAwayDto,
  PlanDayDto,
  PlanDaysDto,
  PlanJobDto,
  PlanPersonDto,
  RerigTimeDto,
  WEEKDAYS,
} from "./plan.dto.ts";
import type { PlanToldView } from "./plan-view.server.ts";
import { dateWords } from "./plan-words.ts";

type Page = { view: PlanToldView; sent: string; errors: FieldErrors };

/** What a plan is made from: jobs with their windows, who and what is there, how long a day is, what setting takes. */
export function PlanJobsPage({ loaderData: { preferences, view }, actionData }: Route.ComponentProps) {
  const { formData } = useNavigation();
  const [sent, setSent] = useState("");
  const now = String(formData?.get("form") ?? "");
  useEffect(() => {
    if (now) setSent(now);
  }, [now]);
  const errors = actionData && !actionData.ok ? actionData.errors : {};
  const page = { view, sent, errors };
  return (
    <YardFrame preferences={preferences} here="rigs">
      <div>
        <p className="text-soft">
          <Link to="/plan">Plan of the season</Link>
        </p>
        <h1>What has to be done</h1>
        <p className="text-lead text-soft">
          Which job, within which days, by which rigs. How fast they are is learnt from the log, or reckoned
          from speed and width.
        </p>
        {actionData?.ok && <p className="font-semibold text-ok">{actionData.kept.said}</p>}
        {errors.form && <p className="problem">{errors.form}</p>}
      </div>
      <div className="grid grid-cols-[1.5fr_1fr] gap-8 max-lg:grid-cols-1">
        <Jobs {...page} />
        <div className="grid content-start gap-6">
          <People {...page} />
          <Aways {...page} />
          <Days {...page} />
          <Minutes {...page} />
        </div>
      </div>
    </YardFrame>
  );
}

/** Errors of the form they were sent with: others keep theirs clear. */
const errorsOf = ({ sent, errors }: Page, form: string): FieldErrors => (sent === form ? errors : {});

function Jobs(page: Page) {
  const { view } = page;
  return (
    <section aria-label="Jobs">
      <h2 className="border-b-2 border-ink pb-1">Jobs</h2>
      {view.jobs.length === 0 && <p className="py-2 text-soft">None yet.</p>}
      <ul>
        {view.jobs.map((job) => (
          <li key={job.id} id={`job-${job.id}`} data-job={job.name} className="border-b border-hair py-2">
            <p>
              <b className="text-[17px]">{job.name}</b> {job.window}
              <span className="block">
                {job.asked ? job.asked : <span className="font-semibold text-warn">hectares not known</span>}
                {job.given.field && ` on ${job.given.field}`}
                {job.most && `, ${job.most} h a day at most`}. {job.rates.join(". ")}.
              </span>
              {job.given.unknown && (
                <span
                  className={`block font-semibold ${job.given.unknown.startsWith("done") ? "text-ok" : "text-warn"}`}
                >
                  {job.given.unknown.startsWith("done")
                    ? "Done, by the log."
                    : `Not known: ${job.given.unknown}.`}
                </span>
              )}
            </p>
            <Folded summary="Change it" whenOpened>
              <JobForm page={page} form={`job ${job.id}`} job={job} />
              <Form method="post" className="pb-2">
                <input type="hidden" name="job" value={job.id} />
                <button type="submit" name="intent" value="job-away" className="key">
                  Off the plan
                </button>
              </Form>
            </Folded>
          </li>
        ))}
      </ul>
      <Folded summary="Another job" className="mt-2">
        <JobForm key={view.jobs.length} page={page} form="job" job={null} />
      </Folded>
    </section>
  );
}

type Job = PlanToldView["jobs"][number];

function JobForm({ page, form, job }: { page: Page; form: string; job: Job | null }) {
  const { unit, fields, rigs } = page.view;
  const { errors, onSubmit } = useChecked(PlanJobDto, errorsOf(page, form));
  return (
    <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
      <input type="hidden" name="form" value={form} />
      {job && <input type="hidden" name="job" value={job.id} />}
      <input type="hidden" name="areaUnit" value={unit} />
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField
          name="name"
          label="What is done"
          placeholder="Sowing, Long Acre"
          autoComplete="off"
          defaultValue={job?.name}
          problem={errors.name}
        />
        <SelectField
          name="field"
          label="On which field"
          defaultValue={job?.field ?? ""}
          problem={errors.field}
          choices={[
            ["", "Several, or none told"],
            ...fields.map(({ id, name }) => [String(id), name] as const),
          ]}
        />
        <TextField name="opens" type="date" label="From" defaultValue={job?.opens} problem={errors.opens} />
        <TextField
          name="closes"
          type="date"
          label="Done by"
          defaultValue={job?.closes}
          problem={errors.closes}
        />
        <TextField
          name="area"
          label={`How much, ${unit}`}
          inputMode="decimal"
          defaultValue={job?.area}
          problem={errors.area}
          hint="Empty: the whole field."
        />
        <TextField
          name="rate"
          label={`How fast, ${unit}/h`}
          inputMode="decimal"
          defaultValue={job?.rate}
          problem={errors.rate}
          hint="Empty: as the log or the rig says."
        />
        <TextField
          name="most"
          label="Hours a day at most"
          inputMode="decimal"
          defaultValue={job?.most}
          problem={errors.most}
          hint="Where dew or wind allow less than the day. Empty: the day's."
        />
      </div>
      <Ticks
        name="rigs"
        legend="Which rigs may do it"
        choices={rigs}
        chosen={job?.rigs ?? []}
        problem={errors.rigs}
      />
      <p>
        <button type="submit" name="intent" value={job ? "change-job" : "add-job"} className="key-main">
          {job ? "Keep it" : "Add it"}
        </button>
      </p>
    </Form>
  );
}

/** Several of a list, sent as their numbers. */
function Ticks({
  name,
  legend,
  choices,
  chosen,
  problem,
}: {
  name: string;
  legend: string;
  choices: readonly { id: number; name: string }[];
  chosen: readonly number[];
  problem: string | undefined;
}) {
  const [ids, setIds] = useState<readonly number[]>(chosen);
  return (
    <fieldset>
      <legend>{legend}</legend>
      <input type="hidden" name={name} value={ids.join(",")} />
      <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        {choices.map(({ id, name: label }) => (
          <label key={id} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={ids.includes(id)}
              onChange={({ target }) =>
                setIds((before) => (target.checked ? [...before, id] : before.filter((each) => each !== id)))
              }
            />
            {label}
          </label>
        ))}
      </div>
      {problem && <p className="problem">{problem}</p>}
    </fieldset>
  );
}

function People(page: Page) {
  const { people, machines } = page.view;
  const { errors, onSubmit } = useChecked(PlanPersonDto, errorsOf(page, "person"));
  return (
    <section aria-label="Who drives">
      <h2 className="border-b-2 border-ink pb-1">Who drives</h2>
      {people.length === 0 && (
        <p className="py-2 font-semibold text-warn">
          Nobody is told: who drives limits nothing, and nobody is named.
        </p>
      )}
      <ul>
        {people.map(({ id, name, drives }) => (
          <li key={id} className="flex items-center justify-between gap-3 border-b border-hair py-1">
            <span>
              <b>{name}</b> {drives.length === 0 ? "any of them" : `only ${drives.join(", ")}`}
            </span>
            <Form method="post">
              <input type="hidden" name="person" value={id} />
              <button
                type="submit"
                name="intent"
                value="person-away"
                className="key"
                aria-label={`${name} off the list`}
              >
                Off
              </button>
            </Form>
          </li>
        ))}
      </ul>
      <Folded summary="Somebody else">
        <Form key={people.length} method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
          <input type="hidden" name="form" value="person" />
          <TextField name="name" label="Who drives" autoComplete="off" problem={errors.name} />
          <Ticks
            name="drives"
            legend="Only these; none ticked: any"
            choices={machines}
            chosen={[]}
            problem={errors.drives}
          />
          <p>
            <button type="submit" name="intent" value="add-person" className="key-main">
              Add
            </button>
          </p>
        </Form>
      </Folded>
    </section>
  );
}

function Aways(page: Page) {
  const { aways, machines, people } = page.view;
  const { errors, onSubmit } = useChecked(PlanAwayDto, errorsOf(page, "away"));
  return (
    <section aria-label="Who or what is away">
      <h2 className="border-b-2 border-ink pb-1">Who or what is away</h2>
      {aways.length === 0 && <p className="py-2 text-soft">Nobody and nothing.</p>}
      <ul>
        {aways.map(({ id, who, when, why }) => (
          <li
            key={id}
            data-away={who}
            className="flex items-center justify-between gap-3 border-b border-hair py-1"
          >
            <span>
              <b>{who}</b> {when}
              {why && <span className="text-soft">, {why}</span>}
            </span>
            <Form method="post">
              <input type="hidden" name="away" value={id} />
              <button
                type="submit"
                name="intent"
                value="away-back"
                className="key"
                aria-label={`${who} is there again`}
              >
                There
              </button>
            </Form>
          </li>
        ))}
      </ul>
      <Folded summary="Somebody or something is away">
        <Form key={aways.length} method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
          <input type="hidden" name="form" value="away" />
          <SelectField
            name="who"
            label="Who, or what"
            problem={errors.who}
            choices={[
              ["", "Choose"],
              ...machines.map(({ id, name }) => [`machine ${id}`, name] as const),
              ...people.map(({ id, name }) => [`person ${id}`, name] as const),
            ]}
          />
          <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
            <TextField name="from" type="date" label="From" problem={errors.from} />
            <TextField name="to" type="date" label="To" problem={errors.to} />
          </div>
          <TextField name="why" label="Why" autoComplete="off" problem={errors.why} />
          <p>
            <button type="submit" name="intent" value="add-away" className="key-main">
              Keep it
            </button>
          </p>
        </Form>
      </Folded>
    </section>
  );
}

const DAY_LABELS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

function Days(page: Page) {
  const { days, other } = page.view;
  const { errors, onSubmit } = useChecked(PlanDaysDto, errorsOf(page, "days"));
  const one = useChecked(PlanDayDto, errorsOf(page, "day"));
  return (
    <section aria-label="How long a day is">
      <h2 className="border-b-2 border-ink pb-1">How long a day is</h2>
      {!days.told && (
        <p className="py-1 text-warn">
          Assumed: ten hours, eight on a Saturday, four weeks from this Monday.
        </p>
      )}
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-3 py-2">
        <input type="hidden" name="form" value="days" />
        <div className="grid grid-cols-[1.5fr_1fr_1.2fr] gap-3 max-sm:grid-cols-1">
          <TextField name="first" type="date" label="From" defaultValue={days.first} problem={errors.first} />
          <TextField
            name="weeks"
            label="Weeks"
            inputMode="numeric"
            defaultValue={String(Math.round(days.weeks))}
            problem={errors.weeks}
          />
          <TextField
            name="late"
            label="Late at most, days"
            inputMode="numeric"
            defaultValue={String(days.late)}
            problem={errors.late}
          />
        </div>
        <fieldset>
          <legend>Hours one can work, after rain and dew are taken off</legend>
          <div className="grid grid-cols-7 gap-1 max-sm:grid-cols-4">
            {WEEKDAYS.map((day, at) => (
              <TextField
                key={day}
                name={day}
                label={DAY_LABELS[at]!}
                inputMode="decimal"
                defaultValue={String((days.week[at] ?? 0) / 3600)}
                problem={errors[day]}
              />
            ))}
          </div>
        </fieldset>
        <p>
          <button type="submit" name="intent" value="days" className="key-main">
            Keep it
          </button>
        </p>
      </Form>
      <ul>
        {other.map(({ date, hours }) => (
          <li key={date} className="flex items-center justify-between gap-3 border-b border-hair py-1">
            <span>
              <b>{dateWords(date)}</b> {hours} h
            </span>
            <Form method="post">
              <input type="hidden" name="day" value={date} />
              <input type="hidden" name="hours" value="" />
              <button type="submit" name="intent" value="day" className="key">
                As its weekday
              </button>
            </Form>
          </li>
        ))}
      </ul>
      <Folded summary="One day that is another">
        <Form
          key={other.length}
          method="post"
          noValidate
          onSubmit={one.onSubmit}
          className="flex flex-wrap items-end gap-3 pb-3"
        >
          <input type="hidden" name="form" value="day" />
          <TextField name="day" type="date" label="Day" problem={one.errors.day} />
          <TextField name="hours" label="Hours" inputMode="decimal" problem={one.errors.hours} />
          <button type="submit" name="intent" value="day" className="key-main">
            Keep it
          </button>
        </Form>
      </Folded>
    </section>
  );
}

function Minutes(page: Page) {
  const { acts } = page.view;
  return (
    <section aria-label="What setting takes">
      <h2 className="border-b-2 border-ink pb-1">What setting takes</h2>
      <Folded summary="Minutes of each act">
        <p className="text-soft">Ours to begin with: time it once, and tell what it takes here.</p>
        <ul>
          {acts.map((act) => (
            <Minute key={act.act} act={act} page={page} />
          ))}
        </ul>
      </Folded>
    </section>
  );
}

function Minute({
  act: { act, label, minutes, ours },
  page,
}: {
  act: PlanToldView["acts"][number];
  page: Page;
}) {
  const { errors, onSubmit } = useChecked(RerigTimeDto, errorsOf(page, `act ${act}`));
  return (
    <li className="border-b border-hair py-1">
      <Form method="post" noValidate onSubmit={onSubmit} className="flex items-end justify-between gap-3">
        <input type="hidden" name="form" value={`act ${act}`} />
        <input type="hidden" name="act" value={act} />
        <span className="min-w-0 flex-1 self-center">
          {label} {ours && <span className="text-small text-soft">(ours)</span>}
        </span>
        <TextField
          name="minutes"
          label="Minutes"
          inputMode="decimal"
          className="w-24"
          defaultValue={minutes}
          problem={errors.minutes}
        />
        <button type="submit" name="intent" value="rerig-time" className="key">
          Keep
        </button>
      </Form>
    </li>
  );
}
