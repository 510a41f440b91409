/** What every chart has alike: words of 14 px, quiet lines, no movement of its own. */
const WORDS = { fontSize: 14, fill: "var(--soft)" };

export const GRID = { stroke: "var(--hair)" };
export const AXIS = { tick: WORDS };
export const WHOLE = (value: number) => value.toFixed(0);
export const MARGIN = { top: 18, right: 12, bottom: 4, left: 0 };
export const CURVE = { stroke: "var(--dye)", strokeWidth: 2.5, dot: false, isAnimationActive: false };
export const ZERO = { y: 0, stroke: "var(--ink)" };

/** A dashed line up the chart with a word over it. */
export const upright = (x: number, value: string) => ({
  x,
  stroke: "var(--soft)",
  strokeDasharray: "4 4",
  label: { value, position: "top" as const, ...WORDS },
});

export const TOOLTIP = {
  isAnimationActive: false,
  contentStyle: { background: "var(--sheet)", border: "1px solid var(--ink)", fontSize: 14 },
};
