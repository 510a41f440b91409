import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { listFields, NameTaken } from "../../data/places.ts";
import { FieldsFilePage } from "../fields/FieldsFilePage.tsx";
import { ONTO, TakePlacesDto } from "../fields/fields.dto.ts";
import { fileView } from "../fields/file-view.server.ts";
import { type Onto, placesFileOr404, takeOverPlaces } from "../fields/take-places.server.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import type { Route } from "./+types/fields-file";

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const { fileName, state, given } = placesFileOr404(params.fileId);
  return {
    preferences,
    fileName,
    taken: state === "taken",
    view: fileView(database(), given, preferences.units),
  };
}

/** What goes where, or by field what cannot. */
function ontoIn(
  form: FormData,
  count: number,
): { ok: true; onto: Onto } | { ok: false; errors: Record<string, string> } {
  const known = new Set(listFields(database()).map(({ id }) => id));
  const errors: Record<string, string> = {};
  const onto = Array.from({ length: count }, (_, at) => {
    const text = form.get(`onto${at}`) ?? "skip";
    const target = text === "skip" ? null : text === "new" ? ("new" as const) : Number(text);
    if (typeof text !== "string" || !ONTO.test(text) || (typeof target === "number" && !known.has(target)))
      errors[`onto${at}`] = "There is no such field.";
    return target;
  });
  const twice = onto.findIndex((each, at) => typeof each === "number" && onto.indexOf(each) !== at);
  if (twice >= 0) errors[`onto${twice}`] = "Two of the file would go onto one field.";
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, onto };
}

export async function action({ request, params }: Route.ActionArgs) {
  const file = placesFileOr404(params.fileId);
  const preferences = await readPreferences(request.clone());
  const form = await formOf(request);
  const checked = validateForm(TakePlacesDto, form);
  if (!checked.ok) return answered(refused(checked.errors));
  if (file.state === "taken") return answered(refused({ form: "This file was taken over before." }));
  const read = ontoIn(form, file.given.places.length);
  if (!read.ok) return answered(refused(read.errors));
  if (read.onto.every((each) => each === null)) return answered(refused({ form: "Nothing is chosen." }));
  const { person } = checked.value;
  try {
    takeOverPlaces(database(), file, read.onto, { person, at: new Date() });
  } catch (error) {
    if (error instanceof NameTaken)
      return answered(
        refused({ form: `${error.message} Choose it, or leave one out. Nothing was taken over.` }),
      );
    throw error;
  }
  throw redirect("/fields", await remembering(preferences, person));
}

export function meta() {
  return [{ title: "Fields from a file · Ambrek" }];
}

export default FieldsFilePage;
