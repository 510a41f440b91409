import { data } from "react-router";
import { writePreferences } from "../session/preferences.server.ts";
import { keepWeights } from "../stations/balance/keep-weights.server.ts";
import { keepDriven, keepTerminal } from "../stations/field/keep-field.server.ts";
import { keepCoupling, keepTicked } from "../stations/hookup/keep-hookup.server.ts";
import { keepPin, keepPlugged, keepUnpinned } from "../stations/hoses/keep-hoses.server.ts";
import { carryOut, type Outcome } from "../stations/keep.server.ts";
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
const WIDE: Record<string, (open: OpenRig, form: FormData) => Outcome | Promise<Outcome>> = {
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

/** Everything a station writes comes here: by form, or later from a device that had no connection. */
export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request, params.rigId);
  const { db, rig, preferences } = open;
  const { units, person } = preferences;
  const form = await request.formData();
  const wide = WIDE[String(form.get("intent"))];
  const outcome = wide ? await wide(open, form) : await carryOut({ db, rig, units, person }, form);
  if (!outcome.ok) return data(outcome, { status: 422 });
  const named = outcome.person ?? person;
  return data(outcome, {
    headers: { "Set-Cookie": await writePreferences({ ...preferences, person: named }) },
  });
}
