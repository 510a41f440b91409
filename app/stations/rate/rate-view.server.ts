/** What the rate station shows of the tool in view. */
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { inUnit } from "../../../core/quantity/measure.ts";
import { unitOf } from "../../../core/quantity/units.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { chosen, known } from "../../../core/rig/whole.ts";
import type { NozzleSizeKey } from "../../../core/trade/nozzles.ts";
import { benchOf } from "../../../data/bench.ts";
import { openCalibration, runsOf } from "../../../data/calibrations.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type ExplorerView = NonNullable<ReturnType<typeof explorerView>>;
export type TankView = NonNullable<ReturnType<typeof tankView>>;
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
    explorer: explorerView(open),
    tank: tankView(open),
    onBench: benchOf(db, rig.couplingId) !== null,
  };
}

/** What the explorer begins with; null where too little is known to draw a line. */
function explorerView({ judged, index, resolved, preferences }: OpenRig) {
  const window = judged.reckoned.rate.find(({ part }) => part === index)?.window;
  if (!window) return null;
  const { spraying, pressures, now } = window;
  const size = chosen<NozzleSizeKey>(resolved, "rate.nozzle")!;
  const [low, high] = [droplets(resolved, "rate.dropletsLow"), droplets(resolved, "rate.dropletsHigh")];
  return {
    units: preferences.units,
    spacing: spraying.spacing,
    density: spraying.density,
    pressures,
    nozzles: known(resolved, "rows.count"),
    pumpFlow: known(resolved, "rate.pumpFlow"),
    own: size,
    droplets: low !== null && high !== null ? { low, high } : null,
    now: { size, rate: spraying.rate, speed: now?.speed ?? USUAL_SPEED },
  };
}

/** 8 km/h, where nobody told the speed (common practice, no source). */
const USUAL_SPEED = 8 / 3.6;

function droplets(rig: ResolvedRig, key: "rate.dropletsLow" | "rate.dropletsHigh"): string | null {
  const choice = chosen(rig, key);
  return (
    dimension(key, rig)
      .choices?.find((each) => each.key === choice)
      ?.label.toLowerCase() ?? null
  );
}

const FOR_TANK = ["work.area", "rate.liquid", "rate.tank", "tool.width"] as const;

/** What fills are reckoned from; null for what has no tank to spray from. */
function tankView({ resolved, preferences: { units } }: OpenRig) {
  if (resolved.tool !== "sprayer") return null;
  const area = known(resolved, "work.area");
  return {
    units,
    area: area === null ? "" : inUnit("area", area, unitOf("area", units)).toFixed(2),
    rate: known(resolved, "rate.liquid"),
    tank: known(resolved, "rate.tank"),
    rest: known(resolved, "rate.tankRest") ?? 0,
    width: known(resolved, "tool.width"),
    missing: FOR_TANK.filter((key) => key !== "work.area" && known(resolved, key) === null).map((key) =>
      dimension(key, resolved).label.toLowerCase(),
    ),
  };
}
