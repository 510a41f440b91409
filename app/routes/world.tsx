import { lazy } from "react";
import { Link } from "react-router";
import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { type Driveable, worldView } from "../stations/world/world-view.server.ts";
import { Later } from "../ui/Later.tsx";
import type { Route } from "./+types/world";

const WorldPanel = lazy(() => import("../stations/world/WorldPanel.tsx"));

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return {
    frame: frameOf(open, "guidance", request, { ownDrawing: true }),
    world: worldView(open, new URL(request.url).searchParams),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle("True beside believed", loaderData?.frame.rig.name);

export default function World({ loaderData: { frame, world } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="guidance" wide>
      <div className="grid gap-4">
        <PageHead title="True beside believed">
          The field driven by what the terminal was told: its map on the one side, the ground as it is on the
          other. <Link to={to("guidance")}>Back to guidance</Link>
        </PageHead>
        {world.problem === null ? (
          <Later height={620} words="Driving the field.">
            <WorldPanel view={world as Driveable} to={(page, query) => to(page, query)} />
          </Later>
        ) : (
          <p className="font-semibold text-warn" data-problem>
            {world.problem}{" "}
            {world.missing && <Link to={to(world.missing.station, { at: world.missing.key })}>Read it</Link>}
            {"fields" in world && <Link to="/fields">To the fields</Link>}
          </p>
        )}
      </div>
    </RigFrame>
  );
}
