import type { Route } from "../../routes/+types/numbered-print";
import { PrintKeys } from "../../ui/PrintKeys.tsx";
import { rigAddress } from "../frame/address.ts";
import { fitOf } from "./fit.ts";
import type { NumberedLine, NumberedView } from "./numbered-view.server.ts";

/** An A5 page for each tool, to tape beside the terminal. */
export function NumberedPrintPage({ loaderData: { cards, qr } }: Route.ComponentProps) {
  const [{ head, number }] = cards as [NumberedView, ...NumberedView[]];
  return (
    <main
      id="main"
      tabIndex={-1}
      className="on-card mx-auto grid max-w-[560px] gap-6 bg-sheet p-6 print:block print:max-w-none print:p-0"
    >
      <PrintKeys back={rigAddress(head.id, "card")} backTo="the card">
        {cards.length === 1 && (
          <a className="key" href={rigAddress(head.id, `cards/${number}.pdf`)} download>
            PDF
          </a>
        )}
      </PrintKeys>
      {cards.map((card) => (
        <Page key={card.number} card={card} qr={qr} />
      ))}
    </main>
  );
}

function Page({ card, qr }: { card: NumberedView; qr: string }) {
  const { head } = card;
  return (
    <article
      className="grid gap-3 not-first-of-type:break-before-page print:gap-1.5"
      style={{ "--fits": fitOf(card) } as React.CSSProperties}
      data-card={card.number}
    >
      <header className="grid grid-cols-[1fr_84px] gap-3 border-b-2 border-ink pb-2">
        <div>
          <h1>
            {head.name} <span className="whitespace-nowrap">Card {card.number}</span>
          </h1>
          <p>
            {head.tractor} with {head.implement}
          </p>
          <p className="text-small">{head.identity}</p>
          <p className="text-small">
            {card.where}. Issued {card.issued}.
          </p>
        </div>
        <figure className="grid justify-items-center gap-0.5">
          <div
            className="w-[76px] bg-white p-1"
            role="img"
            aria-label={`Code for the page of this rig, ${card.address}`}
            // biome-ignore lint/security/noDangerouslySetInnerHtml: an SVG made here of an address
            dangerouslySetInnerHTML={{ __html: qr }}
          />
          <figcaption className="text-small">this rig</figcaption>
        </figure>
      </header>
      {card.outdated && <p className="problem border-2 border-stop px-2 py-1">{card.outdated}</p>}
      {card.pages.map(({ page, lines }) => (
        <section key={page}>
          <h2>{page}</h2>
          <Lines lines={lines} />
        </section>
      ))}
      <section>
        <h2>In this order</h2>
        <ol className="list-decimal pl-5 text-small leading-snug print:hidden">
          {card.order.map(({ key, step, why }) => (
            <li key={key}>
              <b>{step}</b>: {why}
            </li>
          ))}
        </ol>
        <p className="print-only text-small leading-tight">
          {card.order.map(({ step }, index) => `${index + 1} ${step.toLowerCase()}`).join(", ")}
        </p>
      </section>
      <p className="text-small">
        Engine off and the key with you before you go between tractor and tool. The operator's manual comes
        first.
      </p>
    </article>
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
            <th scope="row" className="py-1 text-left font-normal print:py-0 print:leading-tight">
              {label}
            </th>
            <td className="text-right text-[18px] font-bold print:text-[15px] print:leading-snug">
              {figure} <span className="text-body font-normal">{[unit, word].filter(Boolean).join(" ")}</span>
            </td>
            <td className="w-24 pl-4 text-small">{grade}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
