import { database } from "../../data/database.ts";
import { writeTaskSet } from "../../formats/isoxml/write.ts";
import { taken } from "../session/download.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { yardToGo } from "../tasks/tasks-to-go.server.ts";
import type { Route } from "./+types/tasks-taskdata";

/** Every field, crop and product, and what each rig is set to do, as a version 4 TASKDATA zip. */
export async function loader({ request }: Route.LoaderArgs) {
  const { units } = await readPreferences(request);
  return new Response(writeTaskSet(yardToGo(database(), units).set).slice().buffer, {
    headers: taken("application/zip", "zip", ["tasks", "TASKDATA"]),
  });
}
