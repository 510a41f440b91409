import { useMemo, useState } from "react";
import {
  drivePass,
  layPass,
  type Metre,
  type PassDriven,
  type Steers,
} from "../../../core/simulation/row-camera.ts";
import {
  CAMERA_MODE_KEYS,
  CAMERA_MODES,
  type CameraMode,
  judgeThreshold,
  THRESHOLDS,
} from "../../../core/steering/camera.ts";
import { Radios } from "../../ui/Radios.tsx";
import { useSmallScreen } from "../../ui/use-small-screen.ts";
import type { CameraView } from "./camera.server.ts";

const FILL: Record<Steers, string> = { rows: "var(--ok)", line: "var(--dye)", hand: "var(--warn)" };
const WORDS: Record<Steers, string> = { rows: "rows", line: "line", hand: "by hand" };
const WIDTH = 800;
const HEIGHT = 150;

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** What each mode would have done on one made-up pass: threshold, weeds and a strip of grass to be tried. */
export function CameraTrial({ view }: { view: CameraView }) {
  const [threshold, setThreshold] = useState(Math.round(view.threshold * 100));
  const [weeds, setWeeds] = useState(15);
  const [grass, setGrass] = useState("yes");
  const [seed, setSeed] = useState(3);
  const quality = view.quality ?? 0.8;
  const pass = useMemo(
    () => layPass({ seed, quality, weeds: weeds / 100, grass: grass === "yes" }),
    [seed, quality, weeds, grass],
  );
  const driven = CAMERA_MODE_KEYS.map((mode) => ({ mode, ...drivePass(pass, mode, threshold / 100) }));
  return (
    <section aria-label="What each mode would have done" className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1">
        What each mode would have done{" "}
        <span className="font-normal text-soft">
          on a made-up pass of {pass.length} m, seen at {percent(quality)}
          {view.quality === null ? " (assumed: no profile)" : " as calibrated"}
        </span>
      </h2>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <Sliding label="Threshold" value={threshold} from={5} to={95} onSlide={setThreshold} />
        <Sliding label="Weedy, of the way" value={weeds} from={0} to={60} onSlide={setWeeds} />
        <div className="flex flex-wrap items-end gap-3">
          <div className="grid gap-1">
            <span>A grass strip across</span>
            <Radios
              label="A grass strip across"
              value={grass}
              choices={[
                { value: "yes", label: "Yes" },
                { value: "no", label: "No" },
              ]}
              onChoose={setGrass}
              className="w-36 grid-cols-2"
            />
          </div>
          <button type="button" className="key" onClick={() => setSeed(seed + 1)}>
            Another pass
          </button>
        </div>
      </div>
      <Trace pass={pass} threshold={threshold / 100} />
      <ul className="grid gap-3">
        {driven.map((each) => (
          <Mode
            key={each.mode}
            driven={each}
            now={view.mode}
            quality={quality}
            threshold={threshold / 100}
            metres={pass.length}
          />
        ))}
      </ul>
      <p className="flex flex-wrap gap-x-5 text-small">
        {(Object.keys(WORDS) as Steers[]).map((key) => (
          <span key={key} className="flex items-center gap-2">
            <svg width={22} height={12} aria-hidden="true">
              <rect width={22} height={12} fill={FILL[key]} />
            </svg>
            steered {key === "hand" ? WORDS[key] : `along the ${WORDS[key]}`}
          </span>
        ))}
      </p>
    </section>
  );
}

type SlidingProps = {
  label: string;
  value: number;
  from: number;
  to: number;
  onSlide: (value: number) => void;
};

function Sliding({ label, value, from, to, onSlide }: SlidingProps) {
  return (
    <label className="grid w-52 gap-1 max-sm:w-full">
      <span>
        {label}: <b>{value} %</b>
      </span>
      <input
        type="range"
        className="h-11 accent-[var(--dye)]"
        aria-label={label}
        min={from}
        max={to}
        value={value}
        onChange={({ target }) => onSlide(Number(target.value))}
      />
    </label>
  );
}

const GROUND: Record<Metre["ground"], string> = {
  rows: "none",
  weeds: "var(--warn-wash)",
  grass: "var(--hair)",
  headland: "var(--soil)",
};

