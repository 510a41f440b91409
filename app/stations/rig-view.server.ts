import { redirect } from "react-router";
import type { StationKey } from "../../core/dimension/catalogue.ts";
import { drawPlan, type Plan } from "../../core/drawing/plan.ts";
import type { Finding } from "../../core/finding/finding.ts";
import { judge } from "../../core/finding/judge.ts";
import { type ResolvedRig, resolveRig } from "../../core/rig/resolve.ts";
import { database } from "../../data/database.ts";
import type { Database } from "../../data/handle.ts";
import { rigFacts } from "../../data/readings.ts";
import { findRig, type Rig } from "../../data/rigs.ts";
import { type Preferences, readPreferences } from "../session/preferences.server.ts";
import { type Peg, pegsOf } from "./stations.ts";

export type RigHead = {
  id: number;
  name: string;
  tractor: string;
  implement: string;
  /** fleet numbers and serials, so that nobody sets up the wrong one of two */
  identity: string;
};

export type RigFrameView = {
  rig: RigHead;
  preferences: Preferences;
  pegs: Peg[];
  stops: number;
  desk: Plan;
  phone: Plan;
};

export type OpenRig = {
  db: Database;
  rig: Rig;
  resolved: ResolvedRig;
  findings: Finding[];
  preferences: Preferences;
};

/** @throws a 404 response where there is no such rig */
export function rigOr404(db: Database, id: string): Rig {
  const rig = /^\d{1,9}$/.test(id) ? findRig(db, Number(id)) : null;
  if (!rig) throw new Response("There is no such rig in this yard.", { status: 404 });
  return rig;
}

export async function openRig(request: Request, rigId: string): Promise<OpenRig> {
  const db = database();
  const rig = rigOr404(db, rigId);
  const preferences = await readPreferences(request);
  const resolved = resolveRig(rigFacts(db, rig));
  return { db, rig, resolved, preferences, findings: judge(resolved, preferences.system) };
}

export function headOf({ id, name, tractor, implement }: Rig): RigHead {
  const identity = [tractor, implement]
    .map(({ fleetNumber, serial }) => `${fleetNumber} no. ${serial}`)
    .join(", ");
  return {
    id,
    name,
    tractor: `${tractor.make} ${tractor.model}`,
    implement: `${implement.make} ${implement.model}`,
    identity,
  };
}

/** Everything round a station: head, walk-round, drawing for the desk and for the phone. */
export function frameOf(
  { rig, resolved, findings, preferences }: OpenRig,
  station: StationKey | "card",
): RigFrameView {
  const { system } = preferences;
  const drawn = station === "card" ? null : station;
  const region = station === "antenna" ? "tractor" : "rig";
  return {
    rig: headOf(rig),
    preferences,
    pegs: pegsOf(rig.id, findings),
    stops: findings.filter(({ severity }) => severity === "stop").length,
    desk: drawPlan(resolved, { width: 424, height: 736, region, labels: "values", station: drawn, system }),
    phone: drawPlan(resolved, {
      width: 390,
      height: 236,
      region: station === "antenna" ? "tractor" : "tool",
      labels: "letters",
      station: drawn,
      system,
    }),
  };
}

/** The station to go to first: where a stop is, else where the walk-round begins. */
export function firstStation({ rig, findings }: OpenRig): Response {
  const stop = findings.find(({ severity }) => severity === "stop");
  return redirect(`/rigs/${rig.id}/${stop?.station ?? "antenna"}`);
}
