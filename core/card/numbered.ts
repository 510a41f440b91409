import type { Card } from "./fill.ts";
import type { FigureForm } from "./scheme.ts";

/** One line of a numbered card, frozen as it went to the cab. */
export type FrozenLine = {
  page: string;
  label: string;
  figure: string;
  word: string;
  form: FigureForm;
  derivation: string;
  grade: string;
};

/** @throws RangeError where a line has no figure: only a ready card goes to the cab */
export function freeze({ lines }: Card): FrozenLine[] {
  return lines.map(({ page, label, figure, word, form, derivation, chain }) => {
    if (figure === null) throw new RangeError(`${label} has no figure`);
    return { page, label, figure, word, form, derivation, grade: chain?.grade ?? "" };
  });
}

/** Lines under the terminal's pages, in the order they come. */
export function byPage<Line extends { page: string }>(
  lines: readonly Line[],
): { page: string; lines: Line[] }[] {
  return [...new Set(lines.map(({ page }) => page))].map((page) => ({
    page,
    lines: lines.filter((line) => line.page === page),
  }));
}

export type Retype = { page: string; label: string; was: string | null; now: string | null };

const nameOf = ({ page, label }: { page: string; label: string }) => `${page}\u0000${label}`;
const typed = ({ figure, word }: { figure: string | null; word: string }) =>
  figure === null ? null : [figure, word].filter(Boolean).join(" ");

/** What to type again where the cab still has the frozen card: lines that changed, came or went. */
export function retype(frozen: readonly FrozenLine[], { lines }: Card): Retype[] {
  const now = new Map(lines.map((line) => [nameOf(line), typed(line)]));
  const was = new Map(frozen.map((line) => [nameOf(line), typed(line)]));
  return [...frozen, ...lines.filter((line) => !was.has(nameOf(line)))]
    .map((line) => ({
      page: line.page,
      label: line.label,
      was: was.get(nameOf(line)) ?? null,
      now: now.get(nameOf(line)) ?? null,
    }))
    .filter(({ was: before, now: after }) => before !== after);
}

/** Tells the frozen lines whose figure has changed since: a read-back of them proves nothing any more. */
export function lapsed(
  frozen: readonly FrozenLine[],
  now: Card,
): (line: { page: string; label: string }) => boolean {
  const changed = new Set(retype(frozen, now).map(nameOf));
  return (line) => changed.has(nameOf(line));
}
