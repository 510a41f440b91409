import { Form, Link } from "react-router";
import type { Route } from "../../routes/+types/year";
import { YardFrame } from "../YardFrame.tsx";
import type { YearView } from "./year-view.server.ts";

const TONES = { plain: "", stop: "text-stop font-semibold", warn: "text-warn font-semibold" };

/** A year on one page, to be printed and put in the folder of the machine. */
export function YearPage({ loaderData: { preferences, view } }: Route.ComponentProps) {
  const { year, years, machine, machines, worked, proved, wrong, done, winter } = view;
  return (
    <YardFrame preferences={preferences} here="rigs">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>
            {year}, {machine ? machine.name : "the whole yard"}
          </h1>
          <p className="text-lead" data-year={year}>
            {worked.all ? (
              <>
                <b>{worked.all.figures.area}</b> in {worked.all.hours} at work
                {worked.all.fuel && (
                  <>
                    , {worked.all.fuel} of fuel
                    {worked.all.without > 0 && ` (without ${worked.all.without} entries that told none)`}
                  </>
                )}
                {worked.all.money && `; ${worked.all.money} for fuel and labour`}; {proved.length} proved,{" "}
                {wrong.length} noted or gone wrong, {winter.length} for the winter.
              </>
            ) : (
              <span className="text-soft">Nothing that was ended is in the log of this year.</span>
            )}
          </p>
        </div>
        <button type="button" className="key no-print" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <Form className="no-print flex flex-wrap items-end gap-3">
        <label className="grid gap-1">
          Year
          <select
            name="year"
            className="field w-28"
            defaultValue={String(year)}
            onChange={(event) => event.currentTarget.form?.requestSubmit()}
          >
            {years.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          Of what
          <select
            name="machine"
            className="field w-72 max-sm:w-full"
            defaultValue={machine ? String(machine.id) : ""}
            onChange={(event) => event.currentTarget.form?.requestSubmit()}
          >
            <option value="">The whole yard</option>
            {machines.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </Form>
      <Worked worked={worked} />
      <div className="grid grid-cols-2 gap-x-8 gap-y-5 max-lg:grid-cols-1 print:grid-cols-2">
        <div className="grid content-start gap-5">
          <Lines
            title="What went wrong, and was found"
            lines={wrong}
            none="Nothing was noted, and nothing was found."
          />
          <Lines title="Proved" lines={proved} none="Nothing was proved in the field." />
          <Lines title="Serviced" lines={done} none="Nothing is on record." />
        </div>
        <Lines
          title="For the winter, as it stands now"
          lines={winter}
          none="Nothing stops, nothing is due."
        />
      </div>
    </YardFrame>
  );
}

function Worked({ worked: { all, rows } }: { worked: YearView["worked"] }) {
  if (!all) return null;
  const told = (value: string | null) => value ?? <span className="font-semibold text-warn">not told</span>;
  return (
    <section aria-label="Worked">
      <ul className="sm:hidden print:hidden">
        {[...rows, ...(rows.length > 1 ? [all] : [])].map((row) => (
          <li key={row.key} className="border-b border-hair py-2">
            <b className="block">{row.key}</b>
            {row.figures.area} in {row.hours}, rate {told(row.figures.rate)}, fuel {told(row.figures.fuel)},
            costs {told(row.cost.sum)}
            {row.cost.missing.length > 0 && (
              <span className="text-warn"> without {row.cost.missing.join(", ")}</span>
            )}
          </li>
        ))}
      </ul>
      <table className="w-full border-collapse text-right max-sm:hidden print:table">
        <thead>
          <tr className="border-b-2 border-ink text-small text-soft">
            {["Worked", "Area", "At work", "Rate", "Fuel", "Costs"].map((head, at) => (
              <th key={head} scope="col" className={`font-normal ${at === 0 ? "text-left" : "pl-3"}`}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...rows, ...(rows.length > 1 ? [all] : [])].map((row) => (
            <tr
              key={row.key}
              data-worked={row.key}
              className={row === all ? "border-t-2 border-ink font-bold" : "border-b border-hair"}
            >
              <th scope="row" className="py-1 text-left font-[650]">
                {row.key}
              </th>
              <td className="pl-3 whitespace-nowrap">{row.figures.area}</td>
              <td className="pl-3 whitespace-nowrap">{row.hours}</td>
              <td className="pl-3 whitespace-nowrap">{told(row.figures.rate)}</td>
              <td className="pl-3 whitespace-nowrap">{told(row.figures.fuel)}</td>
              <td className="pl-3">
                {told(row.cost.sum)}
                {row.cost.missing.length > 0 && (
                  <span className="block text-small font-normal text-warn">
                    without {row.cost.missing.join(", ")}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Lines({ title, lines, none }: { title: string; lines: YearView["winter"]; none: string }) {
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-ink pb-1">{title}</h2>
      {lines.length === 0 && <p className="py-1.5 text-soft">{none}</p>}
      <ul>
        {lines.map(({ key, text, href, tone }) => (
          <li key={key} className="border-b border-hair" data-line={tone}>
            <Link
              to={href}
              className={`flex min-h-11 items-center leading-snug print:min-h-0 ${TONES[tone]}`}
            >
              {text}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
