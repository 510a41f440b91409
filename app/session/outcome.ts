/** What became of a form: the one answer of every page that is written to. */
import { data } from "react-router";
import type { FieldErrors } from "./validate.ts";

export type Kept = {
  /** of what was kept; "" where it has no number of its own */
  id: string;
  /** said once; "" where the page shows it */
  said: string;
  /** to be told also where it is sent long after it was entered */
  heed: boolean;
  /** the form that undoes it, where one does and the page has no button for it */
  undo: Record<string, string> | null;
};

export type Outcome =
  /** `person`: who said so, to be remembered */
  | { ok: true; errors: FieldErrors; kept: Kept; person: string | null }
  | { ok: false; errors: FieldErrors; asksReason: boolean };

/** It was written. */
export const kept = (
  said = "",
  { person = null, ...more }: Partial<Kept> & { person?: string | null } = {},
): Outcome => ({
  ok: true,
  kept: { id: "", said, heed: false, undo: null, ...more },
  person,
  errors: {},
});

/** Nothing was written: what is wrong, by field. */
export const refused = (errors: FieldErrors, asksReason = false): Outcome => ({
  ok: false,
  errors,
  asksReason,
});

/** As an action answers it. */
export const answered = (outcome: Outcome, init: ResponseInit = {}) =>
  data(outcome, { ...init, status: outcome.ok ? 200 : 422 });
