import { data } from "react-router";
import { writePreferences } from "../session/preferences.server.ts";
import { carryOut } from "../stations/keep.server.ts";
import { openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/keep";

/** Everything a station writes comes here: by form, or later from a device that had no connection. */
export async function action({ request, params }: Route.ActionArgs) {
  const { db, rig, preferences } = await openRig(request, params.rigId);
  const { units, person } = preferences;
  const outcome = await carryOut({ db, rig, units, person }, await request.formData());
  if (!outcome.ok) return data(outcome, { status: 422 });
  const named = outcome.person ?? person;
  return data(outcome, {
    headers: { "Set-Cookie": await writePreferences({ ...preferences, person: named }) },
  });
}
