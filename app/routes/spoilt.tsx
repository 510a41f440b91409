import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { SpoiltPage } from "../spoilt/SpoiltPage.tsx";
import { spoiltView } from "../spoilt/spoilt-view.server.ts";
import type { Route } from "./+types/spoilt";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, spoilt: spoiltView(database(), preferences.units) };
}

export function meta() {
  return [{ title: "What a wrong number spoilt · Ambrek" }];
}

export default SpoiltPage;
