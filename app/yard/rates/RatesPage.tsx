import { Form, Link } from "react-router";
import type { Route } from "../../routes/+types/rates";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { rigAddress } from "../../stations/frame/address.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { YardFrame } from "../YardFrame.tsx";
import { PricesDto } from "./prices.dto.ts";
import type { RatesView } from "./rates-view.server.ts";

export function RatesPage({ loaderData: { preferences, view }, actionData }: Route.ComponentProps) {
  const { rows, season, seasons } = view;
  return (
    <YardFrame preferences={preferences} here="fields">
      <div>
        <p className="text-soft">
          <Link to="/log">Log of work</Link>
        </p>
        <h1>Work rates and costs</h1>
        <p className="text-lead text-soft">
          Learnt from what was driven: hectares by hours at work, and what of width times speed came of it.
        </p>
      </div>
      <Form className="flex flex-wrap items-end gap-2">
        <label className="grid gap-1">
          Season
          <select
            name="season"
            className="field w-44"
            defaultValue={season}
            onChange={(event) => event.currentTarget.form?.requestSubmit()}
          >
            <option value="">All</option>
            {seasons.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
      </Form>
      <Prices
        view={view}
        errors={actionData?.errors ?? {}}
        said={actionData?.ok ? actionData.kept.said : ""}
      />
      {rows.length === 0 ? (
        <p className="border-2 border-dashed border-line p-6 text-lead">
          Nothing that was ended is in the log. Begin and end work at a rig, with hectares, hours and fuel.
        </p>
      ) : (
        <ul className="grid gap-2">
          {rows.map((row) => (
            <RateRow key={row.key} row={row} />
          ))}
        </ul>
      )}
      <p className="text-small text-soft">
        Hours are those at work as they were told; the way there is in none of them. Soil is what the rig was
        set for when the work was begun.
      </p>
    </YardFrame>
  );
}

type Figures = RatesView["rows"][number]["figures"];

const NOT_TOLD = "not told";

function RateRow({ row }: { row: RatesView["rows"][number] }) {
  const { rigId, rig, operation, figures, match, cost, people, fields, soils, changes } = row;
  return (
    <li className="border-b border-hair pb-2" data-rates={`${rig}, ${operation}`}>
      <p>
        <Link to={rigAddress(rigId, "log")} className="text-[17px] font-bold">
          {rig}
        </Link>{" "}
        <span className="text-soft">
          {operation}, {figures.area} in {figures.entries} {figures.entries === 1 ? "entry" : "entries"}
          {figures.untold > 0 && `, ${figures.untold} without hectares or hours`}
        </span>
      </p>
      <dl className="grid grid-cols-5 gap-x-4 max-sm:grid-cols-2">
        <Figure name="Work rate" value={figures.rate} beside={match && `Match reckons ${match}`} />
        <Figure
          name="Of width times speed"
          value={figures.efficiency}
          odd={figures.odd ? "More than they can: one of them, or the hours, is wrong." : null}
        />
        <Figure name="Fuel" value={figures.fuel} />
        <Figure name="Labour" value={figures.labour} />
        <Figure
          name="Costs"
          value={cost.sum}
          odd={cost.missing.length > 0 ? `without ${cost.missing.join(", ")}` : null}
        />
      </dl>
      {cost.parts.length > 1 && <p className="text-small text-soft">{cost.parts.join(", ")}.</p>}
      {changes.map(({ what, rate, fuel }) => (
        <p key={what} data-changed>
          <b>{what}:</b> {rate} {fuel}
        </p>
      ))}
      {(people.length > 1 || fields.length > 1 || soils.length > 1) && (
        <Folded summary="By who drove, by field and by soil">
          <div className="grid grid-cols-2 gap-6 max-sm:grid-cols-1">
            <Split name="Who" rows={people} />
            <Split name="Field" rows={fields} />
            <Split name="Soil" rows={soils} />
          </div>
        </Folded>
      )}
    </li>
  );
}

type FigureProps = { name: string; value: string | null; odd?: string | null; beside?: string | null };

function Figure({ name, value, odd = null, beside = null }: FigureProps) {
  return (
    <div>
      <dt className="text-small text-soft">{name}</dt>
      <dd className={value === null ? "font-semibold text-warn" : "text-lead font-bold"}>
        {value ?? NOT_TOLD}
        {beside && <span className="block text-small font-normal text-soft">{beside}</span>}
        {odd && <span className="block text-small font-normal text-warn">{odd}</span>}
      </dd>
    </div>
  );
}

function Split({ name, rows }: { name: string; rows: readonly (Figures & { name: string })[] }) {
  return (
    <table className="w-full border-collapse text-right">
      <thead>
        <tr className="border-b-2 border-ink text-small text-soft">
          <th scope="col" className="text-left font-normal">
            {name}
          </th>
          <th scope="col" className="font-normal">
            Worked
          </th>
          <th scope="col" className="font-normal">
            Rate
          </th>
          <th scope="col" className="font-normal">
            Fuel
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name} className="border-b border-hair">
            <th scope="row" className="py-1 text-left font-semibold">
              {row.name}
            </th>
            <td>{row.area}</td>
            <td>{row.rate ?? NOT_TOLD}</td>
            <td>{row.fuel ?? NOT_TOLD}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Prices({ view, errors: sent, said }: { view: RatesView; errors: FieldErrors; said: string }) {
  const { errors, onSubmit } = useChecked(PricesDto, sent);
  const { fuel, labour, money } = view.prices;
  return (
    <Form
      method="post"
      noValidate
      onSubmit={onSubmit}
      className="flex flex-wrap items-end gap-2"
      aria-label="Prices"
    >
      <TextField
        name="fuel"
        label={`Fuel, for one ${view.fuelUnit}`}
        inputMode="decimal"
        defaultValue={fuel}
        problem={errors.fuel}
        className="w-32"
      />
      <TextField
        name="labour"
        label="An hour's work"
        inputMode="decimal"
        defaultValue={labour}
        problem={errors.labour}
        className="w-32"
      />
      <TextField name="money" label="In" defaultValue={money} problem={errors.money} className="w-24" />
      <button type="submit" className="key">
        Reckon with these
      </button>
      {said && (
        <p className="basis-full font-bold text-ok" role="status">
          {said}
        </p>
      )}
    </Form>
  );
}
