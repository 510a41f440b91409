import { useEffect, useMemo, useRef, useState } from "react";
import { type ExplorerFrame, explorerFrame, pickedAt, rangeOf } from "../../../core/drawing/explorer.ts";
import { say } from "../../../core/quantity/say.ts";
import { NOZZLE_SIZES, type NozzleSizeKey } from "../../../core/trade/nozzles.ts";
import {
  bestSize,
  pressureAt,
  type SizeChoice,
  sizesFor,
  speedWindow,
} from "../../../core/trade/spraying.ts";
import { Slide } from "../../ui/Slide.tsx";
import type { ExplorerView } from "./rate-view.server.ts";

type Size = { width: number; height: number };

/** The sheet in the pixels it is drawn in: on a phone it is no smaller picture of the desk's, its words would be smaller too. */
function useSheet(): { at: React.RefObject<HTMLDivElement | null>; sheet: Size } {
  const at = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(660);
  useEffect(() => {
    const box = at.current!;
    const watched = new ResizeObserver(() => setWidth(Math.max(300, box.clientWidth)));
    watched.observe(box);
    return () => watched.disconnect();
  }, []);
  return { at, sheet: { width, height: width < 500 ? 300 : 340 } };
}

type Tried = { size: NozzleSizeKey; rate: number; speed: number };

/** Rate, speed, pressure and nozzle, each tried against the others; nothing is kept. */
export function Explorer({ view }: { view: ExplorerView }) {
  const { units, pressures, spacing, density } = view;
  const [tried, setTried] = useState<Tried>(view.now);
  const change = (part: Partial<Tried>) => setTried((now) => ({ ...now, ...part }));
  const { size, rate, speed } = tried;
  const rated = NOZZLE_SIZES[size].flow;
  const spraying = { rate, spacing, density };
  const range = useMemo(
    () => rangeOf({ rate: view.now.rate, spacing, density }, rated, view.now.speed, pressures),
    [view, rated, spacing, density, pressures],
  );
  const { at, sheet } = useSheet();
  const frame = explorerFrame(spraying, rated, { speed, pressures, range }, { ...sheet, units });
  const pick = (at: { x: number; y: number }) => {
    const picked = pickedAt(frame, range, spraying, rated, at);
    if (picked) change({ speed: picked.speed, rate: picked.rate });
  };
  const sizes = pressures ? sizesFor(spraying, speed, pressures) : [];
  const best = bestSize(sizes, speed);
  const changed = size !== view.now.size || rate !== view.now.rate || speed !== view.now.speed;
  return (
    <section id="explorer" aria-label="Rate, speed, pressure, nozzle" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        Rate, speed, pressure, nozzle{" "}
        <span className="font-normal text-soft">
          lines of one rate for a {size}; press where you want to be
        </span>
      </h2>
      <div ref={at}>
        <Plot frame={frame} sheet={sheet} onPick={pick} onStep={(by) => change(stepped(tried, by))} />
      </div>
      <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
        <Slide
          label="Speed"
          shown={say("speed", speed, units)}
          range={{ from: 0.5, to: range.speed[1] }}
          step={0.01}
          value={speed}
          onSlide={(value) => change({ speed: value })}
        />
        <Slide
          label="Rate"
          shown={say("volume per area", rate, units)}
          range={{ from: view.now.rate * 0.3, to: view.now.rate * 2.5 }}
          step={view.now.rate / 200}
          value={rate}
          onSlide={(value) => change({ rate: value })}
        />
      </div>
      <p className="min-h-11 leading-snug font-[650]" data-explored aria-live="polite">
        {saidOf(view, tried)}
      </p>
      {changed && (
        <button type="button" className="key justify-self-start" onClick={() => setTried(view.now)}>
          As it is
        </button>
      )}
      {pressures ? (
        <Sizes view={view} sizes={sizes} best={best} now={size} onChoose={(each) => change({ size: each })} />
      ) : (
        <p className="text-warn">
          Nobody told between which pressures the nozzle works: no window can be said, and no size chosen.
        </p>
      )}
    </section>
  );
}

