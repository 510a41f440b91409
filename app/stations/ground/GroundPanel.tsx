import { useState } from "react";
import { v4 as uuid } from "uuid";
import { behindLabel, type LengthStyle } from "../../../core/quantity/length.ts";
import { ACROSS } from "../../../core/subjects/ground/grid.ts";
import { ADJUSTER_FORMS } from "../../../core/yard/ground.ts";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { Field, SelectField, TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { Send } from "../../ui/Send.tsx";
import { AddAdjusterDto, depthName, KeepMapDto, readMap, readMoves } from "./ground.dto.ts";
import type { GroundView } from "./ground-view.server.ts";

type Props = { view: GroundView; action: string; person: string };

/** Depth and level of the tool in view: what the ground says, what to turn, and the next map. */
export function GroundPanel({ view, action, person }: Props) {
  if (!view.digs && !view.guided)
    return (
      <section id="depth-map" aria-label="Depth map">
        <div id="strip">
          <p id="adjusters" className="text-soft">
            This tool works at no depth in the soil.
          </p>
        </div>
      </section>
    );
  if (!view.mapped) return <Adjusters view={view} action={action} person={person} />;
  return (
    <>
      <section id="depth-map" aria-label="Depth map" className="grid scroll-mt-4 gap-3">
        <h2 className="border-b-2 border-ink pb-1">
          Depth map <span className="font-normal text-soft">{view.map?.field}</span>
        </h2>
        {view.map && <MapDrawn map={view.map} />}
        {view.map?.learnt && <LastTurning learnt={view.map.learnt} action={action} person={person} />}
        {view.map?.advice && (
          <Advice advice={view.map.advice} odd={view.map.odd} action={action} person={person} />
        )}
        <NewMap key={view.map?.when ?? ""} view={view} action={action} person={person} />
      </section>
      <Adjusters view={view} action={action} person={person} />
    </>
  );
}

type MapView = NonNullable<GroundView["map"]>;

/** The points where they were measured, to scale from above, travel upward: darker is deeper. */
function MapDrawn({ map }: { map: MapView }) {
  return (
    <div className="grid gap-1" data-map>
      <p className="text-small text-soft">
        Wanted {map.wanted}. {map.when}. From above, travel upward; beside each point what it is off.
      </p>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: on a phone it is wider than the screen, and keys must reach its end */}
      <section className="overflow-x-auto" tabIndex={0} aria-label="Points of the map">
        <svg
          viewBox={`0 0 ${map.width} ${map.height}`}
          className="w-full min-w-[600px] bg-sheet"
          role="img"
          aria-label={map.points.map(({ label, depth, by }) => `${label} ${depth}, ${by}`).join("; ")}
        >
          {map.points.map(({ label, x, y, depth, by, shade, odd }) => (
            <g key={label} data-point={label}>
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
        </svg>
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
  return (
    <form {...form} className="grid gap-2 border-[1.5px] border-dye p-3" data-advice>
      <input type="hidden" name="intent" value="set-adjusters" />
      <h3 className="font-bold text-dye">Turn this</h3>
      {advice.turns.length === 0 && <p>Nothing that can be turned brings it nearer.</p>}
      <p className={`order-1 ${advice.within ? "" : "font-[650] text-warn"}`}>{advice.after}</p>
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

function NewMap({ view: { form: asked }, action, person }: Props) {
  const [across, setAcross] = useState(asked.across);
  const [id] = useState(() => uuid());
  const places = asked.places[across] ?? [];
  const { form, busy, errors } = useKeptForm(action, "Depth map", {
    wrongWith: (typed) => wrongIn(validateForm(KeepMapDto, typed), readMap(typed, places)),
  });
  const lines = [...new Set(places.map(({ x }) => x))];
  return (
    <form {...form} className="grid gap-2">
      <input type="hidden" name="intent" value="keep-map" />
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="style" value={asked.style} />
      <h3 className="font-bold">Measure a strip</h3>
      <p className="text-soft">
        Run a short strip at working speed, stop without backing, dig at the points. What is left empty was
        skipped.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <TextField name="field" label="Field" problem={errors.field} maxLength={60} />
        <TextField
          name="wanted"
          label={`Depth wanted${behindLabel(asked.style)}`}
          defaultValue={asked.wanted}
          problem={errors.wanted}
          className="w-32"
        />
        <Field label="Points across" problem={errors.across}>
          <select
            name="across"
            className="field"
            value={across}
            onChange={(event) => setAcross(Number(event.target.value))}
          >
            {Array.from({ length: ACROSS.most - ACROSS.fewest + 1 }, (_, at) => ACROSS.fewest + at).map(
              (each) => (
                <option key={each}>{each}</option>
              ),
            )}
          </select>
        </Field>
      </div>
      {lines.map((x) => (
        <div key={x} className="grid grid-cols-[repeat(auto-fill,minmax(76px,1fr))] gap-2">
          {places
            .filter((place) => place.x === x)
            .map(({ key, label }) => (
              <label key={key} className="grid content-start gap-0.5 text-small">
                {label}
                <input
                  name={depthName(key)}
                  className="field px-2"
                  inputMode="decimal"
                  autoComplete="off"
                  aria-invalid={errors[depthName(key)] !== undefined}
                />
                {errors[depthName(key)] && <span className="problem">{errors[depthName(key)]}</span>}
              </label>
            ))}
        </div>
      ))}
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          name="person"
          label="Measured by"
          defaultValue={person}
          problem={errors.person}
          autoComplete="name"
        />
        <Send busy={busy} className="key-main">
          Save the map
        </Send>
      </div>
      {(errors.form ?? errors.id) && <p className="problem">{errors.form ?? errors.id}</p>}
    </form>
  );
}

function Adjusters({ view: { adjusters, measures, form: asked }, action, person }: Props) {
  const { form, busy, errors } = useKeptForm(action, "Adjusters as they stand");
  return (
    <section id="adjusters" aria-label="Adjusters" className="grid scroll-mt-4 gap-2">
      <h2 className="border-b-2 border-ink pb-1">Adjusters</h2>
      {adjusters.length === 0 ? (
        <p className="text-soft">
          None told. With where each stands and what a step of it does, the map says which to turn, which way
          and how far.
        </p>
      ) : (
        <form {...form} className="grid gap-2">
          <input type="hidden" name="intent" value="set-adjusters" />
          <ul>
            {adjusters.map(({ id, name, label, kind, range, effect, how, setting, steps }) => (
              <li
                key={`${id} ${setting}`}
                data-adjuster={label}
                className="grid grid-cols-[1fr_150px] items-center gap-3 border-b border-hair py-1.5 leading-snug"
              >
                <span>
                  <b className="font-[650]">{label}</b>, {kind.toLowerCase()}, {range}
                  <span className="block text-small text-soft">{effect}</span>
                  {how && <span className="block text-small text-soft">{how}</span>}
                </span>
                <label className="flex items-center gap-1.5 text-small">
                  <input
                    name={name}
                    defaultValue={setting ?? ""}
                    aria-label={`${label} stands at`}
                    aria-invalid={errors[name] !== undefined}
                    className="field w-20 text-center"
                    inputMode="numeric"
                    autoComplete="off"
                  />
                  {steps}
                </label>
                {errors[name] && <span className="problem col-span-2">{errors[name]}</span>}
              </li>
            ))}
          </ul>
          <div className="flex flex-wrap items-end gap-2">
            <TextField name="person" label="Who set them" defaultValue={person} problem={errors.person} />
            <Send busy={busy} className="key">
              They stand so
            </Send>
          </div>
          {errors.form && <p className="problem">{errors.form}</p>}
        </form>
      )}
      <NewAdjuster
        key={adjusters.length}
        adjusters={adjusters}
        fine={asked.fine}
        measures={measures}
        action={action}
        person={person}
      />
    </section>
  );
}

function NewAdjuster({
  adjusters,
  fine,
  measures,
  action,
  person,
}: {
  adjusters: GroundView["adjusters"];
  fine: LengthStyle;
  measures: GroundView["measures"];
  action: string;
  person: string;
}) {
  const [moves, setMoves] = useState("");
  const measure = measures.find(({ key }) => key === moves) ?? null;
  const { form, busy, errors } = useKeptForm(action, "Another adjuster", {
    wrongWith: (typed) => wrongIn(validateForm(AddAdjusterDto, typed), readMoves(typed)),
  });
  return (
    <Folded summary="Add an adjuster">
      <form {...form} className="grid gap-2 pt-1">
        <input type="hidden" name="intent" value="add-adjuster" />
        <input type="hidden" name="fine" value={fine} />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <TextField
            name="label"
            label="What it is called"
            placeholder="wheel screw, left"
            problem={errors.label}
          />
          <SelectField
            name="form"
            label="What it is"
            problem={errors.form}
            choices={Object.entries(ADJUSTER_FORMS).map(([key, { label }]) => [key, label] as const)}
          />
          <TextField
            name="low"
            label="Lowest, in steps"
            defaultValue="0"
            problem={errors.low}
            inputMode="numeric"
          />
          <TextField
            name="high"
            label="Highest, in steps"
            defaultValue="10"
            problem={errors.high}
            inputMode="numeric"
          />
        </div>
        <SelectField
          name="measure"
          label="What it moves"
          value={moves}
          onChange={(event) => setMoves(event.target.value)}
          choices={[
            ["", "depth and level of the tool"],
            ...measures.map(({ key, label }) => [key, label] as const),
          ]}
          problem={errors.measure}
        />
        {measure ? (
          <Amount measure={measure} problem={errors.amount} wayProblem={errors.way} />
        ) : (
          <>
            <p className="pt-1 font-semibold">One step more makes it, {fine}</p>
            <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
              <TextField
                name="front"
                label="deeper in front by"
                hint="minus where shallower"
                problem={errors.front}
              />
              <TextField name="rear" label="deeper behind by" problem={errors.rear} />
              <TextField name="across" label="right deeper than left by" problem={errors.across} />
            </div>
          </>
        )}
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <TextField
            name="storage"
            label="Storage position"
            hint="empty where there is none"
            problem={errors.storage}
          />
          <SelectField
            name="pair"
            label="Kept equal with"
            choices={[["", "nothing"], ...adjusters.map(({ id, label }) => [String(id), label] as const)]}
          />
          <TextField
            name="how"
            label="How it is set"
            placeholder="loosened lowered, tightened raised"
            problem={errors.how}
          />
          <TextField name="person" label="Told by" defaultValue={person} problem={errors.person} />
        </div>
        <Send busy={busy} className="key justify-self-start">
          Add it
        </Send>
      </form>
    </Folded>
  );
}

/** What a step does to the one thing it moves: which way, and how far where that is known. */
function Amount({
  measure,
  problem,
  wayProblem,
}: {
  measure: GroundView["measures"][number];
  problem: string | undefined;
  wayProblem: string | undefined;
}) {
  return (
    <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
      <input type="hidden" name="unit" value={measure.unit} />
      <SelectField
        name="way"
        label="One step more makes it"
        choices={[
          ["", "nobody knows: learnt from a turn"],
          ["more", measure.more],
          ["less", `the other way than ${measure.more}`],
        ]}
        problem={wayProblem}
      />
      {measure.unit && (
        <TextField
          name="amount"
          label={`by, ${measure.unit}`}
          hint="empty where nobody knows"
          inputMode="decimal"
          problem={problem}
        />
      )}
    </div>
  );
}
