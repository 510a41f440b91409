import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from "recharts";
import { AXIS, CURVE, GRID } from "../../ui/chart.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";

/** Within this of the rate it is there, per cent. */
const NEAR = 3;

/** The rate after the speed went up by a quarter, on the bench: it comes late, rests, or swings. */
export default function FollowedChart({ followed }: { followed: NonNullable<CalibrateView["followed"]> }) {
  const { tried, points } = followed;
  return (
    <figure className="px-3 pt-2" data-followed={points.length}>
      <h2>The rate after the speed went up, at {tried}, %</h2>
      <ResponsiveContainer width="100%" height={200}>
        <LineChart data={points} margin={{ top: 8, right: 14, bottom: 4, left: 0 }}>
          <CartesianGrid {...GRID} />
          <ReferenceArea y1={100 - NEAR} y2={100 + NEAR} fill="var(--dye-wash)" fillOpacity={0.7} />
          <XAxis dataKey="at" type="number" domain={[0, 20]} ticks={[0, 5, 10, 15, 20]} {...AXIS} unit=" s" />
          <YAxis domain={[60, 140]} allowDataOverflow ticks={[60, 80, 100, 120, 140]} {...AXIS} width={44} />
          <ReferenceLine y={100} stroke="var(--ink)" />
          <Line {...CURVE} dataKey="share" />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        On the bench, the speed a quarter up at 0 s. Shaded: ± {NEAR} % of the rate that is set.
      </figcaption>
    </figure>
  );
}
