import { Link } from "react-router";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import { database } from "../../data/database.ts";
import { listTyres, type Tyre } from "../../data/settings.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/tyres";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return {
    preferences,
    tyres: listTyres(database()).map((tyre) => ({
      id: tyre.id,
      label: tyre.label,
      source: tyre.source,
      span: spanOf(tyre, preferences.units),
    })),
  };
}

/** From where to where a table goes: outside it nothing is looked up. */
function spanOf({ cells }: Tyre, units: Units): string {
  const ends = (family: "speed" | "pressure", pick: (cell: Tyre["cells"][number]) => number) => {
    const all = cells.map(pick);
    const [low, high] = [Math.min(...all), Math.max(...all)];
    return low === high
      ? say(family, low, units)
      : `${say(family, low, units)} to ${say(family, high, units)}`;
  };
  return cells.length === 0
    ? "empty"
    : `${ends("speed", ({ speed }) => speed)}, ${ends("pressure", ({ pressure }) => pressure)}`;
}

export function meta() {
  return [{ title: "Tyre tables · Ambrek" }];
}

export default function Tyres({ loaderData: { preferences, tyres } }: Route.ComponentProps) {
  return (
    <YardFrame preferences={preferences} here="machines">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Tyre tables</h1>
          <p className="max-w-[640px] text-lead text-soft">
            What one tyre carries by speed and pressure, copied from its maker's data book. Between the
            figures is interpolated; outside them nothing is guessed.
          </p>
        </div>
        <Link to="/tyres/new" className="key">
          New table
        </Link>
      </div>
      {tyres.length === 0 && <p className="text-soft">None yet.</p>}
      <ul className="grid max-w-[720px]">
        {tyres.map(({ id, label, source, span }) => (
          <li key={id} className="border-b border-hair">
            <Link
              to={`/tyres/${id}`}
              className="grid min-h-14 content-center py-1 no-underline hover:bg-hair"
            >
              <b className="text-[17px]">{label}</b>
              <span className="text-soft">{[span, source].filter(Boolean).join("; ")}</span>
            </Link>
          </li>
        ))}
      </ul>
    </YardFrame>
  );
}
