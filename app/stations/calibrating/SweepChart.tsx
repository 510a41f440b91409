import { useEffect, useState } from "react";
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { METRES_PER } from "../../../core/quantity/length.ts";
import { inInches } from "../../../core/quantity/units.ts";
import { EVEN, type Spacing } from "../../../core/trade/overlap.ts";
import { AXIS, CURVE, GRID, TOOLTIP, upright } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";

type Spread = NonNullable<CalibrateView["spread"]>;

/** Evenness over the spacing of the tracks, both ways of driving; it rises and falls. */
export default function SweepChart({ spread }: { spread: Spread }) {
  const found = useSweep(spread.catches);
  const { spacing, turned, units } = spread;
  const feet = inInches(units.tape);
  const unit = feet ? "ft" : "m";
  const per = feet ? METRES_PER.ft : 1;
  if (!found) return <p className="grid h-[230px] place-items-center text-soft">Working out the overlap.</p>;
  const data = found.map((each) => ({
    at: each.spacing / per,
    toAndFro: Math.min(60, 100 * each.toAndFro),
    round: Math.min(60, 100 * each.roundAndRound),
  }));
  const [first, last] = [data[0]!.at, data.at(-1)!.at];
  return (
    <figure className="px-3" data-sweep={found.length}>
      <h2>Evenness over the spacing of the tracks, %</h2>
      <ResponsiveContainer width="100%" height={220}>
        <LineChart data={data} margin={{ top: 18, right: 14, bottom: 4, left: 0 }}>
          <CartesianGrid {...GRID} />
          <XAxis
            dataKey="at"
            type="number"
            domain={[first, last]}
            ticks={roundTicks(first, last, 6)}
            {...AXIS}
            unit={` ${unit}`}
          />
          <YAxis domain={[0, 40]} allowDataOverflow ticks={[0, 10, 20, 30, 40]} {...AXIS} width={34} />
          <Tooltip
            {...TOOLTIP}
            labelFormatter={(at) => `${Number(at).toFixed(1)} ${unit}`}
            formatter={(value) => `${Number(value).toFixed(1)} %`}
          />
          <ReferenceLine y={100 * EVEN} stroke="var(--ok)" strokeDasharray="6 4" />
          {spacing !== null && <ReferenceLine {...upright(spacing / per, "driven")} />}
          <Line {...CURVE} dataKey="toAndFro" name="to and fro" strokeWidth={turned ? 2.5 : 1.5} />
          <Line
            {...CURVE}
            dataKey="round"
            name="round and round"
            stroke="var(--warn)"
            strokeDasharray="7 4"
            strokeWidth={turned ? 1.5 : 2.5}
          />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        Full: to and fro. Dashed: round and round. Even enough up to 10 % (common practice; method of ASABE
        S341 and ISO 5690).
      </figcaption>
    </figure>
  );
}

/** Asks a worker; the one that was asked for an older pattern is stopped. */
function useSweep(catches: Spread["catches"]): readonly Spacing[] | null {
  const [found, setFound] = useState<readonly Spacing[] | null>(null);
  const asked = JSON.stringify(catches);
  useEffect(() => {
    const worker = new Worker(new URL("./sweep.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<readonly Spacing[]>) => setFound(data);
    worker.postMessage(JSON.parse(asked));
    return () => worker.terminate();
  }, [asked]);
  return found;
}
