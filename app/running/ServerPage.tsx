import { Link } from "react-router";
import type { Route } from "../routes/+types/server";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { ServerView } from "./server-view.server.ts";
import type { Standing } from "./standing.server.ts";

export function ServerPage({ loaderData: { preferences, view } }: Route.ComponentProps) {
  return (
    <YardFrame preferences={preferences} here={null}>
      <div>
        <h1>This server</h1>
        <p className="text-lead font-semibold" role="status">
          {view.verdict}
        </p>
      </div>
      <div className="grid grid-cols-[1fr_420px] gap-8 max-lg:grid-cols-1">
        <ul className="grid content-start">
          {view.lines.map((each) => (
            <Line key={each.id} {...each} />
          ))}
        </ul>
        <div className="grid content-start gap-6">
          <Slowest slowest={view.slowest} />
          <section>
            <h2 className="border-b-2 border-ink pb-1">What runs here</h2>
            <dl className="grid">
              {view.facts.map(({ label, said }) => (
                <div key={label} className="flex justify-between gap-3 border-b border-hair py-1.5">
                  <dt>{label}</dt>
                  <dd className="text-right font-semibold">{said}</dd>
                </div>
              ))}
            </dl>
          </section>
          <p className="flex flex-wrap gap-2">
            <Link className="key" to="/files">
              Backups and copies
            </Link>
            <Link className="key" to="/people">
              People and devices
            </Link>
          </p>
        </div>
      </div>
    </YardFrame>
  );
}

const TONES = {
  ok: { word: "Good", tone: "text-ok" },
  warn: { word: "See to it", tone: "text-warn" },
  stop: { word: "Wrong", tone: "text-stop" },
  unknown: { word: "Not known", tone: "text-soft" },
};

function Line({ label, tone, said, act }: Standing) {
  const { word, tone: colour } = TONES[tone];
  return (
    <li className="grid grid-cols-[96px_1fr] gap-x-4 border-b border-line py-2" data-standing={tone}>
      <b className={colour}>{word}</b>
      <div>
        <b>{label}</b>
        <p className="break-words">{said}</p>
        {act && <p className="font-semibold">→ {act}</p>}
      </div>
    </li>
  );
}

function Slowest({ slowest }: Pick<ServerView, "slowest">) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1">Slowest pages since the start</h2>
      {slowest.length === 0 ? (
        <p className="pt-2 text-soft">None was timed yet.</p>
      ) : (
        <table className="w-full">
          <thead>
            <tr className="text-left text-small text-soft">
              <th className="font-normal">Kind of page</th>
              <th className="text-right font-normal">times</th>
              <th className="text-right font-normal">half within</th>
              <th className="text-right font-normal">longest</th>
            </tr>
          </thead>
          <tbody>
            {slowest.map(({ what, count, middle, longest }) => (
              <tr key={what} className="border-t border-hair">
                <td className="break-all py-1">{what}</td>
                <td className="text-right">{count}</td>
                <td className="whitespace-nowrap pl-2 text-right">{middle}</td>
                <td className="whitespace-nowrap pl-2 text-right">{longest}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
