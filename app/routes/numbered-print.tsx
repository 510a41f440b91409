import { Link } from "react-router";
import { cardOr404, type NumberedLine, viewNumbered } from "../stations/numbered-view.server.ts";
import { openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/numbered-print";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { card: viewNumbered(open, cardOr404(open, params.number)) };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Card ${loaderData.card.number}, ${loaderData.card.head.name}` : "Ambrek" }];
}

/** One A5 page to tape beside the terminal. */
export default function NumberedPrint({ loaderData: { card } }: Route.ComponentProps) {
  const { head } = card;
  return (
    <main className="mx-auto grid max-w-[560px] gap-3 bg-sheet p-6 print:p-0">
      <p className="no-print flex flex-wrap gap-2">
        <button type="button" className="key-main" onClick={() => window.print()}>
          Print
        </button>
        <a className="key" href={`/rigs/${head.id}/cards/${card.number}.pdf`} download>
          PDF
        </a>
        <Link className="key" to={`/rigs/${head.id}/card`}>
          Back to the card
        </Link>
      </p>
      <header className="border-b-2 border-ink pb-2">
        <h1 className="flex justify-between gap-3">
          {head.name} <span className="whitespace-nowrap">Card {card.number}</span>
        </h1>
        <p>
          {head.tractor} with {head.implement}
        </p>
        <p className="text-small">{head.identity}</p>
        <p className="text-small">
          {card.where}. Issued {card.issued}.
        </p>
      </header>
      {card.outdated && <p className="problem border-2 border-stop px-2 py-1">{card.outdated}</p>}
      {card.pages.map(({ page, lines }) => (
        <section key={page}>
          <h2>{page}</h2>
          <Lines lines={lines} />
        </section>
      ))}
      <p className="text-small">
        Engine off and the key with you before you go between tractor and drill. The operator's manual comes
        first.
      </p>
    </main>
  );
}

function Lines({ lines }: { lines: NumberedLine[] }) {
  return (
    <table className="w-full border-collapse">
      <thead className="sr-only">
        <tr>
          <th>Asked for</th>
          <th>Type in</th>
          <th>Grade</th>
        </tr>
      </thead>
      <tbody>
        {lines.map(({ label, figure, unit, word, grade }) => (
          <tr key={label} className="border-t border-line">
            <th scope="row" className="py-1 text-left font-normal">
              {label}
            </th>
            <td className="text-right text-[18px] font-bold">
              {figure} <span className="text-body font-normal">{[unit, word].filter(Boolean).join(" ")}</span>
            </td>
            <td className="w-24 pl-4 text-small">{grade}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
