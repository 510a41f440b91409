import { useEffect, useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import type { FieldUnit } from "../../../core/dimension/entry.ts";
import type { AskedField as Asked } from "../../../core/job/kind.ts";
import { capital } from "../../../core/quantity/capital.ts";
import { QuantityInput, sideWords, WordKeys } from "../../entry/QuantityField.tsx";
import { useKeep } from "../../entry/use-keep.ts";
import { askedIn } from "../../offline/queue.ts";
import { type FieldErrors, validateForm, wrongIn } from "../../session/validate.ts";
import { Field, SelectField } from "../../ui/Field.tsx";
import { Keypad } from "../../ui/Keypad.tsx";
import { Send } from "../../ui/Send.tsx";
import { readObservation, stylesText, textName, wordName } from "./observation.ts";
import { ObserveDto } from "./proof.dto.ts";
import type { JobView } from "./proof-view.server.ts";
import { useWaitingObservations } from "./waiting-observations.ts";

type Props = { job: JobView; action: string; person: string };

/** One observation, typed where it is measured; without a connection it waits on the device. */
export function ObservationForm({ job, action, person }: Props) {
  const [typed, setTyped] = useState<Record<string, string>>(() => firstOf(job));
  const [errors, setErrors] = useState<FieldErrors>({});
  const [active, setActive] = useState<string | null>(null);
  const [id, setId] = useState(() => uuid());
  const { keep: send, busy } = useKeep(action);
  const form = useRef<HTMLFormElement>(null);
  const count = job.observations.length + useWaitingObservations(action, job.id).length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new observation asks for what usually follows it
  useEffect(() => setTyped((now) => ({ ...now, ...firstOf(job) })), [count]);
  const type = (name: string, text: string) => {
    setTyped((now) => ({ ...now, [name]: text }));
    setErrors(({ [name]: _, ...rest }) => rest);
  };
  const refuse = (found: FieldErrors) => {
    setErrors(found);
    form.current?.querySelector<HTMLElement>(`[name="${Object.keys(found)[0]}"]`)?.focus();
  };
  const keep = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const element = event.currentTarget;
    const data = new FormData(element);
    const checked = validateForm(ObserveDto, data);
    const read = readObservation(job.fields, (name) => String(data.get(name) ?? ""), job.styles);
    const found = wrongIn(checked, read);
    if (Object.keys(found).length > 0) return refuse(found);
    const kept = await send(data, `${job.one} ${count + 1}`, { asked: askedIn(element) });
    if (kept.state === "refused") return refuse(kept.errors);
    setErrors({});
    setId(uuid());
    setTyped((now) => emptied(job, now));
    const [first] = job.fields.filter(({ kind }) => kind !== "choice" && kind !== "point");
    if (first) form.current?.querySelector<HTMLElement>(`[name="${textName(first.key)}"]`)?.focus();
  };
  const keypadOn = job.fields.find(({ key }) => textName(key) === active);
  return (
    <form ref={form} method="post" action={action} onSubmit={keep} className="grid gap-2" noValidate>
      <input type="hidden" name="intent" value="observe" />
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="test" value={job.id} />
      <input type="hidden" name="styles" value={stylesText(job.styles)} />
      <input type="hidden" name="measuredAt" value="" />
      <h2>
        {capital(job.one)} {count + 1}
      </h2>
      {job.fields.map((field) => (
        <Entry
          key={field.key}
          field={field}
          job={job}
          typed={typed}
          errors={errors}
          onType={type}
          onActive={setActive}
        />
      ))}
      {active && keypadOn && (
        <Keypad
          style={unitOf(keypadOn.kind, job) as FieldUnit}
          text={typed[active] ?? ""}
          onType={(text) => type(active, text)}
        >
          <Send busy={busy} className="key-main min-h-12 text-[18px]">
            Save {job.one} {count + 1}
          </Send>
        </Keypad>
      )}
      <div className="grid grid-cols-[auto_1fr] items-end gap-2">
        <Send busy={busy} className="key-main min-h-12">
          Save {job.one} {count + 1}
        </Send>
        <Field label="Measured by" problem={errors.person}>
          <input name="person" className="field" defaultValue={person} autoComplete="name" />
        </Field>
      </div>
      {errors.form && <p className="problem">{errors.form}</p>}
    </form>
  );
}

function unitOf(kind: Asked["kind"], { styles }: JobView): string {
  if (kind === "coordinate" || kind === "heading") return "°";
  return kind === "speed" ? styles.speed : kind === "length" ? styles.tape : styles.small;
}

/** Choices begin with what usually comes next; figures begin empty. */
function firstOf({ fields, next, points }: JobView): Record<string, string> {
  return Object.fromEntries(
    fields.flatMap(({ key, ...field }) => {
      if (field.kind === "choice") return [[textName(key), next[key] ?? field.choices[0]!.key]];
      if (field.kind === "point")
        return [[textName(key), key === "from" ? (points[0]?.key ?? "") : (points.at(-1)?.key ?? "")]];
      return [];
    }),
  );
}

/** A speed is driven again; points and choices stay. */
function emptied({ fields }: JobView, typed: Record<string, string>): Record<string, string> {
  const emptied = { ...typed };
  for (const { key, kind } of fields)
    if (kind === "sided" || kind === "length" || kind === "coordinate") {
      delete emptied[textName(key)];
      delete emptied[wordName(key)];
    }
  return emptied;
}

type EntryProps = {
  field: Asked;
  job: JobView;
  typed: Record<string, string>;
  errors: FieldErrors;
  onType: (name: string, text: string) => void;
  onActive: (name: string) => void;
};

function Entry({ field, job, typed, errors, onType, onActive }: EntryProps) {
  const name = textName(field.key);
  const problem = errors[name];
  if (field.kind === "choice")
    return (
      <fieldset aria-label={field.label} className="grid gap-1">
        <span>{field.label}</span>
        <input type="hidden" name={name} value={typed[name] ?? ""} />
        <WordKeys
          words={field.choices}
          isOn={(key) => typed[name] === key}
          onPress={(key) => onType(name, key)}
        />
        {problem ? <span className="problem">{problem}</span> : <Hint>{field.hint}</Hint>}
      </fieldset>
    );
  if (field.kind === "point")
    return (
      <SelectField
        name={name}
        label={field.label}
        problem={problem}
        value={typed[name] ?? ""}
        onChange={(event) => onType(name, event.target.value)}
        choices={job.points.map(({ key, label }) => [key, label])}
      />
    );
  const word = wordName(field.key);
  const unit = unitOf(field.kind, job);
  return (
    <div className="grid gap-1.5">
      <Field label={field.label} problem={problem} hint={field.hint}>
        <span className="relative grid">
          <QuantityInput
            name={name}
            className="field min-h-12 text-[20px] font-[650]"
            text={typed[name] ?? ""}
            onType={(text) => onType(name, text)}
            problem={problem}
            onFocus={() => onActive(name)}
          />
          <span className="pointer-events-none absolute top-1/2 right-3 -translate-y-1/2 text-soft">
            {unit}
          </span>
        </span>
      </Field>
      {field.kind === "sided" && (
        <>
          <input type="hidden" name={word} value={typed[word] ?? ""} />
          <WordKeys
            words={sideWords(field.plus, field.minus)}
            isOn={(each) => typed[word] === each}
            onPress={(each) => onType(word, each)}
          />
        </>
      )}
    </div>
  );
}

function Hint({ children }: { children: string }) {
  return children ? <span className="text-small text-soft">{children}</span> : null;
}
