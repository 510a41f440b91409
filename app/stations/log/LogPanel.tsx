import { useState } from "react";
import { v4 as uuid } from "uuid";
import { OnePress } from "../../entry/OnePress.tsx";
import { QuantityField } from "../../entry/QuantityField.tsx";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { Who } from "../../entry/Who.tsx";
import { WAITS_HERE } from "../../offline/use-waiting.ts";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { EndWorkDto, LoadDto, MOST_PARTS, MOST_USED, NoteDto } from "./log.dto.ts";
import type { LogView } from "./log-view.server.ts";
import { type Going, useGoing } from "./use-going.ts";

type Props = { view: LogView; action: string; person: string };

/** What goes on, with its loads, notes and end; or the way to begin. */
export function LogPanel({ view, action, person }: Props) {
  const { going, loads, notes } = useGoing(view, action);
  const [entry, setEntry] = useState(() => uuid());
  if (!going)
    return view.job ? (
      <section aria-label="Begin" className="grid gap-2">
        <p className="text-lead">
          {view.job.what} on <b>{view.job.field}</b> is set.
        </p>
        <OnePress
          key={entry}
          action={action}
          person={person}
          label={`Begin on ${view.job.field}`}
          fields={{ intent: "begin-work", id: entry, work: view.job.id }}
          main
          done={() => setEntry(uuid())}
        >
          Begin work
        </OnePress>
      </section>
    ) : null;
  return (
    <section
      aria-label="What goes on"
      className="grid gap-3 border-l-4 border-dye bg-sheet px-4 py-3"
      data-going={going.since === null ? WAITS_HERE : "yes"}
    >
      <p className="text-lead">
        <b>
          {going.what} on {going.field}
        </b>
        , {going.since === null ? `begun; ${WAITS_HERE}` : `since ${going.since}`}
        {loads + notes > 0 && (
          <span className="text-warn">
            {" "}
            {loads + notes} {loads + notes === 1 ? "entry" : "entries"} of it{" "}
            {loads + notes === 1 ? "waits" : "wait"} on this device
          </span>
        )}
      </p>
      {going.ending ? (
        <p className="font-semibold text-warn">Ended; {WAITS_HERE}.</p>
      ) : (
        <>
          {going.harvest && <LoadForm going={going} view={view} action={action} person={person} />}
          <NoteForm going={going} view={view} action={action} person={person} />
          <EndForm going={going} view={view} action={action} person={person} />
        </>
      )}
    </section>
  );
}

type FormProps = Props & { going: Going };

function useEntry(action: string, label: string, Dto: new () => object) {
  const [entry, setEntry] = useState(() => uuid());
  const kept = useKeptForm(action, label, {
    wrongWith: (typed) => wrongIn(validateForm(Dto, typed)),
    done: () => setEntry(uuid()),
  });
  return { entry, ...kept };
}

function LoadForm({ going, view, action, person }: FormProps) {
  const { entry, form, busy, errors } = useEntry(action, "A load", LoadDto);
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        A load left the field
      </summary>
      <form {...form} key={entry} className="grid gap-2 pb-2">
        <input type="hidden" name="intent" value="log-load" />
        <input type="hidden" name="id" value={entry} />
        <input type="hidden" name="begun" value={going.id} />
        <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-2">
          <TextField name="name" label="Load" placeholder="Cart 1" problem={errors.name} autoComplete="off" />
          <TextField
            name="number"
            label="Number"
            problem={errors.number}
            inputMode="numeric"
            autoComplete="off"
          />
          <TextField name="destination" label="To" problem={errors.destination} />
          <QuantityField
            name="mass"
            label="Weighed"
            unit={view.units.mass}
            problem={errors.mass}
            inputMode="decimal"
            hint="empty: not weighed"
          />
          <TextField name="moisture" label="Water, %" problem={errors.moisture} inputMode="decimal" />
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <Who person={person} problem={errors.person} />
          <Send busy={busy} className="key">
            Keep the load
          </Send>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
      </form>
    </details>
  );
}

