import { data } from "react-router";
import { factOf } from "../../data/record.ts";
import { type Stamp, stampOf } from "../session/clock.server.ts";
import { formOf } from "../session/form.server.ts";
import { writePreferences } from "../session/preferences.server.ts";
import { keepWeights } from "../stations/balance/keep-weights.server.ts";
import { keepDriven, keepTerminal } from "../stations/field/keep-field.server.ts";
import { keepCoupling, keepTicked } from "../stations/hookup/keep-hookup.server.ts";
import { keepPin, keepPlugged, keepUnpinned } from "../stations/hoses/keep-hoses.server.ts";
import { carryOut, type Outcome, refused } from "../stations/keep.server.ts";
import { keepRung } from "../stations/ladder.server.ts";
import {
  keepAccepted,
  keepConditions,
  keepLeftOut,
  keepLog,
  keepObserved,
} from "../stations/proof/keep-proof.server.ts";
import { type OpenRig, openRig } from "../stations/rig-view.server.ts";
import { keepChosen, keepTable, keepVariant } from "../stations/sections/keep-sections.server.ts";
import { keepEdited } from "../stations/sequences/keep-list.server.ts";
import { keepRun } from "../stations/sequences/keep-run.server.ts";
import { keepSheet } from "../stations/sheet/keep-sheet.server.ts";
import type { Route } from "./+types/keep";

/** What needs the whole rig to be decided. */
const WIDE: Record<string, (open: OpenRig, form: FormData, stamp: Stamp) => Outcome | Promise<Outcome>> = {
  "fit-weights": keepWeights,
  tick: keepTicked,
  coupling: keepCoupling,
  run: keepRun,
  "keep-list": keepEdited,
  rung: keepRung,
  "pin-hose": keepPin,
  "unpin-hoses": keepUnpinned,
  "keep-plan": keepPlugged,
  "set-test": keepConditions,
  observe: keepObserved,
  "observe-log": keepLog,
  "leave-out": keepLeftOut,
  "accept-test": keepAccepted,
  terminal: keepTerminal,
  "keep-sheet": keepSheet,
  "keep-layout": keepTable,
  "new-variant": keepVariant,
  "choose-variant": keepChosen,
  drive: keepDriven,
};

async function outcomeOf(open: OpenRig, form: FormData): Promise<Outcome> {
  const { db, rig, preferences } = open;
  const intent = String(form.get("intent"));
  const stamped = stampOf(form, new Date());
  if (!stamped.ok) return refused({ form: stamped.problem });
  const id = String(form.get("id") ?? "");
  // What a device sends twice is kept once, and answered as kept whatever has become of it since.
  if (intent !== "take-back" && factOf(db, id))
    return { ok: true, kept: { id, said: "Kept before" }, person: null };
  const wide = Object.hasOwn(WIDE, intent) ? WIDE[intent] : undefined;
  const { units, person } = preferences;
  const { stamp } = stamped;
  const outcome = wide
    ? await wide(open, form, stamp)
    : await carryOut({ db, rig, units, person }, form, stamp);
  if (!outcome.ok || !outcome.kept || stamp.clock === "") return outcome;
  return { ...outcome, kept: { ...outcome.kept, said: `${outcome.kept.said}. ${stamp.clock}` } };
}

/** Everything a station writes comes here: by form, or later from a device that had no connection. */
export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request, params.rigId);
  const outcome = await outcomeOf(open, await formOf(request));
  if (!outcome.ok) return data(outcome, { status: 422 });
  const { preferences } = open;
  const person = outcome.person ?? preferences.person;
  return data(outcome, {
    headers: { "Set-Cookie": await writePreferences({ ...preferences, person }) },
  });
}
