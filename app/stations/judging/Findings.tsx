import { Link } from "react-router";
import { SeverityMark, severityWash } from "../../ui/Severity.tsx";
import type { CommonView } from "./station-view.ts";

const AT_ONCE = 3;

/** What is wrong, worst first, each with what to do; the milder rest behind one press. */
export function Findings({ findings }: { findings: CommonView["findings"] }) {
  const rest = findings.slice(AT_ONCE);
  return (
    <section aria-label="Findings" className="grid gap-1.5">
      {findings.slice(0, AT_ONCE).map((finding) => (
        <FindingRow key={finding.id} finding={finding} />
      ))}
      {rest.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2.5 font-semibold text-dye">
            {rest.length} more to check
          </summary>
          <div className="grid gap-1.5">
            {rest.map((finding) => (
              <FindingRow key={finding.id} finding={finding} />
            ))}
          </div>
        </details>
      )}
    </section>
  );
}

function FindingRow({ finding }: { finding: CommonView["findings"][number] }) {
  const { severity, what, why, next, href, onField, id, tool } = finding;
  return (
    <div
      data-finding={id}
      className={`grid grid-cols-[70px_1fr_auto] items-center gap-x-3 border-l-[5px] px-3 py-1.5 max-sm:grid-cols-[1fr_auto] ${severityWash(severity)}`}
    >
      <SeverityMark severity={severity} />
      <p className="leading-snug max-sm:order-last max-sm:col-span-2">
        {tool && <span className="text-soft">{tool}: </span>}
        <strong className="font-[720]">{what}</strong> {why}
        {onField && (
          <>
            {" "}
            <Link to={onField} className="inline-flex min-h-8 items-center font-semibold text-dye underline">
              On my field
            </Link>
          </>
        )}
      </p>
      <Link
        to={href}
        preventScrollReset
        className="inline-grid min-h-11 place-items-center font-bold whitespace-nowrap text-dye"
      >
        {next.label}
      </Link>
    </div>
  );
}
