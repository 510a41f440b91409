import { inWords, joined } from "../../core/quantity/said.ts";
import type { Machine } from "../../data/rigs.ts";
import { describeRig } from "../../formats/isoxml/describe.ts";
import { writeTaskData } from "../../formats/isoxml/write.ts";
import { taken } from "../session/download.server.ts";
import { fileStops } from "../stations/card/card-view.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/taskdata";

/** The rig as a v4 TASKDATA zip; refused while something stops it, since a terminal would believe the file. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { rig, parts, whole, preferences } = open;
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
  const bytes = writeTaskData(
    describeRig(
      identity(rig.tractor),
      parts.map(({ implement, parentCouplingId }, at) => ({
        rig: whole.parts[at]!.rig,
        identity: identity(implement),
        behind:
          parentCouplingId === null
            ? null
            : parts.findIndex(({ couplingId }) => couplingId === parentCouplingId),
      })),
    ),
    rig.name,
  );
  return new Response(bytes.slice().buffer, {
    headers: taken("application/zip", "zip", [rig.name, "TASKDATA"]),
  });
}

function identity({ id, make, model, serial, busName }: Machine) {
  return { id, designator: `${make} ${model}`, serial, busName };
}
