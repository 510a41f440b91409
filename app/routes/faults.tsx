import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { FaultsPage } from "../faults/FaultsPage.tsx";
import { FAULTS_INTENTS } from "../faults/faults.server.ts";
import { logbookView } from "../faults/faults-view.server.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { Route } from "./+types/faults";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), book: logbookView(database()) };
}

/** Begins a case and goes there. */
export async function action({ request }: Route.ActionArgs) {
  const preferences = await readPreferences(request.clone());
  const at = { db: database(), told: await toldBy(request.clone()) };
  const outcome = await carryOut(FAULTS_INTENTS, at, await formOf(request));
  if (!outcome.ok) return answered(outcome);
  return redirect(`/faults/${outcome.kept.id}`, await remembering(preferences, outcome.person ?? ""));
}

export const meta = () => [{ title: "Find the fault · Ambrek" }];

export default FaultsPage;
