import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { listRigs } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences, remembering } from "../session/preferences.server.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { LACKING } from "../stations/sheet/lacking.ts";
import { BeginPage } from "../yard/begin/BeginPage.tsx";
import { readBeginning, toolsTold } from "../yard/begin/begin.dto.ts";
import { beginRig, begunBefore } from "../yard/begin/begin.server.ts";
import type { Route } from "./+types/begin";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), first: listRigs(database()).length === 0 };
}

export async function action({ request }: Route.ActionArgs) {
  const preferences = await readPreferences(request.clone());
  const checked = readBeginning(await formOf(request));
  if (!checked.ok) return answered(refused(checked.errors));
  const { person } = checked.value.first;
  const usesTerminal = toolsTold(checked.value).some(
    ({ guided, switched }) => guided !== "no" || switched !== "no",
  );
  const known = begunBefore(database(), checked.value);
  if (known)
    return answered(
      refused({
        hung: `${known} of these machines stands in the yard already: say what tells this one apart.`,
      }),
    );
  const id = beginRig(database(), checked.value, { person, at: new Date() });
  throw redirect(
    rigAddress(id, "sheet", { of: usesTerminal ? LACKING.card : LACKING.couple }),
    await remembering(preferences, person),
  );
}

export function meta() {
  return [{ title: "A new rig · Ambrek" }];
}

export default BeginPage;