/** Stretches of the same in a row, from metre to metre. */
function stretches<T>(each: readonly T[]): { of: T; from: number; to: number }[] {
  const found: { of: T; from: number; to: number }[] = [];
  each.forEach((of, at) => {
    const last = found.at(-1);
    if (last && last.of === of) last.to = at + 1;
    else found.push({ of, from: at, to: at + 1 });
  });
  return found;
}

/** The quality along the pass, the ground behind it, the threshold across. */
function Trace({ pass, threshold }: { pass: readonly Metre[]; threshold: number }) {
  const wide = useSmallScreen() ? 358 : WIDTH;
  const x = (metre: number) => (metre / pass.length) * wide;
  const y = (quality: number) => HEIGHT - 18 - quality * (HEIGHT - 36);
  const path = pass
    .map(({ quality }, at) => `${at === 0 ? "M" : "L"} ${x(at).toFixed(1)} ${y(quality).toFixed(1)}`)
    .join(" ");
  return (
    <svg
      viewBox={`0 0 ${wide} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label="How well rows are seen along the pass"
    >
      <rect width={wide} height={HEIGHT} fill="var(--sheet)" />
      {stretches(pass.map(({ ground }) => ground)).map(({ of, from, to }) => (
        <rect key={from} x={x(from)} width={x(to) - x(from)} height={HEIGHT} fill={GROUND[of]} />
      ))}
      <path d={path} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      <line
        x1={0}
        x2={wide}
        y1={y(threshold)}
        y2={y(threshold)}
        stroke="var(--dye)"
        strokeWidth={2}
        strokeDasharray="7 5"
      />
      {stretches(pass.map(({ ground }) => ground))
        .filter(({ of, from, to }) => of !== "rows" && x(to) - x(from) > 28)
        .map(({ of, from, to }) => (
          <text
            key={from}
            x={(x(from) + x(to)) / 2}
            y={HEIGHT - 4}
            textAnchor="middle"
            fontSize={14}
            fill="var(--ink)"
          >
            {of === "headland" ? "head" : of}
          </text>
        ))}
    </svg>
  );
}

type ModeProps = {
  driven: PassDriven & { mode: CameraMode };
  now: CameraMode | null;
  quality: number;
  threshold: number;
  metres: number;
};

const JUDGED = {
  fits: "",
  "too low alone": `Alone it is not to follow under ${percent(THRESHOLDS.leastAlone)}.`,
  "too high": `Over ${percent(THRESHOLDS.mostWithLine)} it lets go of good rows.`,
  "near the quality": "Within ten points of what it sees: it lets go at the first weeds.",
} as const;

function Mode({
  driven: { mode, steers, letGo, handed, byHand, beside, hoedOut },
  now,
  quality,
  threshold,
  metres,
}: ModeProps) {
  const said = JUDGED[judgeThreshold(mode, threshold, quality)];
  const times = (count: number) => (count === 1 ? "once" : `${count} times`);
  return (
    <li data-mode={mode} data-by-hand={byHand}>
      <p>
        <b>{CAMERA_MODES[mode]}</b>
        {mode === now && <span className="font-semibold text-dye"> as it is set</span>}
      </p>
      <svg viewBox={`0 0 ${WIDTH} 20`} className="h-5 w-full" preserveAspectRatio="none" aria-hidden="true">
        {stretches(steers).map(({ of, from, to }) => (
          <rect
            key={from}
            x={(from / metres) * WIDTH}
            width={((to - from) / metres) * WIDTH}
            height={20}
            fill={FILL[of]}
          />
        ))}
      </svg>
      <p>
        {mode === "camera" && `Lets go ${times(letGo)}: take the wheel for ${byHand} m. `}
        {mode === "both" &&
          `Hands over ${times(handed)}, each with its tone; the line steers where rows are not seen. `}
        {mode === "receiver" && "Follows its line whatever was sown. "}
        {beside !== null && `${Math.round(beside * 1000) / 10} cm beside the rows on the whole`}
        {hoedOut > 0 ? <b className="text-stop">, over 8 cm on {hoedOut} m: there it hoes rows out.</b> : "."}
        {said && <b className="text-warn"> {said}</b>}
      </p>
    </li>
  );
}
