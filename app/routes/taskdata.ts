import { inWords, joined } from "../../core/quantity/said.ts";
import { writeTaskSet } from "../../formats/isoxml/write.ts";
import { taken } from "../session/download.server.ts";
import { fileStops } from "../stations/card/card-view.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigToGo } from "../tasks/tasks-to-go.server.ts";
import type { Route } from "./+types/taskdata";

/** The rig and its job as a v4 TASKDATA zip; refused while something stops it, since a terminal would believe the file. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { rig, preferences } = open;
  const stops = fileStops(open);
  if (stops.length > 0) {
    const said = joined(
      stops.map(({ what }) => what),
      " ",
    );
    throw new Response(`No file while something stops this rig: ${inWords(said, preferences.units)}`, {
      status: 409,
    });
  }
  return new Response(writeTaskSet(rigToGo(open.db, open)).slice().buffer, {
    headers: taken("application/zip", "zip", [rig.name, "TASKDATA"]),
  });
}
