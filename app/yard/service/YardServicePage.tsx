import { Link } from "react-router";
import type { Route } from "../../routes/+types/service";
import { YardFrame } from "../YardFrame.tsx";
import type { YardService } from "./service-view.server.ts";
import { TONES } from "./tones.ts";

export function YardServicePage({ loaderData: { preferences, view } }: Route.ComponentProps) {
  const { counts, pressing, good, wear, without } = view;
  const none = pressing.length + good.length + wear.length === 0;
  return (
    <YardFrame preferences={preferences} here="machines">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Service</h1>
          <p className="text-lead text-soft" data-due={counts.due}>
            {none
              ? "No machine has a list yet. Open one below, and take the usual list to begin with."
              : `${counts.due} due, ${counts.soon} soon, ${counts.unknown} not known, ${counts.order} to order now. By whichever comes first; the operator's manual comes before any list.`}
          </p>
        </div>
        <p className="no-print flex flex-wrap gap-2">
          <a className="key" href="/service.csv" download>
            CSV
          </a>
          <button type="button" className="key" onClick={() => window.print()}>
            Print
          </button>
        </p>
      </div>
      <div className="grid grid-cols-[1.3fr_1fr] gap-8 max-lg:grid-cols-1">
        <Lines title="To be done" lines={pressing} />
        <div className="grid content-start gap-6">
          <section aria-label="To order">
            <h2 className="border-b-2 border-ink pb-1">What wears, and what to order</h2>
            {wear.length === 0 && <p className="py-2 text-soft">Nothing is listed that wears.</p>}
            <ul>
              {wear.map(({ id, machineId, machine, name, said, order, now, known }) => (
                <li key={id} className="border-b border-hair py-2" data-order={now ? "now" : "later"}>
                  <Link to={`/machines/${machineId}/service`} className="font-[650]">
                    {name}
                  </Link>{" "}
                  <span className="text-soft">{machine}</span>
                  <span className={`block ${now ? "font-semibold text-stop" : ""}`}>{order}</span>
                  <span className={`block text-small ${known ? "text-soft" : "text-warn"}`}>{said}</span>
                </li>
              ))}
            </ul>
          </section>
          {without.length > 0 && (
            <section aria-label="Without a list">
              <h2 className="border-b-2 border-ink pb-1">Without a list</h2>
              <ul className="columns-2 max-sm:columns-1">
                {without.map(({ id, name }) => (
                  <li key={id}>
                    <Link to={`/machines/${id}/service`} className="flex min-h-11 items-center">
                      {name}
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </div>
      {good.length > 0 && <Lines title="Not yet" lines={good} />}
    </YardFrame>
  );
}

function Lines({ title, lines }: { title: string; lines: YardService["pressing"] }) {
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-ink pb-1">{title}</h2>
      {lines.length === 0 && <p className="py-2 text-soft">Nothing.</p>}
      <ul>
        {lines.map(({ id, machineId, machine, name, state, word, said, comes }) => (
          <li
            key={id}
            data-line={name}
            data-state={state}
            className="grid grid-cols-[1fr_90px] items-start gap-3 border-b border-hair py-2 leading-snug"
          >
            <span>
              <Link to={`/machines/${machineId}/service`} className="font-[650]">
                {name}
              </Link>{" "}
              <span className="text-soft">{machine}</span>
              <span className="block">
                {said} {comes && <span className="text-soft">Due {comes}.</span>}
              </span>
            </span>
            <b className={TONES[state]}>{word}</b>
          </li>
        ))}
      </ul>
    </section>
  );
}
