/** Rigs of the demo yard opened as a page opens them, and forms as a browser sends them, for tests. */
import { v4 as uuid } from "uuid";
import { PRESETS } from "../../core/quantity/units.ts";
import { judgeWhole } from "../../core/walk-round/judge-whole.ts";
import type { Database } from "../../data/handle.ts";
import { listRigs, partsOf } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import type { OpenRig } from "./rig-view.server.ts";

const PREFERENCES = {
  choice: "metric" as const,
  own: PRESETS.metric,
  theme: "day" as const,
  person: "",
};

export function sampleOpen(db: Database, name: string, units = PRESETS.metric): OpenRig {
  const parts = partsOf(db, listRigs(db).find((rig) => rig.name.startsWith(name))!.id);
  const rig = parts[0]!;
  const whole = wholesOf(db, parts).get(rig.id)!;
  const judged = judgeWhole(whole, units);
  return {
    db,
    rig,
    parts,
    index: 0,
    whole,
    resolved: whole.parts[0]!.rig,
    changes: [],
    dues: () => new Map(),
    judged,
    findings: judged.findings,
    cardFindings: [],
    preferences: { ...PREFERENCES, units },
  };
}

export function sampleForm(fields: Record<string, string>): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries({ id: uuid(), person: "Mira", ...fields }))
    form.set(name, value);
  return form;
}
