import { QuantityField } from "../../entry/QuantityField.tsx";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { fieldName } from "./asked-typed.ts";
import type { FieldView } from "./calibrate-view.server.ts";

/** One thing a calibration asks. */
export function AskedField({ field, problem }: { field: FieldView; problem: string | undefined }) {
  const name = fieldName(field.key);
  if (field.kind === "choice")
    return (
      <SelectField
        name={name}
        label={field.label}
        problem={problem}
        defaultValue={field.text}
        choices={field.choices.map(({ key, label }) => [key, label])}
      />
    );
  const common = { name, problem, hint: field.hint, defaultValue: field.text, autoComplete: "off" };
  return field.kind === "count" ? (
    <TextField {...common} label={field.label} inputMode="numeric" />
  ) : (
    <QuantityField
      {...common}
      label={`${field.label}, ${field.unit}`}
      unit={field.unit}
      inputMode="decimal"
    />
  );
}
