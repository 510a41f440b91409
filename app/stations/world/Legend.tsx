/** What the patterns of the field mean: by light and pattern, so that they are told apart without colour too. */
export function Legend() {
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-1 text-small" aria-label="What the patterns mean">
      {SIGNS.map(({ words, fill, mark }) => (
        <li key={words} className="flex items-center gap-1.5">
          <svg width="26" height="18" aria-hidden="true">
            <rect
              x="0.75"
              y="0.75"
              width="24.5"
              height="16.5"
              fill={fill}
              stroke="var(--ink)"
              strokeWidth="1"
            />
            <path d={mark} stroke="var(--ink)" strokeWidth="1.4" fill="none" />
          </svg>
          {words}
        </li>
      ))}
    </ul>
  );
}

const LINES = "M2 10 10 2M2 17 17 2M9 17 24 2M17 17 25 9";
const CHEQUERS = "M2 3h4m4 0h4m4 0h4M6 7h4m4 0h4m4 0h3M2 11h4m4 0h4m4 0h4M6 15h4m4 0h4m4 0h3";

const SIGNS = [
  { words: "worked once", fill: "color-mix(in srgb, var(--ink) 25%, var(--soil))", mark: LINES },
  { words: "worked twice", fill: "color-mix(in srgb, var(--ink) 45%, var(--soil))", mark: CHEQUERS },
  { words: "open", fill: "color-mix(in srgb, var(--soil) 45%, var(--paper))", mark: "" },
  {
    words: "worked beside the field",
    fill: "color-mix(in srgb, var(--warn) 55%, var(--paper))",
    mark: LINES,
  },
] as const;
