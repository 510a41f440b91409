import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { SwathsPage } from "../stations/swaths/SwathsPage.tsx";
import { swathsView } from "../stations/swaths/swaths-view.ts";
import type { Route } from "./+types/swaths";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const field = new URL(request.url).searchParams.get("field") ?? "";
  return {
    frame: frameOf(open, "tool", request),
    view: swathsView(open.resolved, field.slice(0, 40), open.preferences.units),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Last pass", loaderData?.frame.rig.name);

export default SwathsPage;
