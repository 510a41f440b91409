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
import { roundTicks } from "../../ui/ticks.ts";
import type { StrokeChartView } from "./hitch-view.ts";

const AXIS = { fontSize: 14, fill: "var(--soft)" };

/** Pitch through the whole stroke of the lift. */
export default function StrokeChart({ chart }: { chart: StrokeChartView }) {
  const { points, work, heightUnit } = chart;
  const pitches = points.map(({ pitch }) => pitch);
  return (
    <ResponsiveContainer width="100%" height={190}>
      <LineChart data={points} margin={{ top: 18, right: 12, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--hair)" />
        <XAxis
          dataKey="height"
          type="number"
          domain={["dataMin", "dataMax"]}
          ticks={roundTicks(points[0]!.height, points.at(-1)!.height, 5)}
          tickFormatter={(value: number) => value.toFixed(0)}
          tick={AXIS}
          unit={` ${heightUnit}`}
        />
        <YAxis
          domain={[Math.min(0, ...pitches), Math.max(0, ...pitches)]}
          ticks={roundTicks(Math.min(0, ...pitches), Math.max(0, ...pitches), 4)}
          tick={AXIS}
          width={58}
          tickFormatter={(value: number) => value.toFixed(0)}
          unit="°"
        />
        <ReferenceLine y={0} stroke="var(--ink)" />
        {work !== null && (
          <ReferenceLine
            x={work}
            stroke="var(--soft)"
            strokeDasharray="4 4"
            label={{ value: "at work", position: "top", fontSize: 14, fill: "var(--soft)" }}
          />
        )}
        <Line dataKey="pitch" stroke="var(--dye)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
        <Tooltip
          isAnimationActive={false}
          contentStyle={{ background: "var(--sheet)", border: "1px solid var(--ink)", fontSize: 14 }}
          labelFormatter={(height) => `balls ${Number(height).toFixed(1)} ${heightUnit} up`}
          formatter={(value) => [
            `${Math.abs(Number(value)).toFixed(1)}° nose ${Number(value) >= 0 ? "up" : "down"}`,
            "pitch",
          ]}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
