import { phoneAddresses } from "../session/addresses.server.ts";
import { DevicePage } from "../session/DevicePage.tsx";
import { readPreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/device";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), addresses: await phoneAddresses() };
}

export function meta() {
  return [{ title: "This device · Ambrek" }];
}

export default DevicePage;
