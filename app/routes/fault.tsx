import { database } from "../../data/database.ts";
import { CasePage } from "../faults/CasePage.tsx";
import { CASE_INTENTS, caseOr404 } from "../faults/faults.server.ts";
import { caseView } from "../faults/faults-view.server.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { Route } from "./+types/fault";

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const one = caseOr404(database(), params.caseId);
  const advice = new URL(request.url).searchParams.get("advice") === "1";
  return { preferences, one: caseView(one, preferences.units, advice) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const db = database();
  const { units } = await readPreferences(request.clone());
  const at = { db, units, told: await toldBy(request.clone()), one: caseOr404(db, params.caseId) };
  return answered(await carryOut(CASE_INTENTS, at, await formOf(request)));
}

export const meta = () => [{ title: "A case · Find the fault · Ambrek" }];

export default CasePage;
