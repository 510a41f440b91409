import { redirect } from "react-router";
import { openRig } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/list";

/** Where a list that belongs to one of a rig's machines is kept: what a check sends one to is entered there. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { rig } = await openRig(request, params.rigId);
  switch (params.list) {
    case "remotes":
      throw redirect(`/machines/${rig.tractor.id}/oil#remotes`);
    case "functions":
      throw redirect(`/machines/${rig.implement.id}/oil#functions`);
    default:
      throw new Response("There is no such list.", { status: 404 });
  }
}
