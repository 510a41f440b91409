import { Link } from "react-router";
import { stageOf } from "../../core/sequence/of-rig.ts";
import { isSequenceKind, type SequenceKind } from "../../core/sequence/step.ts";
import { addressesIn, rigAddress } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { HoseBoard } from "../stations/hoses/HoseBoard.tsx";
import { boardView } from "../stations/hoses/hoses-view.ts";
import { Kinds, Runner } from "../stations/sequences/Runner.tsx";
import { sequenceView } from "../stations/sequences/sequences-view.server.ts";
import type { Route } from "./+types/sequences";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const kind = params.kind ?? "hook-up";
  if (!isSequenceKind(kind)) throw new Response("There is no such sequence.", { status: 404 });
  const hrefOf = (each: SequenceKind) => rigAddress(open.rig.id, `sequences/${each}`, { tool: open.tool });
  const { whole, judged, preferences } = open;
  const board = boardView({
    whole,
    hoses: judged.reckoned.hoses,
    units: preferences.units,
    fn: null,
    stage: stageOf(judged.reckoned.hoses, kind),
    hrefOf: () => rigAddress(open.rig.id, "hoses"),
  });
  return {
    frame: frameOf(open, "sequences", request, { ownDrawing: board !== null }),
    view: sequenceView(open, kind, hrefOf),
    board,
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle(loaderData?.view.title ?? "", loaderData?.frame.rig.name);

export default function Sequences({ loaderData: { frame, view, board } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame
      view={frame}
      station="sequences"
      alone
      picture={board && <HoseBoard board={board} action={to("keep")} />}
    >
      <div className="grid gap-3">
        <PageHead title={view.title}>
          One step at a time, each with what to look for. The operator's manual comes first.
        </PageHead>
        <Kinds kinds={view.kinds} />
        {!view.run && (
          <p>
            <Link to={to(`sequences/${view.kind}/edit`)} className="font-semibold text-dye">
              Edit this list
            </Link>
            {" · "}
            <Link to={to("rehearse")} className="font-semibold text-dye">
              Rehearse
            </Link>
          </p>
        )}
        <Runner key={view.kind} view={view} action={to("keep")} person={frame.preferences.person} />
      </div>
    </RigFrame>
  );
}
