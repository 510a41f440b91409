import { useNavigate } from "react-router";
import { addressesIn } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { GuidancePanel } from "../stations/guidance/GuidancePanel.tsx";
import { guidanceView } from "../stations/guidance/guidance-view.server.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import type { Route } from "./+types/guidance";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const asked = new URL(request.url).searchParams.get("field") ?? "";
  return {
    station: wholeStation(open, "guidance", request),
    guidance: guidanceView(open, /^\d{1,9}$/.test(asked) ? Number(asked) : null),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle("Guidance", loaderData?.station.frame.rig.name);

export default function Guidance({ loaderData: { station, guidance } }: Route.ComponentProps) {
  const { to } = addressesIn(station.frame);
  const navigate = useNavigate();
  return (
    <WholeStation station={station}>
      <GuidancePanel
        view={guidance}
        person={station.frame.preferences.person}
        to={(page) => to(page)}
        withField={(field) => navigate(to("guidance", { field }), { preventScrollReset: true })}
      />
    </WholeStation>
  );
}
