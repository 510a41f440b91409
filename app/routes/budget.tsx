import { BudgetPage } from "../stations/budget/BudgetPage.tsx";
import { budgetsView } from "../stations/budget/budget-view.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import type { Route } from "./+types/budget";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const search = new URL(request.url).searchParams;
  const asked = {
    receiver: search.get("receiver"),
    slope: search.get("slope"),
    speed: search.get("speed"),
  };
  return {
    frame: frameOf(open, "proof", request),
    view: budgetsView(open.resolved, asked, open.preferences.units, (station, key) =>
      rigAddress(open.rig.id, station, { at: key, tool: open.tool }),
    ),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("How sure", loaderData?.frame.rig.name);

export default BudgetPage;
