import { figuresOf, type Plan, SLIVER } from "../../../core/guidance/plan.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords, roundLength } from "../../../core/quantity/said.ts";
import { inDegrees } from "./degrees.ts";
import type { PlanView } from "./guidance-view.server.ts";

/** A plan of the table; null while it is laid. */
export type PlanRow = { key: string; label: string; plan: Plan | null };

/** Plans side by side, one of them chosen. */
export function PlanTable({
  rows,
  now,
  onChoose,
  view,
}: {
  rows: PlanRow[];
  now: string | null;
  onChoose: (key: string) => void;
  view: PlanView;
}) {
  const { turnMetres } = view;
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-right [&_td]:px-1.5 [&_th]:px-1.5">
        <thead>
          <tr className="border-b-2 border-ink text-small text-soft">
            <th scope="col" className="py-1 text-left font-normal">
              Plan
            </th>
            <th scope="col" className="font-normal">
              Heading
            </th>
            <th scope="col" className="font-normal">
              Passes
            </th>
            <th scope="col" className="font-normal">
              Turns
            </th>
            <th scope="col" className="font-normal">
              Worked
            </th>
            {turnMetres !== null && (
              <th scope="col" className="font-normal">
                Turning
              </th>
            )}
            <th scope="col" className="font-normal">
              Narrowest pass
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, label, plan }) => (
            <tr
              key={key}
              data-plan={key}
              data-turns={plan?.turns}
              className={`border-b border-hair ${key === now ? "bg-dye-wash" : ""}`}
            >
              <th scope="row" className="text-left">
                <button
                  type="button"
                  aria-pressed={key === now}
                  disabled={plan === null}
                  className={`min-h-11 cursor-pointer px-1 text-left font-semibold ${key === now ? "text-dye" : "underline"}`}
                  onClick={() => onChoose(key)}
                >
                  {label}
                </button>
              </th>
              {plan === null ? (
                <td colSpan={6} className="text-soft">
                  being laid
                </td>
              ) : (
                <FigureCells plan={plan} view={view} />
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function FigureCells({ plan, view: { units, spacing, turnMetres, radius } }: { plan: Plan; view: PlanView }) {
  const { passes, runs, turns, metres, sliver } = figuresOf(plan);
  const length = (all: number) => inWords(roundLength(all), units);
  const tight = radius !== null && plan.runs.some(({ tightest }) => tightest < radius);
  return (
    <>
      <td>{plan.heading === null ? "bends" : `${inDegrees(plan.heading).toFixed(1)}°`}</td>
      <td>
        {passes}
        {runs > passes && <span className="text-soft"> in {runs}</span>}
        {tight && <span className="block text-small font-bold text-stop">too tight</span>}
      </td>
      <td className="font-bold">{turns}</td>
      <td>{length(metres)}</td>
      {turnMetres !== null && <td>{length(turns * turnMetres)}</td>}
      <td className={sliver < SLIVER ? "font-bold text-stop" : ""}>
        {printLength(sliver * spacing, units.tape, { decimals: 1 })}
        {sliver < SLIVER && <span className="block text-small font-normal">a sliver</span>}
      </td>
    </>
  );
}
