/**
 * A simulated terminal that asks by one of the reference schemes. It has the habits terminals have: every length stands at
 * zero until somebody types it, the axle is preset to steered, the lines keep the last tool's spacing, and a page that is
 * left with Cancel forgets what was chosen on it.
 */
import { type AskedLine, type AskedScheme, asksForCount, isTimeUnit, type TimeUnit } from "../card/scheme.ts";
import { bareUnit, isFeet, printLength } from "../quantity/length.ts";
import { lineValue, type Typed } from "./believed.ts";

export type Terminal = {
  /** one a line of the scheme */
  typed: Typed[];
};

/** A terminal fresh from the shop, but for the lines of the tool it had on last. */
export function freshTerminal(scheme: AskedScheme, lastSpacing: number): Terminal {
  return { typed: scheme.lines.map((line) => presetOf(line, lastSpacing)) };
}

function presetOf(line: AskedLine, lastSpacing: number): Typed {
  const { measure, unit, decimals, sign } = line;
  const word = sign.kind === "words" ? sign.plus : "";
  if (measure.kind === "choice") return { text: measure.choice === "axle type" ? "steered" : "", word: "" };
  if (isTimeUnit(unit)) return { text: (0).toFixed(decimals), word };
  if (measure.kind === "track spacing")
    return { text: printLength(lastSpacing, unit, { decimals, bare: true }), word };
  if (asksForCount(line)) return { text: "0", word };
  return { text: (0).toFixed(isFeet(unit) ? 0 : decimals), word };
}

/** What is wrong with an entry, as the terminal says it; null where it takes it. */
export function entryProblem(line: AskedLine, { text, word }: Typed): string | null {
  const { measure, sign } = line;
  if (measure.kind === "choice") {
    if (measure.choice === "axle type") return /^(rigid|steered)$/.test(text) ? null : "Rigid or steered.";
    return text.trim().length <= 40 ? null : "That is longer than its field.";
  }
  if (asksForCount(line)) return /^\d{1,3}$/.test(text.trim()) ? null : "A whole number.";
  const value = lineValue(line, { text, word });
  if (isTimeUnit(line.unit)) return value !== null && value <= MOST_DELAY ? null : delayProblem(line.unit);
  if (value === null) return `A length in ${isFeet(line.unit) ? "feet and inches" : bareUnit(line.unit)}.`;
  if (sign.kind === "unsigned" && value * line.sense < 0) return "This terminal takes no minus here.";
  return Math.abs(value) > 60 ? "Out of range." : null;
}

/** The longest a switching time may be, seconds. */
const MOST_DELAY = 5;

function delayProblem(unit: TimeUnit): string {
  return unit === "s" ? `0 to ${MOST_DELAY} seconds.` : `0 to ${MOST_DELAY * 1000} ms.`;
}

/** A terminal as it is kept: what stands in each line, by the page and the words of the line. */
export type KeptTerminal = Terminal & { lines: string[] };

const nameOf = ({ page, label }: Pick<AskedLine, "page" | "label">) => `${page}: ${label}`;

/** To be kept: another variant may have other lines, and finds those again that it has too. */
export function keptTerminal({ typed }: Terminal, { lines }: AskedScheme): KeptTerminal {
  return { typed, lines: lines.map(nameOf) };
}

/**
 * Checks what was kept: a terminal as it was written, a line that is new to it as it stands fresh. One that was kept without the words of
 * its lines has just as many as are asked, or is fresh.
 */
export function terminalFrom(kept: unknown, scheme: AskedScheme, lastSpacing: number): Terminal {
  const fresh = freshTerminal(scheme, lastSpacing);
  const { typed, lines } = (kept ?? {}) as Partial<KeptTerminal>;
  if (!Array.isArray(typed)) return fresh;
  if (!Array.isArray(lines)) return typed.length === scheme.lines.length ? { typed } : fresh;
  const known = new Map(lines.map((name, at) => [name, typed[at]]));
  return { typed: scheme.lines.map((line, at) => known.get(nameOf(line)) ?? fresh.typed[at]!) };
}

/** The last tool's lines: a width from another shed. */
export function lastToolSpacing(seed: number): number {
  return [3, 4, 8, 9][seed % 4]!;
}
