import { subjectOf } from "../../../core/subjects/walk.ts";
import { frameOf, type OpenRig } from "../frame/rig-view.server.ts";
import { historyRows } from "../reading/history.server.ts";
import { checkRows } from "./check-rows.ts";
import { stationFacts } from "./open-view.ts";
import { commonView } from "./station-view.ts";

export type WholeStationView = ReturnType<typeof wholeStation>;

/** What every station that judges the whole rig shows round its own panel. */
export function wholeStation(open: OpenRig, key: string, request: Request, { ownDrawing = false } = {}) {
  const facts = stationFacts(open);
  const checks = checkRows(key, open.judged.checks, facts.rigId, facts.couplings, facts.names, facts.units);
  return {
    frame: frameOf(open, key, request, { ownDrawing }),
    view: commonView(key, facts),
    checks,
    asks: subjectOf(key)!.asks,
    /** the first check nobody could make, for the key that leads to the next reading */
    next: checks.find(({ verdict }) => verdict === "unknown")?.href ?? null,
    history: historyRows(open, new URL(request.url).searchParams.get("at")),
  };
}
