import type { StationFacts } from "./station-view.ts";

type Opened = {
  rig: { id: number };
  parts: readonly { couplingId: number }[];
  index: number;
  whole: { parts: readonly { name: string; rig: StationFacts["rig"] }[] };
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
