import { soilLimitsOf } from "../../data/settings.ts";
import { BalancePanel } from "../stations/balance/BalancePanel.tsx";
import { balanceView } from "../stations/balance/balance-view.ts";
import { CalibrationList } from "../stations/calibrating/CalibrationList.tsx";
import { calibrationsView } from "../stations/calibrating/list.server.ts";
import { addressesIn, rigAddress } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import type { Route } from "./+types/balance";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { judged, index, whole, rig, preferences } = open;
  const search = new URL(request.url).searchParams;
  const hrefOf = (state: string) => {
    return rigAddress(rig.id, "balance", { ...Object.fromEntries(search), state });
  };
  return {
    station: wholeStation(open, "balance", request, { ownDrawing: true }),
    balance: balanceView({
      whole,
      index,
      loads: judged.reckoned.balance,
      units: preferences.units,
      state: search.get("state"),
      hrefOf,
      title: rig.name,
    }),
    soil: soilLimitsOf(open.db),
    machine: `/machines/${rig.tractor.id}`,
    calibrations: calibrationsView(open, "balance"),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle("Balance", loaderData?.station.frame.rig.name);

export default function Balance({ loaderData }: Route.ComponentProps) {
  const { station, balance, soil, machine, calibrations } = loaderData;
  const { frame, view } = station;
  const { to } = addressesIn(frame);
  return (
    <WholeStation station={station} drawing={balance.drawing}>
      <BalancePanel
        view={balance}
        action={rigAddress(frame.rig.id, "keep")}
        person={frame.preferences.person}
        machine={machine}
        soil={soil}
        stales={view.changeKinds.find(({ kind }) => kind === "ballast")?.stales ?? []}
      />
      <CalibrationList
        view={calibrations}
        calibrate={(kind) => to(`calibrate/${kind}`)}
        practise={to("field")}
      />
    </WholeStation>
  );
}
