import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";

type Props = {
  person: string;
  /** "Measured by" */
  label: string;
  busy: boolean;
  errors: FieldErrors;
  /** what is wrong with no single field that is shown */
  problem: string | undefined;
  /** on the key */
  children: React.ReactNode;
};

/** The end of a form of something measured: by whom, the key that saves it, and what is wrong with it as a whole. */
export function SavedBy({ person, label, busy, errors, problem, children }: Props) {
  return (
    <>
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          name="person"
          label={label}
          defaultValue={person}
          problem={errors.person}
          autoComplete="name"
        />
        <Send busy={busy} className="key-main">
          {children}
        </Send>
      </div>
      {problem && <p className="problem">{problem}</p>}
    </>
  );
}
