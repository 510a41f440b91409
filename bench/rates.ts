/** A frame of the explorer as one slides, a spread pattern over 400 spacings, fills of a large field: against what a screen or a hand waits for. */
import { explorerFrame, rangeOf } from "../core/drawing/explorer.ts";
import { PRESETS } from "../core/quantity/units.ts";
import { chance } from "../core/simulation/random.ts";
import { fallsAt } from "../core/simulation/spread.ts";
import { planTank } from "../core/subjects/rate/liquid/tank.ts";
import { NOZZLE_SIZES } from "../core/trade/nozzles.ts";
import { spacingsFor, sweep } from "../core/trade/overlap.ts";
import { sizesFor } from "../core/trade/spraying.ts";
import { report } from "./measure.ts";

/** A screen that draws sixty times a second has so long for each, ms; a hand notices so much. */
const FRAME = 1000 / 60;
const SWEEP = 50;

export function benchRates(): void {
  const spraying = { rate: 180e-7, spacing: 0.5, density: 1000 };
  const pressures = { low: 1.5e5, high: 5e5 };
  const rated = NOZZLE_SIZES["03"].flow;
  const range = rangeOf(spraying, rated, 2.5, pressures);
  const frame = report("explorer, one frame with its size choice", () => {
    explorerFrame(
      spraying,
      rated,
      { speed: 2.5, pressures, range },
      { width: 660, height: 340, units: PRESETS.metric },
    );
    sizesFor(spraying, 2.5, pressures);
  });
  const random = chance(7);
  const pattern = { reach: 12, slope: 5, shift: 0.4, middle: 0.05 };
  const catches = Array.from({ length: 200 }, (_, at) => {
    const x = (at - 99.5) * 0.2;
    return { x, caught: fallsAt(pattern, x) * (1 + random.normal(0.015)) };
  });
  const spacings = spacingsFor(catches, 400);
  const swept = report("spread pattern, 200 trays over 400 spacings, both ways", () =>
    sweep(catches, spacings),
  );
  const planned = report("tank plan, 600 ha in fills of 8 ha", () =>
    planTank({ area: 600e4, rate: 180e-7, tank: 1.5, rest: 0.03, width: 24, pass: 420, refill: "one end" }),
  );
  console.log(
    `  of a frame of the screen: explorer ${(frame / FRAME).toFixed(3)}, tank plan ${(planned / FRAME).toFixed(4)}; sweep of ${SWEEP} ms: ${(swept / SWEEP).toFixed(2)}\n`,
  );
}
