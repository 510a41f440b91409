import { Link } from "react-router";
import { subjectOf } from "../../core/subjects/walk.ts";
import { CalibratePage, CalibratePicture } from "../stations/calibrating/CalibratePage.tsx";
import { calibrateView } from "../stations/calibrating/calibrate-view.server.ts";
import { calibrationHere, solveCalibration } from "../stations/calibrating/solved.server.ts";
import { addressesIn } from "../stations/frame/address.ts";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import type { Route } from "./+types/calibrate";

/** One calibration of the tool in view. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const here = calibrationHere(open, params.kind);
  if (!here) throw new Response("This tool has no such calibration.", { status: 404 });
  const { station } = here;
  return {
    frame: frameOf(open, station, request, { ownDrawing: true }),
    station: { key: station, label: subjectOf(station)!.label },
    view: calibrateView(open, solveCalibration(open, here)),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) =>
  rigTitle(loaderData?.view.title ?? "", loaderData?.frame.rig.name);

export default function Calibrate({ loaderData: { frame, station, view } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  return (
    <RigFrame
      view={frame}
      station={station.key}
      picture={<CalibratePicture view={view} />}
      alone
      ways={{ close: to(station.key) }}
    >
      <div className="grid gap-3">
        <div>
          <Link to={to(station.key)} className="inline-grid min-h-11 place-items-center font-semibold">
            All of {station.label}
          </Link>
          <h1>{view.title}</h1>
          <p className={`text-lead text-soft ${view.runs.length > 0 ? "max-sm:hidden" : ""}`}>{view.tells}</p>
        </div>
        <CalibratePage
          key={`${frame.coupling} ${view.key} ${view.ended[0]?.id ?? ""}`}
          view={view}
          action={to("keep")}
          person={frame.preferences.person}
        />
      </div>
    </RigFrame>
  );
}
