import { firstStation, openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/rig";

export async function loader({ request, params }: Route.LoaderArgs) {
  return firstStation(await openRig(request, params.rigId));
}
