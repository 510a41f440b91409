import { Link } from "react-router";
import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { ProofJobs } from "../stations/proof/ProofJobs.tsx";
import { proofView } from "../stations/proof/proof-view.server.ts";
import type { Route } from "./+types/proof";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return {
    frame: frameOf(open, "proof", request),
    view: proofView(open),
    practice: open.rig.tractor.practice,
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Proof", loaderData?.frame.rig.name);

export default function Proof({ loaderData: { frame, view, practice } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={frame} station="proof">
      <div className="grid gap-4">
        <PageHead title="Proof">
          Measured in the field: which number is wrong, by how much, and how sure that is.{" "}
          <Link to={to("budget")} className="text-dye">
            How sure is it?
          </Link>{" "}
          <Link to={to("field")} className="text-dye">
            {practice ? "To the simulated field" : "Practise in the simulated field"}
          </Link>
        </PageHead>
        <ProofJobs
          view={view}
          person={frame.preferences.person}
          action={to("keep")}
          jobHref={(id) => to(`proof/${id}`)}
        />
      </div>
    </RigFrame>
  );
}
