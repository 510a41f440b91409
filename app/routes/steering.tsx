import { Link } from "react-router";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { toldBy } from "../session/told.server.ts";
import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { Calibration } from "../stations/steering/Effort.tsx";
import { DRIVE_INTENTS } from "../stations/steering/keep-drive.server.ts";
import { Drives, ReadyLadder } from "../stations/steering/Steering.tsx";
import { steeringView } from "../stations/steering/steering-view.server.ts";
import type { Route } from "./+types/steering";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "guidance", request), steering: steeringView(open) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request.clone(), params.rigId);
  const at = { open, told: await toldBy(request) };
  return answered(await carryOut(DRIVE_INTENTS, at, await formOf(request)));
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle("Ready to steer", loaderData?.frame.rig.name);

export default function Steering({ loaderData: { frame, steering }, actionData }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="guidance">
      <div className="grid gap-6">
        <PageHead title="Ready to steer">
          {steering.served
            ? "What is missing, how it was calibrated, and how well it holds its line."
            : "Nothing of this rig is steered along lines."}{" "}
          <Link to={to("guidance")}>Back to guidance</Link>
        </PageHead>
        {steering.served && (
          <>
            <ReadyLadder rungs={steering.rungs} to={(page) => to(page === "" ? "ladder" : page)} />
            <Calibration view={steering} read={(key, advised) => to("guidance", { at: key, advised })} />
            <Drives
              view={steering}
              errors={actionData?.errors ?? {}}
              person={frame.preferences.person}
              practice={to("practice.nmea")}
            />
          </>
        )}
      </div>
    </RigFrame>
  );
}
