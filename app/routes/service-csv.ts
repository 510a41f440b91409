import { database } from "../../data/database.ts";
import { serviceCsv } from "../../formats/csv/service.ts";
import { taken } from "../session/download.server.ts";
import { serviceHistory } from "../yard/service/service-view.server.ts";
import type { Route } from "./+types/service-csv";

/** Everything that was done, of one machine or of all. */
export function loader({ request }: Route.LoaderArgs) {
  const machine = new URL(request.url).searchParams.get("machine") ?? "";
  const rows = serviceHistory(database(), /^\d{1,9}$/.test(machine) ? Number(machine) : null);
  return new Response(serviceCsv(rows), { headers: taken("text/csv; charset=utf-8", "csv", ["service"]) });
}
