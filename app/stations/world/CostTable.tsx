import { Form, Link } from "react-router";
import { say } from "../../../core/quantity/say.ts";
import { type Cost, ranked, wrongArea } from "../../../core/world/cost.ts";
import type { OnField } from "../../../core/world/on-field.ts";
import { TextField } from "../../ui/Field.tsx";
import { useCosts } from "./use-costs.ts";
import type { Driveable } from "./world-view.server.ts";

type Props = {
  view: Driveable;
  on: OnField;
  to: (page: string, query?: Record<string, string>) => string;
};

/** What each reading costs on this field, if it is off by what is not known of it: what to tape next, in money. */
export function CostTable({ view, on, to }: Props) {
  const { nudges, worth, units, told } = view;
  const { costs, reckon, stop } = useCosts({ on, nudges, worth });
  const rows = costs ? ranked(costs.rows) : [];
  const done = costs !== null && costs.done === costs.all;
  const station = new Map(told.map((each) => [each.key as string, each]));
  return (
    <section
      aria-label="What does it cost"
      className="grid gap-3"
      data-crop={view.crop}
      data-costs={costs === null ? "" : done ? "done" : "running"}
    >
      <h2 className="border-b-2 border-ink pb-1">
        What does it cost?{" "}
        <span className="font-normal text-soft">
          each reading off by what is not known of it, on this field: tape the dearest next
        </span>
      </h2>
      <WorthForm view={view} />
      {costs === null && (
        <p>
          <button type="button" className="key-main" onClick={reckon}>
            Drive it {nudges.reduce((sum, { ways }) => sum + ways.length, 1)} times and rank them
          </button>
        </p>
      )}
      {costs && !done && (
        <p className="flex min-h-11 items-center gap-3" role="status">
          <progress
            value={costs.done}
            max={costs.all}
            className="h-3 w-48 accent-[var(--dye)]"
            aria-label="Readings tried"
          />
          {costs.done} of {costs.all} tried
          <button type="button" className="key" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {rows.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full min-w-[560px]">
            <thead>
              <tr className="border-b-2 border-ink text-left">
                {["Reading", "Off by", "Left open", "Twice, beside", "Product", "Costs"].map((head, at) => (
                  <th
                    key={head}
                    scope="col"
                    className={`py-1 pr-3 font-semibold ${at > 0 ? "text-right" : ""}`}
                  >
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody className="tabular-nums">
              {rows.map(({ key, label, cost }) => (
                <tr key={key} className="border-b border-hair" data-cost={key}>
                  <th scope="row" className="py-1 pr-3 text-left font-semibold">
                    <Link to={to(stationOf(view, key), { at: key })}>{label}</Link>
                  </th>
                  <td className="py-1 pr-3 text-right">{station.get(key)?.within}</td>
                  <td className="py-1 pr-3 text-right">{say("area", Math.max(0, cost.left), units, 3)}</td>
                  <td className="py-1 pr-3 text-right">
                    {say("area", Math.max(0, cost.twice) + Math.max(0, cost.beside), units, 3)}
                  </td>
                  <td className="py-1 pr-3 text-right">{productSaid(cost, view)}</td>
                  <td className="py-1 pr-3 text-right font-bold">{moneySaid(cost, view)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {done && rows.every(({ cost }) => wrongArea(cost) < 1) && (
        <p className="font-semibold text-ok">None of them moves the work by what one sees.</p>
      )}
    </section>
  );
}

const stationOf = ({ nudges }: Driveable, key: string) =>
  nudges.find((each) => each.key === key)?.station ?? "tool";

function productSaid({ product }: Cost, { worth, units }: Driveable): string {
  if (product === null) return "no rate";
  return worth.of === "l" ? say("volume", product, units) : say("mass", product, units);
}

/** In money where something of it has a price; else that nothing has one. */
function moneySaid({ money, priced }: Cost, { worth }: Driveable): string {
  if (money === null) return "no price";
  const sum = `${money.toFixed(money < 100 ? 2 : 0)} ${worth.money}`.trim();
  return priced.crop && priced.product ? sum : `${sum}, ${priced.crop ? "crop" : "product"} alone`;
}

function WorthForm({ view: { crop, worth, told, field } }: Pick<Props, "view">) {
  const wrong = crop !== "" && worth.crop === null;
  return (
    <Form method="get" preventScrollReset className="flex flex-wrap items-end gap-3">
      <input type="hidden" name="field" value={field.id} />
      {told.map(
        ({ key, typed }) =>
          typed !== "" && <input key={key} type="hidden" name={`is.${key}`} value={typed} />,
      )}
      <TextField
        name="crop"
        label={`A hectare left open costs${worth.money ? `, ${worth.money}` : ""}`}
        defaultValue={crop}
        inputMode="decimal"
        placeholder="900"
        problem={wrong ? "An amount, as 900 or 900.50." : undefined}
        hint="What the crop on it would have brought"
      />
      <button type="submit" className="key">
        Reckon with that
      </button>
      <p className="grow text-small text-soft">
        {worth.rate === null
          ? "No rate of a product is known: what falls twice or beside is told as ground."
          : worth.price === null
            ? `The product loaded has no price: what falls twice is told in ${worth.of === "l" ? "litres" : "kilograms"}.`
            : `The product costs ${worth.price * (worth.of === "l" ? 1e-3 : 1)} ${worth.money} for each ${worth.of === "l" ? "litre" : "kilogram"}.`}
      </p>
    </Form>
  );
}
