import {
  Bar,
  BarChart,
  CartesianGrid,
  Cell,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from "recharts";
import { DOUBLE, SKIP } from "../../../core/subjects/rate/count/stand.ts";
import { AXIS, GRID } from "../../ui/chart.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";

/** How often each spacing came: doubles at the left, single plants about one, gaps beyond. */
export default function SpacingChart({ bins }: { bins: NonNullable<CalibrateView["spacings"]> }) {
  return (
    <figure className="px-3" data-histogram>
      <h2>Spacings over the one wanted</h2>
      <ResponsiveContainer width="100%" height={200}>
        <BarChart
          data={bins.map(({ at, count }) => ({ at: at + 0.05, count }))}
          margin={{ top: 8, right: 12, bottom: 4, left: 0 }}
        >
          <CartesianGrid {...GRID} vertical={false} />
          <XAxis dataKey="at" type="number" domain={[0, 3]} ticks={[0, 0.5, 1, 1.5, 2, 2.5, 3]} {...AXIS} />
          <YAxis allowDecimals={false} {...AXIS} width={42} />
          <ReferenceLine x={DOUBLE} stroke="var(--soft)" strokeDasharray="4 4" />
          <ReferenceLine x={SKIP} stroke="var(--soft)" strokeDasharray="4 4" />
          <Bar dataKey="count" isAnimationActive={false} barSize={9}>
            {bins.map(({ at }) => (
              <Cell key={at} fill={at + 1e-9 < DOUBLE || at + 1e-9 >= SKIP ? "var(--stop)" : "var(--dye)"} />
            ))}
          </Bar>
        </BarChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        Under 0.5 a double, over 1.5 a skip (ISO 7256-1, from memory); of rows whose tape was read.
      </figcaption>
    </figure>
  );
}
