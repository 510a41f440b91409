import { Link } from "react-router";
import { ProofJobs } from "../stations/proof/ProofJobs.tsx";
import { proofView } from "../stations/proof/proof-view.server.ts";
import { RigFrame } from "../stations/RigFrame.tsx";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/proof";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return {
    frame: frameOf(open, "proof", request),
    view: proofView(open),
    practice: open.rig.tractor.practice,
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Proof, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" }];
}

export default function Proof({ loaderData: { frame, view, practice } }: Route.ComponentProps) {
  const rigPath = `/rigs/${frame.rig.id}`;
  const tool = frame.tools.find(({ now }) => now);
  const query = tool ? `?tool=${tool.id}` : "";
  return (
    <RigFrame
      view={frame}
      station="proof"
      hrefOf={(target) => `${rigPath}/antenna?at=${target}`}
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
          action={`${rigPath}/keep${query}`}
          jobHref={(id) => `${rigPath}/proof/${id}${query}`}
        />
      </div>
    </RigFrame>
  );
}
