import { Link, redirect } from "react-router";
import { viewCard } from "../stations/card-view.server.ts";
import { headOf, openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/card-print";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const card = viewCard(open);
  if (!card.ready) throw redirect(`/rigs/${open.rig.id}/card`);
  const printed = new Date().toLocaleDateString("en-GB", {
    day: "numeric",
    month: "long",
    year: "numeric",
    timeZone: "UTC",
  });
  return { head: headOf(open.rig), card, printed };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Cab card, ${loaderData.head.name}` : "Ambrek" }];
}

/** One A5 page to tape beside the terminal. */
export default function CardPrint({ loaderData: { head, card, printed } }: Route.ComponentProps) {
  return (
    <main className="mx-auto grid max-w-[560px] gap-3 bg-sheet p-6 print:p-0">
      <p className="no-print flex gap-2">
        <button type="button" className="key-main" onClick={() => window.print()}>
          Print
        </button>
        <Link className="key" to={`/rigs/${head.id}/card`}>
          Back to the card
        </Link>
      </p>
      <header className="border-b-2 border-ink pb-2">
        <h1>{head.name}</h1>
        <p>
          {head.tractor} with {head.implement}
        </p>
        <p className="text-small">{head.identity}</p>
        <p className="text-small">
          {card.scheme.name}
          {card.terminal.profileName && `, profile ${card.terminal.profileName}`}. Printed {printed}.
        </p>
      </header>
      {card.pages.map(({ page, rows }) => (
        <section key={page}>
          <h2>{page}</h2>
          <table className="w-full border-collapse">
            <thead className="sr-only">
              <tr>
                <th>Asked for</th>
                <th>Type in</th>
                <th>Grade</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ label, figure, unit, word, grade }) => (
                <tr key={label} className="border-t border-line">
                  <th scope="row" className="py-1 text-left font-normal">
                    {label}
                  </th>
                  <td className="text-right text-[18px] font-bold">
                    {figure}{" "}
                    <span className="text-body font-normal">{[unit, word].filter(Boolean).join(" ")}</span>
                  </td>
                  <td className="w-24 pl-4 text-small">{grade}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      {card.cautions.map((caution) => (
        <p key={caution} className="text-small">
          {caution}
        </p>
      ))}
      <p className="text-small">
        Engine off and the key with you before you go between tractor and drill. The operator's manual comes
        first.
      </p>
    </main>
  );
}
