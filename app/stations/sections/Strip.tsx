import { useRef } from "react";
import { printLength } from "../../../core/quantity/length.ts";
import type { TypedSection } from "./sections.dto.ts";
import type { SectionsView } from "./sections-view.server.ts";

type Props = {
  widths: readonly number[];
  rows: readonly TypedSection[];
  style: SectionsView["style"];
  chosen: number | null;
  /** how far an arrow key moves a boundary, metres */
  step: number;
  onChoose: (at: number) => void;
  onMove: (at: number, by: number) => void;
};

const WIDTH = 700;
const HEIGHT = 92;
const EDGE = 14;

/** The sections seen from behind, to scale: press one to choose it, drag a boundary or move it by arrow keys. */
export function Strip({ widths, rows, style, chosen, step, onChoose, onMove }: Props) {
  const drag = useRef<{ at: number; from: number } | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const total = widths.reduce((sum, each) => sum + each, 0);
  if (total <= 0) return null;
  const scale = (WIDTH - 2 * EDGE) / total;
  const starts = widths.map(
    (_, at) => EDGE + scale * widths.slice(0, at).reduce((sum, each) => sum + each, 0),
  );
  const metresAt = (clientX: number) => {
    const box = svg.current!.getBoundingClientRect();
    return ((clientX - box.left) / box.width) * (WIDTH / scale);
  };
  const follow = (event: React.PointerEvent) => {
    if (!drag.current) return;
    const now = metresAt(event.clientX);
    const moved = Math.round((now - drag.current.from) / 0.01) * 0.01;
    if (moved === 0) return;
    onMove(drag.current.at, moved);
    drag.current = { ...drag.current, from: drag.current.from + moved };
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing with handles, not a set of form fields
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full min-w-[680px] touch-none bg-sheet"
      role="group"
      aria-label="Sections from behind, to scale"
      onPointerMove={follow}
      onPointerUp={() => {
        drag.current = null;
      }}
    >
      <line x1={EDGE} x2={WIDTH - EDGE} y1={20} y2={20} stroke="var(--ink)" strokeWidth={4} />
      {widths.map((width, at) => {
        const narrow = width * scale < 26;
        return (
          // biome-ignore lint/a11y/useSemanticElements: a shape of the drawing that chooses its line of the table
          <g
            key={at}
            role="button"
            tabIndex={0}
            aria-label={`Section ${at + 1}, ${printLength(width, style)}`}
            aria-pressed={chosen === at}
            className="cursor-pointer"
            onClick={() => onChoose(at)}
            onKeyDown={(event) => event.key === "Enter" && onChoose(at)}
          >
            <rect
              x={starts[at]! + 1}
              y={28}
              width={Math.max(0, width * scale - 2)}
              height={34}
              fill={chosen === at ? "var(--dye-wash)" : "var(--steel)"}
              stroke={rows[at]?.product ? "var(--dye)" : "var(--steel-line)"}
              strokeWidth={chosen === at ? 2.5 : 1.2}
            />
            {(!narrow || at % 4 === 0) && (
              <text
                x={starts[at]! + (width * scale) / 2}
                y={51}
                textAnchor="middle"
                fontSize={15}
                fontWeight={700}
                fill="var(--ink)"
              >
                {at + 1}
              </text>
            )}
          </g>
        );
      })}
      {widths.slice(0, -1).map((_, at) => {
        const x = starts[at + 1]!;
        return (
          <g
            key={at}
            role="slider"
            tabIndex={0}
            aria-label={`Boundary between section ${at + 1} and ${at + 2}`}
            aria-valuenow={Math.round((x - EDGE) / scale / 0.001) / 1000}
            className="cursor-ew-resize"
            onPointerDown={(event) => {
              (event.target as Element).setPointerCapture(event.pointerId);
              drag.current = { at, from: metresAt(event.clientX) };
            }}
            onKeyDown={(event) => {
              const way = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
              if (way === 0) return;
              event.preventDefault();
              onMove(at, way * step);
            }}
          >
            <rect x={x - 9} y={14} width={18} height={62} fill="transparent" />
            <line x1={x} x2={x} y1={22} y2={70} stroke="var(--dye)" strokeWidth={2} />
            <path d={`M${x - 6} 70h12l-6 8z`} fill="var(--dye)" />
          </g>
        );
      })}
      <text x={EDGE} y={HEIGHT - 2} fontSize={15} fill="var(--soft)">
        left
      </text>
      <text x={WIDTH - EDGE} y={HEIGHT - 2} fontSize={15} textAnchor="end" fill="var(--soft)">
        right
      </text>
    </svg>
  );
}
