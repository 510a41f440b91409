import { data } from "react-router";
import { LENGTH_STYLES } from "../../core/quantity/length.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences, UNIT_CHOICES, writePreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/preferences";

export async function action({ request }: Route.ActionArgs) {
  const before = await readPreferences(request.clone());
  const form = await formOf(request);
  const chosen = <T extends string>(name: string, choices: readonly T[], otherwise: T): T =>
    choices.find((each) => each === form.get(name)) ?? otherwise;
  const after = {
    ...before,
    choice: chosen("choice", UNIT_CHOICES, before.choice),
    own: {
      tape: chosen("tape", LENGTH_STYLES, before.own.tape),
      small: chosen("small", LENGTH_STYLES, before.own.small),
    },
    theme: chosen("theme", ["day", "night"] as const, before.theme),
    person: form.has("person") ? String(form.get("person")).trim().slice(0, 60) : before.person,
  };
  return data(null, { headers: { "Set-Cookie": await writePreferences(after) } });
}
