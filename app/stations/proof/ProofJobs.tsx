import { Link } from "react-router";
import { WAITS_HERE } from "../../offline/use-waiting.ts";
import { GradeMark } from "../../ui/Grade.tsx";
import { useBegun } from "./begun.ts";
import type { JobRow, ProofView, ProvenRow } from "./proof-view.server.ts";
import { useBegin } from "./use-begin.ts";

type Props = {
  view: ProofView;
  person: string;
  action: string;
  jobHref: (id: string) => string;
};

/** What is proven and what is not, then the jobs that prove it. */
export function ProofJobs({ view, person, action, jobHref }: Props) {
  return (
    <div className="grid gap-4">
      <section aria-label="What is proven">
        <h2 className="border-b-2 border-ink pb-1">What guidance rests on</h2>
        <ul>
          {view.rows.map((row) => (
            <Row key={row.key} row={row} />
          ))}
        </ul>
        <p className="pt-1 text-small text-soft">{view.tolerance}</p>
      </section>
      <section aria-label="Field tests" className="grid gap-2">
        <h2 className="border-b-2 border-ink pb-1">Field tests</h2>
        <ul className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
          {view.jobs.map((job) => (
            <Job key={job.key} job={job} action={action} jobHref={jobHref} person={person} />
          ))}
        </ul>
      </section>
    </div>
  );
}

function Row({ row: { key, label, value, plusMinus, proven, because, lapsed, tests } }: { row: ProvenRow }) {
  return (
    <li
      data-provable={key}
      data-proven={proven}
      className="grid grid-cols-[1fr_auto_118px] items-center gap-x-3 border-b border-hair py-1.5 leading-snug max-sm:grid-cols-[1fr_auto]"
    >
      <span>
        <b className="font-[650]">{label}</b>
        <span className={`block text-small ${lapsed ? "text-warn" : "text-soft"}`}>
          {because}
          {!proven && tests.length > 0 && ` By: ${tests.map(({ title }) => title.toLowerCase()).join(", ")}.`}
        </span>
      </span>
      <span className="text-right font-[650] whitespace-nowrap">
        {value}
        {plusMinus && <span className="block text-small font-normal text-soft">{plusMinus}</span>}
      </span>
      <span className="max-sm:col-span-2">
        {proven ? (
          <GradeMark grade="proven" />
        ) : (
          <span className="text-small text-soft">{lapsed ? "prove again" : "not proven"}</span>
        )}
      </span>
    </li>
  );
}

function Job({
  job: { key, title, tells, open, accepted },
  action,
  jobHref,
  person,
}: Omit<Props, "view"> & { job: JobRow }) {
  const newHref = (kind: string) => jobHref(`new/${kind}`);
  const begun = useBegun(action, key);
  const { begin, busy, problem } = useBegin(action, person, { hrefOf: jobHref, newHref });
  const here = begun.state === "waits";
  return (
    <li data-job={key} className="grid content-between gap-2 border-[1.5px] border-line bg-sheet px-3 py-2.5">
      <div>
        <h3 className="font-bold">{title}</h3>
        <p className="leading-snug">{tells}</p>
        {open && <p className="text-small text-soft">{open.said}</p>}
        {accepted.map(({ id, said }) => (
          <Link key={id} to={jobHref(id)} className="flex min-h-9 items-center text-small text-ok">
            {said}
          </Link>
        ))}
      </div>
      {here && <p className="text-small font-semibold text-warn">Begun, {WAITS_HERE}</p>}
      {problem && <p className="problem">{problem}</p>}
      {open || here ? (
        <Link to={here ? newHref(key) : jobHref(open!.id)} className="key-main">
          Go on
        </Link>
      ) : (
        <button type="button" className="key" disabled={busy} onClick={() => void begin(key, title)}>
          Begin
        </button>
      )}
    </li>
  );
}
