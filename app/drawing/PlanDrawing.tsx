import { Link } from "react-router";
import type { DimensionMark, DrawnRig } from "../../core/drawing/sheet.ts";
import type { Box } from "../../core/picture/box.ts";

type Props = {
  plan: DrawnRig;
  /** what the drawing shows, in words */
  title: string;
  /** where a letter leads; null: letters are not links */
  hrefOf: ((target: string) => string) | null;
  /** the dimension lit */
  lit: string | null;
  className?: string;
  /** the part of the sheet that is shown; absent: all of it */
  view?: Box;
  /** without its brackets, named points and scale: something else is told on it */
  bare?: boolean;
  /** drawn over it, in its pixels */
  children?: React.ReactNode;
};

/** The scale drawing. All geometry was worked out in core/drawing; this only turns it into SVG. */
export function PlanDrawing({
  plan,
  title,
  hrefOf,
  lit,
  className = "",
  view,
  bare = false,
  children,
}: Props) {
  const { width, height } = plan;
  const { x, y, w, h } = view ?? { x: 0, y: 0, w: width, h: height };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing whose letters are links, not a set of form fields
    <svg
      viewBox={`${x} ${y} ${w} ${h}`}
      className={`plan ${className}`}
      role="group"
      aria-label={title}
      data-scale={plan.scale}
    >
      <rect width={width} height={height} fill="var(--sheet)" />
      {plan.grid.x.map((x) => (
        <line key={`x${x}`} className="grid" x1={x} y1={0} x2={x} y2={height} />
      ))}
      {plan.grid.y.map((y) => (
        <line key={`y${y}`} className="grid" x1={0} y1={y} x2={width} y2={y} />
      ))}
      {plan.blocks.map(({ role, assumed, x, y, w, h, round }, index) => (
        <rect
          key={index}
          className={`block ${role} ${assumed ? "assumed" : ""}`}
          x={x}
          y={y}
          width={w}
          height={h}
          rx={round ? w / 2 : role === "tyre" ? 4 : 1}
        />
      ))}
      {plan.strokes.map(({ role, assumed, points }, index) => (
        <polyline
          key={index}
          className={`stroke ${role.replace(" ", "-")} ${assumed ? "assumed" : ""}`}
          points={points}
        />
      ))}
      {plan.rows.map(({ x, y }) => (
        <circle key={x} className="row-mark" cx={x} cy={y} r={1.5} />
      ))}
      {!bare && <Brackets plan={plan} />}
      {plan.marks.map((mark) => (
        <Mark key={mark.target} mark={mark} href={hrefOf?.(mark.target) ?? null} lit={mark.target === lit} />
      ))}
      {!bare && <Points plan={plan} />}
      <Extras plan={plan} />
      {plan.marks.some(({ value }) => value) && <Legend plan={plan} />}
      {children}
    </svg>
  );
}

/** What only some sheets carry: pins of a linkage, loads, words. */
function Extras({ plan: { spots = [], notes = [], arrows = [] } }: { plan: DrawnRig }) {
  return (
    <>
      {spots.map(({ x, y, kind }, index) => (
        <circle key={index} className={`spot ${kind}`} cx={x} cy={y} r={kind === "virtual" ? 6 : 4.5} />
      ))}
      {arrows.map(({ x, from, to, text, tone }, index) => (
        <g key={index} className={`load ${tone}`}>
          <path
            d={`M${x} ${from}V${to}m-6 ${to > from ? -9 : 9}l6 ${to > from ? 9 : -9} 6 ${to > from ? -9 : 9}`}
          />
          <text x={x} y={to > from ? from - 6 : from + 18} textAnchor="middle" fontSize={15}>
            {text}
          </text>
        </g>
      ))}
      {notes.map(({ x, y, text, anchor, tone }, index) => (
        <text key={index} className={`note ${tone ?? ""}`} x={x} y={y} textAnchor={anchor} fontSize={14}>
          {text}
        </text>
      ))}
    </>
  );
}

