import { Link } from "react-router";
import { Errands } from "../stations/errands/Errands.tsx";
import { errandsView } from "../stations/errands/errands-view.server.ts";
import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { PrintKeys } from "../ui/PrintKeys.tsx";
import type { Route } from "./+types/errands";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "ladder", request), errands: errandsView(open) };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Errands", loaderData?.frame.rig.name);

export default function ErrandsRoute({ loaderData: { frame, errands } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  const { stops, readings, from, minutes, coupled, machine } = errands;
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="ladder">
      <div className="grid gap-4">
        <PageHead title={`Errands: ${frame.rig.name}`}>
          {coupled
            ? "It is coupled. "
            : `${from ? `From ${from} on ${machine}` : `From a bare ${machine}`}: ${minutes}. `}
          {stops.length > 0 && <b className="text-stop">{stops.length} to cure first. </b>}
          {readings.length > 0 && `${readings.length} to read.`}
        </PageHead>
        <PrintKeys back={to("ladder")} backTo="the start">
          <Link className="key" to={to("hook-up")}>
            Hook it up
          </Link>
        </PrintKeys>
        <Errands view={errands} />
      </div>
    </RigFrame>
  );
}
