import { Minus, Pause, Play, Plus } from "lucide-react";
import { type RefObject, useEffect, useRef, useState } from "react";
import { scaleBar } from "../../../core/drawing/field-map.ts";
import { inMemory, washed } from "../../../core/drawing/ground.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { Legend } from "./Legend.tsx";
import type { useWorld } from "./use-world.ts";
import type { Look } from "./world.worker.ts";

type Middle = { east: number; north: number; metres: number };
type Ring = readonly { east: number; north: number }[];

/** How many seconds of the drive go by in one. */
const PACES = [1, 10, 30, 100] as const;
/** Metres a pixel: from a row's spacing well seen to a parish. */
const [FINEST, COARSEST] = [0.004, 4];
const CLOSE = { joint: 0.02, headland: 0.06, cutIn: 0.05 } as const;

/** The whole field, with a little round it. */
function whole(rings: readonly Ring[], width: number, height: number): Middle {
  const all = rings.flat();
  const end = (of: (spot: Ring[number]) => number) => {
    const figures = all.map(of);
    return [figures.reduce((a, b) => Math.min(a, b)), figures.reduce((a, b) => Math.max(a, b))] as const;
  };
  const [west, east] = end((spot) => spot.east);
  const [south, north] = end((spot) => spot.north);
  return {
    east: (west + east) / 2,
    north: (south + north) / 2,
    metres: 1.12 * Math.max((east - west) / width, (north - south) / height),
  };
}

/** The page's own colours as a canvas takes them: they change with day and night. */
function coloursNow(): Look["colours"] {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string) => style.getPropertyValue(name).trim();
  const [paper, ink, dye, soil, warn] = ["--paper", "--ink", "--dye", "--soil", "--warn"].map((name) =>
    inMemory(of(name)),
  ) as [number, number, number, number, number];
  return {
    ink: of("--ink"),
    dye: of("--dye"),
    paper: of("--sheet"),
    bare: washed(soil, paper, 0.45),
    beside: washed(warn, paper, 0.55),
    layers: {
      believed: {
        once: washed(dye, paper, 0.24),
        hatch: washed(dye, paper, 0.55),
        twice: washed(dye, paper, 0.9),
      },
      truth: { once: washed(ink, soil, 0.3), hatch: washed(ink, soil, 0.5), twice: washed(ink, paper, 0.88) },
    },
  };
}

function useSize(holder: RefObject<HTMLDivElement | null>) {
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.round(width), height: Math.round(height) });
    });
    if (holder.current) watch.observe(holder.current);
    return () => watch.disconnect();
  }, [holder]);
  return size;
}

