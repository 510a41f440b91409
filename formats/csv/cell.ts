/** What a spreadsheet may take for a formula, also in letters of full width (OWASP, CSV Injection). */
const FORMULA = /^[=+\-@\t\r\n＝＋－＠]/;

/** A cell no spreadsheet takes for a formula. */
export const cell = (given: string) => (FORMULA.test(given) ? `'${given}` : given);

/** How every file is written (RFC 4180); what breaks a line or a cell for some reader is quoted, so that nothing of it begins a cell of its own. */
export const WRITTEN = {
  escapeFormulae: FORMULA,
  newline: "\r\n",
  quotes: (value: unknown) => /[\r\n\t;]/.test(String(value)),
};
