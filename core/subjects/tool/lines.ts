/** What another track spacing does to guidance lines that are there; metres. */
export type LinesThen =
  | { kind: "stay" }
  /** each gets so many more between it and the next */
  | { kind: "between"; more: number }
  /** they do not fit: strips are left, or worked twice */
  | { kind: "anew"; left: boolean };

/** A spacing this near to the old one is the same, metres (our threshold: a terminal takes centimetres). */
const SAME_SPACING = 0.005;
/** Spacings fit into each other where their ratio is this near to a whole number. */
const WHOLE = 0.01;

/** What becomes of lines laid `from` apart where the tool asks for `to`, metres. */
export function linesThen(from: number, to: number): LinesThen {
  if (Math.abs(from - to) < SAME_SPACING) return { kind: "stay" };
  const times = from / to;
  const whole = Math.round(times);
  return whole > 1 && Math.abs(times - whole) < WHOLE
    ? { kind: "between", more: whole - 1 }
    : { kind: "anew", left: from > to };
}
