import { useState } from "react";
import { Form, Link } from "react-router";
import type { Route } from "../routes/+types/fault";
import { Field, TextField } from "../ui/Field.tsx";
import { Send } from "../ui/Send.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { CaseView } from "./faults-view.server.ts";
import { Score } from "./Score.tsx";
import { SeenAlong } from "./SeenAlong.tsx";
import { useSending } from "./use-sending.ts";

/** One case: what is seen, what was measured, what it is. */
export function CasePage({ loaderData: { preferences, one }, actionData }: Route.ComponentProps) {
  const errors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here={null}>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Find the fault</h1>
          <p className="text-lead text-soft" data-minutes={one.minutes}>
            {one.person}, {one.when}.{" "}
            {one.two
              ? "There may be two at once."
              : "There is one fault, none, or something nobody has a page for."}{" "}
            <b className="text-ink">{one.minutes} minutes so far.</b>
          </p>
        </div>
        <Link to="/faults" className="key">
          Logbook
        </Link>
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
      {one.score && <Score score={one.score} />}
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <div className="grid gap-4">
          <Seen one={one} />
          {!one.score && <Taken one={one} />}
        </div>
        {one.score ? (
          <Taken one={one} />
        ) : (
          <div className="grid gap-4">
            <Measure one={one} />
            <Name key={one.taken.length} one={one} errors={errors} />
            <Advice one={one} />
          </div>
        )}
      </div>
    </YardFrame>
  );
}

