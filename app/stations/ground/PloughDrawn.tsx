import { useState } from "react";
import {
  fromAbove,
  fromBehind,
  type Ploughing,
  type Shape,
  turnedOver,
  type View,
} from "../../../core/drawing/ploughing.ts";
import { sayFine } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";

const FILLS: Record<Shape["of"], string> = {
  soil: "var(--hair)",
  turned: "var(--soil)",
  iron: "var(--ink)",
  line: "var(--ink)",
  alarm: "var(--stop)",
  wheel: "var(--steel-2)",
};

const DEGREE = Math.PI / 180;
/** The plough at work as it was found, and as it would look otherwise: slide and see. */
export function PloughDrawn({ found, units }: { found: Ploughing; units: Units }) {
  const [now, setNow] = useState(found);
  const [side, setSide] = useState<"right" | "left">("right");
  const seen = (view: View) => (side === "right" ? view : turnedOver(view));
  const same = (Object.keys(found) as (keyof Ploughing)[]).every((key) => found[key] === now[key]);
  return (
    <section aria-label="The plough at work" className="grid gap-2" data-ploughing>
      <h3 className="font-bold">
        {same ? "As it was found" : "As it would look"}{" "}
        <span className="font-normal text-soft">to scale, turning to the {side}; slide and see</span>
      </h3>
      <Drawn view={seen(fromBehind(now))} units={units} title="From behind" wide={400} />
      <div className="grid grid-cols-[minmax(0,260px)_1fr] items-start gap-6 max-sm:grid-cols-1">
        <Drawn view={seen(fromAbove(now))} units={units} title="From above, travel upward" wide={260} />
        <div className="grid gap-3">
          <Slide
            label="Lean"
            said={`${Math.abs(now.lean / DEGREE).toFixed(1)}°${now.lean === 0 ? "" : now.lean > 0 ? " to ploughed land" : " to unploughed land"}`}
            min={-5}
            max={5}
            step={0.1}
            value={now.lean / DEGREE}
            set={(value) => setNow({ ...now, lean: value * DEGREE })}
          />
          <Slide
            label="First furrow"
            said={sayFine(now.first, units)}
            min={Math.round(now.cut * 400)}
            max={Math.round(now.cut * 1800)}
            step={5}
            value={now.first * 1000}
            set={(value) => setNow({ ...now, first: value / 1000 })}
          />
          <Slide
            label="Side pull"
            said={
              Math.abs(now.pull) < 0.05
                ? "runs straight"
                : now.pull > 0
                  ? "to ploughed land"
                  : "to unploughed land"
            }
            min={-1}
            max={1}
            step={0.25}
            value={now.pull}
            set={(pull) => setNow({ ...now, pull })}
          />
        </div>
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="key" onClick={() => setSide(side === "right" ? "left" : "right")}>
          Turn it over
        </button>
        {!same && (
          <button type="button" className="key" onClick={() => setNow(found)}>
            As it was found
          </button>
        )}
      </div>
    </section>
  );
}

type SlideProps = {
  label: string;
  said: string;
  min: number;
  max: number;
  step: number;
  value: number;
  set: (value: number) => void;
};

function Slide({ label, said, set, ...range }: SlideProps) {
  return (
    <label className="grid gap-1">
      <span>
        {label} <b className="font-[650]">{said}</b>
      </span>
      <input
        type="range"
        {...range}
        aria-valuetext={said}
        onChange={(event) => set(Number(event.target.value))}
        className="min-h-11 w-full accent-dye"
      />
    </label>
  );
}

function Drawn({
  view: { shapes, labels, box },
  units,
  title,
  wide,
}: {
  view: View;
  units: Units;
  title: string;
  wide: number;
}) {
  const scale = wide / (box.right - box.left);
  const height = Math.round((box.high - box.low) * scale);
  const at = ([x, y]: readonly [number, number]) =>
    `${((x - box.left) * scale).toFixed(1)} ${((box.high - y) * scale).toFixed(1)}`;
  return (
    <figure className="grid gap-1">
      <svg
        viewBox={`0 0 ${wide} ${height}`}
        className="w-full border border-hair bg-sheet"
        style={{ maxWidth: wide * 1.3 }}
        role="img"
        aria-label={title}
        data-scale={scale}
      >
        {shapes.map(({ key, points, of, closed }) => {
          const filled = closed && of !== "line" && of !== "alarm";
          return (
            <path
              key={key}
              data-shape={key}
              d={`M${points.map(at).join("L")}${closed ? "z" : ""}`}
              fill={filled ? FILLS[of] : "none"}
              stroke={of === "turned" || of === "soil" ? "var(--ink)" : FILLS[of]}
              strokeWidth={of === "iron" && !closed ? 5 : of === "alarm" || of === "line" ? 4 : 1}
              strokeLinejoin="round"
              strokeLinecap="round"
            />
          );
        })}
        {labels.map(({ key, x, y, value, of }) => (
          <text
            key={key}
            x={(x - box.left) * scale}
            y={(box.high - y) * scale}
            textAnchor="middle"
            fontSize={16}
            fontWeight={700}
            fill={of === "first" ? "var(--dye)" : "var(--ink)"}
            stroke="var(--sheet)"
            strokeWidth={4}
            paintOrder="stroke"
          >
            {sayFine(value, units)}
          </text>
        ))}
      </svg>
      <figcaption className="text-small text-soft">{title}</figcaption>
    </figure>
  );
}
