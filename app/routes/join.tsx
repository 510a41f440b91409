import { redirect } from "react-router";
import { NOT_GOOD } from "../../data/people/people.ts";
import { invitationOf, join } from "../people/coming-in.server.ts";
import { JoinPage } from "../people/JoinPage.tsx";
import { InvitedDto, JoinDto } from "../people/people.dto.ts";
import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { validateForm } from "../session/validate.ts";
import { isOnNetwork } from "../session/who.server.ts";
import type { Route } from "./+types/join";

export function loader() {
  if (!isOnNetwork()) throw redirect("/");
  return null;
}

export async function action({ request }: Route.ActionArgs) {
  loader();
  const form = await formOf(request);
  if (form.get("intent") === "look") {
    const checked = validateForm(InvitedDto, form);
    const invited = checked.ok ? invitationOf(checked.value.token) : null;
    return invited ? { ...kept(), invited } : answered(refused({ form: NOT_GOOD }));
  }
  const checked = validateForm(JoinDto, form);
  if (!checked.ok) return answered(refused(checked.errors));
  const { outcome, headers } = join(request, checked.value);
  if (!headers) return answered(outcome);
  throw redirect("/", { headers });
}

export const meta = () => [{ title: "Come in · Ambrek" }];

export default JoinPage;
