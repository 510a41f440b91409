import { useState } from "react";
import { Form, Link } from "react-router";
import { SERVICE_ROUNDS } from "../../../core/season/service.ts";
import type { Route } from "../../routes/+types/machine-service";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { TakeBackOf } from "../../ui/TakeBackOf.tsx";
import { YardFrame } from "../YardFrame.tsx";
import { ItemForm } from "./ItemForm.tsx";
import { DoneDto, MeterDto } from "./service.dto.ts";
import type { MachineService, ServiceRow } from "./service-view.server.ts";
import { TONES } from "./tones.ts";
import { WearSection } from "./WearSection.tsx";

export function ServicePage({ loaderData: { preferences, view }, actionData }: Route.ComponentProps) {
  const { machine, intervals, rounds, history, logged } = view;
  const errors = actionData?.errors ?? {};
  const { person } = preferences;
  const empty = intervals.length === 0 && rounds.length === 0;
  return (
    <YardFrame preferences={preferences} here="machines">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="text-soft">
            <Link to={`/machines/${machine.id}`}>{machine.name}</Link>
          </p>
          <h1>Service</h1>
          <p className="text-lead text-soft">
            {logged}. What is due goes by whichever comes first; the operator's manual comes before any list.
          </p>
        </div>
        <p className="flex flex-wrap gap-2">
          <Link to="/service" className="key">
            Service of the yard
          </Link>
          <a className="key" href={`/service.csv?machine=${machine.id}`} download>
            CSV
          </a>
        </p>
      </div>
      {actionData?.ok && actionData.kept.said && (
        <p className="font-bold text-ok" role="status">
          {actionData.kept.said}
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      {empty && (
        <Form method="post" className="grid justify-items-start gap-2 border-2 border-dashed border-line p-5">
          <input type="hidden" name="intent" value="usual" />
          <p>
            Nothing is on its list. The usual list of such a machine is a beginning (common practice); oils,
            points and hours stand in its manual.
          </p>
          <button type="submit" className="key-main">
            Take the usual list
          </button>
        </Form>
      )}
      <div className="grid grid-cols-[1.2fr_1fr] gap-8 max-lg:grid-cols-1">
        <div className="grid content-start gap-6">
          <Intervals view={view} errors={errors} person={person} />
          <Folded summary="Something else to look after">
            <ItemForm area={view.area} errors={errors} item={null} />
          </Folded>
          <WearSection view={view} errors={errors} person={person} />
        </div>
        <div className="grid content-start gap-6">
          <MeterSection view={view} errors={errors} person={person} />
          <Rounds view={view} errors={errors} />
          {history.length > 0 && (
            <section aria-label="What was done">
              <h2 className="border-b-2 border-ink pb-1">What was done</h2>
              <ul>
                {history.map(({ id, what, meter, note, who }) => (
                  <li key={id} className="flex items-center justify-between gap-3 border-b border-hair py-1">
                    <span>
                      <b>{what}</b> {meter && `at ${meter}`} {note}
                      <span className="block text-small text-soft">{who}</span>
                    </span>
                    <TakeBackOf id={id} what={`${what}, ${who}`} />
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </div>
    </YardFrame>
  );
}

type Props = { view: MachineService; errors: FieldErrors; person: string };

function Intervals({ view: { intervals, meter, machine, area }, errors, person }: Props) {
  return (
    <section aria-label="After so much work or time">
      <h2 className="border-b-2 border-ink pb-1">After so much work or time</h2>
      {intervals.length === 0 && <p className="py-2 text-soft">Nothing yet.</p>}
      <ul>
        {intervals.map((row) => (
          <Interval
            key={row.id}
            row={row}
            area={area}
            meter={machine.drives ? meter.now : null}
            errors={errors}
            person={person}
          />
        ))}
      </ul>
    </section>
  );
}

type IntervalProps = {
  row: ServiceRow;
  area: string;
  meter: string | null;
  errors: FieldErrors;
  person: string;
};

function Interval({ row, area, meter, errors: sent, person }: IntervalProps) {
  const { id, name, kind, note, points, every, state, word, said, comes, last, form } = row;
  const { errors, onSubmit } = useChecked(DoneDto, sent);
  const [on, setOn] = useState("");
  return (
    <li data-service={name} data-state={state} className="border-b border-hair py-2">
      <div className="grid grid-cols-[1fr_auto] items-start gap-3">
        <div>
          <b className="text-[17px]">{name}</b>{" "}
          <span className="text-soft">
            {kind.toLowerCase()}, {every}
            {points !== null && `, ${points} points`}
          </span>
          <span className="block">
            {said} {comes && <span className="text-soft">Due {comes}.</span>}
          </span>
          {note && <span className="block text-small text-soft">{note}</span>}
          {last && <span className="block text-small text-soft">Last: {last}</span>}
        </div>
        <b className={`${TONES[state]} whitespace-nowrap`}>{word}</b>
      </div>
      <Folded summary="Done">
        <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-2 pb-2">
          <input type="hidden" name="intent" value="done" />
          <input type="hidden" name="item" value={id} />
          <input type="hidden" name="on" value={on === "" ? "" : new Date(on).toISOString()} />
          <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
            <TextField
              name="meter"
              label="Hour meter"
              inputMode="decimal"
              placeholder={meter ?? "not read"}
              problem={errors.meter}
              hint="Empty where it has none."
            />
            <TextField
              label="When"
              type="datetime-local"
              value={on}
              onChange={(event) => setOn(event.target.value)}
              problem={errors.on}
              hint="Empty: now."
            />
          </div>
          <TextField name="note" label="Which oil, how much, what was found" problem={errors.note} />
          <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
          <button type="submit" className="key justify-self-start">
            It was done
          </button>
        </Form>
      </Folded>
      <Folded summary="Change it">
        <ItemForm area={area} errors={sent} item={form} />
      </Folded>
    </li>
  );
}

function MeterSection({ view: { meter, machine }, errors: sent, person }: Props) {
  const { errors, onSubmit } = useChecked(MeterDto, sent);
  return (
    <section aria-label="Hour meter" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Hour meter</h2>
      <p>
        {meter.last === null ? (
          machine.drives ? (
            <b className="text-warn">Never read: hours are those at work by the log, without the road.</b>
          ) : (
            "Never read: hours are those at work by the log."
          )
        ) : (
          <>
            Read last {meter.last}; about <b>{meter.now} h</b> by now.
          </>
        )}
      </p>
      <Form method="post" noValidate onSubmit={onSubmit} className="flex flex-wrap items-end gap-2">
        <input type="hidden" name="intent" value="meter" />
        <TextField
          name="reading"
          label="It shows, h"
          inputMode="decimal"
          placeholder={meter.now ?? "4210.5"}
          problem={errors.reading}
          className="w-36"
        />
        <TextField name="person" label="Who" defaultValue={person} problem={errors.person} className="w-44" />
        <button type="submit" className="key">
          Keep it
        </button>
      </Form>
    </section>
  );
}

const DAILY = ["morning", "evening", "aboard"] as const;

function Rounds({ view: { rounds, area }, errors }: Omit<Props, "person">) {
  return (
    <section aria-label="Each day" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">Each day</h2>
      {rounds.length === 0 && <p className="py-2 text-soft">Nothing yet.</p>}
      {DAILY.map((round) => {
        const own = rounds.filter((each) => each.round === round);
        return (
          own.length > 0 && (
            <div key={round}>
              <p className="pt-1 font-semibold">{SERVICE_ROUNDS[round]}</p>
              <ul>
                {own.map(({ id, name, points, note, form }) => (
                  <li key={id} className="border-b border-hair" data-daily={name}>
                    <details>
                      <summary className="flex min-h-11 cursor-pointer flex-col justify-center py-1">
                        <span className="text-ink">
                          {name}
                          {points !== null && `, ${points} points`}
                        </span>
                        {note && <span className="text-small text-soft">{note}</span>}
                      </summary>
                      <ItemForm area={area} errors={errors} item={form} />
                    </details>
                  </li>
                ))}
              </ul>
            </div>
          )
        );
      })}
      <p className="text-small text-soft">
        Ticked on the phone, at the start of work of each rig it goes out with.
      </p>
    </section>
  );
}
