import { useState } from "react";
import { Link } from "react-router";
import { printLength } from "../../../core/quantity/length.ts";
import { say } from "../../../core/quantity/say.ts";
import { parseTyped } from "../../../core/quantity/typed.ts";
import type { Units } from "../../../core/quantity/units.ts";
import {
  adviceFor,
  type PressedAdvice,
  SOIL_KEYS,
  SOIL_STATES,
  type SoilLimits,
  type SoilState,
} from "../../../core/trade/pressed.ts";
import { TextField } from "../../ui/Field.tsx";
import { Radios } from "../../ui/Radios.tsx";
import type { PressedRow } from "./balance-view.ts";

const SHORT: Record<SoilState, string> = { wet: "Wet", moist: "Moist", dry: "Dry" };

/** How deep each axle presses the ground as it is today, and what to do: nothing of it is kept, since tomorrow it is another. */
export function Pressed({
  rows,
  limits,
  units,
}: {
  rows: readonly PressedRow[];
  limits: SoilLimits;
  units: Units;
}) {
  const [soil, setSoil] = useState<SoilState | null>(null);
  const [typed, setTyped] = useState("");
  const read = parseTyped({ family: "length", sides: null }, typed, units.small);
  const own = read.ok && read.value.value !== null && read.value.value > 0 ? read.value.value : null;
  const limit = own ?? (soil === null ? null : limits[soil].depth);
  const length = (metres: number) => printLength(metres, units.small, { decimals: 0 });
  return (
    <section
      id="ground-pressure"
      aria-label="Ground pressure"
      className="grid scroll-mt-4 gap-2"
      data-soil={soil ?? "unknown"}
    >
      <h2 className="border-b-2 border-ink pb-1">
        Ground pressure <span className="font-normal text-soft">on the soil as it is today</span>
      </h2>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <div className="grid gap-1">
          <span>How wet is it, a spade deep?</span>
          <Radios
            label="How wet is it, a spade deep?"
            value={soil ?? ""}
            choices={(Object.keys(SOIL_STATES) as SoilState[]).map((value) => ({
              value,
              label: SHORT[value],
            }))}
            onChoose={(value) => setSoil(value as SoilState)}
            className="w-72 grid-cols-3"
          />
        </div>
        <TextField
          label={`Pressed no deeper than, ${units.small}`}
          inputMode="decimal"
          value={typed}
          placeholder={soil === null ? "" : length(limits[soil].depth)}
          problem={typed !== "" && own === null ? "A depth, such as 45." : undefined}
          onChange={(event) => setTyped(event.target.value)}
          className="w-40"
        />
      </div>
      {soil && <p className="text-soft">{SOIL_STATES[soil].label}.</p>}
      {rows.length === 0 ? (
        <p className="font-semibold text-warn">
          Not known: what rests on its axles is not reckoned yet. The checks of this page say what is missing.
        </p>
      ) : limit === null ? (
        <p className="text-soft">Say how wet it is: dig with a spade, and press a ball of it in the hand.</p>
      ) : (
        <>
          <p className="text-lead" data-pressed-whole>
            {wholeSaid(rows.map(({ given }) => given && adviceFor(given, limit).kind))}
          </p>
          <ul>
            {rows.map(({ axle, given, missing }) => {
              const advice = given && adviceFor(given, limit);
              return (
                <li key={axle} data-pressed={advice?.kind ?? "unknown"} className="border-b border-hair py-2">
                  <b>{axle}</b>{" "}
                  {given && advice ? (
                    <>
                      <span className="text-soft">
                        {say("mass", given.load, units)} on a tyre at {say("pressure", given.pressure, units)}
                        : 50 kPa down to {length(advice.depth)}
                      </span>
                      <span className={`block font-semibold ${TONES[advice.kind]}`}>
                        {adviceSaid(advice, units)}
                      </span>
                    </>
                  ) : (
                    <span className="font-semibold text-warn">Not known. {missing}</span>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
      <p className="text-small text-soft">
        21 cm, 8 more for each tonne on a wheel and for each doubling of the pressure (from memory, of moist
        arable land).{" "}
        {SOIL_KEYS.every((state) => limits[state].told)
          ? "The limits are the yard's own"
          : `The limits of ${SOIL_KEYS.map((state) => length(limits[state].depth)).join(", ")} are ours where nobody here said otherwise`}
        : <Link to="/limits#soil">change them</Link>, or type one for today. A pressure is never set under the
        tyre maker's table.
      </p>
    </section>
  );
}

/** What the whole rig does: as its worst axle asks. */
function wholeSaid(kinds: readonly (PressedAdvice["kind"] | null)[]): string {
  if (kinds.some((kind) => kind === "wait" || kind === "no table")) return "On such ground this rig waits.";
  if (kinds.includes(null)) return "Not of every axle is known how deep it presses.";
  if (kinds.includes("half")) return "It may go with half a fill and softer tyres.";
  return kinds.includes("lower") ? "It may go once its tyres are let down." : "It may go as it is.";
}

const TONES: Record<PressedAdvice["kind"], string> = {
  drive: "text-ok",
  lower: "text-warn",
  half: "text-warn",
  wait: "text-stop",
  "no table": "text-warn",
};

function adviceSaid(advice: PressedAdvice, units: Units): string {
  switch (advice.kind) {
    case "drive":
      return "Drive.";
    case "lower":
      return `Let it down to ${say("pressure", advice.to, units)}: its table carries that in the field.`;
    case "half":
      return `Fill by half, at ${say("pressure", advice.to, units)}.`;
    case "wait":
      return "Wait: neither softer tyres nor half a fill keep it above that.";
    case "no table":
      return `It would have to be let down to ${say("pressure", advice.to, units)}, and no table says whether it may: wait, or fill less.`;
  }
}
