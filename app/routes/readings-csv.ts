import { database } from "../../data/database.ts";
import { listReadings } from "../../data/readings.ts";
import { readingsCsv } from "../../formats/csv/readings.ts";
import { taken } from "../session/download.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { rigOr404 } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/readings-csv";

/** Readings of one rig's machines, or of the whole yard. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const db = database();
  const { units } = await readPreferences(request);
  const rig = params.rigId ? rigOr404(db, params.rigId) : null;
  return new Response(streamOf(readingsCsv(listReadings(db, rig), units)), {
    headers: taken("text/csv; charset=utf-8", "csv", [rig?.name ?? "yard", "readings"]),
  });
}

/** Piece by piece as it is fetched: others are served between two pieces. */
function streamOf(pieces: Generator<string>): ReadableStream<Uint8Array> {
  const bytes = new TextEncoder();
  return new ReadableStream({
    start: (stream) => stream.enqueue(bytes.encode("\ufeff")),
    pull(stream) {
      const { done, value } = pieces.next();
      if (done) stream.close();
      else stream.enqueue(bytes.encode(value));
    },
    cancel: () => {
      pieces.return(undefined);
    },
  });
}
