import { planOf } from "../../data/hoses.ts";
import { checkRows } from "../stations/check-rows.ts";
import { historyRows } from "../stations/history.server.ts";
import { HoseBoard } from "../stations/hoses/HoseBoard.tsx";
import { HosesPanel } from "../stations/hoses/HosesPanel.tsx";
import { hosesView } from "../stations/hoses/hoses-view.ts";
import { stationFacts } from "../stations/open-view.ts";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import { commonView } from "../stations/station-view.ts";
import { WholeStation } from "../stations/WholeStation.tsx";
import type { Route } from "./+types/hoses";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { db, judged, whole, rig, parts, preferences } = open;
  const facts = stationFacts(open);
  const search = new URL(request.url).searchParams;
  const hrefOf = (query: Record<string, string | null>) => {
    const next = new URLSearchParams(search);
    for (const [key, value] of Object.entries(query)) {
      if (value === null) next.delete(key);
      else next.set(key, value);
    }
    return `/rigs/${rig.id}/hoses?${next}`;
  };
  const hoses = hosesView({
    whole,
    hoses: judged.hoses,
    units: preferences.units,
    stage: search.get("stage"),
    fn: search.get("fn"),
    hrefOf,
    kept: planOf(db, rig)?.places ?? null,
  });
  return {
    frame: frameOf(open, "hoses", request, { ownDrawing: hoses.board !== null }),
    view: commonView("hoses", facts),
    checks: checkRows("hoses", judged.checks, facts.rigId, facts.couplings, facts.names),
    hoses,
    machines: {
      tractor: `/machines/${rig.tractor.id}/oil`,
      tools: parts.map(({ implement }, at) => ({
        href: `/machines/${implement.id}/oil`,
        name: whole.parts[at]!.name,
      })),
    },
    history: historyRows(open, search.get("at")),
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Hoses, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" }];
}

export default function HosesStation({ loaderData }: Route.ComponentProps) {
  const { frame, view, checks, hoses, machines, history } = loaderData;
  const action = `/rigs/${frame.rig.id}/keep`;
  return (
    <WholeStation
      frame={{ ...frame, tools: [] }}
      view={view}
      checks={checks}
      checksTitle="Does everything find its place?"
      history={history}
      next={checks.find(({ verdict }) => verdict === "unknown")?.href ?? null}
      picture={hoses.board && <HoseBoard board={hoses.board} action={action} />}
    >
      <HosesPanel
        view={hoses}
        action={action}
        person={frame.preferences.person}
        machines={machines}
        rigPath={`/rigs/${frame.rig.id}`}
      />
    </WholeStation>
  );
}
