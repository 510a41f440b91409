import { drawPose, type TurnSheet } from "../../../core/drawing/turn.ts";
import type { TurningRig } from "../../../core/motion/headland.ts";
import type { Pose } from "../../../core/motion/train.ts";
import { inWords, roundLength } from "../../../core/quantity/said.ts";
import type { Units } from "../../../core/quantity/units.ts";

type Props = { sheet: TurnSheet; turning: TurningRig; pose: Pose; depth: number; units: Units };

/** The headland seen from above, the rig where it is in its turn. */
export function TurnDrawing({ sheet, turning, pose, depth, units }: Props) {
  const { width, height, edge, deepest, rounds, strips, way, bar } = sheet;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="w-full"
      role="img"
      aria-label={`The rig in its turn, seen from above: it reaches ${inWords(roundLength(depth), units)} into the headland`}
    >
      <rect width={width} height={height} fill="var(--sheet)" />
      <rect y={edge} width={width} height={height - edge} fill="var(--soil)" />
      {strips.map((strip, at) => (
        <rect
          key={strip.x}
          x={strip.x}
          y={edge}
          width={strip.width}
          height={height - edge}
          fill={at === 0 ? "var(--dye-wash)" : "none"}
          stroke="var(--dye)"
          strokeDasharray={at === 0 ? undefined : "5 4"}
        />
      ))}
      {rounds.map((y) => (
        <line key={y} x1={0} x2={width} y1={y} y2={y} stroke="var(--steel-line)" strokeDasharray="6 5" />
      ))}
      <line x1={0} x2={width} y1={edge} y2={edge} stroke="var(--ink)" strokeWidth={2} />
      <path d={way} fill="none" stroke="var(--dye)" strokeWidth={1.6} />
      {drawPose(turning, sheet, pose).map(({ body, path }, at) => (
        <path
          key={at}
          d={path}
          fill={body === 0 ? "var(--steel)" : "var(--sheet)"}
          fillOpacity={0.88}
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
      ))}
      <line x1={0} x2={width} y1={deepest} y2={deepest} stroke="var(--warn)" strokeWidth={2} />
      <path d={`M ${width - 22} ${edge} V ${deepest}`} stroke="var(--warn)" strokeWidth={2} />
      <text
        x={width - 30}
        y={(edge + deepest) / 2}
        textAnchor="end"
        fontSize={15}
        fontWeight={700}
        fill="var(--ink)"
      >
        {inWords(roundLength(depth), units)}
      </text>
      <g transform={`translate(16 ${height - 12})`}>
        <path d={`M 0 -6 V 0 H ${bar.pixels} V -6`} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        <text x={bar.pixels + 8} y={1} fontSize={14} fill="var(--ink)">
          {bar.label}
        </text>
      </g>
    </svg>
  );
}
