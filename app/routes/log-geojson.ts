import { database } from "../../data/database.ts";
import { logOf } from "../../data/log.ts";
import { boundaryOfField } from "../../data/places.ts";
import { writeLog } from "../../formats/geojson/write-log.ts";
import { filterIn } from "../log/log-page.server.ts";
import { taken } from "../session/download.server.ts";
import type { Route } from "./+types/log-geojson";

const ALL = 100_000;

/** The same on the map: each entry on the boundary of its field. */
export function loader({ request }: Route.LoaderArgs) {
  const db = database();
  const entries = logOf(db, { ...filterIn(request), most: ALL }).map((entry) => ({
    entry,
    boundary: boundaryOfField(db, entry.field.id),
  }));
  return new Response(writeLog(entries), { headers: taken("application/geo+json", "geojson", ["log"]) });
}
