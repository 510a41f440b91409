import { BalancePanel } from "../stations/balance/BalancePanel.tsx";
import { balanceView } from "../stations/balance/balance-view.ts";
import { checkRows } from "../stations/check-rows.ts";
import { historyRows } from "../stations/history.server.ts";
import { stationFacts } from "../stations/open-view.ts";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import { commonView } from "../stations/station-view.ts";
import { WholeStation } from "../stations/WholeStation.tsx";
import type { Route } from "./+types/balance";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { judged, index, whole, rig, preferences } = open;
  const facts = stationFacts(open);
  const search = new URL(request.url).searchParams;
  const hrefOf = (state: string) => {
    const query = new URLSearchParams(search);
    query.set("state", state);
    return `/rigs/${rig.id}/balance?${query}`;
  };
  return {
    frame: frameOf(open, "balance", request, { ownDrawing: true }),
    view: commonView("balance", facts),
    checks: checkRows("balance", judged.checks, facts.rigId, facts.couplings, facts.names),
    balance: balanceView({
      whole,
      index,
      loads: judged.balance.loads,
      units: preferences.units,
      state: search.get("state"),
      hrefOf,
      title: rig.name,
    }),
    machine: `/machines/${rig.tractor.id}`,
    history: historyRows(open, search.get("at")),
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Balance, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" }];
}

export default function Balance({ loaderData }: Route.ComponentProps) {
  const { frame, view, checks, balance, machine, history } = loaderData;
  return (
    <WholeStation
      frame={frame}
      view={view}
      checks={checks}
      checksTitle="Does it stand?"
      history={history}
      next={checks.find(({ verdict }) => verdict === "unknown")?.href ?? null}
      drawing={balance.drawing}
    >
      <BalancePanel
        view={balance}
        action={`/rigs/${frame.rig.id}/keep`}
        person={frame.preferences.person}
        machine={machine}
        stales={view.changeKinds.find(({ kind }) => kind === "ballast")?.stales ?? []}
      />
    </WholeStation>
  );
}
