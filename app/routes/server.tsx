import { database } from "../../data/database.ts";
import { figuresNow } from "../running/figures.server.ts";
import { ServerPage } from "../running/ServerPage.tsx";
import { serverView } from "../running/server-view.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/server";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), view: serverView(database(), figuresNow()) };
}

export const meta = () => [{ title: "This server · Ambrek" }];

export default ServerPage;