/** A twentieth of a metre a second, or a hundredth of the rate. */
function stepped({ speed, rate, size }: Tried, by: { speed?: number; rate?: number }): Partial<Tried> {
  return {
    size,
    speed: Math.max(0.5, speed + 0.05 * (by.speed ?? 0)),
    rate: rate * (1 + 0.01 * (by.rate ?? 0)),
  };
}

function saidOf(
  { units, pressures, spacing, density, nozzles, pumpFlow, droplets, own }: ExplorerView,
  tried: Tried,
): string {
  const { size, rate, speed } = tried;
  const spraying = { rate, spacing, density };
  const rated = NOZZLE_SIZES[size].flow;
  const pressure = pressureAt(spraying, rated, speed);
  const each = rate * speed * spacing;
  const boom = nozzles === null ? null : each * nozzles;
  const window = pressures && speedWindow(spraying, rated, pressures);
  const pump =
    boom === null || pumpFlow === null
      ? ""
      : boom > pumpFlow
        ? `: more than the pump's ${say("flow", pumpFlow, units)}`
        : ` of the pump's ${say("flow", pumpFlow, units)}`;
  const holds =
    window === null
      ? ""
      : ` It holds that from ${say("speed", window.low, units)} to ${say("speed", window.high, units)}${
          speed < window.low ? ": too slow here" : speed > window.high ? ": too fast here" : ""
        }.`;
  const drops =
    size !== own || droplets === null || pressures === null
      ? ""
      : droplets.low === droplets.high
        ? ` Droplets: ${droplets.low}.`
        : ` Droplets: ${droplets.low} at ${say("pressure", pressures.low, units)}, ${droplets.high} at ${say("pressure", pressures.high, units)}.`;
  return `${say("volume per area", rate, units)} at ${say("speed", speed, units)}: ${say("pressure", pressure, units)}, ${say("flow", each, units, 2)} a nozzle${
    boom === null ? "" : `, ${say("flow", boom, units)} the boom${pump}`
  }.${holds}${drops}`;
}

