import { useState } from "react";
import { parseLength, printLength } from "../../../core/quantity/length.ts";
import { parseMeasure } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { unitOf } from "../../../core/quantity/units.ts";
import { atMoisture, bushelsAnAcre } from "../../../core/trade/harvest.ts";
import { TriedField } from "../../ui/TriedField.tsx";
import { positive } from "./positive.ts";
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
  const [m, m0] = [share(wet), share(standard)];
  const dry = load?.ok && m !== null && m0 !== null ? atMoisture(load.value.value, m, m0) : null;
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
            {density !== null && (
              <>, {bushelsAnAcre(dry / area, density).toFixed(0)} bu/ac at its test weight</>
            )}
            .
          </>
        )}
      </p>
    </section>
  );
}

/** A share of the wet mass typed in per cent; null of what cannot be one. */
function share(text: string): number | null {
  const percent = positive(text);
  return percent !== null && percent < 100 ? percent / 100 : null;
}
