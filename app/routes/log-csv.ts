import { database } from "../../data/database.ts";
import { logOf } from "../../data/log.ts";
import { logCsv } from "../../formats/csv/log.ts";
import { filterIn } from "../log/log-page.server.ts";
import { taken } from "../session/download.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/log-csv";

const ALL = 100_000;

/** The log as the address asks for it. */
export async function loader({ request }: Route.LoaderArgs) {
  const { units } = await readPreferences(request);
  const entries = logOf(database(), { ...filterIn(request), most: ALL });
  return new Response(logCsv(entries, units), { headers: taken("text/csv; charset=utf-8", "csv", ["log"]) });
}
