import { together } from "../../../core/rig/swath.ts";
import type { WholeRig } from "../../../core/rig/whole.ts";
import type { StationFacts } from "./station-view.ts";

type Opened = {
  rig: { id: number };
  parts: readonly { couplingId: number }[];
  index: number;
  whole: Pick<WholeRig, "parts">;
  resolved: StationFacts["rig"];
  findings: StationFacts["findings"];
  changes: StationFacts["changes"];
  dues: () => StationFacts["dues"];
  preferences: { units: StationFacts["units"] };
};

/** What a station's view is worked out from, of a rig that was opened. */
export function stationFacts({
  rig,
  parts,
  index,
  whole,
  resolved,
  findings,
  changes,
  dues,
  preferences,
}: Opened): StationFacts {
  return {
    rigId: rig.id,
    rig: resolved,
    told: together(whole, index),
    couplings: parts.map(({ couplingId }) => couplingId),
    names: whole.parts.map(({ name }) => name),
    index,
    rigs: whole.parts.map((part) => part.rig),
    findings,
    changes,
    dues: dues(),
    units: preferences.units,
  };
}
