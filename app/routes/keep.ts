import { factOf } from "../../data/record.ts";
import { cameAt, stampOf } from "../session/clock.server.ts";
import { formOf } from "../session/form.server.ts";
import { answered, kept, type Outcome, refused } from "../session/outcome.ts";
import { remembering } from "../session/preferences.server.ts";
import { whoIs } from "../session/who.server.ts";
import { READS_ONLY } from "../session/words.ts";
import { type OpenRig, openRig } from "../stations/frame/rig-view.server.ts";
import { otherThan } from "../stations/writing/sent-before.server.ts";
import { carryOut } from "../stations/writing/writes.server.ts";
import type { Route } from "./+types/keep";

async function outcomeOf(open: OpenRig, form: FormData, came: Date): Promise<Outcome> {
  const stamped = stampOf(form, came);
  if (!stamped.ok) return refused({ form: stamped.problem });
  const id = String(form.get("id") ?? "");
  // What a device sends twice is kept once, and answered as kept whatever has become of it since.
  const known = form.get("intent") === "take-back" ? null : factOf(open.db, id);
  if (known) return otherThan(open, known, form) ?? kept("Saved before", { id });
  const { stamp } = stamped;
  const outcome = await carryOut(open, form, stamp);
  if (!outcome.ok || stamp.clock === "") return outcome;
  return { ...outcome, kept: { ...outcome.kept, said: `${outcome.kept.said}. ${stamp.clock}`, heed: true } };
}

/** Who advises asks for a reading, and enters none. */
const ASKS = "ask-reading";

/** Everything a station writes comes here: by form, or later from a device that had no connection. */
export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request, params.rigId);
  const form = await formOf(request);
  if (whoIs(request)?.role === "adviser" && form.get("intent") !== ASKS)
    return answered(refused({ form: READS_ONLY }));
  const outcome = await outcomeOf(open, form, cameAt(request));
  if (!outcome.ok) return answered(outcome);
  const { preferences } = open;
  const person = outcome.person ?? preferences.person;
  return answered(outcome, await remembering(preferences, person));
}
