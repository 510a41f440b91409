import { taken } from "../session/download.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { tagsView } from "../stations/hoses/tags-view.ts";
import type { Route } from "./+types/hose-tags-pdf";

export async function loader({ request, params }: Route.LoaderArgs) {
  // Large, and asked for now and then.
  const { tagsPdf } = await import("../pdf/tags-pdf.server.tsx");
  const { rig, whole, judged } = await openRig(request, params.rigId);
  const view = tagsView(rig.name, whole, judged.reckoned.hoses);
  if (!view)
    throw new Response("There is no plan for these hoses yet, so there are no tags.", { status: 404 });
  return new Response(new Uint8Array(await tagsPdf(view)), {
    headers: taken("application/pdf", "pdf", [rig.name, "hose tags"]),
  });
}
