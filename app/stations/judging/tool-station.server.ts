import { frameOf, type OpenRig } from "../frame/rig-view.server.ts";
import { historyRows } from "../reading/history.server.ts";
import { stationFacts } from "./open-view.ts";
import { viewStation } from "./station-view.ts";

export type ToolStationView = ReturnType<typeof toolStation>;

/** What a station of the tool in view shows. */
export function toolStation(open: OpenRig, key: string, request: Request) {
  return {
    frame: frameOf(open, key, request),
    view: viewStation(key, stationFacts(open)),
    history: historyRows(open, new URL(request.url).searchParams.get("at")),
  };
}
