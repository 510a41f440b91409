/** The calibrations of one station that the tool in view has, and how each stands. */
import { counted } from "../../../core/calibration/judge.ts";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { calibrationsAt } from "../../../core/subjects/calibrations.ts";
import { benchOf } from "../../../data/bench.ts";
import { openCalibration, runsOf } from "../../../data/calibrations.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type CalibrationsView = ReturnType<typeof calibrationsView>;

export function calibrationsView(open: OpenRig, at: string) {
  const { db, rig, resolved, whole, index, preferences } = open;
  const { ended } = whole.dose[index]!;
  const own = calibrationsAt(resolved).filter(({ station }) => station === at);
  return {
    each: own.map(({ kind }) => {
      const { key, title, tells, constant, one } = kind;
      const going = openCalibration(db, rig, kind);
      const last = ended.find((each) => each.kind === key);
      const value = constant && resolved.values[constant].value;
      return {
        key,
        title,
        tells,
        now:
          constant && typeof value === "number"
            ? printEntry(dimension(constant, resolved), value, preferences.units)
            : "",
        last: last ? `${last.accepted ? "accepted" : "left"} ${moment(last.at)}, ${last.person}` : "",
        going: going ? `${counted(runsOf(db, going).length, one)} so far` : "",
      };
    }),
    onBench: benchOf(db, rig.couplingId) !== null,
  };
}
