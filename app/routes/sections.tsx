import { Link } from "react-router";
import { addressesIn } from "../stations/frame/address.ts";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { SectionTable } from "../stations/sections/SectionTable.tsx";
import { sectionsView } from "../stations/sections/sections-view.server.ts";
import { Variants } from "../stations/sections/Variants.tsx";
import type { Route } from "./+types/sections";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "tool", request), view: sectionsView(open) };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Sections", loaderData?.frame.rig.name);

export default function Sections({ loaderData: { frame, view } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  const props = { view, action: to("keep"), person: frame.preferences.person };
  return (
    <RigFrame view={frame} station="tool" lit="sections" ways={{ close: to("tool") }}>
      <div className="grid gap-4">
        <div>
          <Link to={to("tool")} className="flex min-h-11 items-center font-semibold">
            Back to the tool
          </Link>
          <h1>Sections and variants</h1>
        </div>
        <Variants {...props} />
        <SectionTable key={JSON.stringify(view.rows)} {...props} />
      </div>
    </RigFrame>
  );
}
