/**
 * The proof looks at what the terminal holds: a line that reads otherwise than the card, or was mistyped in a usual way, makes a test find
 * what nobody's tape did wrong.
 */
import { type AskedLine, type AskedScheme, asksForCount, isTimeUnit } from "../card/scheme.ts";
import type { Hung } from "../dimension/attachment.ts";
import type { Axis, PointKey } from "../dimension/points.ts";
import { isFeet, METRES_PER } from "../quantity/length.ts";
import { sameSum, termsBetween } from "../rig/frame.ts";
import { type Believed, believe, type Typed } from "../simulation/believed.ts";
import { differsFromZero } from "../statistics/estimate.ts";
import type { Measured } from "./result.ts";

/** One line of the card in the cab, and what the terminal shows for it where that was read back. */
export type HeldLine = { label: string; page: string; card: Typed; shown: Typed | null };

export type TerminalSlip =
  /** the terminal shows it: read back */
  | "read back"
  | "digits changed over"
  | "decimal point moved"
  | "other side"
  | "sign"
  | "left at zero"
  | "one row off"
  | "last card's figure"
  | "another variant's figure";

export type TerminalSuspect = {
  /** number of the line on the card, from 1 */
  line: number;
  slip: TerminalSlip;
  typed: Typed;
  /** key of the figure it explains */
  measured: string;
  /** how far the figure is from what it would make of it, SI */
  apart: number;
};

/** Closer to nothing it is not told from an honest error: metres, seconds (ours). */
const SMALLEST = { length: 0.03, time: 0.08 };
/** Marks are no better than this, metres, seconds (common practice, no source). */
const READ_TO = { length: 0.015, time: 0.04 };
const SHARE = 0.03;

/** Sums a test may measure that a terminal holds as the way from one point to another. */
const SPANS: readonly (readonly [PointKey, PointKey, Axis])[] = [
  ["axle", "receiver", "y"],
  ["axle", "receiver", "x"],
  ["receiver", "workMid", "y"],
  ["receiver", "workFront", "x"],
  ["receiver", "workRear", "x"],
];

type Holds = (believed: Believed) => number;

/** How a terminal holds the sum a test measured; null where no line leads to it. */
function heldAs({ terms }: Measured, hung: Hung): Holds | null {
  if (terms.length === 1 && terms[0]!.key === "work.delayOn") return ({ delays }) => delays.on;
  if (terms.length === 1 && terms[0]!.key === "work.delayOff") return ({ delays }) => delays.off;
  for (const [from, to, axis] of SPANS) {
    const sense = sameSum(terms, termsBetween(hung, from, to, axis));
    if (sense !== 0) return ({ between }) => sense * between(from, to, axis);
  }
  return null;
}

/** Ways a figure is mistyped, each with what would stand there then. */
function mistyped({ text, word }: Typed, words: readonly string[]): [TerminalSlip, Typed][] {
  const digits = [...text].flatMap((digit, at): [TerminalSlip, Typed][] => {
    const next = text[at + 1];
    if (!next || !/\d\d/.test(digit + next) || digit === next) return [];
    const changed = text.slice(0, at) + next + digit + text.slice(at + 2);
    return [["digits changed over", { text: changed, word }]];
  });
  const number = Number(text.replace("−", "-"));
  const decimals = /[.](\d+)$/.exec(text)?.[1]?.length ?? 0;
  const moved: [TerminalSlip, Typed][] = Number.isFinite(number)
    ? [10, 0.1].map((times) => ["decimal point moved", { text: (number * times).toFixed(decimals), word }])
    : [];
  const other = words.find((each) => each !== word && each !== "");
  return [
    ...digits,
    ...moved,
    ...(word !== "" && other ? [["other side", { text, word: other }] as [TerminalSlip, Typed]] : []),
    ...(word === "" && /^[-−]/.test(text)
      ? [["sign", { text: text.slice(1), word }] as [TerminalSlip, Typed]]
      : []),
    ["left at zero", { text: "0", word }],
  ];
}

