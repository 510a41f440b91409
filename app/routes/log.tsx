import { Link } from "react-router";
import { database } from "../../data/database.ts";
import { filterIn, logPage } from "../log/log-page.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { Entries } from "../stations/log/Entries.tsx";
import { Pages } from "../ui/Pages.tsx";
import { pageIn } from "../ui/paged.ts";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/log";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, log: logPage(database(), filterIn(request), pageIn(request), preferences.units) };
}

export function meta() {
  return [{ title: "Log · Ambrek" }];
}

export default function Log({ loaderData: { preferences, log } }: Route.ComponentProps) {
  const asked = new URLSearchParams({
    ...(log.season ? { season: log.season } : {}),
    ...(log.fieldId === null ? {} : { field: String(log.fieldId) }),
  }).toString();
  return (
    <YardFrame preferences={preferences} here="fields">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Log of work{log.field && `, ${log.field}`}</h1>
          <p className="text-lead text-soft" data-total>
            {log.total}.{" "}
            {log.untold > 0 && (
              <b className="text-warn">
                {log.untold} without hectares: the sums lack {log.untold === 1 ? "it" : "them"}.
              </b>
            )}
          </p>
        </div>
        <p className="flex flex-wrap gap-2">
          <Link className="key" to="/rates">
            Work rates and costs
          </Link>
          <Link className="key" to="/spoilt">
            What a wrong number spoilt
          </Link>
          <a className="key" href={`/log.csv?${asked}`} download>
            CSV
          </a>
          <a className="key" href={`/log.geojson?${asked}`} download>
            GeoJSON
          </a>
        </p>
      </div>
      <nav aria-label="Seasons" className="flex flex-wrap gap-2">
        <Link
          to="/log"
          className="key aria-[current]:border-dye aria-[current]:text-dye"
          aria-current={log.season === "" ? "page" : undefined}
        >
          All
        </Link>
        {log.seasons.map((season) => (
          <Link
            key={season}
            to={`/log?season=${encodeURIComponent(season)}`}
            className="key aria-[current]:border-dye aria-[current]:text-dye"
            aria-current={log.season === season ? "page" : undefined}
          >
            {season}
          </Link>
        ))}
      </nav>
      <Entries entries={log.entries} action={null} withRig />
      <Pages of={{ ...log.pages, what: "entries" }} />
    </YardFrame>
  );
}
