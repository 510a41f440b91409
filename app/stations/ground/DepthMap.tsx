import { useState } from "react";
import { PlanDrawing } from "../../drawing/PlanDrawing.tsx";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import type { MapView } from "./map-view.server.ts";

type Props = { map: MapView; action: string; person: string };

/** What the newest map says, what the last turning did, and what to turn. */
export function DepthMap({ map, action, person }: Props) {
  return (
    <>
      <MapDrawn map={map} />
      {map.learnt && <LastTurning learnt={map.learnt} action={action} person={person} />}
      {map.advice && <Advice advice={map.advice} odd={map.odd} action={action} person={person} />}
    </>
  );
}

/** The points where they were dug, on the tool, to scale from above, travel upward: darker is deeper. */
function MapDrawn({ map }: { map: MapView }) {
  const { drawn, view, foretold } = map;
  const [ahead, setAhead] = useState(false);
  const then = ahead && foretold.length > 0;
  const points = then ? map.points.map((point, at) => ({ ...point, ...foretold[at]! })) : map.points;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-1" data-map={then ? "foretold" : "dug"}>
      <p className="text-small text-soft">
        Wanted {map.wanted}. {map.when}. From above, to scale, travel upward; under each point what it is off.
      </p>
      {foretold.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <button type="button" className="key" aria-pressed={then} onClick={() => setAhead(!then)}>
            {then ? "As it was dug" : "As it would be, turned so"}
          </button>
          {then && <b className="font-[650]">Foretold, not dug.</b>}
        </div>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: on a phone it is wider than the screen, and keys must reach its end */}
      <section className="overflow-x-auto" tabIndex={0} aria-label="Points of the map">
        <div style={{ minWidth: view.w * 0.95, maxWidth: view.w * 1.2 }}>
          <PlanDrawing
            plan={drawn}
            view={view}
            bare
            title={points.map(({ label, depth, by }) => `${label} ${depth}, ${by}`).join("; ")}
            hrefOf={null}
            lit={null}
            className="w-full"
          >
            {points.map(({ label, x, y, depth, by, shade, odd }) => (
              <g key={label} data-point={label}>
                <circle cx={x} cy={y} r={20} fill="var(--sheet)" />
                <circle
                  cx={x}
                  cy={y}
                  r={20}
                  fill={shade >= 0 ? "var(--dye)" : "var(--steel-2)"}
                  fillOpacity={0.15 + 0.45 * Math.min(1, Math.abs(shade))}
                  stroke={odd ? "var(--stop)" : "var(--ink)"}
                  strokeWidth={odd ? 3 : 1}
                  strokeDasharray={shade < 0 ? "4 3" : undefined}
                />
                <text x={x} y={y + 5} textAnchor="middle" fontSize={15} fontWeight={700} fill="var(--ink)">
                  {depth}
                </text>
                <text
                  x={x}
                  y={y + 38}
                  textAnchor="middle"
                  fontSize={15}
                  fill={odd ? "var(--stop)" : "var(--ink)"}
                >
                  {by}
                </text>
              </g>
            ))}
          </PlanDrawing>
        </div>
      </section>
      <ul className="grid gap-0.5">
        {map.off.map(({ key, said, good }) => (
          <li
            key={key}
            data-off={key}
            className={`font-semibold first-letter:uppercase ${good ? "text-ok" : "text-warn"}`}
          >
            {said}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Advice({
  advice,
  odd,
  action,
  person,
}: {
  advice: NonNullable<MapView["advice"]>;
  odd: boolean;
  action: string;
  person: string;
}) {
  const { form, busy, errors } = useKeptForm(action, "Adjusters turned");
  if (odd)
    return (
      <p className="border-l-4 border-warn bg-warn-wash px-3 py-2 font-semibold" data-advice>
        One point does not fit the others. Measure it again before anything is turned.
      </p>
    );
  const settled = advice.within && advice.turns.length === 0;
  return (
    <form {...form} className="grid gap-2 border-[1.5px] border-dye p-3" data-advice>
      <input type="hidden" name="intent" value="set-adjusters" />
      <h3 className="font-bold text-dye">{settled ? "Nothing to turn" : "Turn this"}</h3>
      {advice.turns.length === 0 && !settled && <p>Nothing that can be turned brings it nearer.</p>}
      <p className={`order-1 ${advice.within ? "" : "font-[650] text-warn"}`}>
        {settled ? "It is within what is allowed." : advice.after}
      </p>
      {advice.turns.length > 0 && (
        <>
          <ul>
            {advice.turns.map(({ id, name, said, to, how }) => (
              <li key={id} className="border-t border-hair py-1.5 text-lead font-bold text-dye">
                {said}
                {how && <span className="block text-small font-normal text-ink">{how}</span>}
                <input type="hidden" name={name} value={to} />
              </li>
            ))}
          </ul>
          <div className="order-2 flex flex-wrap items-end gap-2">
            <TextField name="person" label="Who turns" defaultValue={person} problem={errors.person} />
            <Send busy={busy} className="key-main">
              They stand so now
            </Send>
          </div>
          <p className="order-2 text-small text-soft">
            Then run another strip and measure again: the ground has the last word.
          </p>
        </>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
    </form>
  );
}

/** What was foretold of the last turning, and what came. */
function LastTurning({
  learnt,
  action,
  person,
}: {
  learnt: NonNullable<MapView["learnt"]>;
  action: string;
  person: string;
}) {
  const { form, busy, errors } = useKeptForm(action, "Learnt from the last turning");
  return (
    <form
      {...form}
      className="grid gap-1 border-l-4 border-line pl-3"
      data-learnt={learnt.wrongWay ? "wrong way" : "as told"}
    >
      <input type="hidden" name="intent" value="learn-effect" />
      <p className="font-bold">Since the map before: {learnt.turned}</p>
      <ul>
        {learnt.came.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      {learnt.wrongWay && <p className="font-semibold text-stop">It went the other way than told.</p>}
      {learnt.shared && (
        <p className="text-small text-soft">
          Several were turned at once: what came otherwise is shared out among them.
        </p>
      )}
      {learnt.tells && (
        <div className="flex flex-wrap items-end gap-2">
          <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
          <Send busy={busy} className="key">
            Reckon with what it did
          </Send>
        </div>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
    </form>
  );
}
