import { useState } from "react";
import {
  ALARM_STATES,
  type AlarmKey,
  type AlarmState,
  type ReadoutKey,
} from "../../../core/trade/recording.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import type { JobView } from "./job-view.server.ts";

const PAGES = [1, 2, 3] as const;

type Props = { view: JobView; onChange: () => void };

/** On which page of the working screen each readout stands. */
export function Screen({ view, onChange, problem }: Props & { problem: string | undefined }) {
  const [screen, setScreen] = useState<Partial<Record<ReadoutKey, number>>>(view.form.screen);
  if (view.readouts.length === 0)
    return (
      <>
        <input type="hidden" name="screen" value="" />
        <input type="hidden" name="screenActive" value="" />
      </>
    );
  const put = (key: ReadoutKey, page: number) => {
    const { [key]: now, ...others } = screen;
    setScreen(now === page ? others : { ...others, [key]: page });
    onChange();
  };
  const text = Object.entries(screen)
    .map(([key, page]) => `${key}:${page}`)
    .join(",");
  return (
    <fieldset className="grid gap-1">
      <legend className="mb-1 w-full border-b border-line pb-1 font-semibold">
        In sight while it works{" "}
        <span className="font-normal text-soft">on which page of the working screen</span>
      </legend>
      <input type="hidden" name="screen" value={text} />
      <ul className="grid grid-cols-2 gap-x-6 max-lg:grid-cols-1">
        {view.readouts.map(({ key, label }) => (
          <li key={key} className="flex min-h-12 items-center justify-between gap-2 border-b border-hair">
            <span>{label}</span>
            <span className="flex gap-1">
              {PAGES.map((page) => (
                <button
                  key={page}
                  type="button"
                  className="choice min-w-11"
                  aria-pressed={screen[key] === page}
                  aria-label={`${label}: page ${page}`}
                  onClick={() => put(key, page)}
                >
                  {page}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          name="screenActive"
          value="yes"
          defaultChecked={view.form.screenActive}
          className="size-5"
        />{" "}
        This set of pages is the active one
      </label>
      {problem && <p className="problem">{problem}</p>}
    </fieldset>
  );
}

/** Whether each alarm is seen and heard. */
export function Alarms({ view, onChange, errors }: Props & { errors: FieldErrors }) {
  const [alarms, setAlarms] = useState<Partial<Record<AlarmKey, AlarmState>>>(view.form.alarms);
  const set = (key: AlarmKey, state: AlarmState) => {
    setAlarms({ ...alarms, [key]: state });
    onChange();
  };
  const text = Object.entries(alarms)
    .map(([key, state]) => `${key}:${state}`)
    .join(",");
  return (
    <>
      <input type="hidden" name="alarms" value={text} />
      {view.alarms.length > 0 && (
        <fieldset className="grid gap-1">
          <legend className="mb-1 w-full border-b border-line pb-1 font-semibold">Warned of</legend>
          <ul>
            {view.alarms.map(({ key, label }) => (
              <li
                key={key}
                className="flex min-h-12 flex-wrap items-center justify-between gap-2 border-b border-hair py-1"
              >
                <span>{label}</span>
                <span className="flex gap-1">
                  {(Object.keys(ALARM_STATES) as AlarmState[]).map((state) => (
                    <button
                      key={state}
                      type="button"
                      className="choice"
                      aria-pressed={alarms[key] === state}
                      aria-label={`${label}: ${ALARM_STATES[state].toLowerCase()}`}
                      onClick={() => set(key, state)}
                    >
                      {ALARM_STATES[state]}
                    </button>
                  ))}
                </span>
              </li>
            ))}
          </ul>
        </fieldset>
      )}
      {view.rows ? (
        <TextField
          name="mutedRows"
          label="Rows that are muted"
          placeholder="none"
          defaultValue={view.form.mutedRows}
          problem={errors.mutedRows}
        />
      ) : (
        <input type="hidden" name="mutedRows" value="" />
      )}
      {errors.alarms && <p className="problem">{errors.alarms}</p>}
    </>
  );
}
