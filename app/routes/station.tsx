import { data, useSearchParams } from "react-router";
import type { StationKey } from "../../core/dimension/catalogue.ts";
import { writePreferences } from "../session/preferences.server.ts";
import { Consequences } from "../stations/Consequences.tsx";
import { Findings } from "../stations/Findings.tsx";
import { carryOut } from "../stations/keep.server.ts";
import { Readings } from "../stations/Readings.tsx";
import { RigFrame } from "../stations/RigFrame.tsx";
import { frameOf, openRig } from "../stations/rig-view.server.ts";
import { Stops } from "../stations/Stops.tsx";
import { viewStation } from "../stations/station-view.ts";
import type { Route } from "./+types/station";

function stationOr404(text: string): StationKey {
  if (text === "antenna" || text === "tool") return text;
  throw new Response("There is no such station.", { status: 404 });
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const station = stationOr404(params.station);
  const open = await openRig(request, params.rigId);
  return {
    frame: frameOf(open, station),
    view: viewStation(station, open.rig.id, open.resolved, open.findings, open.preferences.system),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  stationOr404(params.station);
  const { db, rig, preferences } = await openRig(request, params.rigId);
  const outcome = carryOut(db, rig, await request.formData(), preferences.person);
  if (!outcome.ok) return data(outcome, { status: 422 });
  const person = outcome.person ?? preferences.person;
  return data(outcome, { headers: { "Set-Cookie": await writePreferences({ ...preferences, person }) } });
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [
    { title: loaderData ? `${loaderData.view.title}, ${loaderData.frame.rig.name} · Ambrek` : "Ambrek" },
  ];
}

export default function Station({ loaderData: { frame, view } }: Route.ComponentProps) {
  const [search] = useSearchParams();
  const open = search.get("at");
  const targets = view.readings.map(({ target }) => target);
  const here = targets.indexOf(open as (typeof targets)[number]);
  const path = `/rigs/${frame.rig.id}/${view.station}`;
  const at = (target: string) => (target === "" ? path : `${path}?at=${target}`);
  /** A letter of the other station leads there. */
  const hrefOf = (target: string) =>
    targets.some((each) => each === target)
      ? at(target)
      : `/rigs/${frame.rig.id}/${view.station === "tool" ? "antenna" : "tool"}?at=${target}`;
  const neighbour = (step: number) => {
    const target = targets[here < 0 ? (step > 0 ? 0 : targets.length - 1) : here + step];
    return target ? at(target) : null;
  };
  return (
    <RigFrame
      view={frame}
      station={view.station}
      hrefOf={hrefOf}
      lit={open}
      ways={{
        next: view.tapeNext?.href ?? null,
        below: neighbour(1),
        above: neighbour(-1),
        close: open ? path : null,
      }}
    >
      <div className="grid gap-3">
        <div>
          <h1>{view.title}</h1>
          <p className="text-lead text-soft">
            {view.lead} <Stops count={frame.stops} elsewhere={view.elsewhere} />
          </p>
        </div>
        {view.findings.length > 0 && <Findings findings={view.findings} />}
        <div className="grid grid-cols-[1fr_250px] gap-6 max-sm:grid-cols-1">
          <Readings view={view} preferences={frame.preferences} open={open} hrefOf={at} />
          <Consequences view={view} />
        </div>
      </div>
    </RigFrame>
  );
}
