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
import { WITHIN } from "../../../core/steering/quality.ts";
import { AXIS, CURVE, GRID, MARGIN, WHOLE, ZERO } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";

/** How far beside its pass it ran, second by second: right of travel upward. */
export default function OffsChart({ offs }: { offs: readonly { time: number; off: number }[] }) {
  const shown = offs.map(({ time, off }) => ({ time, cm: off * 100 }));
  const most = Math.max(20, ...shown.map(({ cm }) => Math.abs(cm))) * 1.05;
  const last = shown.at(-1)?.time ?? 1;
  return (
    <figure>
      <ResponsiveContainer width="100%" height={150}>
        <LineChart data={shown} margin={MARGIN}>
          <CartesianGrid {...GRID} />
          <ReferenceArea y1={-100 * WITHIN} y2={100 * WITHIN} fill="var(--dye-wash)" fillOpacity={0.7} />
          <XAxis
            dataKey="time"
            type="number"
            domain={[0, last]}
            ticks={roundTicks(0, last, 6)}
            tickFormatter={WHOLE}
            {...AXIS}
          />
          <YAxis
            type="number"
            domain={[-most, most]}
            ticks={roundTicks(-most, most, 4)}
            tickFormatter={WHOLE}
            width={44}
            {...AXIS}
          />
          <ReferenceLine {...ZERO} />
          <Line dataKey="cm" {...CURVE} />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        cm beside its pass, right of travel upward, over seconds from engaging. Shaded: ± 5 cm.
      </figcaption>
    </figure>
  );
}
