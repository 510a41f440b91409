import { taken } from "../session/download.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { practiceLog } from "../stations/steering/practice.server.ts";
import type { Route } from "./+types/practice-nmea";

/** A drive of the practice machine along one of the rig's straight lines, as a receiver's log. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const asked = new URL(request.url).searchParams;
  const log = practiceLog(open, (name) => asked.get(name));
  if (log === null)
    throw new Response("The practice machine drives along a straight line of this rig's field only.", {
      status: 404,
    });
  return new Response(log, {
    headers: taken("text/plain; charset=utf-8", "nmea", ["practice", open.rig.name]),
  });
}
