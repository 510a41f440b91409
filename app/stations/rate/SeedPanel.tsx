import { useState } from "react";
import { parseLength, printLength } from "../../../core/quantity/length.ts";
import { parseMeasure } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import {
  COUNT_AREAS,
  meterSpeed,
  rowFor,
  seedRate,
  seedSpacing,
  seedsAt,
} from "../../../core/trade/seeding.ts";
import { TriedField } from "../../ui/TriedField.tsx";
import { positive } from "./positive.ts";
import type { SeedView } from "./rate-view.server.ts";

type Props = { view: SeedView };

/** How much seed makes a stand: by weight for a drill, by count for a planter. Nothing is kept. */
export function SeedPanel({ view }: Props) {
  return (
    <section id="seed" aria-label="Seed" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        How much seed <span className="font-normal text-soft">tried here, entered in the terminal</span>
      </h2>
      {view.counted ? <ByCount view={view} /> : <ByWeight view={view} />}
    </section>
  );
}

function ByWeight({ view }: Props) {
  const { units, width, displacement, speeds, band } = view;
  const [plants, setPlants] = useState("");
  const [grain, setGrain] = useState(view.grain);
  const [up, setUp] = useState(view.establishment);
  const [wanted, mass, share] = [positive(plants), positive(grain), positive(up)];
  const rate = wanted && mass && share && share <= 100 ? seedRate(wanted, mass * 1e-6, share / 100) : null;
  const sown = rate ?? view.rate;
  const turns =
    sown !== null && width !== null && displacement !== null
      ? speeds.map((speed) => ({ speed, turns: meterSpeed(sown, width, speed, displacement) }))
      : [];
  return (
    <>
      <div className="grid grid-cols-3 items-start gap-3 max-sm:grid-cols-1">
        <TriedField label="Plants wanted, /m²" value={plants} onType={setPlants} />
        <TriedField label="A thousand grains, g" hint={view.of} value={grain} onType={setGrain} />
        <TriedField
          label="Comes up, %"
          hint={view.of}
          value={up}
          onType={setUp}
          problem={share !== null && share > 100 ? "Up to 100 %." : undefined}
        />
      </div>
      {rate !== null && (
        <p className="text-lead" data-seed-rate>
          Sow <b>{say("mass per area", rate, units)}</b>
          {view.rate !== null && <>; set is {say("mass per area", view.rate, units)}</>}.
        </p>
      )}
      {turns.length > 0 ? (
        <ul>
          {turns.map(({ speed, turns: each }) => (
            <li key={speed}>
              At {say("speed", speed, units)} the meter turns {say("rotation", each, units)}
              {band &&
                (each < band.low
                  ? `: under ${say("rotation", band.low, units)}, seed comes in pulses. Take a roll for lower rates.`
                  : each > band.high
                    ? `: over ${say("rotation", band.high, units)}, cells are not filled. Take a roll for higher rates, or drive slower.`
                    : ": within what it doses evenly.")}
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-soft">
          How fast the meter turns is told once rate, width, speed and displacement are known.
        </p>
      )}
    </>
  );
}

function ByCount({ view }: Props) {
  const { units, rowSpacing } = view;
  const [plants, setPlants] = useState("");
  const [up, setUp] = useState(view.establishment);
  const [spacing, setSpacing] = useState("");
  if (rowSpacing === null) return <p className="text-warn">Nobody told the spacing of the rows.</p>;
  const read = plants.trim() === "" ? null : parseMeasure("count per area", plants, "/ha");
  const share = positive(up);
  const seeds = read?.ok && share && share <= 100 ? read.value.value / (share / 100) : null;
  const apart = spacing.trim() === "" ? null : parseLength(spacing, units.small);
  const by = apart?.ok && apart.value.metres > 0 ? seedsAt(rowSpacing, apart.value.metres) : null;
  const set = seeds ?? view.seeds;
  return (
    <>
      <div className="grid grid-cols-3 items-start gap-3 max-sm:grid-cols-1">
        <TriedField
          label="Plants wanted, /ha"
          value={plants}
          onType={setPlants}
          problem={read && !read.ok ? read.problem : undefined}
        />
        <TriedField label="Comes up, %" hint={view.of} value={up} onType={setUp} />
        <TriedField
          label={`Or a seed every, ${units.small}`}
          value={spacing}
          onType={setSpacing}
          problem={apart && !apart.ok ? apart.problem : undefined}
        />
      </div>
      {set !== null && (
        <p className="text-lead" data-seed-rate>
          <b>{say("count per area", set, units)}</b>: a seed every{" "}
          <b>{printLength(seedSpacing(set, rowSpacing), units.small)}</b> in rows{" "}
          {printLength(rowSpacing, units.small)} apart.
        </p>
      )}
      {by !== null && (
        <p>
          A seed every {spacing} makes <b>{say("count per area", by, units)}</b>.
        </p>
      )}
      <p>
        To count a stand: {printLength(rowFor(COUNT_AREAS.ten, rowSpacing), units.tape)} of row is 10 m²,{" "}
        {printLength(rowFor(COUNT_AREAS.thousandth, rowSpacing), units.tape)} a thousandth of an acre
        {set !== null && (
          <>
            : {Math.round(set * COUNT_AREAS.ten)} or {Math.round(set * COUNT_AREAS.thousandth)} seeds
          </>
        )}
        .
      </p>
    </>
  );
}
