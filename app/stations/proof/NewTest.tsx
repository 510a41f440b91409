import { useEffect } from "react";
import { useNavigate } from "react-router";
import { WAITS_HERE } from "../../offline/use-waiting.ts";
import { forgetBegun, throwBegunAway, useBegun } from "./begun.ts";
import { Job } from "./Job.tsx";
import type { JobView } from "./proof-view.server.ts";
import { useBegin } from "./use-begin.ts";

type Props = { job: JobView; action: string; person: string; hrefOf: (id: string) => string };

/** A test that nobody began yet, or that was begun on this device and waits: measured here all the same, and sent with its beginning. */
export function NewTest({ job, action, person, hrefOf }: Props) {
  const begun = useBegun(action, job.kind);
  const navigate = useNavigate();
  const { begin, problem } = useBegin(action, person, { hrefOf, newHref: () => null });
  const there = begun.state === "sent" ? hrefOf(begun.id) : null;
  useEffect(() => {
    if (there === null) return;
    forgetBegun(action, job.kind);
    navigate(there, { replace: true });
  }, [there, action, job.kind, navigate]);
  if (begun.state === "waits")
    return (
      <>
        <p className="border-l-[5px] border-warn bg-warn-wash px-3 py-2 font-semibold text-warn" data-begun>
          Begun without a connection: the test {WAITS_HERE}, with all that is measured. What it proves is
          worked out once it is sent.
        </p>
        <Job job={{ ...job, id: begun.id }} action={action} person={person} unsent />
        <button
          type="button"
          className="min-h-11 cursor-pointer justify-self-start font-semibold underline"
          onClick={() => void throwBegunAway(action, job.kind, begun.id)}
        >
          Throw this test away
        </button>
      </>
    );
  return (
    <>
      <p className="text-lead text-soft">{job.tells}</p>
      {problem && <p className="problem">{problem}</p>}
      <button
        type="button"
        className="key-main justify-self-start"
        disabled={begun.state !== "none"}
        onClick={() => void begin(job.kind, job.title)}
      >
        Begin
      </button>
    </>
  );
}
