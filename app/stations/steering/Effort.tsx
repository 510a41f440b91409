import { useState } from "react";
import { Link } from "react-router";
import { leastEffort, type Try, WHEEL_RATE } from "../../../core/steering/effort.ts";
import { TextField } from "../../ui/Field.tsx";
import type { SteeringView } from "./steering-view.server.ts";

const SIDES = [
  { side: "left", key: "tractor.effortLeft" },
  { side: "right", key: "tractor.effortRight" },
] as const;

const percent = (share: number) => `${Number((share * 100).toFixed(1))}\u00a0%`;
const number = (text: string) =>
  /^\d{1,2}([.,]\d{1,2})?$/.test(text.trim()) ? Number(text.replace(",", ".")) : null;

const RESULT = {
  kept: "Its result page is kept.",
  lost: "Its result page was not kept.",
  unknown: "Nobody told whether its result page was kept.",
};

/** Where a reading is entered, with a figure filled in, SI. */
type Read = (key: string, advised?: number) => string;

/** Full routine first, then the least effort either way, found by tries of two points at most. */
export function Calibration({ view, read }: { view: SteeringView; read: Read }) {
  const { routine, result, efforts, camera } = view;
  const routineSaid =
    routine === "full"
      ? "The full hydraulic routine was run."
      : routine === "quick"
        ? "Only the quick routine was run."
        : routine === "none"
          ? "No routine was run yet."
          : "Nobody told which routine was run.";
  return (
    <section aria-label="Steering calibration" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Steering calibration</h2>
      <ol className="list-decimal pl-6">
        <li>
          The full hydraulic routine of the terminal, not the quick one, to its result page; keep the picture
          of it with the reading. At 1.6 to 6.4 km/h on firm level ground.
          {camera && " Before rows are sensed it has to be the full one."}{" "}
          <b className={routine === "full" ? "text-ok" : "text-warn"}>{routineSaid}</b>{" "}
          <Link to={read("tractor.steerRoutine")} className="text-dye underline">
            Tell it
          </Link>
          {(routine === "full" || routine === "quick") && (
            <>
              {" "}
              <b className={result === "kept" ? "text-ok" : "text-warn"}>{RESULT[result ?? "unknown"]}</b>{" "}
              <Link to={read("tractor.steerResult")} className="text-dye underline">
                Its page
              </Link>
            </>
          )}
        </li>
        <li>
          Least effort, left and right: raised until the wheels turn 1° in a second at about 1.6 km/h; on some
          machines with the engage button held. Now: left <b>{efforts.left ?? "not known"}</b>, right{" "}
          <b>{efforts.right ?? "not known"}</b>.
        </li>
        <li>Where the rear wheels steer too: their offset none, wheels straight.</li>
      </ol>
      <p className="border-l-4 border-warn bg-warn-wash px-3 py-2">
        Wheels turn by themselves while it is calibrated: nobody beside them, room all round, a hand at the
        key. The operator's manual comes first.
      </p>
      <div className="grid grid-cols-2 gap-6 max-sm:grid-cols-1">
        {SIDES.map(({ side, key }) => (
          <Side key={side} side={side} read={(effort) => read(key, effort)} />
        ))}
      </div>
    </section>
  );
}

/** Tries of one side: which effort next, or the least one found. Kept as a reading once it is found. */
function Side({ side, read }: { side: "left" | "right"; read: (effort: number) => string }) {
  const [tries, setTries] = useState<Try[]>([]);
  const [effort, setEffort] = useState("");
  const [rate, setRate] = useState("");
  const [typedEffort, typedRate] = [number(effort), number(rate)];
  const found = leastEffort(tries);
  const add = () => {
    if (typedEffort === null || typedRate === null) return;
    setTries([...tries, { effort: typedEffort / 100, rate: (typedRate * Math.PI) / 180 }]);
    setEffort("");
    setRate("");
  };
  return (
    <div className="grid content-start gap-2" data-side={side}>
      <h3 className="font-bold">Least effort to the {side}, by tries</h3>
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
        <TextField
          label="Effort, %"
          inputMode="decimal"
          value={effort}
          onChange={({ target }) => setEffort(target.value)}
        />
        <TextField
          label="Wheels, °/s"
          inputMode="decimal"
          value={rate}
          onChange={({ target }) => setRate(target.value)}
        />
        <button
          type="button"
          className="key"
          disabled={typedEffort === null || typedRate === null}
          onClick={add}
        >
          Tried
        </button>
      </div>
      {tries.length > 0 && (
        <ul className="flex flex-wrap gap-x-4 text-soft">
          {tries.map((each, at) => (
            <li key={at}>
              {percent(each.effort)}: {Number(((each.rate * 180) / Math.PI).toFixed(2))}° a second
              {each.rate >= WHEEL_RATE ? " ✓" : ""}
            </li>
          ))}
        </ul>
      )}
      <p className="font-semibold" data-effort={found.kind}>
        {found.kind === "none" && "Begin where it stands now."}
        {found.kind === "next" &&
          `${found.because === "too slow" ? "Too slow" : "Faster than need be"}: try ${percent(found.effort)} next, two points are the most.`}
        {found.kind === "found" && (
          <>
            {percent(found.effort)} is the least that moves them.{" "}
            <Link to={read(found.effort)} className="text-dye underline">
              Keep it as read
            </Link>
          </>
        )}
      </p>
    </div>
  );
}
