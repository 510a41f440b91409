import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { yardService } from "../yard/service/service-view.server.ts";
import { YardServicePage } from "../yard/service/YardServicePage.tsx";
import type { Route } from "./+types/service";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, view: yardService(database(), preferences.units, new Date()) };
}

export function meta() {
  return [{ title: "Service · Ambrek" }];
}

export default YardServicePage;
