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
import { AXIS, CURVE, GRID, MARGIN, TOOLTIP, upright, WHOLE } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";
import type { PowerChartView } from "./match-view.ts";

/** Power over speed: what is needed, its range, and the line the tractor ends at. */
export default function PowerChart({ chart }: { chart: PowerChartView }) {
  const { points, available, now, highest, speedUnit, powerUnit } = chart;
  const top = Math.max(available * 1.25, ...points.map(({ need }) => need));
  return (
    <ResponsiveContainer width="100%" height={230}>
      <ComposedChart data={points} margin={MARGIN}>
        <CartesianGrid {...GRID} />
        <XAxis
          dataKey="speed"
          type="number"
          domain={[0, "dataMax"]}
          ticks={roundTicks(0, points.at(-1)!.speed, 6)}
          tickFormatter={WHOLE}
          {...AXIS}
          unit={` ${speedUnit}`}
        />
        <YAxis
          domain={[0, top]}
          ticks={roundTicks(0, top, 6)}
          allowDataOverflow
          {...AXIS}
          width={58}
          tickFormatter={WHOLE}
          unit={` ${powerUnit}`}
        />
        <Area dataKey="band" stroke="none" fill="var(--dye)" fillOpacity={0.16} isAnimationActive={false} />
        <Line dataKey="need" {...CURVE} />
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
        <ReferenceLine {...upright(now, "wanted")} />
        {highest !== null && highest <= points.at(-1)!.speed && (
          <ReferenceDot x={highest} y={available} r={6} fill="var(--dye)" stroke="var(--sheet)" />
        )}
        <Tooltip
          {...TOOLTIP}
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
