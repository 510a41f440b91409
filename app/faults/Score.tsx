import { Link } from "react-router";
import type { CaseView } from "./faults-view.server.ts";

/** What the case was worth, what it was, and how it would have gone by the advice. */
export function Score({ score }: { score: NonNullable<CaseView["score"]> }) {
  const { found, named, truth, errors, minutes, best, needless } = score;
  return (
    <section
      aria-label="What it was"
      className={`grid gap-2 border-l-[5px] px-4 py-3 ${found ? "border-ok bg-sheet" : "border-stop bg-stop-wash"}`}
      data-found={found ? "yes" : "no"}
    >
      <p className="text-lead font-bold">{found ? "Found." : `Not found: you named “${named}”.`}</p>
      {truth.map(({ label, cure, figure }) => (
        <p key={label}>
          It was: <b>{label}</b>. {cure} {figure && <b>{figure}.</b>}
        </p>
      ))}
      {errors.map(({ asks, off, within, near }) => (
        <p key={asks} className={near ? "text-ok" : "text-warn"} data-near={near ? "yes" : "no"}>
          {off === null
            ? `${asks}: no figure was given.`
            : `${asks}: off by ${off}, ${near ? "near enough" : "not near enough"} (within ${within}).`}
        </p>
      ))}
      <p>
        <b>{minutes} minutes</b>; by the advice {best.minutes}
        {best.way.length > 0 && `: ${best.way.join(", then ").toLowerCase()}`}.
        {!best.found && " The advice would not have found it either."}
      </p>
      {needless.length > 0 && (
        <p className="text-warn">Needless, by what was known then: {needless.join(", ").toLowerCase()}.</p>
      )}
      <p>
        <Link to="/faults" className="key-main">
          Another case
        </Link>
      </p>
    </section>
  );
}
