import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { PreferencesDto } from "../session/preferences.dto.ts";
import { readPreferences, writePreferences } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import type { Route } from "./+types/preferences";

export async function action({ request }: Route.ActionArgs) {
  const before = await readPreferences(request.clone());
  const form = await formOf(request);
  const checked = validateForm(PreferencesDto, form);
  if (!checked.ok) return answered(refused(checked.errors));
  const { choice, tape, small, theme, person } = checked.value;
  const after = {
    ...before,
    choice: choice || before.choice,
    own: { tape: tape || before.own.tape, small: small || before.own.small },
    theme: theme || before.theme,
    // An empty name is told as well: it is nobody then.
    person: form.has("person") ? person : before.person,
  };
  return answered(kept(), { headers: { "Set-Cookie": await writePreferences(after) } });
}
