import { database } from "../../data/database.ts";
import { writePlaces } from "../../formats/isoxml/write-places.ts";
import { fieldsToGo } from "../fields/fields-to-go.server.ts";
import { taken } from "../session/download.server.ts";
import type { Route } from "./+types/fields-taskdata";

/** The same as a version 4 TASKDATA zip. */
export function loader({ request }: Route.LoaderArgs) {
  const { name, places } = fieldsToGo(database(), request);
  return new Response(writePlaces(places).slice().buffer, {
    headers: taken("application/zip", "zip", [name, "TASKDATA"]),
  });
}
