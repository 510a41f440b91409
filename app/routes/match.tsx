import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import { MatchPanel } from "../stations/match/MatchPanel.tsx";
import { matchView } from "../stations/match/match-view.ts";
import type { Route } from "./+types/match";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { judged, whole, preferences } = open;
  return {
    station: wholeStation(open, "match", request),
    power: matchView(whole, judged.reckoned.match, preferences.units),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Match", loaderData?.station.frame.rig.name);

export default function Match({ loaderData: { station, power } }: Route.ComponentProps) {
  return (
    <WholeStation station={station}>
      <MatchPanel view={power} />
    </WholeStation>
  );
}
