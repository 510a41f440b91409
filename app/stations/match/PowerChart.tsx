import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import { roundTicks } from "../../ui/ticks.ts";
import type { PowerChartView } from "./match-view.ts";

const AXIS = { fontSize: 14, fill: "var(--soft)" };

/** Power over speed: what is needed, its range, and the line the tractor ends at. */
export default function PowerChart({ chart }: { chart: PowerChartView }) {
  const { points, available, now, highest, speedUnit, powerUnit } = chart;
  const top = Math.max(available * 1.25, ...points.map(({ need }) => need));
  return (
    <ResponsiveContainer width="100%" height={230}>
      <ComposedChart data={points} margin={{ top: 18, right: 12, bottom: 4, left: 0 }}>
        <CartesianGrid stroke="var(--hair)" />
        <XAxis
          dataKey="speed"
          type="number"
          domain={[0, "dataMax"]}
          ticks={roundTicks(0, points.at(-1)!.speed, 6)}
          tickFormatter={(value: number) => value.toFixed(0)}
          tick={AXIS}
          unit={` ${speedUnit}`}
        />
        <YAxis
          domain={[0, top]}
          ticks={roundTicks(0, top, 6)}
          allowDataOverflow
          tick={AXIS}
          width={58}
          tickFormatter={(value: number) => value.toFixed(0)}
          unit={` ${powerUnit}`}
        />
        <Area dataKey="band" stroke="none" fill="var(--dye)" fillOpacity={0.16} isAnimationActive={false} />
        <Line dataKey="need" stroke="var(--dye)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
        <ReferenceLine
          y={available}
          stroke="var(--ink)"
          strokeWidth={2}
          label={{
            value: `tractor ${available.toFixed(0)} ${powerUnit}`,
            position: "insideTopLeft",
            fontSize: 14,
            fill: "var(--ink)",
          }}
        />
        <ReferenceLine
          x={now}
          stroke="var(--soft)"
          strokeDasharray="4 4"
          label={{ value: "wanted", position: "top", fontSize: 14, fill: "var(--soft)" }}
        />
        {highest !== null && highest <= points.at(-1)!.speed && (
          <ReferenceDot x={highest} y={available} r={6} fill="var(--dye)" stroke="var(--sheet)" />
        )}
        <Tooltip
          isAnimationActive={false}
          contentStyle={{ background: "var(--sheet)", border: "1px solid var(--ink)", fontSize: 14 }}
          labelFormatter={(speed) => `${Number(speed).toFixed(1)} ${speedUnit}`}
          formatter={(value, name) => [
            Array.isArray(value)
              ? `${Number(value[0]).toFixed(0)} to ${Number(value[1]).toFixed(0)} ${powerUnit}`
              : `${Number(value).toFixed(0)} ${powerUnit}`,
            name === "band" ? "range" : "needs",
          ]}
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
