import type { PassesDrawn } from "../../../core/drawing/passes.ts";
import { MapMarks } from "../../fields/FieldMap.tsx";

/** A plan of passes on its field. */
export function PassesDrawing({ drawn, label }: { drawn: PassesDrawn; label: string }) {
  const { width, height, outline, rounds, runs, fills, bar, arrow, stroke, tight } = drawn;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full"
      role="img"
      aria-label={label}
      data-runs={runs.length}
    >
      <rect width={width} height={height} fill="var(--sheet)" />
      <path d={outline} fillRule="evenodd" fill="var(--soil)" stroke="var(--ink)" strokeWidth={2} />
      {rounds.map((path) => (
        <path
          key={path}
          d={path}
          fill="none"
          stroke="var(--steel-line)"
          strokeWidth={1.4}
          strokeDasharray="6 4"
        />
      ))}
      {runs.map(({ path, narrow }, at) => (
        <path
          key={at}
          d={path}
          fill="none"
          stroke={narrow ? "var(--stop)" : "var(--dye)"}
          strokeWidth={narrow ? stroke + 1 : stroke}
          strokeDasharray={narrow ? "3 3" : undefined}
        />
      ))}
      {tight.map((path, at) => (
        <path
          key={at}
          d={path}
          fill="none"
          stroke="var(--stop)"
          strokeWidth={Math.max(3, 2 * stroke)}
          strokeLinecap="round"
        />
      ))}
      {fills.map(({ x, y, number }) => (
        <g key={number} transform={`translate(${x} ${y})`}>
          <circle r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6} />
          <text y={5} textAnchor="middle" fontSize={14} fontWeight={700} fill="var(--ink)">
            {number}
          </text>
        </g>
      ))}
      {arrow && (
        <g
          transform={`translate(${arrow.x - 44} ${arrow.y}) rotate(${arrow.degrees})`}
          stroke="var(--dye)"
          strokeWidth={2.4}
          fill="none"
        >
          <path d="M 0 16 V -16 M -6 -8 L 0 -16 L 6 -8" />
        </g>
      )}
      <MapMarks width={width} height={height} bar={bar} />
    </svg>
  );
}
