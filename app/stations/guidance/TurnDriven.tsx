import { Pause, Play } from "lucide-react";
import { useMemo, useState } from "react";
import { turnSheet } from "../../../core/drawing/turn.ts";
import { passesOut } from "../../../core/guidance/turning.ts";
import { type HeadlandTurn, MOST_RADIUS, turnAtHeadland, type Way } from "../../../core/motion/headland.ts";
import { bend } from "../../../core/motion/train.ts";
import { bareUnit, parseLength, printLength } from "../../../core/quantity/length.ts";
import { inWords, roundLength } from "../../../core/quantity/said.ts";
import { Radios } from "../../ui/Radios.tsx";
import { useSmallScreen } from "../../ui/use-small-screen.ts";
import { TurnDrawing } from "./TurnDrawing.tsx";
import type { BarLimit, TurnView } from "./turn-view.server.ts";
import { usePlay } from "./use-play.ts";

const degrees = (radians: number) => `${Math.round((radians * 180) / Math.PI)}°`;

/** The turn into the next pass, or into one further on, driven: it can be tried on other radii. */
export default function TurnDriven({ view }: { view: TurnView }) {
  const { turning, spacing, radius, units, bars } = view;
  const [way, setWay] = useState<Way>("round");
  const [hand, setHand] = useState<1 | -1>(1);
  const [out, setOut] = useState(0);
  const [own, setOwn] = useState<number | null>(null);
  const small = useSmallScreen();
  const apart = spacing * (1 + out);
  const on = own ?? radius;
  const backs = turning.train.length === 0 && apart < 2 * on;
  const asked = { way: backs ? way : ("round" as const), apart, radius: on, hand };
  const turn = useMemo(
    () => turnAtHeadland(turning, { way: asked.way, apart, radius: on, hand }),
    [turning, asked.way, apart, on, hand],
  );
  const size = small ? { width: 358, height: 400 } : { width: 660, height: 470 };
  const sheet = turnSheet(turning, turn, { apart, hand, spacing }, size, units);
  const play = usePlay(turn.poses.length - 1, 9, tellingPose(turning, turn));
  const pose = turn.poses[play.at]!;
  const skips = passesOut(spacing, radius);
  return (
    <section aria-label="The turn, driven" className="grid gap-3" data-depth={turn.depth.toFixed(2)}>
      <h2 className="border-b-2 border-ink pb-1">
        The turn, driven{" "}
        <span className="font-normal text-soft">
          on {printLength(on, units.tape)}
          {own === null ? ", the least" : ""}, no wheel slipping
        </span>
      </h2>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <Radios
          label="To which hand"
          value={hand === 1 ? "right" : "left"}
          choices={[
            { value: "left", label: "Left" },
            { value: "right", label: "Right" },
          ]}
          onChoose={(value) => setHand(value === "right" ? 1 : -1)}
          className="w-44 grid-cols-2"
        />
        {backs && (
          <Radios
            label="Which way round"
            value={way}
            choices={[
              { value: "round", label: "Forwards" },
              { value: "backed", label: "Backing" },
            ]}
            onChoose={setWay}
            className="w-60 grid-cols-2"
          />
        )}
        <label className="grid gap-1">
          Passes left out
          <select className="field" value={out} onChange={(event) => setOut(Number(event.target.value))}>
            {Array.from({ length: Math.max(4, skips + 2) }, (_, count) => (
              <option key={count} value={count}>
                {count === 0 ? "none" : count}
                {count === skips && count > 0 ? ", half circles" : ""}
              </option>
            ))}
          </select>
        </label>
        <RadiusField view={view} onOwn={setOwn} />
      </div>
      <TurnDrawing sheet={sheet} turning={turning} pose={pose} depth={turn.depth} units={units} />
      <div className="flex items-center gap-3">
        <button
          type="button"
          className="key inline-flex items-center gap-2"
          onClick={play.toggle}
          aria-label={play.plays ? "Stop" : "Drive"}
        >
          {play.plays ? <Pause aria-hidden="true" /> : <Play aria-hidden="true" />}
          {play.plays ? "Stop" : "Drive"}
        </button>
        <input
          type="range"
          className="h-11 min-w-0 grow accent-[var(--dye)]"
          aria-label="Where it is in the turn"
          min={0}
          max={turn.poses.length - 1}
          value={play.at}
          onChange={(event) => play.put(Number(event.target.value))}
        />
      </div>
      <p>
        {inWords(roundLength(turn.length), units)} to drive, {inWords(roundLength(turn.depth), units)} of
        headland
        {turn.before > 0.05 ? `, ${inWords(roundLength(turn.before), units)} of that to come into line` : ""}:{" "}
        {Math.ceil(turn.depth / spacing - 1e-9)} rounds of {printLength(spacing, units.tape)}.
        {!turn.holds && <b className="text-stop"> It folds up on the way.</b>}
      </p>
      {bars.map(({ name, joint, limits }) => (
        <Bends
          key={joint}
          name={name}
          now={Math.abs(bend(turning.train, pose, joint))}
          most={turn.bends[joint]!}
          limits={limits}
        />
      ))}
      <p className="text-soft">
        Steering goes over at once here; the real one takes some metres more.
        {view.inLine
          ? " Its frame is driven as if it did not bend: it takes no more headland than this."
          : ""}
        {view.assumed ? " What nobody read of it is drawn as such rigs usually are." : ""}
        {turning.train.length > 0 &&
        view.least !== null &&
        turn.bends.some((most, at) => most > leastUpTo(bars, at))
          ? ` Half circles on ${inWords(roundLength(Math.max(radius, Math.ceil(view.least * 10) / 10)), units)} or more keep to all of them.`
          : ""}
      </p>
    </section>
  );
}

