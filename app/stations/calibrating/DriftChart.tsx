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
import { AXIS, CURVE, GRID, TOOLTIP } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";

const MONTH = 30 * 24 * 3_600_000;
const dayOf = (at: number) =>
  new Date(at).toLocaleDateString("en-GB", { month: "short", year: "2-digit", timeZone: "UTC" });

/** How a constant stood over its life, with what was changed meanwhile. */
export default function DriftChart({ drift }: { drift: NonNullable<CalibrateView["history"]> }) {
  const { points, changes, label } = drift;
  const data = points.map(({ at, share, said, calibrated }) => ({ at, off: 100 * share, said, calibrated }));
  const [first, last] = [points[0]!.at, points.at(-1)!.at];
  const most = Math.max(2, ...data.map(({ off }) => Math.abs(off) * 1.15));
  return (
    <figure className="px-3 pt-2" data-drift={points.length}>
      <h2>{label} over its life, %</h2>
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 0 }}>
          <CartesianGrid {...GRID} />
          <XAxis
            dataKey="at"
            type="number"
            domain={[first - MONTH / 2, last + MONTH / 2]}
            ticks={[...new Set([first, (first + last) / 2, last])]}
            tickFormatter={dayOf}
            {...AXIS}
          />
          <YAxis domain={[-most, most]} ticks={roundTicks(-most, most, 5)} {...AXIS} width={48} />
          <Tooltip
            {...TOOLTIP}
            labelFormatter={(_, payload) => String(payload[0]?.payload.said ?? "")}
            formatter={(value) => [`${Number(value).toFixed(1)} %`, "since the first"]}
          />
          {changes.map(({ at, said }) => (
            <ReferenceLine key={at + said} x={at} stroke="var(--warn)" strokeDasharray="4 4" />
          ))}
          <Line {...CURVE} type="stepAfter" dataKey="off" dot={{ r: 4, fill: "var(--dye)" }} />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        Against the first.{" "}
        {changes.length > 0 &&
          `Dashed: ${changes.map(({ said, at }) => `${said} (${dayOf(at)})`).join("; ")}.`}
      </figcaption>
    </figure>
  );
}
