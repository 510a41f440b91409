/** Numbers as people write them, before any unit: decimals with point or comma, and the fractions of a tape. */

export type Parsed<T> = { ok: true; value: T } | { ok: false; problem: string };

/** A number as typed; `grouped` where its comma may mark thousands: 1,234 is then 1.234 or 1234. */
export type Figure = { value: number; step: number; grouped: number | null };

export const MINUS = "\u2212";

const BINARY_DENOMINATORS = [2, 4, 8, 16, 32, 64];

/** Reads one number; a string back says what was not understood. */
export function readFigure(text: string): (Figure & { fraction: boolean }) | string {
  const fraction = /^(\d+)\/(\d+)$/.exec(text);
  if (fraction) {
    const [over, under] = [Number(fraction[1]), Number(fraction[2])];
    if (!BINARY_DENOMINATORS.includes(under))
      return `“${text}” is not a fraction on a tape: halves, quarters, 8ths, 16ths, 32nds or 64ths.`;
    if (over >= under) return `“${text}” is not less than one.`;
    return { value: over / under, step: 1 / under, grouped: null, fraction: true };
  }
  const decimal = text.replace(/ /g, "");
  if (/[.,].*[.,]/.test(decimal)) return `“${text}” has two decimal marks.`;
  if (/[.,]$/.test(decimal)) return `“${text}” ends in a decimal mark.`;
  const value = Number(decimal.replace(",", "."));
  if (!Number.isFinite(value) || value > 1e6) return `“${text}” is too large.`;
  const places = /[.,](\d+)$/.exec(decimal)?.[1]?.length ?? 0;
  const grouped = /^[1-9]\d{0,2},\d{3}$/.test(decimal) ? Number(decimal.replace(",", "")) : null;
  return { value, step: 10 ** -places, grouped, fraction: false };
}

/** Rounds as a person does: 2.345 → 2.35, although the double just under it is nearer to 2.34. */
export function roundHalfUp(value: number, decimals: number): string {
  const places = 10 ** decimals;
  return (Math.round(Number((value * places).toPrecision(12))) / places).toFixed(decimals);
}

/** Whether a printed figure has only zeros left: it has no side then. */
export function isNothing(printed: string): boolean {
  return !/[1-9]/.test(printed);
}
