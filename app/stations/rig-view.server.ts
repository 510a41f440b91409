import { redirect } from "react-router";
import { isDimensionKey, type StationKey } from "../../core/dimension/catalogue.ts";
import { drawPlan } from "../../core/drawing/plan.ts";
import type { Plan, Sheet } from "../../core/drawing/sheet.ts";
import { drawSide } from "../../core/drawing/side.ts";
import type { Finding } from "../../core/finding/finding.ts";
import { judge } from "../../core/finding/judge.ts";
import type { Change } from "../../core/rig/facts.ts";
import { type ResolvedRig, resolveRig } from "../../core/rig/resolve.ts";
import { database } from "../../data/database.ts";
import { rigFacts } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
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
  view: "plan" | "side";
  desk: Plan;
  phone: Plan;
};

export type OpenRig = {
  db: Database;
  rig: Rig;
  resolved: ResolvedRig;
  changes: readonly Change[];
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
  const facts = rigFacts(db, rig);
  const resolved = resolveRig(facts);
  const findings = judge(resolved, preferences.units);
  return { db, rig, resolved, changes: facts.changes, preferences, findings };
}

export function headOf({ id, name, tractor, implement }: Rig): RigHead {
  const identity = [tractor, implement]
    .map(({ fleetNumber, serial }) => [fleetNumber, serial && `no. ${serial}`].filter(Boolean).join(" "))
    .filter(Boolean)
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
  request: Request,
): RigFrameView {
  const { units } = preferences;
  const search = new URL(request.url).searchParams;
  const view = search.get("view") === "side" ? "side" : "plan";
  const at = search.get("at");
  const lit = at === "sections" || isDimensionKey(at) ? at : null;
  const draw = view === "side" ? drawSide : drawPlan;
  const common = { station: station === "card" ? null : station, units, only: null } satisfies Partial<Sheet>;
  const antenna = station === "antenna";
  return {
    rig: headOf(rig),
    preferences,
    pegs: pegsOf(rig.id, findings),
    stops: findings.filter(({ severity }) => severity === "stop").length,
    view,
    desk: draw(resolved, {
      ...common,
      width: 424,
      height: 736,
      region: antenna ? "tractor" : "rig",
      labels: "values",
    }),
    phone: draw(resolved, {
      ...common,
      only: lit,
      width: 390,
      height: lit ? 150 : 236,
      region: antenna ? "tractor" : "tool",
      labels: "letters",
    }),
  };
}

/** The station to go to first: where a stop is, else where the walk-round begins. */
export function firstStation({ rig, findings }: OpenRig): Response {
  const stop = findings.find(({ severity }) => severity === "stop");
  return redirect(`/rigs/${rig.id}/${stop?.station ?? "antenna"}`);
}
