import { SEQUENCE_KINDS } from "../../core/sequence/step.ts";
import { listsOf } from "../../data/sequences.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { DryRun } from "../stations/rehearsal/DryRun.tsx";
import { PICTURE, Rehearsal } from "../stations/rehearsal/Rehearsal.tsx";
import { rehearsalView } from "../stations/rehearsal/rehearsal-view.ts";
import { openSequence } from "../stations/sequences/open-sequence.server.ts";
import type { Route } from "./+types/rehearse";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { implement } = open.rig;
  const lists = listsOf(open.db, [implement.id]).get(implement.id) ?? {};
  const view = rehearsalView(open, lists);
  const dry = SEQUENCE_KINDS.map((kind) => openSequence(open, kind)).map(({ sequence, supposed: start }) => ({
    sequence,
    start,
  }));
  return { frame: frameOf(open, "sequences", request, { ownDrawing: view !== null }), view, dry };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Rehearse", loaderData?.frame.rig.name);

export default function Rehearse({ loaderData: { frame, view, dry } }: Route.ComponentProps) {
  return (
    <RigFrame view={frame} station="sequences" alone picture={view ? <div id={PICTURE} /> : undefined}>
      <div className="grid gap-3">
        <PageHead title="Rehearse">
          {view
            ? "A simulated tool on your own levers, four times as fast. What breaks here costs nothing, and nothing is logged."
            : "Press the step you would do next: one out of order says what it would break. Nothing is logged."}
        </PageHead>
        {view ? <Rehearsal view={view} /> : <DryRun key={frame.rig.id} lists={dry} />}
      </div>
    </RigFrame>
  );
}
