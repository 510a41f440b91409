import type { RowDrawn } from "../../../core/drawing/boom.ts";

const PERCENT = (share: number) => `${share > 0 ? "+" : "−"}${Math.round(100 * Math.abs(share))} %`;

/** What was found along a boom or a row of units, from the left. */
export function RowOfParts({ row, one, className = "" }: { row: RowDrawn; one: string; className?: string }) {
  const { width, height, level, left, right, bar, bars, limits } = row;
  const wrong = bars.filter(({ good }) => !good);
  const known = bars.filter(({ off }) => off !== null).length;
  return (
    <figure className={className}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full"
        role="img"
        aria-label={`${known} of ${bars.length} ${one}s found${wrong.length > 0 ? `; not good: ${wrong.map(({ place }) => place).join(", ")}` : ""}`}
      >
        <rect width={width} height={height} fill="var(--sheet)" />
        {limits.map(({ y, share }) => (
          <g key={share}>
            <line x1={left} x2={right} y1={y} y2={y} stroke="var(--line)" strokeDasharray="5 4" />
            <text x={left} y={share > 0 ? y - 5 : y + 16} fontSize={14} fill="var(--soft)">
              {PERCENT(share)}
            </text>
          </g>
        ))}
        <line x1={left} x2={right} y1={level} y2={level} stroke="var(--ink)" strokeWidth={1.6} />
        {bars.map(({ place, x, top, bottom, good, off, cut, number }) => (
          <g key={place} data-part={place} data-good={off === null ? "unknown" : good}>
            {off === null ? (
              <circle
                cx={x}
                cy={level}
                r={Math.min(3, bar / 2)}
                fill="var(--sheet)"
                stroke="var(--steel-line)"
              />
            ) : (
              <rect
                x={x - bar / 2}
                y={top}
                width={bar}
                height={Math.max(bottom - top, 2)}
                fill={good ? "var(--steel-2)" : "var(--stop)"}
                stroke={good ? "var(--steel-line)" : "var(--stop)"}
              />
            )}
            {cut && (
              <path
                d={`M ${x - bar / 2} ${off! > 0 ? top + 7 : bottom - 7} l ${bar} -4`}
                stroke="var(--sheet)"
                strokeWidth={3}
              />
            )}
            {number !== null && (
              <text
                x={x}
                y={number}
                textAnchor="middle"
                fontSize={14}
                fontWeight={good ? 400 : 700}
                fill={good ? "var(--soft)" : "var(--stop)"}
              >
                {place}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="px-3 text-small text-soft">
        Each {one} against the mean of the good ones, from the left. Ring: not known.
      </figcaption>
    </figure>
  );
}
