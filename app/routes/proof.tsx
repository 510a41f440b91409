import { Link, redirect } from "react-router";
import { onArrival } from "../session/clock.server.ts";
import { formOf } from "../session/form.server.ts";
import { answered } from "../session/outcome.ts";
import { addressesIn, rigAddress } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { keepBegun } from "../stations/proof/keep-proof.server.ts";
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

/** Begins a field test and goes to it. */
export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request, params.rigId);
  const begun = keepBegun(open, await formOf(request), onArrival());
  if (!begun.ok) return answered(begun);
  return redirect(rigAddress(open.rig.id, `proof/${begun.kept.id}`, { tool: open.tool }));
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Proof", loaderData?.frame.rig.name);

export default function Proof({ loaderData: { frame, view, practice }, actionData }: Route.ComponentProps) {
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
          refused={Object.values(actionData?.errors ?? {})[0] ?? null}
          jobHref={(id) => to(`proof/${id}`)}
        />
      </div>
    </RigFrame>
  );
}
