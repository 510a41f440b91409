/** Under which number the first thing is kept that a form makes: by it the form is known where it comes once more. */
import { AsyncLocalStorage } from "node:async_hooks";
import { randomUUID } from "node:crypto";

/** Of a form that is being carried out: null until it is known by something, and once that was used. */
export type Numbered = { next: string | null };

const numbers = new AsyncLocalStorage<Numbered>();

/** Does all of `work` as one form: what it keeps first has its number. */
export const asOneForm = <T>(numbered: Numbered, work: () => T): T => numbers.run(numbered, work);

/** A number for something that is kept: the form's own for the first of it. */
export function numberOf(): string {
  const form = numbers.getStore();
  const own = form?.next;
  if (!form || !own) return randomUUID();
  form.next = null;
  return own;
}
