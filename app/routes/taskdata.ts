import type { Machine } from "../../data/rigs.ts";
import { describeRig } from "../../formats/isoxml/describe.ts";
import { writeTaskData } from "../../formats/isoxml/write.ts";
import { openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/taskdata";

/** The rig as a v4 TASKDATA zip; refused while something stops it, since a terminal would believe the file. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { rig, resolved, cardFindings } = await openRig(request, params.rigId);
  const stops = cardFindings.filter(({ severity }) => severity === "stop");
  if (stops.length > 0)
    throw new Response(`No file while something stops this rig: ${stops.map(({ what }) => what).join(" ")}`, {
      status: 409,
    });
  if (rig.attachment !== "drawn")
    throw new Response("A file is written for tools drawn on the drawbar only, so far.", { status: 409 });
  const bytes = writeTaskData(
    describeRig(resolved, identity(rig.tractor), identity(rig.implement)),
    rig.name,
  );
  const name = rig.name.replace(/[^A-Za-z0-9]+/g, "-").replace(/^-|-$/g, "") || "rig";
  return new Response(bytes.slice().buffer, {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": `attachment; filename="${name}-TASKDATA.zip"`,
    },
  });
}

function identity({ id, make, model, serial, busName }: Machine) {
  return { id, designator: `${make} ${model}`, serial, busName };
}
