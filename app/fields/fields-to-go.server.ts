/** Fields as they go out in a file: all in use, or the one the address names. */
import type { PlaceGiven } from "../../core/place/given.ts";
import type { Database } from "../../data/handle.ts";
import { linesOf } from "../../data/lines.ts";
import { listFields } from "../../data/places.ts";

export type PlaceToGo = Omit<PlaceGiven, "problem">;

export function fieldsToGo(db: Database, request: Request): { name: string; places: PlaceToGo[] } {
  const wanted = new URL(request.url).searchParams.get("field");
  const lines = linesOf(db);
  const fields = listFields(db).filter(({ id, archivedAt }) =>
    wanted === null ? archivedAt === null : String(id) === wanted,
  );
  if (fields.length === 0) throw new Response("There is no such field.", { status: 404 });
  return {
    name: wanted === null ? "fields" : fields[0]!.name,
    places: fields.map(({ id, client, farm, name, bounded }) => ({
      client,
      farm,
      field: name,
      boundary: bounded?.boundary ?? null,
      lines: lines
        .filter(({ fieldId }) => fieldId === id)
        .map((line) => ({ name: line.name, shape: line.shape })),
    })),
  };
}
