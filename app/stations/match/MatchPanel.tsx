import { capital } from "../../../core/quantity/capital.ts";
import type { MatchView, PowerLine } from "./match-view.ts";
import { TryPower } from "./TryPower.tsx";

/** Both schools side by side, and power over speed. */
export function MatchPanel({ view }: { view: MatchView }) {
  const { thumb, model, has, verdict, chart, trial, rate } = view;
  return (
    <section aria-label="Power" className="grid gap-2">
      <h2 className="flex flex-wrap justify-between gap-x-3 border-b-2 border-ink pb-1">
        Power
        <span className="font-normal text-soft">
          {[has && `${has} at the PTO`, rate].filter(Boolean).join(", ")}
        </span>
      </h2>
      <p className="text-lead font-semibold" data-verdict-words>
        {verdict}
      </p>
      {chart && trial && <TryPower trial={trial} chart={chart} key={JSON.stringify(trial)} />}
      {(thumb ?? model) && (
        <div className="grid grid-cols-[1fr_1.5fr] gap-6 max-sm:grid-cols-1">
          {thumb && <School title="Rule of thumb" {...thumb} />}
          {model && <School title="Draft model" {...model} />}
        </div>
      )}
    </section>
  );
}

function School({ title, total, lines }: { title: string; total: string; lines: PowerLine[] }) {
  return (
    <div data-school={title}>
      <p className="flex items-baseline justify-between gap-2 border-b border-line">
        <b>{title}</b> <b className="text-[19px]">{total}</b>
      </p>
      <dl>
        {lines.map(({ label, text, source }) => (
          <div
            key={label}
            className="grid grid-cols-[1fr_auto] gap-x-2 border-b border-dashed border-hair py-0.5 leading-snug"
          >
            <dt>{capital(label)}</dt>
            <dd className="font-[650] whitespace-nowrap">{text}</dd>
            <dd className="col-span-2 text-small leading-tight text-soft">{source}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
