import { useState } from "react";
import { v4 as uuid } from "uuid";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { Who } from "../../entry/Who.tsx";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { Send } from "../../ui/Send.tsx";
import { AskedField } from "./AskedField.tsx";
import { fieldName, readFields } from "./asked-typed.ts";
import { CalibratingDto } from "./calibrating.dto.ts";
import type { Going } from "./going.ts";
import { Hidden } from "./Hidden.tsx";

/** What holds for all runs; folded once something was measured. */
export function SetupForm({ view, action, person, id, begin }: Going) {
  const [entry, setEntry] = useState(() => uuid());
  const { form, busy, errors } = useKeptForm(action, `${view.title}: set up`, {
    wrongWith: (typed) => wrongIn(validateForm(CalibratingDto, typed), readFields(view.setup, typed)),
    done: () => {
      begin();
      setEntry(uuid());
    },
  });
  if (view.setup.length === 0) return null;
  return (
    <details open={view.runs.length === 0} className="border-b border-line pb-2" data-setup>
      <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-x-3 font-semibold text-dye">
        Set up{" "}
        <span className="font-normal text-soft">
          {view.setupSaid.map(({ label, said }) => `${label.toLowerCase()} ${said}`).join(", ")}
        </span>
      </summary>
      <form {...form} className="grid gap-2">
        <Hidden view={view} id={id} entry={entry} intent="set-calibration" />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          {view.setup.map((field) => (
            <AskedField key={field.key} field={field} problem={errors[fieldName(field.key)]} />
          ))}
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <Who person={person} problem={errors.person} />
          <Send busy={busy} className="key">
            Save the set-up
          </Send>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
      </form>
    </details>
  );
}