/** A length that was counted out to the wrong row: one row more, or one less. `spacing` in metres; no such slip where there are no rows. */
function rowSlips(
  { text, word }: Typed,
  line: AskedLine | undefined,
  spacing: number | null,
): [TerminalSlip, Typed][] {
  const number = Number(text.replace("−", "-"));
  if (!line || spacing === null || isTimeUnit(line.unit) || isFeet(line.unit)) return [];
  if (asksForCount(line) || line.measure.kind === "choice" || !Number.isFinite(number)) return [];
  const one = spacing / METRES_PER[line.unit];
  return [one, -one].map((by) => ["one row off", { text: (number + by).toFixed(line.decimals), word }]);
}

/** Both words beside a line's figure; none where it has no switch. */
function wordsOf({ lines }: AskedScheme, at: number): readonly string[] {
  const sign = lines[at]?.sign;
  return sign?.kind === "words" ? [sign.plus, sign.minus] : [];
}

/** What else may stand in a terminal: the card before this one, and the cards of the tool's other variants, each figure by its label. */
export type OtherCards = {
  old?: ReadonlyMap<string, Typed>;
  variants?: readonly ReadonlyMap<string, Typed>[];
  /** metres from one row to the next; null where the tool has none */
  row?: number | null;
};

/**
 * Lines of the terminal that would explain what a test found, the likeliest first: what was read back otherwise before what may have been mistyped on
 * lines nobody read back. A test's `off` is true − entered; a terminal that
 * holds less than entered shows as so much more.
 */
export function terminalSuspects(
  measured: readonly Measured[],
  hung: Hung,
  scheme: AskedScheme,
  lines: readonly HeldLine[],
  { old = new Map(), variants = [], row = null }: OtherCards = {},
): TerminalSuspect[] {
  const cards = lines.map(({ card }) => card);
  const now = believe(scheme, cards);
  const off = measured.flatMap((each) => {
    // What a test tells by itself, whatever the terminal had, no line explains.
    const held = each.absolute ? null : heldAs(each, hung);
    return held && differsFromZero(each.off) ? [{ ...each, held }] : [];
  });
  if (off.length === 0) return [];
  const found = lines.flatMap(({ card, shown, label }, at) => {
    const before = old.get(label);
    const differs = (typed: Typed | undefined): typed is Typed =>
      typed !== undefined && (typed.text !== card.text || typed.word !== card.word);
    const others = variants.flatMap((each): [TerminalSlip, Typed][] => {
      const typed = each.get(label);
      return differs(typed) ? [["another variant's figure", typed]] : [];
    });
    const slips: [TerminalSlip, Typed][] = shown
      ? shown.text === card.text && shown.word === card.word
        ? []
        : [["read back", shown]]
      : [
          ...mistyped(card, wordsOf(scheme, at)),
          ...(differs(before) ? [["last card's figure", before] as [TerminalSlip, Typed]] : []),
          ...others,
          ...rowSlips(card, scheme.lines[at], row),
        ];
    return slips.flatMap(([slip, typed]) => {
      const then = believe(
        scheme,
        cards.map((each, other) => (other === at ? typed : each)),
      );
      return off.flatMap(({ key, unit, held, off: { value, half } }): TerminalSuspect[] => {
        const predicted = held(now) - held(then);
        const apart = Math.abs(value - predicted);
        const near = Math.max(half ?? 0, READ_TO[unit], SHARE * Math.abs(predicted));
        return Math.abs(predicted) >= SMALLEST[unit] && apart <= near && apart < Math.abs(value) / 2
          ? [{ line: at + 1, slip, typed, measured: key, apart }]
          : [];
      });
    });
  });
  return found.sort(
    (a, b) => Number(b.slip === "read back") - Number(a.slip === "read back") || a.apart - b.apart,
  );
}
