import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { AskedReadings, Handover } from "../stations/handover/HandoverPage.tsx";
import { handoverView } from "../stations/handover/handover-view.server.ts";
import { PrintKeys } from "../ui/PrintKeys.tsx";
import type { Route } from "./+types/handover";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return {
    frame: frameOf(open, "job", request),
    handover: await handoverView(open, request),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Handover", loaderData?.frame.rig.name);

export default function HandoverRoute({ loaderData: { frame, handover } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="job">
      <div className="grid gap-4">
        <PageHead title={`Handover, ${frame.rig.name}`}>
          As of {handover.at}. {handover.climbed.good} of {handover.climbed.all} rungs of its start.{" "}
          {handover.going && <b className="text-ink">{handover.going}</b>}
        </PageHead>
        <PrintKeys back={to("job")} backTo="the job" />
        <Handover view={handover} />
        <AskedReadings view={handover} action={to("keep")} person={frame.preferences.person} />
      </div>
    </RigFrame>
  );
}
