import { addressesIn } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { GroundPanel } from "../stations/ground/GroundPanel.tsx";
import { groundView } from "../stations/ground/ground-view.server.ts";
import { StripPanel } from "../stations/ground/StripPanel.tsx";
import { stripView } from "../stations/ground/strip-view.server.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import type { Route } from "./+types/ground";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return {
    station: wholeStation(open, "ground", request),
    ground: groundView(open),
    strip: stripView(open),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle("Ground", loaderData?.station.frame.rig.name);

export default function Ground({ loaderData: { station, ground, strip } }: Route.ComponentProps) {
  const { frame } = station;
  const { to } = addressesIn(frame);
  return (
    <WholeStation station={station}>
      {strip && <StripPanel strip={strip} action={to("keep")} person={frame.preferences.person} />}
      <GroundPanel
        view={ground}
        action={to("keep")}
        person={frame.preferences.person}
        paper={to("ground/paper")}
      />
    </WholeStation>
  );
}
