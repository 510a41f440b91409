import { planOf } from "../../data/hoses.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { HoseBoard } from "../stations/hoses/HoseBoard.tsx";
import { HosesPanel } from "../stations/hoses/HosesPanel.tsx";
import { hosesView } from "../stations/hoses/hoses-view.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import type { Route } from "./+types/hoses";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { db, judged, whole, rig, parts, preferences } = open;
  const search = new URL(request.url).searchParams;
  const hrefOf = (query: Record<string, string | null>) => {
    return rigAddress(rig.id, "hoses", { ...Object.fromEntries(search), ...query });
  };
  const hoses = hosesView({
    whole,
    hoses: judged.reckoned.hoses,
    units: preferences.units,
    stage: search.get("stage"),
    fn: search.get("fn"),
    hrefOf,
    kept: planOf(db, rig)?.places ?? null,
  });
  return {
    station: wholeStation(open, "hoses", request, { ownDrawing: hoses.board !== null }),
    hoses,
    machines: {
      tractor: `/machines/${rig.tractor.id}/oil`,
      tools: parts.map(({ implement }, at) => ({
        href: `/machines/${implement.id}/oil`,
        name: whole.parts[at]!.name,
      })),
    },
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Hoses", loaderData?.station.frame.rig.name);

export default function HosesStation({ loaderData: { station, hoses, machines } }: Route.ComponentProps) {
  const { frame } = station;
  const action = rigAddress(frame.rig.id, "keep");
  return (
    <WholeStation
      station={{ ...station, frame: { ...frame, tools: [] } }}
      picture={hoses.board && <HoseBoard board={hoses.board} action={action} />}
    >
      <HosesPanel
        view={hoses}
        action={action}
        person={frame.preferences.person}
        machines={machines}
        tagsHref={rigAddress(frame.rig.id, "hoses/tags")}
      />
    </WholeStation>
  );
}
