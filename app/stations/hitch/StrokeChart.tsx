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
import { AXIS, CURVE, GRID, MARGIN, TOOLTIP, upright, WHOLE, ZERO } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";
import type { StrokeChartView } from "./hitch-view.ts";

/** Pitch through the whole stroke of the lift. */
export default function StrokeChart({ chart }: { chart: StrokeChartView }) {
  const { points, work, heightUnit } = chart;
  const pitches = points.map(({ pitch }) => pitch);
  return (
    <ResponsiveContainer width="100%" height={190}>
      <LineChart data={points} margin={MARGIN}>
        <CartesianGrid {...GRID} />
        <XAxis
          dataKey="height"
          type="number"
          domain={["dataMin", "dataMax"]}
          ticks={roundTicks(points[0]!.height, points.at(-1)!.height, 5)}
          tickFormatter={WHOLE}
          {...AXIS}
          unit={` ${heightUnit}`}
        />
        <YAxis
          domain={[Math.min(0, ...pitches), Math.max(0, ...pitches)]}
          ticks={roundTicks(Math.min(0, ...pitches), Math.max(0, ...pitches), 4)}
          {...AXIS}
          width={58}
          tickFormatter={WHOLE}
          unit="°"
        />
        <ReferenceLine {...ZERO} />
        {work !== null && <ReferenceLine {...upright(work, "at work")} />}
        <Line dataKey="pitch" {...CURVE} />
        <Tooltip
          {...TOOLTIP}
          labelFormatter={(height) => `link ends ${Number(height).toFixed(1)} ${heightUnit} up`}
          formatter={(value) => [
            `${Math.abs(Number(value)).toFixed(1)}° nose ${Number(value) >= 0 ? "up" : "down"}`,
            "pitch",
          ]}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
