import { addressesIn } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import { RatePanel, ratePicture } from "../stations/rate/RatePanel.tsx";
import { rateView } from "../stations/rate/rate-view.server.ts";
import type { Route } from "./+types/rate";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { station: wholeStation(open, "rate", request), rate: rateView(open) };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Rate", loaderData?.station.frame.rig.name);

export default function Rate({ loaderData: { station, rate } }: Route.ComponentProps) {
  const { frame } = station;
  const { to } = addressesIn(frame);
  return (
    <WholeStation station={station} picture={ratePicture(rate)}>
      <RatePanel
        view={rate}
        action={to("keep")}
        person={frame.preferences.person}
        calibrate={(kind) => to(`calibrate/${kind}`)}
        practise={to("field")}
      />
    </WholeStation>
  );
}
