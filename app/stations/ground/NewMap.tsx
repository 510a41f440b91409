import { Footprints } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { behindLabel, type LengthStyle } from "../../../core/quantity/length.ts";
import { ACROSS, type Place } from "../../../core/subjects/ground/grid.ts";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { type FieldErrors, validateForm, wrongIn } from "../../session/validate.ts";
import { Field, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { depthName, KeepMapDto, readMap } from "./ground.dto.ts";
import type { GroundView } from "./ground-view.server.ts";

type Props = { asked: GroundView["form"]; action: string; person: string };

/** A strip that was run and dug, to be entered: all points at once, or walked one by one. */
export function NewMap({ asked, action, person }: Props) {
  const [across, setAcross] = useState(asked.across);
  const [id] = useState(() => uuid());
  const places = asked.places[across] ?? [];
  const { form, busy, errors } = useKeptForm(action, "Depth map", {
    wrongWith: (typed) => wrongIn(validateForm(KeepMapDto, typed), readMap(typed, places)),
  });
  const walk = useWalk(places, errors);
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
        {places.length > 0 && walk.place === null && (
          <button type="button" className="key inline-flex items-center gap-2" onClick={walk.begin}>
            <Footprints size={20} aria-hidden="true" /> Walk them one by one
          </button>
        )}
      </div>
      <Points places={places} walk={walk} style={asked.style} errors={errors} />
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

type Walk = ReturnType<typeof useWalk>;

/** There along the front from the left, back along the rear from the right. */
function useWalk(places: readonly Place[], errors: FieldErrors) {
  const path = walked(places);
  const [at, setAt] = useState<number | null>(null);
  const [seen, setSeen] = useState(errors);
  // Where one of them is wrong, that one is walked to again.
  if (seen !== errors) {
    setSeen(errors);
    const wrong = path.findIndex(({ key }) => errors[depthName(key)] !== undefined);
    if (at !== null && wrong >= 0) setAt(wrong);
  }
  const within = (next: number) => (next < 0 ? 0 : next >= path.length ? null : next);
  return {
    place: at === null ? null : (path[at] ?? null),
    number: (at ?? 0) + 1,
    last: at === path.length - 1,
    begin: () => setAt(0),
    back: () => setAt(within((at ?? 0) - 1)),
    on: () => setAt(within((at ?? 0) + 1)),
    end: () => setAt(null),
  };
}

function walked(places: readonly Place[]): Place[] {
  const lines = [...new Set(places.map(({ x }) => x))];
  return lines.flatMap((x, at) => {
    const line = places.filter((place) => place.x === x);
    return at % 2 === 0 ? line : line.reverse();
  });
}

/** Every point as a field; while they are walked, only the one that is stood at. */
function Points({
  places,
  walk,
  style,
  errors,
}: {
  places: readonly Place[];
  walk: Walk;
  style: LengthStyle;
  errors: FieldErrors;
}) {
  const lines = [...new Set(places.map(({ x }) => x))];
  const walking = walk.place !== null;
  return (
    <div
      className={walking ? "grid gap-3 border-[1.5px] border-ink p-3" : "grid gap-2"}
      data-walking={walking}
    >
      {walk.place && (
        <p className="text-lead font-bold first-letter:uppercase">
          {walk.place.label}{" "}
          <span className="font-normal text-soft">
            {walk.number} of {places.length}
          </span>
        </p>
      )}
      {walk.place && <Where places={places} now={walk.place} />}
      {lines.map((x) => (
        <div
          key={x}
          className={walking ? "contents" : "grid grid-cols-[repeat(auto-fill,minmax(76px,1fr))] gap-2"}
        >
          {places
            .filter((place) => place.x === x)
            .map((place) => (
              <PointField
                key={place.key}
                place={place}
                style={style}
                stood={walk.place === null ? null : walk.place.key === place.key}
                wrong={errors[depthName(place.key)]}
                on={walk.on}
              />
            ))}
        </div>
      ))}
      {walking && (
        <div className="grid grid-cols-3 gap-2">
          <button type="button" className="key" onClick={walk.back} disabled={walk.number === 1}>
            Back
          </button>
          <button type="button" className="key" onClick={walk.end}>
            All at once
          </button>
          <button type="button" className="key-main" onClick={walk.on}>
            {walk.last ? "That was the last" : "Next"}
          </button>
        </div>
      )}
    </div>
  );
}

/** `stood`: whether it is the one that is stood at; null where they are not walked. */
function PointField({
  place: { key, label },
  style,
  stood,
  wrong,
  on,
}: {
  place: Place;
  style: LengthStyle;
  stood: boolean | null;
  wrong: string | undefined;
  on: () => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (stood) input.current?.focus();
  }, [stood]);
  return (
    <label
      className={`content-start gap-0.5 ${stood === false ? "hidden" : "grid"} ${stood ? "" : "text-small"}`}
    >
      {stood ? `Depth${behindLabel(style)}` : label}
      <input
        ref={input}
        name={depthName(key)}
        className={stood ? "field h-16 text-[28px]" : "field px-2"}
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={wrong !== undefined}
        onKeyDown={(event) => {
          if (!stood || event.key !== "Enter") return;
          event.preventDefault();
          on();
        }}
      />
      {wrong && <span className="problem">{wrong}</span>}
    </label>
  );
}

/** The points as they lie, the one that is stood at filled. */
function Where({ places, now }: { places: readonly Place[]; now: Place }) {
  const [left, right] = [Math.min(...places.map(({ y }) => y)), Math.max(...places.map(({ y }) => y))];
  const lines = [...new Set(places.map(({ x }) => x))].sort((a, b) => b - a);
  const wide = Math.max(right - left, 0.01);
  return (
    <svg
      viewBox={`0 0 320 ${lines.length * 26}`}
      className="w-full max-w-[420px]"
      role="img"
      aria-label={`${now.label}, from above, travel upward`}
    >
      {places.map(({ key, x, y }) => (
        <circle
          key={key}
          cx={12 + ((y - left) / wide) * 296}
          cy={13 + lines.indexOf(x) * 26}
          r={key === now.key ? 11 : 6}
          fill={key === now.key ? "var(--dye)" : "none"}
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
      ))}
    </svg>
  );
}
