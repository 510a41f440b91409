import { redirect } from "react-router";
import { phoneHere } from "../network/addresses.server.ts";
import { DEVICE_INTENTS, leave } from "../people/own-device.server.ts";
import { DevicePage } from "../session/DevicePage.tsx";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { people, whoIs } from "../session/who.server.ts";
import type { Route } from "./+types/device";

export async function loader({ request }: Route.LoaderArgs) {
  const who = whoIs(request);
  return {
    preferences: await readPreferences(request),
    phone: await phoneHere(),
    who: who && { person: who.person, role: who.role, device: who.device },
    passphrase: who !== null && people().called(who.person)?.passphrase != null,
  };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request);
  if (form.get("intent") === "leave") throw redirect("/enter", { headers: leave(request) });
  return answered(await carryOut(DEVICE_INTENTS, request, form));
}

export const meta = () => [{ title: "This device · Ambrek" }];

export default DevicePage;
