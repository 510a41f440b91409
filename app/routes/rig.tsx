import { firstStation, openRig } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/rig";

export async function loader({ request, params }: Route.LoaderArgs) {
  return firstStation(await openRig(request, params.rigId));
}

/** Never shown: the loader leads on. It makes this a page, so that a missing rig is said on one. */
export default function Rig() {
  return null;
}
