/** Rigs of the demo yard opened as a page opens them, and forms as a browser sends them, for tests. */
import { v4 as uuid } from "uuid";
import { PRESETS } from "../../../core/quantity/units.ts";
import type { Database } from "../../../data/handle.ts";
import { listRigs, toolsOf } from "../../../data/rigs.ts";
import { wholesOf } from "../../../data/whole.ts";
import type { Stamp } from "../../session/clock.server.ts";
import { openedFrom } from "./opened.server.ts";
import { type OpenRig, seenFrom } from "./rig-view.server.ts";

const PREFERENCES = {
  choice: "metric" as const,
  own: PRESETS.metric,
  theme: "day" as const,
  person: "",
};

export function sampleOpen(db: Database, name: string, units = PRESETS.metric): OpenRig {
  const parts = toolsOf(db, listRigs(db).find((rig) => rig.name.startsWith(name))!.id);
  const whole = wholesOf(db, parts).get(parts[0]!.id)!;
  return seenFrom({ db, parts, opened: openedFrom(whole), preferences: { ...PREFERENCES, units } }, 0);
}

export function sampleForm(fields: Record<string, string>): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries({ id: uuid(), person: "Mira", ...fields }))
    form.set(name, value);
  return form;
}

/** An entry that arrives as it happens, or that happened at another time. */
export const arrived = (at = new Date()): Stamp => ({ at, now: new Date(), clock: "" });
