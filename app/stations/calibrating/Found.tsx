import { useState } from "react";
import { v4 as uuid } from "uuid";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { Who } from "../../entry/Who.tsx";
import { TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import type { Going } from "./going.ts";
import { Hidden } from "./Hidden.tsx";

/** What the runs came to, what to do next, and the two ways to end it. */
export function Found(props: Going) {
  const { view } = props;
  const { found, also, next, barred, costs, parts } = view;
  if (!found && also.length === 0 && !parts?.each.some(({ state }) => state !== null)) return null;
  return (
    <section
      aria-label="Found"
      className="grid gap-2 border-[1.5px] border-dye p-3"
      data-found={found?.value ?? ""}
    >
      {found && (
        <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
          <p>
            <span className="block text-small text-soft">{found.label}</span>
            <b className="text-title text-dye">{found.value}</b>{" "}
            <span className="text-soft">{found.half}</span>
          </p>
          {view.setup.some(({ key }) => key === "had") && (
            <Figure label="The terminal had" value={found.had ?? "not told"} />
          )}
          {found.moved && <Figure label="It moved by" value={found.moved} />}
          {found.variation && <Figure label="They differ by (CV)" value={found.variation} />}
        </div>
      )}
      {also.map(({ key, label, said }) => (
        <p key={key}>
          {label}: <b>{said}</b>
        </p>
      ))}
      {costs && costs.said.length > 0 && (
        <div className="border-l-4 border-warn bg-warn-wash px-3 py-1.5">
          <p className="font-semibold">As it stood:</p>
          <ul>
            {costs.said.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {!costs.field && (
            <p className="text-small text-soft">Tell how large the field is, and it is said for that.</p>
          )}
        </div>
      )}
      <ul className="grid gap-0.5">
        {barred.map((line) => (
          <li key={line} className="font-semibold text-stop">
            {line}
          </li>
        ))}
        {next.slice(0, 8).map((line) => (
          <li key={line} className="font-semibold">
            {line}
          </li>
        ))}
        {next.length > 8 && <li className="text-soft">And {next.length - 8} more.</li>}
      </ul>
      {parts && parts.bad.length > 0 && parts.kept && <ChangeParts {...props} />}
      <End {...props} />
    </section>
  );
}

function Figure({ label, value }: { label: string; value: string }) {
  return (
    <p>
      <span className="block text-small text-soft">{label}</span>
      <b className="text-lead">{value}</b>
    </p>
  );
}

/** Accepted, or left as it stands with a reason. */
function End({ view, action, person, id }: Going) {
  const [entry] = useState(() => uuid());
  const [leaving, setLeaving] = useState(false);
  const { form, busy, errors } = useKeptForm(action, `${view.title}: ended`);
  if (view.runs.length === 0) return null;
  const mayAccept = view.barred.length === 0;
  return (
    <form {...form} className="grid gap-2">
      <Hidden view={view} id={id} entry={entry} intent="end-calibration" />
      <input type="hidden" name="accepted" value={leaving ? "no" : "yes"} />
      <TextField
        key={leaving ? "why" : "under"}
        name="note"
        label={leaving ? "Why it is left" : "Under what, if that matters"}
        hint={leaving ? undefined : "ground, tyre pressure, tank, wind: kept with it"}
        problem={errors.note}
        maxLength={200}
      />
      <div className="flex flex-wrap items-end gap-2">
        <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
        {leaving ? (
          <Send busy={busy} className="key-main">
            Leave it as it stands
          </Send>
        ) : (
          mayAccept && (
            <Send busy={busy} className="key-main">
              {view.found ? "Accept it" : "Keep what was found"}
            </Send>
          )
        )}
        <button type="button" className="key" onClick={() => setLeaving(!leaving)}>
          {leaving ? "Not so" : "Leave it"}
        </button>
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
    </form>
  );
}

/** Parts that were not good are changed for new ones, and tested again. */
export function ChangeParts({ view, action, person }: Pick<Going, "view" | "action" | "person">) {
  const { form, busy, errors } = useKeptForm(action, `${view.title}: changed`);
  const parts = view.parts!;
  return (
    <form {...form} className="flex flex-wrap items-end gap-2 border-t border-line pt-2">
      <input type="hidden" name="intent" value="change-parts" />
      <input type="hidden" name="kind" value={view.key} />
      <TextField
        key={parts.bad.join()}
        name="places"
        label={`New ${parts.one}s were put in at`}
        defaultValue={parts.bad.join(", ")}
        problem={errors.places ?? errors.form}
      />
      <Who person={person} problem={errors.person} />
      <Send busy={busy} className="key">
        They are changed
      </Send>
    </form>
  );
}
