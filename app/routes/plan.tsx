import { database } from "../../data/database.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { PLAN_INTENTS } from "../yard/plan/keep-plan.server.ts";
import { PlanPage } from "../yard/plan/PlanPage.tsx";
import { planView } from "../yard/plan/plan-view.server.ts";
import type { Route } from "./+types/plan";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, view: planView(database(), preferences.units, new Date()) };
}

export async function action({ request }: Route.ActionArgs) {
  const preferences = await readPreferences(request.clone());
  const at = { db: database(), units: preferences.units, told: await toldBy(request.clone()) };
  const outcome = await carryOut(PLAN_INTENTS, at, await formOf(request));
  return answered(
    outcome,
    outcome.ok && outcome.person ? await remembering(preferences, outcome.person) : {},
  );
}

export function meta() {
  return [{ title: "Plan of the season · Ambrek" }];
}

export default PlanPage;
