import { database } from "../../data/database.ts";
import { boundaryOfField } from "../../data/places.ts";
import { geometryOf } from "../../formats/geojson/write.ts";
import { taken } from "../session/download.server.ts";
import { passFeatures, spoiltEntries, spoiltProperties } from "../spoilt/spoilt-view.server.ts";

/** Each spoilt entry on the boundary of its field, with what its record is to be corrected by, and its passes where a log of it was brought. */
export function loader() {
  const db = database();
  const features = spoiltEntries(db).flatMap((each) => {
    const boundary = boundaryOfField(db, each.entry.field.id);
    return [
      {
        type: "Feature",
        properties: spoiltProperties(each),
        geometry: boundary && geometryOf(boundary),
      },
      ...passFeatures(each),
    ];
  });
  return new Response(`${JSON.stringify({ type: "FeatureCollection", features }, null, 1)}\n`, {
    headers: taken("application/geo+json", "geojson", ["spoilt"]),
  });
}
