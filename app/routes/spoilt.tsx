import { database } from "../../data/database.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { SPOILT_INTENTS } from "../spoilt/bases.server.ts";
import { SpoiltPage } from "../spoilt/SpoiltPage.tsx";
import { spoiltView } from "../spoilt/spoilt-view.server.ts";
import type { Route } from "./+types/spoilt";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, spoilt: spoiltView(database(), preferences.units) };
}

export async function action({ request }: Route.ActionArgs) {
  const preferences = await readPreferences(request.clone());
  const at = { db: database(), told: await toldBy(request.clone()), units: preferences.units };
  const outcome = await carryOut(SPOILT_INTENTS, at, await formOf(request));
  return answered(
    outcome,
    outcome.ok && outcome.person ? await remembering(preferences, outcome.person) : {},
  );
}

export function meta() {
  return [{ title: "What a wrong number spoilt · Ambrek" }];
}

export default SpoiltPage;
