import type { Grade } from "../../core/rig/grade.ts";

const RING = { cx: 9, cy: 9, r: 7, fill: "none", stroke: "currentColor", strokeWidth: 2 };

/** How far a value can be trusted: by shape, by word, and only then by colour. */
export function GradeMark({
  grade,
  doubted = false,
  stale = false,
  due = false,
}: {
  grade: Grade;
  doubted?: boolean;
  stale?: boolean;
  /** good so far, but to be read again */
  due?: boolean;
}) {
  return (
    <span
      className={`inline-flex items-center gap-1.5 text-small ${doubted ? "text-stop" : stale ? "text-warn" : grade === "proven" ? "text-ok" : ""}`}
    >
      <svg width="18" height="18" aria-hidden="true" className="shrink-0">
        <Shape grade={grade} />
        {(doubted || stale) && <path d="M3 15 15 3" stroke="currentColor" strokeWidth="2" />}
      </svg>
      {doubted ? `${grade}, doubted` : stale ? `stale, was ${grade}` : due ? `${grade}, due` : grade}
    </span>
  );
}

function Shape({ grade }: { grade: Grade }) {
  switch (grade) {
    case "missing":
      return <circle {...RING} strokeDasharray="4 3" />;
    case "assumed":
      return <circle {...RING} />;
    case "book":
      return (
        <>
          <circle {...RING} />
          <path d="M5 9h8" stroke="currentColor" strokeWidth="2" />
        </>
      );
    case "taped":
      return (
        <>
          <circle {...RING} />
          <path d="M9 2a7 7 0 0 0 0 14z" fill="currentColor" />
        </>
      );
    case "proven":
      return (
        <>
          <circle {...RING} fill="currentColor" />
          <path d="M5.5 9.2l2.4 2.4 4.6-5" stroke="var(--sheet)" strokeWidth="2" fill="none" />
        </>
      );
  }
}
