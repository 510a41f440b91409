/** A cell no spreadsheet takes for a formula. */
export const cell = (given: string) => (/^[=+\-@\t\r]/.test(given) ? `'${given}` : given);