function Rows({ rows }: { rows: CaseView["seat"] }) {
  return (
    <table className="w-full tabular-nums">
      <thead>
        <tr className="text-left text-small text-soft">
          <th scope="col" className="font-normal">
            <span className="sr-only">What</span>
          </th>
          <th scope="col" className="text-right font-normal">
            found
          </th>
          <th scope="col" className="pl-4 text-right font-normal">
            by the card
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ label, figure, card }) => (
          <tr key={label} className="border-b border-hair">
            <th scope="row" className="py-1 text-left font-normal">
              {label}
            </th>
            <td className="py-1 text-right font-bold">{figure}</td>
            <td className="py-1 pl-4 text-right text-soft">{card}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Seen({ one }: { one: CaseView }) {
  return (
    <section aria-label="From the seat" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        From the seat <span className="font-normal text-soft">by eye, so rough</span>
      </h2>
      <SeenAlong joints={one.joints} />
      <Rows rows={one.seat} />
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
          The card of this rig
        </summary>
        <ul>
          {one.card.map(({ label, figure }) => (
            <li key={label} className="flex justify-between gap-3 border-b border-hair py-1">
              {label} <b className="tabular-nums">{figure}</b>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

function Taken({ one: { taken } }: { one: CaseView }) {
  return (
    <section aria-label="Measured" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Measured</h2>
      {taken.length === 0 && <p className="text-soft">Nothing yet.</p>}
      {taken.map(({ label, how, minutes, rows }, at) => (
        <div key={at} data-taken={label}>
          <p className="font-semibold">
            {label} <span className="font-normal text-soft">{minutes} min</span>
          </p>
          <p className="text-small text-soft">{how}</p>
          <Rows rows={rows} />
        </div>
      ))}
    </section>
  );
}

function Measure({ one: { measurements, taken } }: { one: CaseView }) {
  const busy = useSending();
  // Each press is a measurement of its own; the same press sent twice is one.
  const [ids, setIds] = useState<Record<string, string>>({});
  const idOf = (key: string) => `${key} ${taken.length}`;
  return (
    <section aria-label="Measure" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        Measure <span className="font-normal text-soft">each takes its minutes</span>
      </h2>
      <ul className="grid gap-1.5 sm:grid-cols-2">
        {measurements.map(({ key, label, how, minutes, times }) => (
          <li key={key}>
            <Form method="post" preventScrollReset>
              <input type="hidden" name="intent" value="measure" />
              <input type="hidden" name="measurement" value={key} />
              <input type="hidden" name="id" value={ids[idOf(key)] ?? ""} />
              <Send
                busy={busy}
                data-measure={key}
                title={how}
                className="choice grid w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-2 text-left"
                onClick={(event) => {
                  const input = event.currentTarget.form!.elements.namedItem("id") as HTMLInputElement;
                  const id = ids[idOf(key)] ?? crypto.randomUUID();
                  input.value = id;
                  setIds((before) => ({ ...before, [idOf(key)]: id }));
                }}
              >
                <span>
                  {label}
                  {times > 0 && <span className="text-soft"> ({times} ×)</span>}
                </span>
                <b className="tabular-nums">{minutes} min</b>
              </Send>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Name({
  one: { library, two },
  errors,
}: {
  one: CaseView;
  errors: Record<string, string | undefined>;
}) {
  const busy = useSending();
  const [first, setFirst] = useState("");
  const [second, setSecond] = useState("");
  const asks = (key: string) =>
    library.flatMap(({ faults }) => faults).find((each) => each.key === key)?.asks ?? null;
  return (
    <section aria-label="Name it" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Name it</h2>
      <Form method="post" preventScrollReset className="grid gap-3">
        <input type="hidden" name="intent" value="name" />
        <Choice
          name="fault"
          label="It is"
          library={library}
          besides
          value={first}
          problem={errors.fault}
          onChoose={setFirst}
        />
        {asks(first) && (
          <TextField name="figure" label={asks(first)!} inputMode="text" problem={errors.figure} />
        )}
        {two ? (
          <>
            <Choice
              name="second"
              label="And"
              library={library}
              value={second}
              problem={errors.second}
              onChoose={setSecond}
            />
            {asks(second) && (
              <TextField
                name="secondFigure"
                label={asks(second)!}
                inputMode="text"
                problem={errors.secondFigure}
              />
            )}
          </>
        ) : (
          <input type="hidden" name="second" value="" />
        )}
        <p>
          <Send busy={busy} className="key-main">
            That is it
          </Send>
        </p>
      </Form>
    </section>
  );
}

function Choice({
  name,
  label,
  library,
  besides = false,
  value,
  problem,
  onChoose,
}: Pick<CaseView, "library"> & {
  name: string;
  label: string;
  besides?: boolean;
  value: string;
  problem: string | undefined;
  onChoose: (key: string) => void;
}) {
  return (
    <Field label={label} problem={problem}>
      <select
        name={name}
        className="field"
        value={value}
        aria-invalid={problem !== undefined}
        onChange={({ target }) => onChoose(target.value)}
      >
        <option value="">{besides ? "Choose" : "nothing more"}</option>
        {library.map(({ label: area, faults }) => (
          <optgroup key={area} label={area}>
            {faults.map((each) => (
              <option key={each.key} value={each.key}>
                {each.label}
              </option>
            ))}
          </optgroup>
        ))}
        {besides && (
          <optgroup label="Else">
            <option value="nothing">Nothing is wrong</option>
            <option value="outside">Something the library does not have</option>
          </optgroup>
        )}
      </select>
    </Field>
  );
}

function Advice({ one: { advice, id } }: { one: CaseView }) {
  if (!advice)
    return (
      <p>
        <Link to={`/faults/${id}?advice=1`} preventScrollReset className="key">
          What would Ambrek measure?
        </Link>
      </p>
    );
  return (
    <section aria-label="Advice" className="grid gap-2" data-advice>
      <h2 className="border-b-2 border-ink pb-1">
        What Ambrek would do{" "}
        <span className="font-normal text-soft">what tells most by the minute, first</span>
      </h2>
      <ol className="grid gap-1">
        {advice.next.map(({ label, minutes, bits }) => (
          <li key={label} className="flex justify-between gap-3 border-b border-hair py-1">
            {label}
            <span className="tabular-nums">
              {bits} bits in {minutes} min
            </span>
          </li>
        ))}
      </ol>
      <p className="text-soft">Suspected by now:</p>
      <ul className="grid gap-1">
        {advice.suspects.map(({ name, label, share }) => (
          <li key={name} className="flex justify-between gap-3 border-b border-hair py-1">
            {label} <b className="tabular-nums">{share} %</b>
          </li>
        ))}
      </ul>
    </section>
  );
}
