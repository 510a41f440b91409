/** What a file of fields would bring: each held against what is there, by name and by where it lies. */
import { fitOf, outlineOf } from "../../core/drawing/field-map.ts";
import { type Boundary, sizeOf } from "../../core/place/boundary.ts";
import { compareBoundaries, isSameBoundary } from "../../core/place/compare.ts";
import { type PlaceGiven, type PlacesGiven, sameName } from "../../core/place/given.ts";
import { LINE_WORDS } from "../../core/place/line.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import { linesOf } from "../../data/lines.ts";
import { type FieldBounded, listFields } from "../../data/places.ts";

export type FileView = ReturnType<typeof fileView>;

type State = "new" | "same" | "differs" | "refused" | "no boundary";

const THUMB = { width: 96, height: 72, margin: 5 };
/** A field of another name of which so much is shared is the same ground (ours). */
const SAME_GROUND = 0.9;

export function fileView(db: Database, { places, notes }: PlacesGiven, units: Units) {
  const fields = listFields(db).filter(({ archivedAt }) => archivedAt === null);
  const lines = linesOf(db);
  return {
    notes,
    rows: places.map((place, at) => rowOf(place, at, fields, lines, units)),
    fields: fields.map(({ id, name, farm }) => ({ id, name: farm ? `${name}, ${farm}` : name })),
  };
}

function rowOf(
  place: PlaceGiven,
  at: number,
  fields: readonly FieldBounded[],
  lines: ReturnType<typeof linesOf>,
  units: Units,
) {
  const { client, farm, field, boundary, problem } = place;
  const found = problem === null ? matchOf(place, fields) : null;
  const { state, said } = judged(place, found, units);
  const known = new Set(
    found ? lines.filter(({ fieldId }) => fieldId === found.field.id).map(({ name }) => name) : [],
  );
  return {
    at,
    field,
    of: [farm, client].filter((each, index, all) => each !== "" && all.indexOf(each) === index).join(", "),
    area: boundary && problem === null ? say("area", sizeOf(boundary).area, units) : null,
    thumb:
      boundary && problem === null
        ? outlineOf(
            boundary,
            fitOf(
              boundary.flatMap(({ outer }) => outer),
              THUMB,
            ),
          )
        : null,
    lines: place.lines.map(({ name, shape }) => ({
      name,
      kind: LINE_WORDS[shape.kind],
      known: known.has(name),
    })),
    problem,
    state,
    said,
    /** what is chosen to begin with: what is the same is left out */
    onto: problem !== null || state === "same" ? "skip" : found ? String(found.field.id) : "new",
  };
}

type Match = { field: FieldBounded; by: "name" | "place" };

/** The one field that is called so, by farm and client where either side tells them; null where there is none, or several are. */
export function fieldCalled<Field extends Pick<FieldBounded, "name" | "farm" | "client">>(
  { client, farm, name }: { client: string; farm: string; name: string },
  fields: readonly Field[],
): Field | null {
  const found = fields.filter(
    (each) =>
      sameName(each.name, name) &&
      (farm === "" || each.farm === "" || sameName(each.farm, farm)) &&
      (client === "" || each.client === "" || sameName(each.client, client)),
  );
  return found.length === 1 ? found[0]! : null;
}

/** The field that is called so, by farm and client where the file tells them; else the one that lies there. */
function matchOf(
  { client, farm, field, boundary }: PlaceGiven,
  fields: readonly FieldBounded[],
): Match | null {
  const named = fieldCalled({ client, farm, name: field }, fields);
  if (named) return { field: named, by: "name" };
  const there = boundary && fields.find((each) => each.bounded && shares(boundary, each.bounded.boundary));
  return there ? { field: there, by: "place" } : null;
}

function shares(a: Boundary, b: Boundary): boolean {
  return compareBoundaries(a, b).shared >= SAME_GROUND;
}

function judged(
  { boundary, problem }: PlaceGiven,
  found: Match | null,
  units: Units,
): { state: State; said: string } {
  if (problem !== null) return { state: "refused", said: problem };
  if (!found)
    return {
      state: boundary ? "new" : "no boundary",
      said: boundary ? "Not here yet." : "Only its name and lines.",
    };
  const { field, by } = found;
  const where = by === "place" ? `It lies where ${field.name} lies. ` : "";
  if (!boundary) return { state: "no boundary", said: `${where}The file has no boundary of it.` };
  if (!field.bounded) return { state: "new", said: `${where}${field.name} is here without a boundary.` };
  const compared = compareBoundaries(field.bounded.boundary, boundary);
  if (isSameBoundary(compared, sizeOf(field.bounded.boundary).outline))
    return { state: "same", said: `${where}The boundary is the one that is here.` };
  return {
    state: "differs",
    said: `${where}${say("area", compared.differs, units)} of it lie otherwise than here.`,
  };
}