function Points({ plan }: { plan: DrawnRig }) {
  return plan.points.map(({ key, x, y, assumed }) => {
    const common = { cx: x, cy: y, "data-point": key, "data-assumed": assumed };
    if (key === "receiver")
      return (
        <g key={key}>
          <circle {...common} r={7} fill="var(--dye)" />
          <circle cx={x} cy={y} r={2.6} fill="var(--sheet)" />
        </g>
      );
    if (key === "pin")
      return (
        <circle key={key} {...common} r={5.5} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.4} />
      );
    if (key === "pivot" || key === "axle" || (key === "frontAxle" && plan.travel === "right"))
      return <circle key={key} {...common} r={3} fill="var(--ink)" />;
    return <circle key={key} {...common} r={1} fill="none" />;
  });
}

function Brackets({ plan }: { plan: DrawnRig }) {
  return plan.brackets.map(({ number, x1, x2, y, numbered }) => (
    <g key={number}>
      <path className="quiet" d={`M${x1 + 1.5} ${y}v7H${x2 - 1.5}v-7`} />
      {numbered && (
        <text className="quiet-text" x={(x1 + x2) / 2} y={y + 22} textAnchor="middle">
          {number}
        </text>
      )}
    </g>
  ));
}

function Mark({ mark, href, lit }: { mark: DimensionMark; href: string | null; lit: boolean }) {
  const [main, ...others] = mark.path;
  const line = ({ x1, y1, x2, y2 }: DimensionMark["path"][number]) => `M${x1} ${y1}L${x2} ${y2}`;
  const drawn = (
    <g className={`mark ${mark.state} ${lit ? "lit" : ""}`}>
      {main && <path className="main" d={line(main)} />}
      {others.map((segment, index) => (
        <path key={index} className="extension" d={line(segment)} />
      ))}
      <path className="main" strokeDasharray="none" d={mark.arrows.map(line).join("")} />
      <circle className="letter" cx={mark.letterAt.x} cy={mark.letterAt.y} r={13} />
      <text
        className="letter-text"
        x={mark.letterAt.x}
        y={mark.letterAt.y + 5}
        textAnchor="middle"
        fontSize={14}
      >
        {mark.letter}
      </text>
      {mark.value && (
        <rect
          className="ground"
          x={mark.value.ground.x}
          y={mark.value.ground.y}
          width={mark.value.ground.w}
          height={mark.value.ground.h}
        />
      )}
      {mark.value && (
        <text
          className="value"
          x={mark.value.x}
          y={mark.value.y + 5}
          textAnchor={mark.value.anchor}
          fontSize={15}
        >
          {mark.value.text}
        </text>
      )}
      <circle cx={mark.letterAt.x} cy={mark.letterAt.y} r={20} fill="transparent" />
    </g>
  );
  if (!href) return drawn;
  return (
    <Link
      to={href}
      preventScrollReset
      data-letter={mark.letter}
      aria-label={mark.value ? undefined : `${mark.letter}, open the reading`}
    >
      {drawn}
    </Link>
  );
}

function Legend({ plan: { scaleBar, width, height, travel } }: { plan: DrawnRig }) {
  const { x, y, length, label } = scaleBar;
  const [arrow, word] =
    travel !== "right"
      ? [`M${width / 2} 28V9m-5 6l5-7 5 7`, width / 2 + 12]
      : [`M${width / 2 + 2} 18h30m-7-5l7 5-7 5`, width / 2 - 50];
  return (
    <g>
      <path className="quiet" d={`M${x} ${y}v6h${length}v-6`} />
      <text className="quiet-text" x={x} y={y + 20}>
        0
      </text>
      <text className="quiet-text" x={x + length} y={y + 20} textAnchor="end">
        {label}
      </text>
      {travel !== "away" && <path className="quiet" d={arrow} />}
      <text
        className="quiet-text"
        x={travel === "away" ? width / 2 - 62 : word}
        y={travel === "right" ? 23 : 24}
      >
        {travel === "away" ? "seen from behind" : "travel"}
      </text>
      <text className="quiet-text" x={12} y={height - 8}>
        Dashed: shape assumed
      </text>
    </g>
  );
}
