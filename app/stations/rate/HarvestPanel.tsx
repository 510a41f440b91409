import { useState } from "react";
import { parseLength, printLength } from "../../../core/quantity/length.ts";
import { parseMeasure } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { unitOf } from "../../../core/quantity/units.ts";
import { atMoisture } from "../../../core/subjects/rate/calibrations/weighed.ts";
import { TriedField } from "../../ui/TriedField.tsx";
import type { HarvestView } from "./rate-view.server.ts";

/** Hectares by the parts that cut, and tonnes at the moisture that is paid. Nothing is kept. */
export function HarvestPanel({ view }: { view: HarvestView }) {
  const { units, width, parts, density } = view;
  const [worked, setWorked] = useState(String(parts ?? ""));
  const [distance, setDistance] = useState("");
  const [mass, setMass] = useState("");
  const [wet, setWet] = useState("16");
  const [standard, setStandard] = useState("14");
  const count = /^\d+$/.test(worked) ? Number(worked) : null;
  const far = distance.trim() === "" ? null : parseLength(distance, units.tape);
  const load = mass.trim() === "" ? null : parseMeasure("mass", mass, unitOf("mass", units));
  const wide =
    width !== null && parts !== null && count !== null && count <= parts ? (width * count) / parts : null;
  const area = wide !== null && far?.ok ? wide * far.value.metres : null;
  const [m, m0] = [Number(wet.replace(",", ".")) / 100, Number(standard.replace(",", ".")) / 100];
  const dry = load?.ok && m > 0 && m < 1 && m0 > 0 && m0 < 1 ? atMoisture(load.value.value, m, m0) : null;
  return (
    <section id="harvest" aria-label="Harvest" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        Hectares and tonnes <span className="font-normal text-soft">of a strip or a load</span>
      </h2>
      <div className="grid grid-cols-3 items-start gap-3 max-sm:grid-cols-1">
        <TriedField
          label={parts === null ? "Parts that cut" : `Parts that cut, of ${parts}`}
          value={worked}
          onType={setWorked}
          problem={count !== null && parts !== null && count > parts ? `It has ${parts}.` : undefined}
          hint={
            parts === null ? "nobody told into how many it is divided" : "as the partial-width counter stands"
          }
        />
        <TriedField
          label="Driven"
          value={distance}
          onType={setDistance}
          problem={far && !far.ok ? far.problem : undefined}
        />
        <TriedField
          label={`Weighed, ${unitOf("mass", units)}`}
          value={mass}
          onType={setMass}
          problem={load && !load.ok ? load.problem : undefined}
        />
        <TriedField label="Its moisture, %" value={wet} onType={setWet} />
        <TriedField label="Paid at, %" value={standard} onType={setStandard} />
      </div>
      <p className="text-lead" data-harvest>
        {area !== null && wide !== null && (
          <>
            {printLength(wide, units.tape)} wide: <b>{say("area", area, units)}</b>.{" "}
          </>
        )}
        {dry !== null && (
          <>
            At {standard} % it is <b>{say("mass", dry, units)}</b>.{" "}
          </>
        )}
        {area !== null && dry !== null && area > 0 && (
          <>
            Yield <b>{say("mass per area", dry / area, units)}</b>
            {density !== null && <>, {bushels(dry / area, density)}</>}.
          </>
        )}
      </p>
    </section>
  );
}

const BUSHEL = 2150.42 * 0.0254 ** 3;
const ACRE = 43560 * 0.3048 ** 2;

/** Bushels an acre of a crop of this test weight. */
function bushels(yieldMass: number, density: number): string {
  return `${((yieldMass * ACRE) / (density * BUSHEL)).toFixed(0)} bu/ac at its test weight`;
}
