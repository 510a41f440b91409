import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { addField, NameTaken } from "../../data/places.ts";
import type { Told } from "../../data/record.ts";
import { FieldsPage } from "../fields/FieldsPage.tsx";
import { FieldDto, TypedNameDto } from "../fields/fields.dto.ts";
import { fieldsView } from "../fields/fields-view.server.ts";
import { takeInPlaces } from "../fields/take-places.server.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut, checkedBy, type Intents } from "../session/intents.server.ts";
import { answered, kept, type Outcome, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { Route } from "./+types/fields";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const find = (new URL(request.url).searchParams.get("find") ?? "").trim().slice(0, 80);
  return { preferences, view: fieldsView(database(), find, preferences.units) };
}

function add(by: Told, told: FieldDto): Outcome {
  try {
    throw redirect(`/fields/${addField(database(), told, by)}`);
  } catch (error) {
    if (error instanceof NameTaken) return refused({ name: error.message });
    throw error;
  }
}

const INTENTS: Intents<Told, Outcome | Promise<Outcome>> = {
  add: checkedBy(FieldDto, add),
  "take-name": checkedBy(TypedNameDto, (by: Told, { name }) => {
    addField(database(), { name, farm: "", client: "" }, by);
    return kept(`${name} is a field now. Say whose it is, and where it ends.`);
  }),
  file: (_, form) => takeInPlaces(form.get("file")),
};

export async function action({ request }: Route.ActionArgs) {
  return answered(await carryOut(INTENTS, await toldBy(request), await formOf(request)));
}

export function meta() {
  return [{ title: "Fields · Ambrek" }];
}

export default FieldsPage;