function Plot({
  frame,
  sheet,
  onPick,
  onStep,
}: {
  frame: ExplorerFrame;
  sheet: Size;
  onPick: (at: { x: number; y: number }) => void;
  onStep: (by: { speed?: number; rate?: number }) => void;
}) {
  const { plot, ticks, unitsSaid, lines, band, holds, point } = frame;
  const pick = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = sheet.width / box.width;
    onPick({ x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale });
  };
  const keys: Record<string, { speed?: number; rate?: number }> = {
    ArrowRight: { speed: 1 },
    ArrowLeft: { speed: -1 },
    ArrowUp: { rate: 1 },
    ArrowDown: { rate: -1 },
  };
  return (
    <svg
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      className="w-full cursor-crosshair touch-none border border-line bg-sheet"
      role="application"
      aria-label="Speed across, pressure up. Arrow keys: speed and rate."
      // biome-ignore lint/a11y/noNoninteractiveTabindex: arrow keys move what is tried
      tabIndex={0}
      data-explorer
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        pick(event);
      }}
      onPointerMove={(event) => event.buttons > 0 && pick(event)}
      onKeyDown={(event) => {
        const by = keys[event.key];
        if (!by) return;
        event.preventDefault();
        onStep(by);
      }}
    >
      {band && (
        <rect
          x={plot.left}
          width={plot.right - plot.left}
          y={band.top}
          height={band.bottom - band.top}
          fill="var(--check-wash)"
        />
      )}
      {band && holds && (
        <rect
          x={holds.left}
          width={Math.max(0, holds.right - holds.left)}
          y={band.top}
          height={band.bottom - band.top}
          fill="var(--dye-wash)"
        />
      )}
      {ticks.x.map(({ at, text }) => (
        <g key={text}>
          <line x1={at} x2={at} y1={plot.top} y2={plot.bottom} stroke="var(--hair)" />
          <text x={at} y={plot.bottom + 18} textAnchor="middle" fontSize={14} fill="var(--soft)">
            {text}
          </text>
        </g>
      ))}
      {ticks.y.map(({ at, text }) => (
        <g key={text}>
          <line x1={plot.left} x2={plot.right} y1={at} y2={at} stroke="var(--hair)" />
          <text x={plot.left - 8} y={at + 5} textAnchor="end" fontSize={14} fill="var(--soft)">
            {text}
          </text>
        </g>
      ))}
      <text x={plot.right} y={plot.bottom + 35} textAnchor="end" fontSize={14} fill="var(--soft)">
        {unitsSaid.speed}
      </text>
      <text x={6} y={plot.top + 10} fontSize={14} fill="var(--soft)">
        {unitsSaid.pressure}
      </text>
      {lines.map(({ rate, points, wanted, name, x, y }) => (
        <g key={rate}>
          <polyline
            points={points}
            fill="none"
            stroke={wanted ? "var(--dye)" : "var(--steel-line)"}
            strokeWidth={wanted ? 3 : 1.4}
          />
          <text
            x={y <= plot.top + 1 ? x - 4 : plot.right + 6}
            y={y <= plot.top + 1 ? plot.top + 15 : y + 5}
            textAnchor={y <= plot.top + 1 ? "end" : "start"}
            fontSize={14}
            fontWeight={wanted ? 700 : 400}
            fill={wanted ? "var(--dye)" : "var(--soft)"}
          >
            {name}
          </text>
        </g>
      ))}
      <text x={plot.right + 6} y={plot.bottom - 4} fontSize={14} fill="var(--soft)">
        {unitsSaid.rate}
      </text>
      {point && (
        <circle cx={point.x} cy={point.y} r={8} fill="var(--dye)" stroke="var(--sheet)" strokeWidth={2.5} />
      )}
    </svg>
  );
}

/** Every size with the speeds it holds the rate at; the one with most room is named. */
function Sizes({
  view: { units, own },
  sizes,
  best,
  now,
  onChoose,
}: {
  view: ExplorerView;
  sizes: readonly SizeChoice[];
  best: SizeChoice | null;
  now: NozzleSizeKey;
  onChoose: (size: NozzleSizeKey) => void;
}) {
  return (
    <div className="grid gap-1">
      <p className="leading-snug">
        {best ? (
          <>
            Most room at this rate and speed has <b>{best.size}</b>
            {best.size === own ? ", the one that is fitted" : own ? `; fitted is ${own}` : ""}.
          </>
        ) : (
          <b className="text-stop">No size holds this rate at this speed within these pressures.</b>
        )}{" "}
        <span className="text-small text-soft">
          Sizes by ISO 10625, flows from memory; all reckoned between the pressures told of the one fitted.
        </span>
      </p>
      <ul className="grid grid-cols-3 gap-1.5 max-sm:grid-cols-2">
        {sizes.map(({ size, window, pressure, holds }) => (
          <li key={size}>
            <button
              type="button"
              className="choice grid w-full justify-items-start px-3 py-1 text-left leading-tight"
              aria-pressed={size === now}
              data-size={size}
              data-holds={holds}
              onClick={() => onChoose(size)}
            >
              <span className="font-bold">
                {size} <span className="font-normal text-soft">{NOZZLE_SIZES[size].colour}</span>
              </span>
              <span className={`text-small font-normal ${holds ? "" : "text-stop"}`}>
                {holds ? say("pressure", pressure, units) : "does not hold it"}
              </span>
              <span className="text-small font-normal text-soft">
                {say("speed", window.low, units)} to {say("speed", window.high, units)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
