import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { TrafficPage } from "../yard/traffic/TrafficPage.tsx";
import { trafficView } from "../yard/traffic/traffic-view.server.ts";
import type { Route } from "./+types/traffic";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const chosen = new Set(new URL(request.url).searchParams.getAll("with").map(Number));
  return { preferences, view: trafficView(database(), chosen, preferences.units) };
}

export function meta() {
  return [{ title: "Controlled traffic · Ambrek" }];
}

export default TrafficPage;
