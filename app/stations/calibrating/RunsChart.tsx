import {
  CartesianGrid,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from "recharts";
import { AXIS, GRID, WHOLE, ZERO } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";

/** Runs repeat well within this, per cent. */
const WELL = 2;

/** How far each run lies from them all, or from what was wanted. */
export default function RunsChart({ runs, one, within }: Pick<CalibrateView, "runs" | "one" | "within">) {
  const band = within === null ? WELL : Math.round(100 * within);
  const shown = runs.flatMap(({ number, share, odd, leftOut }) =>
    share === null || leftOut ? [] : [{ number, off: 100 * share, fill: odd ? "var(--stop)" : "var(--dye)" }],
  );
  const most = Math.max(band * 1.5, ...shown.map(({ off }) => Math.abs(off) * 1.15));
  return (
    <figure className="px-3 pt-2">
      <h2>
        Each {one} against {within === null ? "all of them" : "what was wanted"}, %
      </h2>
      <ResponsiveContainer width="100%" height={190}>
        <ScatterChart margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
          <CartesianGrid {...GRID} />
          <ReferenceArea y1={-band} y2={band} fill="var(--dye-wash)" fillOpacity={0.6} />
          <XAxis
            dataKey="number"
            type="number"
            domain={[0.5, Math.max(3, runs.length) + 0.5]}
            ticks={runs.map(({ number }) => number)}
            tickFormatter={WHOLE}
            {...AXIS}
          />
          <YAxis
            dataKey="off"
            type="number"
            domain={[-most, most]}
            ticks={roundTicks(-most, most, 5)}
            {...AXIS}
            width={48}
          />
          <ReferenceLine {...ZERO} />
          <Scatter data={shown} isAnimationActive={false} />
        </ScatterChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        Shaded: ± {band} %, within which they {within === null ? "repeat well" : "are as wanted"}.
      </figcaption>
    </figure>
  );
}
