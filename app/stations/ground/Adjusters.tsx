import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import { stepsText } from "../../../core/subjects/ground/words.ts";
import { OnePress } from "../../entry/OnePress.tsx";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { Send } from "../../ui/Send.tsx";
import { AdjusterForm } from "./AdjusterForm.tsx";
import { AdjustersDrawn } from "./AdjustersDrawn.tsx";
import type { AdjustersView, AdjusterView } from "./adjusters-view.server.ts";
import { readSteps } from "./ground.dto.ts";

type Props = { view: AdjustersView; action: string; person: string };

/** Where the adjusters sit, where they stand and stood, and what each moves. */
export function Adjusters({ view, action, person }: Props) {
  return (
    <section
      id="adjusters"
      aria-label="Adjusters"
      className="grid scroll-mt-4 grid-cols-[minmax(0,1fr)] gap-2"
    >
      <h2 className="border-b-2 border-ink pb-1">Adjusters</h2>
      {view.count === 0 ? (
        <p className="text-soft">
          None told. With where each stands and what a step of it does, the map says which to turn, which way
          and how far.
        </p>
      ) : (
        <>
          <AdjustersDrawn view={view} />
          <Settings view={view} action={action} person={person} />
          <Histories view={view} />
        </>
      )}
      <Folded summary="Add an adjuster">
        <AdjusterForm key={view.count} view={view} own={null} action={action} person={person} />
      </Folded>
      {view.count > 0 && <Retold view={view} action={action} person={person} />}
    </section>
  );
}

/** Where each stands: left beside right where two are kept to each other. */
function Settings({ view, action, person }: Props) {
  const { form, busy, errors } = useKeptForm(action, "Adjusters as they stand");
  const [begun, setBegun] = useState(0);
  const books = view.groups.some(({ members }) => members.some(({ start }) => start !== null));
  return (
    <form {...form} className="grid gap-2">
      <input type="hidden" name="intent" value="set-adjusters" />
      {books && (
        <button type="button" className="key justify-self-start" onClick={() => setBegun(begun + 1)}>
          All where their book begins
        </button>
      )}
      <ul>
        {view.groups.map(({ key, members, kept }) => (
          <li
            key={`${key} ${begun} ${members.map(({ setting }) => setting).join(" ")}`}
            className="grid gap-1 border-b border-hair py-2 leading-snug"
          >
            <div
              className={members.length > 1 ? "grid grid-cols-2 gap-x-6 gap-y-2 max-sm:grid-cols-1" : "grid"}
            >
              {members.map((each) => (
                <One
                  key={each.id}
                  adjuster={each}
                  begins={begun > 0}
                  alone={members.length === 1}
                  problem={errors[each.name]}
                />
              ))}
            </div>
            {kept && <p className="text-small text-soft">{kept}</p>}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-2">
        <TextField name="person" label="Who set them" defaultValue={person} problem={errors.person} />
        <Send busy={busy} className="key">
          They stand so
        </Send>
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
    </form>
  );
}

function One({
  adjuster,
  begins,
  alone,
  problem,
}: {
  adjuster: AdjusterView;
  /** it was asked for where its book has one begin */
  begins: boolean;
  alone: boolean;
  problem: string | undefined;
}) {
  const { number, name, label, kind, range, effect, how, follows, before, setting, steps } = adjuster;
  const first = (begins ? adjuster.start : null) ?? setting;
  const [typed, setTyped] = useState(first === null ? "" : stepsText(first));
  const turn = (by: number) => setTyped(stepsText((readSteps(typed) ?? setting ?? 0) + by));
  return (
    <div
      data-adjuster={label}
      className={
        alone
          ? "grid grid-cols-[1fr_auto] items-center gap-3 max-sm:grid-cols-1"
          : "grid content-between gap-1"
      }
    >
      <span>
        <b className="font-[650]">
          {number} {label}
        </b>
        , {kind.toLowerCase()}, {range}
        <span className="block text-small text-soft">
          {follows ? `follows ${follows}: set there, not here` : effect}
        </span>
        {how && <span className="block text-small text-soft">{how}</span>}
        {before && (
          <span className="block text-small text-soft" data-before>
            {before}
          </span>
        )}
      </span>
      <span className="grid gap-0.5">
        <span className="flex items-center gap-1.5 text-small">
          <button
            type="button"
            className="key w-12 px-0"
            onClick={() => turn(-1)}
            aria-label={`${label}: one fewer`}
          >
            <Minus size={20} aria-hidden="true" />
          </button>
          <input
            name={name}
            id={name}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            aria-label={`${label} stands at`}
            aria-invalid={problem !== undefined}
            className="field w-16 text-center"
            inputMode="numeric"
            autoComplete="off"
          />
          <button
            type="button"
            className="key w-12 px-0"
            onClick={() => turn(1)}
            aria-label={`${label}: one more`}
          >
            <Plus size={20} aria-hidden="true" />
          </button>
          <span className="w-16">{steps}</span>
        </span>
        {problem && <span className="problem">{problem}</span>}
      </span>
    </div>
  );
}

/** How they stood before, left beside right. */
function Histories({ view }: { view: AdjustersView }) {
  const told = view.groups.filter(({ history }) => history.lines.length > 0);
  if (told.length === 0) return null;
  return (
    <Folded summary="How they stood before">
      <div className="grid gap-4 pb-2">
        {told.map(({ key, history: { labels, lines } }) => (
          <table key={key} className="w-full table-fixed text-left" data-history={labels.join(", ")}>
            <thead>
              <tr className="border-b border-line align-bottom">
                <th className="w-44 py-1 font-normal text-soft">When</th>
                {labels.map((label) => (
                  <th key={label} className="py-1 font-[650]">
                    {label}
                  </th>
                ))}
                <th className="w-36 py-1 font-normal text-soft">Who</th>
              </tr>
            </thead>
            <tbody>
              {lines.map(({ when, who, cells }) => (
                <tr key={`${when} ${who} ${cells.join()}`} className="border-b border-hair">
                  <td className="py-1">{when}</td>
                  {cells.map((cell, at) => (
                    <td key={labels[at]} className="py-1 tabular-nums">
                      {cell ?? "as before"}
                    </td>
                  ))}
                  <td className="py-1">{who}</td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </div>
    </Folded>
  );
}

/** One of them told otherwise, or taken off. */
function Retold({ view, action, person }: Props) {
  const [chosen, setChosen] = useState<string>("");
  const own = view.groups.flatMap(({ members }) => members).find(({ id }) => String(id) === chosen) ?? null;
  return (
    <Folded summary="Tell one otherwise">
      <div className="grid gap-2 pt-1">
        <div className="flex flex-wrap gap-2">
          {view.names.map(([id, label]) => (
            <button
              key={id}
              type="button"
              className="choice min-h-11 px-3"
              data-state={chosen === id ? "checked" : "unchecked"}
              aria-pressed={chosen === id}
              onClick={() => setChosen(chosen === id ? "" : id)}
            >
              {label}
            </button>
          ))}
        </div>
        {own && (
          <>
            <AdjusterForm
              key={own.id}
              view={view}
              own={own}
              action={action}
              person={person}
              done={() => setChosen("")}
            />
            <OnePress
              action={action}
              person={person}
              label={`Taken off: ${own.label}`}
              fields={{ intent: "adjuster-off", adjuster: String(own.id) }}
              done={() => setChosen("")}
            >
              Take {own.label} off the tool
            </OnePress>
          </>
        )}
      </div>
    </Folded>
  );
}
