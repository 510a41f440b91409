import { noteWaiting } from "../people/own-device.server.ts";
import { formOf } from "../session/form.server.ts";
import type { Route } from "./+types/waiting";

/** What waits on a device, told by itself: answered without a page. */
export async function action({ request }: Route.ActionArgs) {
  const outcome = noteWaiting(request, await formOf(request));
  return Response.json(outcome, { status: outcome.ok ? 200 : 422 });
}
