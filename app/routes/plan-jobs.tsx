import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { PlanJobsPage } from "../yard/plan/PlanJobsPage.tsx";
import { planToldView } from "../yard/plan/plan-view.server.ts";
import type { Route } from "./+types/plan-jobs";

export { action } from "./plan.tsx";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, view: planToldView(database(), preferences.units, new Date()) };
}

export function meta() {
  return [{ title: "What has to be done · Ambrek" }];
}

export default PlanJobsPage;
