import { say } from "../../core/quantity/say.ts";
import { database } from "../../data/database.ts";
import { keptPlan } from "../../data/plan.ts";
import { planCalendar } from "../../formats/ical/plan.ts";
import { taken } from "../session/download.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/plan-ics";

/** The plan that was kept, for any calendar. */
export async function loader({ request }: Route.LoaderArgs) {
  const { units } = await readPreferences(request);
  const found = keptPlan(database());
  if (!found) throw new Response("No plan is kept yet.", { status: 404 });
  const { id, plan, at } = found;
  return new Response(planCalendar(plan, { id, kept: at, area: (area) => say("area", area, units) }), {
    headers: taken("text/calendar; charset=utf-8", "ics", ["plan"]),
  });
}
