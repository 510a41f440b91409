import { joinStrips } from "../../core/drawing/joints.ts";
import type { CaseView } from "./faults-view.server.ts";

/** Four passes side by side as they look from the seat: up and down, open or lapped, to scale. */
export function SeenAlong({ joints }: Pick<CaseView, "joints">) {
  const { width, height, strips, laps } = joinStrips(joints, { width: 560, height: 120 });
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full"
      role="img"
      aria-label="Four passes side by side as they look from the seat, to scale"
    >
      <rect width={width} height={height} fill="var(--sheet)" stroke="var(--line)" />
      {strips.map(({ x, wide, up }) => (
        <g key={x}>
          <rect
            x={x}
            width={wide}
            y={0}
            height={height}
            fill="var(--soil)"
            stroke="var(--ink)"
            strokeWidth={1}
          />
          <path
            d={up ? `M${x + wide / 2} 84V36m-9 12 9-12 9 12` : `M${x + wide / 2} 36v48m-9-12 9 12 9-12`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.5}
          />
        </g>
      ))}
      {laps.map(({ x, wide }) => (
        <rect key={x} x={x} width={wide} y={0} height={height} fill="var(--ink)" fillOpacity={0.55} />
      ))}
    </svg>
  );
}
