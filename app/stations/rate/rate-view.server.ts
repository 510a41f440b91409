/** What the rate station shows of the tool in view. */
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { benchOf } from "../../../data/bench.ts";
import { openCalibration, runsOf } from "../../../data/calibrations.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type RateView = ReturnType<typeof rateView>;

/** The calibrations of the tool in view and how each stands. */
export function rateView(open: OpenRig) {
  const { db, rig, resolved, whole, index, judged, preferences } = open;
  const { units } = preferences;
  const of = judged.reckoned.rate.find(({ part }) => part === index) ?? null;
  const { ended } = whole.dose[index]!;
  return {
    calibrations: (of?.calibrations ?? []).map((kind) => {
      const going = openCalibration(db, rig, kind);
      const last = ended.find((each) => each.kind === kind.key);
      const value = kind.constant && resolved.values[kind.constant].value;
      const count = going ? runsOf(db, going).length : 0;
      return {
        key: kind.key,
        title: kind.title,
        tells: kind.tells,
        now:
          kind.constant && typeof value === "number"
            ? printEntry(dimension(kind.constant, resolved), value, units)
            : "",
        last: last ? `${last.accepted ? "accepted" : "left"} ${moment(last.at)}, ${last.person}` : "",
        going: going ? `${count} ${kind.one}${count === 1 ? "" : "s"} so far` : "",
      };
    }),
    onBench: benchOf(db, rig.couplingId) !== null,
  };
}
