import { database } from "../../data/database.ts";
import { writeGeoJson } from "../../formats/geojson/write.ts";
import { fieldsToGo } from "../fields/fields-to-go.server.ts";
import { taken } from "../session/download.server.ts";
import type { Route } from "./+types/fields-geojson";

/** Every field in use with its boundary and lines, or one. */
export function loader({ request }: Route.LoaderArgs) {
  const { name, places } = fieldsToGo(database(), request);
  return new Response(writeGeoJson(places), { headers: taken("application/geo+json", "geojson", [name]) });
}
