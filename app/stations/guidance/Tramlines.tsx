import { useState } from "react";
import { EVEN_SCHOOLS, type EvenSchool, type ShutIn, tramlines } from "../../../core/guidance/tramlines.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { parseTyped } from "../../../core/quantity/typed.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { TextField } from "../../ui/Field.tsx";
import { Radios } from "../../ui/Radios.tsx";
import type { PlanView } from "./guidance-view.server.ts";

type Props = { drill: NonNullable<PlanView["drill"]>; units: Units };

/** In which passes of the drill the sprayer will run, and which rows are shut. */
export function Tramlines({ drill, units }: Props) {
  const [typed, setTyped] = useState({ width: "", track: "", tyre: "" });
  const [school, setSchool] = useState<EvenSchool>("joint");
  const read = (text: string) => {
    const found = parseTyped({ family: "length", sides: null }, text, units.tape);
    return found.ok && found.value.value !== null && found.value.value > 0 ? found.value.value : null;
  };
  const [width, track, tyre] = [read(typed.width), read(typed.track), read(typed.tyre)];
  const found =
    width === null || track === null || tyre === null
      ? null
      : tramlines(drill, { width, track, tyre }, school);
  const field = (name: keyof typeof typed, label: string, hint: string) => (
    <TextField
      label={label}
      hint={hint}
      inputMode="decimal"
      placeholder={units.tape}
      value={typed[name]}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
    />
  );
  const length = (metres: number) => printLength(metres, units.tape);
  return (
    <section aria-label="Tramlines" className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1">
        Tramlines <span className="font-normal text-soft">for the sprayer that comes after this drill</span>
      </h2>
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        {field("width", "Boom", "its working width")}
        {field("track", "Track width", "middle to middle of its wheels")}
        {field("tyre", "Tyre", "as wide as it presses")}
      </div>
      <Radios
        label="Where the boom is an even number of drills"
        value={school}
        choices={(Object.keys(EVEN_SCHOOLS) as EvenSchool[]).map((key) => ({
          value: key,
          label: EVEN_SCHOOLS[key].label,
        }))}
        onChoose={setSchool}
        className="grid-cols-2 max-sm:grid-cols-1"
      />
      <p className="text-small text-soft">
        Where the boom is an even number of drills: {EVEN_SCHOOLS[school].why}
      </p>
      {found === null ? (
        <p className="text-soft">Type the sprayer's three figures.</p>
      ) : found.kind === "none" ? (
        <p className="font-semibold text-stop" data-tramlines="none">
          {found.why === "no whole number"
            ? `The boom is ${found.times.toFixed(2)} drills wide: marks would wander over the rows. ${length(found.nearest)} would fit.`
            : "The boom is narrower than the drill: no tramlines come of it."}
        </p>
      ) : (
        <div data-tramlines={found.kind}>
          <p>
            <b>{found.times} drills to the boom.</b> Rhythm of {found.period}; the sprayer's first track lies{" "}
            {length(found.firstTrack)} from the edge.
            {found.kind === "even half" && ` Pass 1 sows with half the drill, ${length(drill.width / 2)}.`}
          </p>
          <ul>
            {found.shut.map((each) => (
              <Shut key={each.pass} shut={each} rows={drill.rows} period={found.period} />
            ))}
          </ul>
          <p className="text-soft">
            A shut row's middle lies up to {printLength(found.off, units.small)} off the middle of a wheel.
            Rows are counted from the left in the way of travel; both begin at the same edge.
          </p>
        </div>
      )}
    </section>
  );
}

function Shut({ shut: { pass, rows }, rows: all, period }: { shut: ShutIn; rows: number; period: number }) {
  const shut = new Set(rows);
  return (
    <li className="grid gap-1 border-b border-hair py-2">
      <span>
        Pass {pass}, {pass + period}, {pass + 2 * period} …: <b>rows {rows.join(", ")} shut</b>
      </span>
      <svg
        viewBox={`0 0 ${all * 12} 22`}
        className="h-6 w-full max-w-[640px]"
        aria-hidden="true"
        preserveAspectRatio="xMinYMid meet"
      >
        {Array.from({ length: all }, (_, at) => (
          <rect
            key={at}
            x={at * 12 + 3}
            y={shut.has(at + 1) ? 8 : 1}
            width={6}
            height={shut.has(at + 1) ? 6 : 20}
            fill={shut.has(at + 1) ? "var(--stop)" : "var(--steel-line)"}
          />
        ))}
      </svg>
    </li>
  );
}
