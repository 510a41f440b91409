import { Link } from "react-router";
import { database } from "../../data/database.ts";
import { findScheme, listSchemes } from "../../data/schemes.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/schemes";

export async function loader({ request }: Route.LoaderArgs) {
  const db = database();
  return {
    preferences: await readPreferences(request),
    schemes: listSchemes(db).map((each) => ({ ...each, lines: findScheme(db, each.id)!.lines.length })),
  };
}

export function meta() {
  return [{ title: "Schemes · Ambrek" }];
}

export default function Schemes({ loaderData: { preferences, schemes } }: Route.ComponentProps) {
  return (
    <YardFrame preferences={preferences} here="schemes">
      <div>
        <h1>Schemes</h1>
        <p className="text-lead text-soft">
          How terminals ask for a rig: from where, in what unit, with which sign, in which words. Each
          tractor's terminal uses one; make your own from the nearest.
        </p>
      </div>
      <ul className="grid grid-cols-2 gap-3 max-lg:grid-cols-1">
        {schemes.map(({ id, name, asks, lines }) => (
          <li key={id} className="grid content-between gap-2 border-[1.5px] border-line bg-sheet px-4 py-3">
            <div>
              <h2 className="text-[17px]">{name}</h2>
              <p className="leading-snug text-soft">
                {asks} {lines} {lines === 1 ? "line" : "lines"}.
              </p>
            </div>
            <p className="flex gap-2">
              <Link className="key" to={`/schemes/${id}`}>
                Words and units
              </Link>
              <Link className="key" to={`/schemes/new?from=${id}`}>
                Make one from it
              </Link>
            </p>
          </li>
        ))}
      </ul>
    </YardFrame>
  );
}
