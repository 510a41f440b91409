import { isDimensionKey } from "../../core/dimension/catalogue.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { HitchPanel } from "../stations/hitch/HitchPanel.tsx";
import { hitchView } from "../stations/hitch/hitch-view.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import type { Route } from "./+types/hitch";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { judged, resolved, index, whole, preferences } = open;
  const at = new URL(request.url).searchParams.get("at");
  const hitch = hitchView(
    resolved,
    judged.reckoned.hitch[index]!,
    preferences.units,
    whole.parts[index]!.name,
    isDimensionKey(at) ? at : null,
  );
  return { station: wholeStation(open, "hitch", request, { ownDrawing: hitch.drawing !== null }), hitch };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Hitch", loaderData?.station.frame.rig.name);

export default function Hitch({ loaderData: { station, hitch } }: Route.ComponentProps) {
  return (
    <WholeStation station={station} {...(hitch.drawing ? { drawing: hitch.drawing } : {})}>
      <HitchPanel view={hitch} />
    </WholeStation>
  );
}
