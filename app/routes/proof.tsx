import { data, Link, redirect } from "react-router";
import { onArrival } from "../session/clock.server.ts";
import { formOf } from "../session/form.server.ts";
import { RigFrame, toolInView } from "../stations/frame/RigFrame.tsx";
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
  if (!begun.ok) return data({ refused: Object.values(begun.errors)[0] ?? null }, { status: 422 });
  const tool = open.parts.length > 1 ? `?tool=${open.rig.couplingId}` : "";
  return redirect(`/rigs/${open.rig.id}/proof/${begun.kept!.id}${tool}`);
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Proof", loaderData?.frame.rig.name);

export default function Proof({ loaderData: { frame, view, practice }, actionData }: Route.ComponentProps) {
  const rigPath = `/rigs/${frame.rig.id}`;
  const { query } = toolInView(frame);
  return (
    <RigFrame
      view={frame}
      station="proof"
      lit={null}
      ways={{ next: null, below: null, above: null, close: null }}
    >
      <div className="grid gap-4">
        <div>
          <h1>Proof</h1>
          <p className="text-lead text-soft">
            Measured in the field: which number is wrong, by how much, and how sure that is.{" "}
            <Link to={`${rigPath}/budget${query}`} className="text-dye">
              How sure is it?
            </Link>{" "}
            <Link to={`${rigPath}/field${query}`} className="text-dye">
              {practice ? "To the simulated field" : "Practise in the simulated field"}
            </Link>
          </p>
        </div>
        <ProofJobs
          view={view}
          person={frame.preferences.person}
          refused={actionData?.refused ?? null}
          jobHref={(id) => `${rigPath}/proof/${id}${query}`}
        />
      </div>
    </RigFrame>
  );
}
