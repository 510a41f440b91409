import { type FormEvent, useState } from "react";
import { type FieldErrors, validateForm } from "./validate.ts";

/** Checks a form in the browser with the class the server uses: what is wrong stays, marked, and is not sent. */
export function useChecked<T extends object>(
  Dto: new () => T,
  sent: FieldErrors,
): { errors: FieldErrors; onSubmit: (event: FormEvent<HTMLFormElement>) => void } {
  const [found, setFound] = useState<FieldErrors | null>(null);
  const onSubmit = (event: FormEvent<HTMLFormElement>) => {
    const checked = validateForm(Dto, new FormData(event.currentTarget));
    setFound(checked.ok ? null : checked.errors);
    if (!checked.ok) event.preventDefault();
  };
  return { errors: found ?? sent, onSubmit };
}
