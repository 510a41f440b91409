import type { ReactNode } from "react";

/** A labelled control, with what is wrong with it, or else a hint, below. */
export function Field({
  label,
  problem,
  hint,
  className = "",
  children,
}: {
  label: string;
  problem?: string | undefined;
  hint?: string | undefined;
  className?: string;
  children: ReactNode;
}) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label className={`grid content-start gap-1 ${className}`}>
      {label}
      {children}
      {problem ? (
        <span className="problem">{problem}</span>
      ) : (
        hint && <span className="text-small text-soft">{hint}</span>
      )}
    </label>
  );
}

type TextProps = React.ComponentProps<"input"> & {
  label: string;
  problem?: string | undefined;
  hint?: string | undefined;
};

export function TextField({ label, problem, hint, ...input }: TextProps) {
  return (
    <Field label={label} problem={problem} hint={hint}>
      <input {...input} className={`field ${input.className ?? ""}`} aria-invalid={problem !== undefined} />
    </Field>
  );
}

type SelectProps = React.ComponentProps<"select"> & {
  label: string;
  problem?: string | undefined;
  choices: readonly (readonly [value: string, words: string])[];
};

export function SelectField({ label, problem, choices, ...select }: SelectProps) {
  return (
    <Field label={label} problem={problem}>
      <select {...select} className={`field ${select.className ?? ""}`} aria-invalid={problem !== undefined}>
        {choices.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  );
}
