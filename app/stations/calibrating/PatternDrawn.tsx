import { drawPattern } from "../../../core/drawing/pattern.ts";
import { printLength } from "../../../core/quantity/length.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";

type Spread = NonNullable<CalibrateView["spread"]>;

/** One pass as it was caught, and what falls with the passes beside it. */
export function PatternDrawn({ spread, width }: { spread: Spread; width: number }) {
  const { catches, spacing, turned, shift, units } = spread;
  const { height, ground, middle, lies, bars, tracks, all } = drawPattern(
    catches,
    { spacing, turned, shift },
    { width, height: 250 },
  );
  const shifted = Math.abs(lies - middle) > 3;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full"
        role="img"
        aria-label={`${catches.length} trays across the swath${spacing === null ? "" : `, tracks ${printLength(spacing, units.tape)} apart`}`}
        data-pattern={catches.length}
      >
        <rect width={width} height={height} fill="var(--sheet)" />
        {bars.map(({ at, x, y, w, h }) => (
          <rect
            key={at}
            x={x}
            y={y}
            width={w}
            height={Math.max(h, 0.5)}
            fill="var(--steel-2)"
            stroke="var(--steel-line)"
            strokeWidth={0.8}
          />
        ))}
        {all && (
          <>
            <line x1={0} x2={width} y1={all.mean} y2={all.mean} stroke="var(--line)" strokeDasharray="5 4" />
            <polyline points={all.points} fill="none" stroke="var(--dye)" strokeWidth={2.5} />
          </>
        )}
        <line x1={0} x2={width} y1={ground} y2={ground} stroke="var(--ink)" strokeWidth={1.6} />
        {[middle, ...tracks].map((x) => (
          <path
            key={x}
            d={`M ${x - 6} ${ground + 12} L ${x} ${ground + 1} L ${x + 6} ${ground + 12} Z`}
            fill="var(--ink)"
          />
        ))}
        <text x={middle} y={ground + 28} textAnchor="middle" fontSize={14} fill="var(--soft)">
          {shifted ? "" : "track"}
        </text>
        {shifted && (
          <>
            <line
              x1={lies}
              x2={lies}
              y1={16}
              y2={ground}
              stroke="var(--stop)"
              strokeWidth={2}
              strokeDasharray="6 4"
            />
            <text
              x={Math.min(width - 60, Math.max(60, lies))}
              y={ground + 28}
              textAnchor="middle"
              fontSize={14}
              fontWeight={700}
              fill="var(--stop)"
            >
              {printLength(Math.abs(shift), units.tape)} {shift > 0 ? "right" : "left"}
            </text>
          </>
        )}
      </svg>
      <figcaption className="px-3 text-small text-soft">
        Bars: one pass, seen in the way of travel. Line: with the passes beside it. Triangles: tracks.
      </figcaption>
    </figure>
  );
}
