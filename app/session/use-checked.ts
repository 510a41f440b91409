import { type FormEvent, useState } from "react";
import { type FieldErrors, validateForm } from "./validate.ts";

type Check = (form: FormData) => { ok: true } | { ok: false; errors: FieldErrors };

/** Checks a form in the browser by what the server checks it by: what is wrong stays, marked, and is not sent. */
export function useCheckedBy(
  check: Check,
  sent: FieldErrors,
): { errors: FieldErrors; onSubmit: (event: FormEvent<HTMLFormElement>) => void } {
  const [found, setFound] = useState<FieldErrors | null>(null);
  const onSubmit = (event: FormEvent<HTMLFormElement>) => {
    const checked = check(new FormData(event.currentTarget));
    setFound(checked.ok ? null : checked.errors);
    if (!checked.ok) event.preventDefault();
  };
  return { errors: found ?? sent, onSubmit };
}

/** The same by one class. */
export function useChecked<T extends object>(Dto: new () => T, sent: FieldErrors) {
  return useCheckedBy((form) => validateForm(Dto, form), sent);
}
