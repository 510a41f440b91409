import { Link, redirect } from "react-router";
import { addressesIn, rigAddress } from "../stations/frame/address.ts";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { Job } from "../stations/proof/Job.tsx";
import { jobDrawing, jobView } from "../stations/proof/proof-view.server.ts";
import { testOr } from "../stations/proof/solved.server.ts";
import type { Route } from "./+types/proof-job";

/** The list of tests, with the tool that is in view. */
function listOf(request: Request, rigId: string): string {
  const tool = new URL(request.url).searchParams.get("tool");
  return rigAddress(rigId, "proof", { tool });
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const solved = testOr(open, params.testId, () => redirect(listOf(request, params.rigId)));
  return {
    frame: frameOf(open, "proof", request, { ownDrawing: true }),
    drawing: jobDrawing(open, solved),
    job: jobView(open, solved),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle(loaderData?.job.title ?? "", loaderData?.frame.rig.name);

export default function ProofJob({ loaderData: { frame, job, drawing } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={frame} station="proof" drawing={drawing} alone ways={{ close: to("proof") }}>
      <div className="grid gap-3">
        <div>
          <p className="flex flex-wrap gap-x-4">
            <Link to={to("proof")} className="grid min-h-11 place-items-center font-semibold">
              All field tests
            </Link>
            {job.practice && (
              <Link to={to("field")} className="grid min-h-11 place-items-center font-semibold">
                To the simulated field
              </Link>
            )}
          </p>
          <h1>{job.title}</h1>
          <p className={`text-lead text-soft ${job.observations.length > 0 ? "max-sm:hidden" : ""}`}>
            {job.tells}
          </p>
        </div>
        <Job job={job} action={to("keep")} person={frame.preferences.person} />
      </div>
    </RigFrame>
  );
}