/** Where time stands in a drive that takes so long, and whether it runs. */
function useClock(seconds: number | null) {
  const [at, setAt] = useState<number | null>(null);
  const [plays, setPlays] = useState(false);
  const [pace, setPace] = useState<number>(30);
  const last = seconds ?? 0;
  useEffect(() => {
    if (!plays) return;
    let frame = 0;
    let before: number | null = null;
    const step = (now: number) => {
      const passed = before === null ? 0 : (now - before) / 1000;
      before = now;
      setAt((from) => Math.min(last, (from ?? 0) + passed * pace));
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [plays, pace, last]);
  const now = Math.min(at ?? last, last);
  return {
    now,
    plays: plays && now < last,
    pace,
    setPace,
    put: (to: number) => {
      setPlays(false);
      setAt(to);
    },
    toggle: () => {
      if (now >= last) setAt(0);
      setPlays(now >= last || !plays);
    },
  };
}

type Props = {
  holder: RefObject<HTMLDivElement | null>;
  world: ReturnType<typeof useWorld>;
  rings: readonly Ring[];
  /** whose ground it is: another is seen whole at first */
  of: string;
  units: Units;
};

/** The field in two layers with a seam to slide, places to look at closely, and time to run through. */
export function Stage({ holder, world, rings, of, units }: Props) {
  const size = useSize(holder);
  const [seen, setSeen] = useState<{ of: string; at: Middle | null }>({ of, at: null });
  const own = seen.of === of ? seen.at : null;
  const setOwn = (at: Middle | null) => setSeen({ of, at });
  const [share, setShare] = useState(0.5);
  const clock = useClock(world.seconds);
  const at = own ?? (size ? whole(rings, size.width, size.height) : null);
  const { look } = world;
  useLook(look, size, at, share, clock.now, world.seconds);
  const zoom = (by: number) =>
    at && setOwn({ ...at, metres: Math.min(COARSEST, Math.max(FINEST, at.metres * by)) });
  const bar = at ? scaleBar({ metres: at.metres }, units) : null;
  return (
    <div className="grid gap-2">
      <div
        ref={holder}
        className="relative h-[330px] touch-none overflow-hidden border-2 border-ink bg-sheet md:h-[410px]"
        role="img"
        aria-label={`The field from above, north up: the terminal's map on the left ${Math.round(100 * share)} % of it, the ground as it is on the rest`}
        {...usePan(at, setOwn)}
      >
        <span className="pointer-events-none absolute top-1 left-2 bg-sheet px-1.5 font-semibold text-dye">
          The map
        </span>
        <span className="pointer-events-none absolute top-1 right-2 bg-sheet px-1.5 font-semibold">
          The ground
        </span>
        {bar && (
          <span className="pointer-events-none absolute bottom-1 left-2 grid bg-sheet px-1">
            <span className="border-ink border-x-2 border-b-2" style={{ width: bar.pixels, height: 7 }} />
            {bar.label}
          </span>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-3" data-clock={clock.now.toFixed(1)}>
        <button
          type="button"
          className="key inline-flex items-center gap-2"
          disabled={world.seconds === null}
          onClick={clock.toggle}
          aria-label={clock.plays ? "Stop" : "Drive"}
        >
          {clock.plays ? <Pause aria-hidden="true" /> : <Play aria-hidden="true" />}
          {clock.plays ? "Stop" : "Drive"}
        </button>
        <input
          type="range"
          className="h-11 min-w-40 grow accent-dye"
          aria-label="Time of the drive"
          min={0}
          max={Math.ceil(world.seconds ?? 1)}
          step={1}
          value={Math.round(clock.now)}
          disabled={world.seconds === null}
          onChange={({ target }) => clock.put(Number(target.value))}
        />
        <span className="w-28 tabular-nums">{timeSaid(clock.now)}</span>
        <select
          className="field w-28"
          aria-label="Pace"
          value={clock.pace}
          onChange={({ target }) => clock.setPace(Number(target.value))}
        >
          {PACES.map((each) => (
            <option key={each} value={each}>
              {each} ×
            </option>
          ))}
        </select>
      </div>
      <label className="flex items-center gap-3">
        <span className="shrink-0 text-small">Seam</span>
        <input
          type="range"
          className="h-11 w-full accent-dye"
          min={0}
          max={1}
          step={0.01}
          value={share}
          onChange={({ target }) => setShare(Number(target.value))}
          aria-label="Where map and ground meet, from all ground to all map"
        />
      </label>
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className="key" aria-label="Closer" onClick={() => zoom(0.5)}>
          <Plus aria-hidden="true" />
        </button>
        <button type="button" className="key" aria-label="Further away" onClick={() => zoom(2)}>
          <Minus aria-hidden="true" />
        </button>
        <button type="button" className="key" onClick={() => setOwn(null)}>
          All of it
        </button>
        {(["joint", "headland", "cutIn"] as const).map((place) => {
          const spot = world.spots?.[place];
          return (
            spot && (
              <button
                key={place}
                type="button"
                className="key"
                onClick={() => setOwn({ ...spot, metres: CLOSE[place] })}
              >
                {PLACES[place]}
              </button>
            )
          );
        })}
      </div>
      <Legend />
    </div>
  );
}

const PLACES = { joint: "A joint", headland: "The headland", cutIn: "Cutting in" } as const;

/** Hours and minutes, or minutes and seconds of a short drive. */
export function timeSaid(seconds: number): string {
  const whole = Math.floor(seconds);
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60)];
  return hours > 0
    ? `${hours} h ${String(minutes).padStart(2, "0")} min`
    : `${minutes} min ${String(whole % 60).padStart(2, "0")} s`;
}

/** Sends what is to be drawn whenever any of it is another. */
function useLook(
  look: (look: Look) => void,
  size: { width: number; height: number } | null,
  at: Middle | null,
  share: number,
  seconds: number,
  driven: number | null,
): void {
  const asked =
    size && at
      ? JSON.stringify({
          view: { ...at, width: size.width, height: size.height },
          share,
          seconds,
          driven,
        })
      : null;
  const send = useRef(look);
  send.current = look;
  const lit = useLight();
  useEffect(() => {
    if (asked === null || lit < 0) return;
    const { view, share: left, seconds: when } = JSON.parse(asked);
    const ratio = Math.min(2, window.devicePixelRatio || 1);
    send.current({
      view: {
        ...view,
        metres: view.metres / ratio,
        width: Math.round(view.width * ratio),
        height: Math.round(view.height * ratio),
      },
      seconds: when,
      seam: left * view.width * ratio,
      ratio,
      colours: coloursNow(),
    });
  }, [asked, lit]);
}

/** Counts how often day and night changed over: what is drawn by colours is drawn anew. */
function useLight(): number {
  const [count, setCount] = useState(0);
  useEffect(() => {
    const watch = new MutationObserver(() => setCount((before) => before + 1));
    watch.observe(document.documentElement, { attributes: true });
    return () => watch.disconnect();
  }, []);
  return count;
}

/** Drawn about by one finger, closer and away by two or by the wheel. */
function usePan(at: Middle | null, set: (at: Middle) => void) {
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  const spread = () => {
    const [a, b] = [...fingers.current.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : null;
  };
  return {
    onPointerDown: (event: React.PointerEvent) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerMove: (event: React.PointerEvent) => {
      const before = fingers.current.get(event.pointerId);
      if (!before || !at) return;
      const was = spread();
      const now = { x: event.clientX, y: event.clientY };
      fingers.current.set(event.pointerId, now);
      const wide = spread();
      const count = fingers.current.size;
      const metres = was && wide ? Math.min(COARSEST, Math.max(FINEST, (at.metres * was) / wide)) : at.metres;
      set({
        east: at.east - ((now.x - before.x) * at.metres) / count,
        north: at.north + ((now.y - before.y) * at.metres) / count,
        metres,
      });
    },
    onPointerUp: (event: React.PointerEvent) => fingers.current.delete(event.pointerId),
    onPointerCancel: (event: React.PointerEvent) => fingers.current.delete(event.pointerId),
    onWheel: (event: React.WheelEvent) =>
      at &&
      set({
        ...at,
        metres: Math.min(COARSEST, Math.max(FINEST, at.metres * (event.deltaY > 0 ? 1.25 : 0.8))),
      }),
  };
}
