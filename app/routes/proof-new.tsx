import { Link } from "react-router";
import { addressesIn } from "../stations/frame/address.ts";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { NewTest } from "../stations/proof/NewTest.tsx";
import { jobDrawing, jobView } from "../stations/proof/proof-view.server.ts";
import { unbegun } from "../stations/proof/solved.server.ts";
import type { Route } from "./+types/proof-new";

/** A test of a kind before anybody began it: what a phone takes along to begin it where nobody answers. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const blank = unbegun(open, params.kind);
  return {
    frame: frameOf(open, "proof", request, { ownDrawing: true }),
    drawing: jobDrawing(open, blank),
    job: jobView(open, blank),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle(loaderData?.job.title ?? "", loaderData?.frame.rig.name);

export default function ProofNew({ loaderData: { frame, job, drawing } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={frame} station="proof" drawing={drawing} alone ways={{ close: to("proof") }}>
      <div className="grid gap-3">
        <div>
          <Link to={to("proof")} className="inline-grid min-h-11 place-items-center font-semibold">
            All field tests
          </Link>
          <h1>{job.title}</h1>
        </div>
        <NewTest
          job={job}
          action={to("keep")}
          person={frame.preferences.person}
          hrefOf={(id) => to(`proof/${id}`)}
        />
      </div>
    </RigFrame>
  );
}