function NoteForm({ going, action, person }: FormProps) {
  const { entry, form, busy, errors } = useEntry(action, "A note", NoteDto);
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        Something was seen
      </summary>
      <form {...form} key={entry} encType="multipart/form-data" className="grid gap-2 pb-2">
        <input type="hidden" name="intent" value="log-note" />
        <input type="hidden" name="id" value={entry} />
        <input type="hidden" name="begun" value={going.id} />
        <TextField name="text" label="What" problem={errors.text} autoComplete="off" />
        <TextField
          name="photo"
          label="Photo"
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="py-2"
          problem={errors.photo}
        />
        <div className="flex flex-wrap items-end gap-2">
          <Who person={person} problem={errors.person} />
          <Send busy={busy} className="key">
            Keep the note
          </Send>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
      </form>
    </details>
  );
}

function EndForm({ going, view, action, person }: FormProps) {
  const { entry, form, busy, errors } = useEntry(action, `End on ${going.field}`, EndWorkDto);
  const [ended, setEnded] = useState("");
  const parts = view.job?.parts ?? null;
  const { area, volume } = view.units;
  return (
    <details open={Object.keys(errors).length > 0 || undefined}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        It is done: end it
      </summary>
      <form {...form} key={entry} className="grid gap-3 pb-2">
        <input type="hidden" name="intent" value="end-work" />
        <input type="hidden" name="id" value={entry} />
        <input type="hidden" name="begun" value={going.id} />
        <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-2">
          <QuantityField
            name="area"
            label="Worked"
            unit={area}
            problem={errors.area}
            inputMode="decimal"
            hint="as the terminal counted"
          />
          <TextField
            name="time"
            label="Hours at work"
            placeholder="3:40"
            problem={errors.time}
            inputMode="text"
          />
          <QuantityField name="fuel" label="Fuel" unit={volume} problem={errors.fuel} inputMode="decimal" />
        </div>
        {Array.from({ length: MOST_USED }, (_, at) => {
          const own = going.products[at];
          return own ? (
            <div key={own.id}>
              <input type="hidden" name={`used${at}Of`} value={own.id} />
              <QuantityField
                name={`used${at}`}
                label={`Used of ${own.name}`}
                unit={own.unit}
                problem={errors[`used${at}`]}
                inputMode="decimal"
              />
            </div>
          ) : (
            <input key={at} type="hidden" name={`used${at}Of`} value="" />
          );
        })}
        {parts !== null && parts > 1 ? (
          <details open={["some0", "area0", "some1", "area1"].some((key) => errors[key]) || undefined}>
            <summary className="flex min-h-11 cursor-pointer items-center">
              With only some of its {parts} parts at work
            </summary>
            {Array.from({ length: MOST_PARTS }, (_, at) => (
              <div key={at} className="grid grid-cols-2 gap-3">
                <TextField
                  name={`some${at}`}
                  label={`Parts, of ${parts}`}
                  problem={errors[`some${at}`]}
                  inputMode="numeric"
                />
                <input type="hidden" name={`of${at}`} value={parts} />
                <TextField
                  name={`area${at}`}
                  label="Worked so"
                  placeholder={area}
                  problem={errors[`area${at}`]}
                  inputMode="decimal"
                />
              </div>
            ))}
          </details>
        ) : (
          Array.from({ length: MOST_PARTS }, (_, at) =>
            ["some", "of", "area"].map((name) => (
              <input key={`${name}${at}`} type="hidden" name={`${name}${at}`} value="" />
            )),
          )
        )}
        <label className="grid gap-1">
          Ended at, where it is not now
          <input
            type="datetime-local"
            className="field max-w-[280px]"
            value={ended}
            onChange={(event) => setEnded(event.target.value)}
            aria-invalid={errors.ended !== undefined}
          />
          {errors.ended && <span className="problem">{errors.ended}</span>}
        </label>
        <input type="hidden" name="ended" value={ended === "" ? "" : new Date(ended).toISOString()} />
        <TextField name="note" label="What was odd" problem={errors.note} />
        <div className="flex flex-wrap items-end gap-2">
          <Who person={person} problem={errors.person} />
          <Send busy={busy} className="key-main">
            End it
          </Send>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
      </form>
    </details>
  );
}
