import { checkRows } from "../stations/check-rows.ts";
import { historyRows } from "../stations/history.server.ts";
import { MatchPanel } from "../stations/match/MatchPanel.tsx";
import { matchView } from "../stations/match/match-view.ts";
import { stationFacts } from "../stations/open-view.ts";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import { commonView } from "../stations/station-view.ts";
import { WholeStation } from "../stations/WholeStation.tsx";
import type { Route } from "./+types/match";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { judged, whole, preferences } = open;
  const facts = stationFacts(open);
  return {
    frame: frameOf(open, "match", request),
    view: commonView("match", facts),
    checks: checkRows("match", judged.checks, facts.rigId, facts.couplings, facts.names),
    power: matchView(whole, judged.match.power, preferences.units),
    history: historyRows(open, new URL(request.url).searchParams.get("at")),
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Match, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" }];
}

export default function Match({ loaderData: { frame, view, checks, power, history } }: Route.ComponentProps) {
  return (
    <WholeStation
      frame={frame}
      view={view}
      checks={checks}
      checksTitle="May it be coupled?"
      history={history}
      next={checks.find(({ verdict }) => verdict === "unknown")?.href ?? null}
    >
      <MatchPanel view={power} />
    </WholeStation>
  );
}
