import { phoneHere } from "../network/addresses.server.ts";
import { DevicePage } from "../session/DevicePage.tsx";
import { readPreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/device";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), phone: await phoneHere() };
}

export function meta() {
  return [{ title: "This device · Ambrek" }];
}

export default DevicePage;
