import { Undo2 } from "lucide-react";
import { useState } from "react";
import { v4 as uuid } from "uuid";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { WAITS_HERE } from "../../offline/use-waiting.ts";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { Field } from "../../ui/Field.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { fieldName, POSITIONS, readFields, readPositions } from "./asked-typed.ts";
import { CalibratingDto } from "./calibrating.dto.ts";
import type { Going } from "./going.ts";
import { Hidden } from "./Hidden.tsx";
import { SavedBy } from "./SavedBy.tsx";
import { useWaitingRuns } from "./waiting-runs.ts";

const TAPS = [
  { key: "plants", label: "Plant", looks: "key-main" },
  { key: "skips", label: "Empty place", looks: "key" },
  { key: "doubles", label: "Two in one", looks: "key" },
] as const;
type Tap = (typeof TAPS)[number]["key"];

type By = "taps" | "tape";

/** A row counted as one walks along it: a tap a place, or where each plant stands on the tape. */
export function TapForm(going: Going) {
  const { view, action, person, id, begin } = going;
  const { parts } = view;
  const [entry, setEntry] = useState(() => uuid());
  const [by, setBy] = useState<By>("taps");
  const [taps, setTaps] = useState<readonly Tap[]>([]);
  const waits = useWaitingRuns(action, id);
  const counted = new Set([
    ...(parts?.each ?? []).filter(({ entered }) => entered).map(({ place }) => String(place)),
    ...waits.map(({ fields }) => fields[fieldName("place")] ?? ""),
  ]);
  const open = (parts?.each ?? []).find(({ place }) => !counted.has(String(place)))?.place ?? 1;
  const [chosen, setChosen] = useState<string | null>(null);
  const row = chosen ?? String(open);
  const { form, busy, errors } = useKeptForm(action, `${view.title}, row ${row}`, {
    wrongWith: (typed) =>
      wrongIn(validateForm(CalibratingDto, typed), readFields(view.fields, typed), readPositions(typed)),
    done: () => {
      begin();
      setEntry(uuid());
      setTaps([]);
      setChosen(null);
    },
  });
  const count = (tap: Tap) => taps.filter((each) => each === tap).length;
  if (!parts || parts.each.length === 0)
    return (
      <p className="font-semibold text-warn">Nobody told how many rows it has: enter that at the tool.</p>
    );
  return (
    <form {...form} className="grid gap-2" data-entry>
      <Hidden view={view} id={id} entry={entry} />
      <input type="hidden" name={fieldName("place")} value={row} />
      <h2>Row {row}</h2>
      <Radios
        label="Row"
        value={row}
        choices={parts.each.map(({ place }) => ({
          value: String(place),
          label: `${place}${counted.has(String(place)) ? " ✓" : ""}`,
        }))}
        onChoose={(value) => {
          setChosen(value);
          setTaps([]);
        }}
        className="grid-cols-[repeat(auto-fill,minmax(60px,1fr))]"
      />
      <Radios
        label="How it is counted"
        value={by}
        choices={[
          { value: "taps", label: "Tap as you walk" },
          { value: "tape", label: "Read the tape" },
        ]}
        onChoose={setBy}
        className="grid-cols-2"
      />
      {by === "taps" ? (
        <>
          {TAPS.map(({ key }) => (
            <input key={key} type="hidden" name={fieldName(key)} value={count(key) || ""} />
          ))}
          <div className="grid grid-cols-3 gap-2">
            {TAPS.map(({ key, label, looks }) => (
              <button
                key={key}
                type="button"
                className={`${looks} h-20 px-1 text-lead leading-tight`}
                onClick={() => setTaps((now) => [...now, key])}
              >
                <span>
                  {label} <b className="block text-value">{count(key)}</b>
                </span>
              </button>
            ))}
          </div>
          <button
            type="button"
            className="key inline-flex items-center gap-2 justify-self-start"
            disabled={taps.length === 0}
            onClick={() => setTaps((now) => now.slice(0, -1))}
          >
            <Undo2 size={20} aria-hidden="true" /> Last tap back
          </button>
        </>
      ) : (
        <>
          <input type="hidden" name={`${POSITIONS}Unit`} value="cm" />
          <Field
            label="Each plant on the tape, cm"
            hint="one after another with a blank between: 4 22 39 61"
            problem={errors[POSITIONS]}
          >
            <textarea name={POSITIONS} key={entry} rows={3} className="field py-2" inputMode="decimal" />
          </Field>
        </>
      )}
      {waits.length > 0 && (
        <p className="text-warn">
          {waits.length} {waits.length === 1 ? "row" : "rows"}, {WAITS_HERE}.
        </p>
      )}
      <SavedBy
        person={person}
        label="Counted by"
        busy={busy}
        errors={errors}
        problem={errors.form ?? errors.id ?? errors[fieldName("place")]}
      >
        Save row {row}
      </SavedBy>
    </form>
  );
}
