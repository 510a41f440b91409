import { machineName } from "../../data/whole.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { openRig, toolName } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { SHEETS } from "../stations/ground/adjusters-view.server.ts";
import { groundView } from "../stations/ground/ground-view.server.ts";
import { PaperPage } from "../stations/ground/PaperPage.tsx";
import { stripView } from "../stations/ground/strip-view.server.ts";
import type { Route } from "./+types/ground-paper";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const { rig, parts } = open;
  return {
    name: rig.name,
    what: `${machineName(rig.tractor)} with ${toolName(rig)}`,
    back: rigAddress(rig.id, "ground", { tool: parts.length > 1 ? rig.couplingId : null }),
    ground: groundView(open, SHEETS.paper),
    strip: stripView(open),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Ground, on paper", loaderData?.name);

export default function GroundPaper({ loaderData }: Route.ComponentProps) {
  return <PaperPage paper={loaderData} />;
}
