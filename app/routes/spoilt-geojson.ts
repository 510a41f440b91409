import { database } from "../../data/database.ts";
import { boundaryOfField } from "../../data/places.ts";
import { geometryOf } from "../../formats/geojson/write.ts";
import { taken } from "../session/download.server.ts";
import { spoiltEntries, spoiltProperties } from "../spoilt/spoilt-view.server.ts";

/** Each spoilt entry on the boundary of its field, with what its record is to be corrected by. */
export function loader() {
  const db = database();
  const features = spoiltEntries(db).map((each) => {
    const boundary = boundaryOfField(db, each.entry.field.id);
    return {
      type: "Feature",
      properties: spoiltProperties(each),
      geometry: boundary && geometryOf(boundary),
    };
  });
  return new Response(`${JSON.stringify({ type: "FeatureCollection", features }, null, 1)}\n`, {
    headers: taken("application/geo+json", "geojson", ["spoilt"]),
  });
}
