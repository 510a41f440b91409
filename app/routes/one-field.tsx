import { database } from "../../data/database.ts";
import { FieldPage } from "../fields/FieldPage.tsx";
import { fieldOr404, fieldView } from "../fields/field-view.server.ts";
import { FIELD_INTENTS } from "../fields/keep-field.server.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { Route } from "./+types/one-field";

export async function loader({ request, params }: Route.LoaderArgs) {
  const field = fieldOr404(params.fieldId);
  const preferences = await readPreferences(request);
  return { preferences, view: fieldView(database(), field, preferences.units) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const field = fieldOr404(params.fieldId);
  const preferences = await readPreferences(request.clone());
  const at = { db: database(), field, told: await toldBy(request.clone()), units: preferences.units };
  const outcome = await carryOut(FIELD_INTENTS, at, await formOf(request));
  return answered(
    outcome,
    outcome.ok && outcome.person ? await remembering(preferences, outcome.person) : {},
  );
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: `${loaderData?.view.name ?? "Field"} · Ambrek` }];
}

export default FieldPage;
