import { Bar, BarChart, CartesianGrid, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { AXIS, GRID } from "../../ui/chart.ts";
import type { BudgetView } from "./budget-view.ts";

/** What each contributes, the largest first. */
export default function BudgetChart({ bars }: Pick<BudgetView, "bars">) {
  return (
    <ResponsiveContainer width="100%" height={32 + 30 * bars.length}>
      <BarChart data={bars} layout="vertical" margin={{ top: 4, right: 16, bottom: 4, left: 0 }}>
        <CartesianGrid {...GRID} horizontal={false} />
        <XAxis type="number" {...AXIS} unit=" mm" />
        <YAxis type="category" dataKey="label" width={226} {...AXIS} interval={0} />
        <Bar dataKey="millimetres" fill="var(--dye)" isAnimationActive={false} barSize={14} />
      </BarChart>
    </ResponsiveContainer>
  );
}
