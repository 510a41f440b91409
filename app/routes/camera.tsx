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
import { NewProfile, Profiles } from "../stations/steering/Camera.tsx";
import { CameraTrial } from "../stations/steering/CameraTrial.tsx";
import { CAMERA_INTENTS, cameraView } from "../stations/steering/camera.server.ts";
import type { Route } from "./+types/camera";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "guidance", request), camera: cameraView(open) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request.clone(), params.rigId);
  const at = { open, told: await toldBy(request) };
  return answered(await carryOut(CAMERA_INTENTS, at, await formOf(request)));
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Row camera", loaderData?.frame.rig.name);

export default function Camera({ loaderData: { frame, camera }, actionData }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="guidance">
      <div className="grid gap-6">
        <PageHead title="Row camera">
          {camera.camera === "no"
            ? "This machine has none."
            : "Which profile, how it was made, and what each mode does with it."}{" "}
          <Link to={to("guidance")}>Back to guidance</Link>
        </PageHead>
        {camera.camera === null && (
          <p className="font-semibold text-warn">
            Nobody told whether it has one.{" "}
            <Link to={to("guidance", { at: "tractor.rowCamera" })}>Tell it</Link>
          </p>
        )}
        {camera.camera === "yes" && (
          <>
            {camera.shown !== "both" && (
              <p className="font-semibold text-warn">
                {camera.shown === null
                  ? "Nobody looked whether roll and speed are shown as they should be."
                  : "Roll or speed is shown off: a profile made with it is off as well."}{" "}
                <Link to={to("guidance", { at: "tractor.shownPlausible" })}>Look, and tell it</Link>
              </p>
            )}
            <Profiles view={camera} />
            <NewProfile
              key={camera.profiles.length}
              view={camera}
              errors={actionData?.errors ?? {}}
              person={frame.preferences.person}
            />
            <CameraTrial view={camera} />
          </>
        )}
      </div>
    </RigFrame>
  );
}