/** Where a drawbar is bent most; of what is carried, the deepest. */
function tellingPose({ train }: TurnView["turning"], { poses }: Pick<HeadlandTurn, "poses">): number {
  const telling = poses.map((pose) => (train.length === 0 ? pose.x : Math.abs(bend(train, pose, 0))));
  return telling.indexOf(telling.reduce((a, b) => Math.max(a, b)));
}

/** Another radius, tried: read as any length is. */
function RadiusField({
  view: { radius, units },
  onOwn,
}: {
  view: TurnView;
  onOwn: (radius: number | null) => void;
}) {
  const [typed, setTyped] = useState("");
  const parsed = parseLength(typed, bareUnit(units.tape));
  const tried = parsed.ok ? parsed.value.metres : null;
  const fits = (value: number) => value >= radius - 1e-6 && value <= MOST_RADIUS;
  const wrong = typed.trim() !== "" && (tried === null || !fits(tried));
  return (
    <label className="grid gap-1">
      On another radius, {bareUnit(units.tape)}
      <input
        className="field w-40"
        inputMode="decimal"
        value={typed}
        aria-invalid={wrong}
        onChange={({ target }) => {
          setTyped(target.value);
          const next = parseLength(target.value, bareUnit(units.tape));
          onOwn(next.ok && fits(next.value.metres) ? next.value.metres : null);
        }}
      />
      {wrong && (
        <span className="text-stop">
          From its least, {printLength(radius, units.tape)}, to {inWords(roundLength(MOST_RADIUS), units)}.
        </span>
      )}
    </label>
  );
}

/** The strictest limit one drawbar is known to have. */
function leastUpTo(bars: TurnView["bars"], joint: number): number {
  const known = bars
    .filter((bar) => bar.joint === joint)
    .flatMap(({ limits }) => limits.filter((each) => each.known));
  return Math.min(Number.POSITIVE_INFINITY, ...known.map(({ upTo }) => upTo ?? -1));
}

const OF: Record<BarLimit["of"], string> = { tyre: "tyre", shaft: "shaft", hoses: "hoses" };

/** How far a drawbar is bent now and at most, beside what its tyre, shaft and hoses allow. */
function Bends({ name, now, most, limits }: { name: string; now: number; most: number; limits: BarLimit[] }) {
  return (
    <p data-bend={Math.round((most * 180) / Math.PI)}>
      <b>{name}</b>: drawbar bent {degrees(now)} now, {degrees(most)} at most.{" "}
      {limits.map(({ of, upTo, known }) =>
        !known ? (
          <span key={of} className="text-soft">
            {OF[of]}: not known.{" "}
          </span>
        ) : (
          <span key={of} className={upTo === null || most > upTo ? "font-bold text-stop" : ""}>
            {OF[of]}: {upTo === null ? "not even in line" : `up to ${degrees(upTo)}`}.{" "}
          </span>
        ),
      )}
    </p>
  );
}
