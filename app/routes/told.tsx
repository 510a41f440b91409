import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { ToldPage } from "../stations/told/ToldPage.tsx";
import { viewTold } from "../stations/told/told-view.server.ts";
import type { Route } from "./+types/told";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "tool", request), view: viewTold(open) };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("What it tells", loaderData?.frame.rig.name);

export default ToldPage;
