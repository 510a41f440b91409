import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { Rounds } from "../stations/rounds/Rounds.tsx";
import { roundsView } from "../stations/rounds/rounds.server.ts";
import type { Route } from "./+types/rounds";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "ladder", request), rounds: roundsView(open) };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle("Morning and evening", loaderData?.frame.rig.name);

export default function RoundsPage({ loaderData: { frame, rounds } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="ladder">
      <div className="grid gap-3">
        <PageHead title="Morning and evening">
          What is looked after each day, and what has come due, on every machine of this rig.
        </PageHead>
        <Rounds view={rounds} action={to("keep")} log={to("log")} person={frame.preferences.person} />
      </div>
    </RigFrame>
  );
}
