import {
  Bar,
  BarChart,
  CartesianGrid,
  Legend,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from "recharts";
import { AXIS, GRID, MARGIN, WHOLE } from "../../ui/chart.ts";
import type { Histogram } from "./world.worker.ts";

const CENTIMETRE = 0.01;

/** How many joints are how wide: on the map, and on the ground. */
export default function JointsChart({ histogram: { truth, believed } }: { histogram: Histogram }) {
  const bins = new Map<number, { gap: number; ground: number; map: number }>();
  const add = (key: "ground" | "map", from: Histogram["truth"]) => {
    for (const { gap, count } of from) {
      const centimetres = Math.round(gap / CENTIMETRE);
      const bin = bins.get(centimetres) ?? { gap: centimetres, ground: 0, map: 0 };
      bin[key] += count;
      bins.set(centimetres, bin);
    }
  };
  add("ground", truth);
  add("map", believed);
  const rows = [...bins.values()].sort((a, b) => a.gap - b.gap);
  return (
    <figure className="h-56 max-w-[760px]" data-joints={rows.length}>
      <ResponsiveContainer>
        <BarChart data={rows} margin={{ ...MARGIN, left: 10, bottom: 14 }}>
          <CartesianGrid {...GRID} vertical={false} />
          <XAxis
            dataKey="gap"
            type="number"
            domain={["dataMin - 2", "dataMax + 2"]}
            {...AXIS}
            tickFormatter={WHOLE}
            label={{ value: "cm open, − lapped", position: "insideBottom", offset: -8 }}
          />
          <YAxis {...AXIS} allowDecimals={false} width={44} />
          <ReferenceLine x={0} stroke="var(--ink)" />
          <Legend verticalAlign="top" height={26} />
          <Bar
            dataKey="map"
            name="on the map"
            fill="var(--dye)"
            fillOpacity={0.45}
            isAnimationActive={false}
            barSize={7}
          />
          <Bar
            dataKey="ground"
            name="on the ground"
            fill="var(--ink)"
            isAnimationActive={false}
            barSize={7}
          />
        </BarChart>
      </ResponsiveContainer>
      <figcaption className="sr-only">Joints taped every two metres between neighbouring passes</figcaption>
    </figure>
  );
}
