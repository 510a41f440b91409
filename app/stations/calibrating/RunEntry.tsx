import { useState } from "react";
import { v4 as uuid } from "uuid";
import { capital } from "../../../core/quantity/capital.ts";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { WAITS_HERE } from "../../offline/use-waiting.ts";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { AskedField } from "./AskedField.tsx";
import { fieldName, figureOfPart, partName, readFields, unitName } from "./asked-typed.ts";
import { CalibratingDto } from "./calibrating.dto.ts";
import type { Going } from "./going.ts";
import { Hidden } from "./Hidden.tsx";
import { SavedBy } from "./SavedBy.tsx";
import { TapForm } from "./TapForm.tsx";
import { useWaitingRuns } from "./waiting-runs.ts";

/** Where runs are typed: one after another, or all parts of the tool at once. */
export function RunEntry(going: Going) {
  switch (going.view.entered) {
    case "by part":
    case "in trays":
      return <PartsForm {...going} />;
    case "tapped":
      return <TapForm {...going} />;
    case "singly":
      return <RunForm {...going} />;
  }
}

function RunForm(going: Going) {
  const { view, action, person, id, begin } = going;
  const [entry, setEntry] = useState(() => uuid());
  const number = view.runs.length + useWaitingRuns(action, id).length + 1;
  const { form, busy, errors } = useKeptForm(action, `${view.title}, ${view.one} ${number}`, {
    wrongWith: (typed) => wrongIn(validateForm(CalibratingDto, typed), readFields(view.fields, typed)),
    done: () => {
      begin();
      setEntry(uuid());
    },
  });
  return (
    <form {...form} className="grid gap-2" data-entry>
      <Hidden view={view} id={id} entry={entry} />
      <h2>
        {capital(view.one)} {number}
      </h2>
      {/* A new run begins empty. */}
      <div key={entry} className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        {view.fields.map((field) => (
          <AskedField key={field.key} field={field} problem={errors[fieldName(field.key)]} />
        ))}
      </div>
      <SavedBy
        person={person}
        label="Measured by"
        busy={busy}
        errors={errors}
        problem={errors.form ?? errors.id}
      >
        Save {view.one} {number}
      </SavedBy>
    </form>
  );
}

/** All parts in their row; what stays empty was not tested. */
function PartsForm({ view, action, person, id, begin }: Going) {
  const [entry, setEntry] = useState(() => uuid());
  const { form, busy, errors } = useKeptForm(action, view.title, {
    wrongWith: (typed) => wrongIn(validateForm(CalibratingDto, typed)),
    done: () => {
      begin();
      setEntry(uuid());
    },
  });
  const parts = view.parts!;
  const asked = figureOfPart(view.fields);
  const waits = useWaitingRuns(action, id);
  const waitingAt = new Map(waits.flatMap(({ fields }) => Object.entries(fields)));
  if (parts.each.length === 0)
    return (
      <p className="font-semibold text-warn">
        Nobody told how many {parts.one}s there are: enter that first.
      </p>
    );
  return (
    <form {...form} className="grid gap-2" data-entry>
      <Hidden view={view} id={id} entry={entry} />
      <input type="hidden" name={unitName(asked.key)} value={parts.unit} />
      <h2>
        {parts.label} at each {parts.one}, {parts.unit}
      </h2>
      <div key={entry} className="grid grid-cols-[repeat(auto-fill,minmax(84px,1fr))] gap-2">
        {parts.each.map(({ place, name: called, now, state, stale }) => {
          const name = partName(place);
          const typed = waitingAt.get(name) || now;
          return (
            <label key={place} className="grid content-start gap-0.5 text-small">
              <span className={state !== null && state !== "good" ? "font-bold text-stop" : ""}>
                {called}
                {state !== null && state !== "good" && ` ${state}`}
                {stale && " new"}
              </span>
              <input
                name={name}
                className="field px-2"
                inputMode="decimal"
                autoComplete="off"
                placeholder={typed}
                aria-invalid={errors[name] !== undefined}
              />
              {errors[name] && <span className="problem">{errors[name]}</span>}
            </label>
          );
        })}
      </div>
      {waits.length > 0 && (
        <p className="text-warn">
          {waits.length === 1 ? "One entry" : `${waits.length} entries`} {WAITS_HERE}.
        </p>
      )}
      <SavedBy
        person={person}
        label="Measured by"
        busy={busy}
        errors={errors}
        problem={errors.form ?? errors.id ?? errors[fieldName("place")]}
      >
        Save what was caught
      </SavedBy>
    </form>
  );
}
