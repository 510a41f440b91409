import { Form, Link } from "react-router";
import { AREAS } from "../../core/fault/faults.ts";
import { Who } from "../entry/Who.tsx";
import type { Route } from "../routes/+types/faults";
import { SelectField } from "../ui/Field.tsx";
import { Send } from "../ui/Send.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import { ASKED } from "./faults.dto.ts";
import { useSending } from "./use-sending.ts";

/** Cases to practise on, and the logbook of what each person has practised. */
export function FaultsPage({ loaderData: { preferences, book }, actionData }: Route.ComponentProps) {
  const errors = actionData?.errors ?? {};
  const busy = useSending();
  return (
    <YardFrame preferences={preferences} here={null}>
      <div>
        <h1>Find the fault</h1>
        <p className="max-w-[760px] text-lead text-soft">
          A rig at work, something on it wrong. Look, choose what to measure, each takes its minutes, then
          name it and say the right figure. Nothing of it touches the yard's own rigs.
        </p>
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
      <Form
        method="post"
        className="grid items-end gap-3 border-y-2 border-ink py-3 sm:grid-cols-[repeat(3,minmax(0,1fr))_auto]"
      >
        <input type="hidden" name="intent" value="begin" />
        <SelectField name="kind" label="Hidden is" choices={Object.entries(ASKED)} problem={errors.kind} />
        <SelectField
          name="area"
          label="In"
          choices={[["", "any area"], ...Object.entries(AREAS)]}
          problem={errors.area}
        />
        <SelectField
          name="rig"
          label="On"
          choices={[
            ["", "a made-up drill"],
            ...book.rigs.map(({ id, name }) => [String(id), `${name}, with a slip of its own`] as const),
          ]}
          problem={errors.rig}
        />
        <Who person={preferences.person} problem={errors.person} />
        <Send busy={busy} className="key-main">
          Begin
        </Send>
      </Form>
      {book.people.length > 0 && (
        <section aria-label="Who has practised what" className="grid gap-1">
          <h2 className="border-b-2 border-ink pb-1">Who has practised what</h2>
          <ul>
            {book.people.map(({ person, named, found, lacks }) => (
              <li key={person} className="border-b border-hair py-2" data-person={person}>
                <b>{person}</b>: {found} of {named} found.{" "}
                {lacks.length === 0
                  ? "In every area one at least."
                  : `None found yet in: ${lacks.join(", ").toLowerCase()}.`}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-label="Logbook" className="grid gap-1">
        <h2 className="border-b-2 border-ink pb-1">
          Logbook{" "}
          <span className="font-normal text-soft">
            {book.rows.length === 1 ? "one case" : `the newest ${book.rows.length} cases`}
          </span>
        </h2>
        {book.rows.length === 0 ? (
          <p className="text-soft">No case yet. Begin one above.</p>
        ) : (
          <ul>
            {book.rows.map((row) => (
              <li
                key={row.id}
                className="grid gap-0.5 border-b border-hair py-2 sm:grid-cols-[220px_minmax(0,1fr)]"
                data-case={row.id}
              >
                <span>
                  <Link to={`/faults/${row.id}`} className="inline-flex min-h-11 items-center font-semibold">
                    {row.when}
                  </Link>{" "}
                  <span className="text-soft">{row.person}</span>
                </span>
                <span className="self-center">
                  {row.what === null ? (
                    <span className="text-soft">Open, {row.minutes} min so far.</span>
                  ) : (
                    <>
                      <b className={row.found ? "text-ok" : "text-stop"}>
                        {row.found ? "Found" : "Not found"}
                      </b>
                      : {row.what}. {row.minutes} min, the advice takes {row.best}.{" "}
                      {row.needless === 0 ? "" : `${row.needless} needless. `}
                      {row.found && row.near === false && (
                        <b className="text-warn">Its figure is still off.</b>
                      )}
                    </>
                  )}
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </YardFrame>
  );
}
