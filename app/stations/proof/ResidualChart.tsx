import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from "recharts";
import { AXIS, GRID, ZERO } from "../../ui/chart.ts";
import { roundTicks } from "../../ui/ticks.ts";
import type { JobView } from "./proof-view.server.ts";

/** Kinds of observations by shape; what does not belong is marked by colour and by the list beside it. */
const SHAPES = ["circle", "square", "triangle", "diamond"] as const;

/** How far each observation lies from the fit. */
export default function ResidualChart({ residuals, plot }: Pick<JobView, "residuals" | "plot">) {
  const kept = residuals.filter(({ leftOut }) => !leftOut);
  const groups = [...new Set(kept.map(({ group }) => group))];
  const most = Math.max(0.5, ...kept.map(({ apart }) => Math.abs(apart)));
  const xs = kept.map(({ x }) => x);
  return (
    <figure aria-label="How far each lies from the fit">
      <ResponsiveContainer width="100%" height={170}>
        <ScatterChart margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
          <CartesianGrid {...GRID} />
          <XAxis
            dataKey="x"
            type="number"
            domain={[Math.min(...xs) - 0.5, Math.max(...xs) + 0.5]}
            ticks={roundTicks(Math.min(...xs), Math.max(...xs), 6)}
            {...AXIS}
          />
          <YAxis
            dataKey="apart"
            type="number"
            domain={[-most, most]}
            padding={{ top: 8, bottom: 8 }}
            ticks={roundTicks(-most, most, 4)}
            {...AXIS}
            width={62}
            unit={` ${plot.unit}`}
          />
          <ReferenceLine {...ZERO} />
          {groups.map((group, index) => (
            <Scatter
              key={group}
              name={group}
              shape={SHAPES[index % SHAPES.length]!}
              data={kept
                .filter((each) => each.group === group)
                .map((each) => ({ ...each, fill: each.outlier ? "var(--stop)" : "var(--dye)" }))}
              isAnimationActive={false}
            />
          ))}
        </ScatterChart>
      </ResponsiveContainer>
      <figcaption className="text-small text-soft">
        From the fit, by {plot.along}.{" "}
        {groups.map((group, index) => `${WORD[SHAPES[index % SHAPES.length]!]} ${group}`).join(", ")}.
      </figcaption>
    </figure>
  );
}

const WORD = { circle: "Round:", square: "square:", triangle: "triangle:", diamond: "diamond:" } as const;
