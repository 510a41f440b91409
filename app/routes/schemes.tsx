import { SHIPPED_SCHEMES, shippedOf } from "../../core/card/shipped.ts";
import { database } from "../../data/database.ts";
import { findScheme, listSchemes, saveScheme } from "../../data/schemes.ts";
import { SchemesPage } from "../schemes/SchemesPage.tsx";
import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { Route } from "./+types/schemes";

export async function loader({ request }: Route.LoaderArgs) {
  const db = database();
  return {
    preferences: await readPreferences(request),
    schemes: listSchemes(db).map((each) => {
      const scheme = findScheme(db, each.id)!;
      return { ...each, lines: scheme.lines.length, shipped: shippedOf(scheme) };
    }),
  };
}

/** Takes the newer version of a shipped scheme; one that was edited since is left alone. */
export async function action({ request }: Route.ActionArgs) {
  const db = database();
  const id = String((await formOf(request)).get("id") ?? "");
  const [now, newer] = [findScheme(db, id), SHIPPED_SCHEMES.find((each) => each.id === id)];
  if (!now || !newer || shippedOf(now) !== "older")
    return answered(refused({ form: "That scheme was edited meanwhile: it is kept as it is." }));
  saveScheme(db, newer, await toldBy(request));
  return answered(kept(`${newer.name} is the newer one now`, { id }));
}

export function meta() {
  return [{ title: "Schemes · Ambrek" }];
}

export default SchemesPage;
