import { Plus } from "lucide-react";
import { useState } from "react";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { listName, MOST, textName, unitName, wordName } from "./seen.ts";
import type { FieldView } from "./strip-view.server.ts";

/** What is entered at one step: figures with their unit, several of a kind side by side, and what one sees, to be pressed. */
export function LookFields({ fields, errors }: { fields: readonly FieldView[]; errors: FieldErrors }) {
  return (
    <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
      {fields.map((field) => (
        <LookField key={`${field.key} ${field.typed}`} field={field} errors={errors} />
      ))}
    </div>
  );
}

function LookField({ field, errors }: { field: FieldView; errors: FieldErrors }) {
  if (field.kind === "choice") return <Pressed field={field} problem={errors[textName(field.key)]} />;
  if (field.kind === "lengths") return <Several field={field} errors={errors} />;
  return <One field={field} errors={errors} />;
}

/** Large keys: what is seen is pressed with a glove. */
function Pressed({ field, problem }: { field: FieldView; problem: string | undefined }) {
  const [chosen, setChosen] = useState(field.typed);
  return (
    <fieldset className="col-span-full grid gap-1" aria-invalid={problem !== undefined}>
      <legend className="pb-1">{field.label}</legend>
      <div className="flex flex-wrap gap-2">
        {field.choices.map(([key, words]) => (
          <label
            key={key}
            className="choice flex min-h-12 cursor-pointer items-center gap-2 px-3"
            data-state={chosen === key ? "checked" : "unchecked"}
          >
            <input
              type="radio"
              name={textName(field.key)}
              value={key}
              checked={chosen === key}
              onChange={() => setChosen(key)}
              className="size-5"
            />
            {words}
          </label>
        ))}
      </div>
      {problem && <span className="problem">{problem}</span>}
    </fieldset>
  );
}

const entered = (field: FieldView) => ({
  inputMode: field.kind === "count" ? ("numeric" as const) : ("decimal" as const),
  autoComplete: "off",
});

function One({ field, errors }: { field: FieldView; errors: FieldErrors }) {
  const { key, label, hint, unit, words, typed, word, optional } = field;
  const asked = optional && !hint ? "may be left empty" : hint || undefined;
  return (
    <div className={words ? "grid grid-cols-[1fr_auto] items-start gap-2" : "grid"}>
      <TextField
        name={textName(key)}
        label={label}
        hint={asked}
        defaultValue={typed}
        problem={errors[textName(key)]}
        {...entered(field)}
      />
      {unit && <input type="hidden" name={unitName(key)} value={unit} />}
      {words && (
        <SelectField
          name={wordName(key)}
          label="which way"
          defaultValue={word}
          choices={[["", "—"], ...words.map((each) => [each, each] as const)]}
        />
      )}
    </div>
  );
}

function Several({ field, errors }: { field: FieldView; errors: FieldErrors }) {
  const [shown, setShown] = useState(Math.min(MOST, Math.max(field.fewest, 2)));
  const problem = Array.from({ length: shown }, (_, at) => errors[listName(field.key, at)]).find(Boolean);
  return (
    <fieldset className="col-span-full grid gap-1">
      <legend className="pb-1">
        {field.label}
        {field.hint && <span className="text-small text-soft"> {field.hint}</span>}
      </legend>
      <input type="hidden" name={unitName(field.key)} value={field.unit} />
      <div className="flex flex-wrap gap-2">
        {Array.from({ length: shown }, (_, at) => (
          <input
            key={at}
            name={listName(field.key, at)}
            aria-label={`${field.label}, ${at + 1}`}
            aria-invalid={errors[listName(field.key, at)] !== undefined}
            className="field w-24"
            {...entered(field)}
          />
        ))}
        {shown < MOST && (
          <button type="button" className="key px-3" onClick={() => setShown(shown + 1)}>
            <Plus size={20} aria-hidden="true" /> One more
          </button>
        )}
      </div>
      {problem && <span className="problem">{problem}</span>}
    </fieldset>
  );
}
