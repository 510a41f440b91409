import { redirect } from "react-router";
import { enter } from "../people/coming-in.server.ts";
import { EnterPage } from "../people/EnterPage.tsx";
import { EnterDto } from "../people/people.dto.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { validateForm } from "../session/validate.ts";
import { isOnNetwork } from "../session/who.server.ts";
import type { Route } from "./+types/enter";

export function loader() {
  if (!isOnNetwork()) throw redirect("/");
  return null;
}

export async function action({ request }: Route.ActionArgs) {
  loader();
  const checked = validateForm(EnterDto, await formOf(request));
  if (!checked.ok) return answered(refused(checked.errors));
  const { outcome, headers } = await enter(request, checked.value);
  if (!headers) return answered(outcome);
  throw redirect("/", { headers });
}

export const meta = () => [{ title: "Ambrek" }];

export default EnterPage;
