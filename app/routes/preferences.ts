import { data } from "react-router";
import { UNIT_SYSTEMS } from "../../core/quantity/units.ts";
import { readPreferences, writePreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/preferences";

export async function action({ request }: Route.ActionArgs) {
  const before = await readPreferences(request.clone());
  const form = await request.formData();
  const theme = form.get("theme");
  const after = {
    ...before,
    system: UNIT_SYSTEMS.find((each) => each === form.get("system")) ?? before.system,
    theme: theme === "day" || theme === "night" ? theme : before.theme,
  } as const;
  return data(null, { headers: { "Set-Cookie": await writePreferences(after) } });
}
