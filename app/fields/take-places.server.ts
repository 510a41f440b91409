/** Fields that come in with a file: looked at first, taken over as one. */
import { redirect } from "react-router";
import { whereOf } from "../../core/place/boundary.ts";
import type { PlacesGiven } from "../../core/place/given.ts";
import { database } from "../../data/database.ts";
import type { Database } from "../../data/handle.ts";
import { type FileRead, findImport, keepPreview, takeOverAs } from "../../data/imports.ts";
import { keepLine } from "../../data/lines.ts";
import { addField, keepBoundary, listFields } from "../../data/places.ts";
import type { Told } from "../../data/record.ts";
import { MOST_BYTES } from "../../formats/isoxml/inflate.ts";
import { readApart } from "../files/read-apart.server.ts";
import { refused } from "../session/outcome.ts";

/** What is kept of a file of fields until somebody has looked at it. */
type Kept = { places: PlacesGiven };

/** Reads a file of fields and leads to what is in it. */
export async function takeInPlaces(file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0) return refused({ file: "Choose a file first." });
  if (file.size > MOST_BYTES) return refused({ file: "The file is larger than 20 MB." });
  const db = database();
  const known = listFields(db).flatMap(({ bounded }) => (bounded ? [whereOf(bounded.boundary)] : []));
  const bytes = new Uint8Array(await file.arrayBuffer());
  const answer = await readApart({ what: "places", bytes, known });
  if (!answer.ok) return refused({ file: `${answer.problem} Nothing was stored.` });
  if (!("places" in answer) || !answer.places) throw new RangeError("the worker read something else");
  const content: Kept = { places: answer.places };
  const fileName = file.name.slice(0, 120);
  throw redirect(`/fields/file/${keepPreview(db, { fileName, bytes, content, at: new Date() })}`);
}

/** What a file has of fields; null of one that has none. */
export function placesIn({ content }: FileRead): PlacesGiven | null {
  const read = JSON.parse(content) as Partial<Kept> | unknown[];
  return Array.isArray(read) || !read.places ? null : read.places;
}

export function placesFileOr404(id: string): FileRead & { given: PlacesGiven } {
  const file = findImport(database(), id);
  const given = file && placesIn(file);
  if (!given) throw new Response("There is no such file of fields.", { status: 404 });
  return { ...file, given };
}

/** Onto which field each place of a file goes: one there is, a new one, or null for none. */
export type Onto = readonly (number | "new" | null)[];

/** Takes over what was chosen, as one. */
export function takeOverPlaces(
  db: Database,
  { id, fileName, given }: FileRead & { given: PlacesGiven },
  onto: Onto,
  told: Told,
): number {
  let taken = 0;
  takeOverAs(db, id, told, (partOf) => {
    for (const [at, { client, farm, field, boundary, lines, problem }] of given.places.entries()) {
      const target = onto[at] ?? null;
      if (target === null || problem !== null) continue;
      const fieldId = target === "new" ? addField(db, { client, farm, name: field }, told) : target;
      if (boundary) keepBoundary(db, { fieldId, boundary, source: "file", note: fileName, partOf }, told);
      for (const { name, shape } of lines) keepLine(db, { fieldId, name, shape, partOf }, told);
      taken += 1;
    }
  });
  return taken;
}
