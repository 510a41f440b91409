import type { FieldErrors } from "../../session/validate.ts";

/** What became of a form: what was kept and by whom, or what is wrong by field. */
export type Outcome =
  | { ok: true; kept: { id: string; said: string } | null; person: string | null }
  | { ok: false; errors: FieldErrors; asksReason: boolean };

/** Nothing was written: what is wrong, by field. */
export const refused = (errors: FieldErrors, asksReason = false): Outcome => ({
  ok: false,
  errors,
  asksReason,
});
