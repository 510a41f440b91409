import { Check, CircleHelp } from "lucide-react";
import { Link } from "react-router";
import { SeverityMark } from "../../ui/Severity.tsx";
import type { CheckRow } from "./check-rows.ts";

/** All a station looked at: what is good as well, so that one sees what was looked at, and what nobody knows yet. */
export function Checks({ rows, title }: { rows: CheckRow[]; title: string }) {
  const good = rows.filter(({ verdict }) => verdict === "good").length;
  const unknown = rows.filter(({ verdict }) => verdict === "unknown").length;
  return (
    <section aria-label={title}>
      <h2 className="flex justify-between border-b-2 border-ink pb-1">
        {title}
        <span className="font-normal text-soft">
          {good} of {rows.length} good{unknown > 0 && `, ${unknown} not known`}
        </span>
      </h2>
      <ul>
        {rows.map((row) => (
          <CheckLine key={row.id + row.label} row={row} />
        ))}
      </ul>
    </section>
  );
}

function CheckLine({ row }: { row: CheckRow }) {
  const { id, verdict, label, said, href, next, tool } = row;
  return (
    <li
      data-check={id}
      data-verdict={verdict}
      className="grid min-h-11 grid-cols-[108px_1fr_auto] items-center gap-x-3 border-b border-hair py-1 max-sm:grid-cols-[1fr_auto]"
    >
      <VerdictMark verdict={verdict} />
      <p className="leading-snug max-sm:order-last max-sm:col-span-2">
        <b className="font-[650]">{label}</b>
        {tool && <span className="text-soft">, {tool}</span>}: {said}
      </p>
      {verdict === "good" ? (
        <span className="sr-only">nothing to do</span>
      ) : (
        <Link
          to={href}
          preventScrollReset
          className="inline-grid min-h-11 place-items-center font-bold whitespace-nowrap text-dye"
        >
          {next}
        </Link>
      )}
    </li>
  );
}

function VerdictMark({ verdict }: { verdict: CheckRow["verdict"] }) {
  if (verdict === "good")
    return (
      <span className="flex items-center gap-1.5 font-semibold text-ok">
        <Check size={18} aria-hidden="true" /> good
      </span>
    );
  if (verdict === "unknown")
    return (
      <span className="flex items-center gap-1.5 whitespace-nowrap text-soft">
        <CircleHelp size={18} aria-hidden="true" /> not known
      </span>
    );
  return <SeverityMark severity={verdict} />;
}
