import { isDimensionKey } from "../../core/dimension/catalogue.ts";
import { checkRows } from "../stations/check-rows.ts";
import { historyRows } from "../stations/history.server.ts";
import { HitchPanel } from "../stations/hitch/HitchPanel.tsx";
import { hitchView } from "../stations/hitch/hitch-view.ts";
import { stationFacts } from "../stations/open-view.ts";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import { commonView } from "../stations/station-view.ts";
import { WholeStation } from "../stations/WholeStation.tsx";
import type { Route } from "./+types/hitch";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { judged, resolved, index, whole, preferences } = open;
  const facts = stationFacts(open);
  const at = new URL(request.url).searchParams.get("at");
  const hitch = hitchView(
    resolved,
    judged.hitch.parts[index]!,
    preferences.units,
    whole.parts[index]!.name,
    isDimensionKey(at) ? at : null,
  );
  return {
    frame: frameOf(open, "hitch", request, { ownDrawing: hitch.drawing !== null }),
    view: commonView("hitch", facts),
    checks: checkRows("hitch", judged.checks, facts.rigId, facts.couplings, facts.names),
    hitch,
    history: historyRows(open, at),
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Hitch, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" }];
}

export default function Hitch({ loaderData: { frame, view, checks, hitch, history } }: Route.ComponentProps) {
  return (
    <WholeStation
      frame={frame}
      view={view}
      checks={checks}
      checksTitle="Is it hitched right?"
      history={history}
      next={checks.find(({ verdict }) => verdict === "unknown")?.href ?? null}
      {...(hitch.drawing ? { drawing: hitch.drawing } : {})}
    >
      <HitchPanel view={hitch} />
    </WholeStation>
  );
}
