import { useState } from "react";
import { Form } from "react-router";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { pressureFor } from "../../../core/yard/tyres.ts";
import { readTyreTable, type TyreCell, writeTyreTable } from "../../../formats/csv/tyre-table.ts";
import type { Route } from "../../routes/+types/tyre";
import { answerText } from "../../stations/balance/answer-text.ts";
import { Field, TextField } from "../../ui/Field.tsx";
import { Slide } from "../../ui/Slide.tsx";
import { YardFrame } from "../YardFrame.tsx";
import { problemText } from "./problem-text.ts";

export function TyrePage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, id, label, source, table } = loaderData;
  const { units } = preferences;
  const errors = actionData?.errors ?? {};
  const [typed, setTyped] = useState(table);
  const read = readTyreTable(typed, units);
  const example = writeTyreTable(
    [
      { speed: 10 / 3.6, pressure: 0.8e5, load: 2350 },
      { speed: 40 / 3.6, pressure: 0.8e5, load: 1700 },
      { speed: 10 / 3.6, pressure: 1.6e5, load: 3400 },
      { speed: 40 / 3.6, pressure: 1.6e5, load: 2500 },
    ],
    units,
  );
  return (
    <YardFrame preferences={preferences} here="machines">
      <h1>{id === 0 ? "New tyre table" : label}</h1>
      <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
        <Form method="post" className="grid content-start gap-3" noValidate>
          <TextField
            name="label"
            label="Tyre"
            defaultValue={label}
            placeholder="size and load index"
            problem={errors.label}
          />
          <TextField
            name="source"
            label="Where the figures are from"
            defaultValue={source}
            placeholder="the maker's data book, its year and page"
            problem={errors.source}
          />
          <Field
            label="The table"
            problem={errors.table}
            hint="First line the speeds, then a line a pressure. Paste it from a spreadsheet, or part the cells by semicolons. A dash is a hole."
          >
            <textarea
              name="table"
              rows={9}
              spellCheck={false}
              className="field min-h-[220px] py-2 font-[inherit] leading-relaxed tabular-nums"
              value={typed}
              placeholder={example}
              onChange={(event) => setTyped(event.target.value)}
            />
          </Field>
          <button type="submit" className="key-main justify-self-start">
            Save
          </button>
        </Form>
        <section aria-label="As it was understood" aria-live="polite">
          <h2 className="border-b-2 border-ink pb-1">As it was understood</h2>
          {read.ok ? (
            <>
              <Preview cells={read.cells} units={units} />
              <LookUp cells={read.cells} units={units} />
            </>
          ) : (
            <p className="py-2 text-soft">
              {typed.trim() === "" ? "Nothing yet." : problemText(read.problems)}
            </p>
          )}
        </section>
      </div>
    </YardFrame>
  );
}

/** One tyre's loads, pressure down, speed across. */
function Preview({ cells, units }: { cells: readonly TyreCell[]; units: Units }) {
  const ascending = (numbers: number[]) => [...new Set(numbers)].sort((a, b) => a - b);
  const speeds = ascending(cells.map(({ speed }) => speed));
  const pressures = ascending(cells.map(({ pressure }) => pressure));
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: on a phone it is wider than the screen, and keys scroll it
    <section aria-label="Loads by pressure and speed" tabIndex={0} className="overflow-x-auto">
      <table className="mt-2 w-full tabular-nums">
        <thead>
          <tr className="border-b border-ink text-left">
            <th className="py-2 pr-3 font-semibold">One tyre carries</th>
            {speeds.map((speed) => (
              <th key={speed} className="px-3 text-right font-semibold">
                {say("speed", speed, units)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {pressures.map((pressure) => (
            <tr key={pressure} className="border-b border-hair">
              <th className="py-2 pr-3 text-left font-semibold">{say("pressure", pressure, units)}</th>
              {speeds.map((speed) => {
                const cell = cells.find((each) => each.pressure === pressure && each.speed === speed);
                return (
                  <td key={speed} className="px-3 text-right">
                    {cell ? say("mass", cell.load, units) : <span className="text-soft">hole</span>}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** The pressure for a load and a speed, found as the balance station finds it. */
function LookUp({ cells, units }: { cells: readonly TyreCell[]; units: Units }) {
  const most = Math.max(...cells.map(({ load }) => load));
  const fastest = Math.max(...cells.map(({ speed }) => speed));
  const [load, setLoad] = useState(most / 2);
  const [speed, setSpeed] = useState(fastest * 0.75);
  return (
    <section aria-label="Look up a pressure" className="grid gap-2 pt-5">
      <h2 className="border-b-2 border-ink pb-1">Look up a pressure</h2>
      <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
        <Slide
          label="On one tyre"
          shown={say("mass", load, units)}
          range={{ from: most * 0.1, to: most * 1.1 }}
          step={1}
          value={load}
          onSlide={setLoad}
        />
        <Slide
          label="Speed"
          shown={say("speed", speed, units)}
          range={{ from: 1, to: fastest * 1.1 }}
          step={0.01}
          value={speed}
          onSlide={setSpeed}
        />
      </div>
      <p className="text-lead font-[650]" aria-live="polite" data-looked-up>
        {answerText(pressureFor({ cells }, load, speed), units)}
      </p>
    </section>
  );
}
