import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { SymptomsPage } from "../yard/symptoms/SymptomsPage.tsx";
import { symptomsView } from "../yard/symptoms/symptoms-view.server.ts";
import type { Route } from "./+types/symptoms";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const { searchParams } = new URL(request.url);
  const view = symptomsView(
    database(),
    preferences,
    searchParams.get("find") ?? "",
    Number(searchParams.get("rig")),
  );
  return { preferences, view };
}

export function meta() {
  return [{ title: "What do you see? · Ambrek" }];
}

export default SymptomsPage;
