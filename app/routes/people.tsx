import { data } from "react-router";
import { PEOPLE_INTENTS, type PeopleOutcome } from "../people/keep-people.server.ts";
import { PeoplePage } from "../people/PeoplePage.tsx";
import { peopleView } from "../people/people-view.server.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { isOnNetwork } from "../session/who.server.ts";
import type { Route } from "./+types/people";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), view: peopleView(request) };
}

const NOBODY = refused({ form: "On the machine itself nobody is invited." });

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  if (!isOnNetwork()) return data<PeopleOutcome>(NOBODY, { status: 422 });
  const outcome: PeopleOutcome = await carryOut(PEOPLE_INTENTS, request, form);
  return data(outcome, { status: outcome.ok ? 200 : 422 });
}

export const meta = () => [{ title: "People · Ambrek" }];

export default PeoplePage;
