import type { Severity } from "../../core/finding/finding.ts";

const WORDS: Record<Severity, { word: string; tone: string; wash: string; shape: string }> = {
  stop: { word: "Stop", tone: "text-stop", wash: "bg-stop-wash border-stop", shape: "M2 2h10v10H2z" },
  fix: { word: "Fix", tone: "text-warn", wash: "bg-warn-wash border-warn", shape: "M7 1l6 11H1z" },
  check: { word: "Check", tone: "text-ink", wash: "bg-check-wash border-soft", shape: "M7 1l6 6-6 6-6-6z" },
  note: { word: "Note", tone: "text-ink", wash: "bg-check-wash border-line", shape: "M1 6h12v2H1z" },
};

export function severityWash(severity: Severity): string {
  return WORDS[severity].wash;
}

/** Severity by shape and word. */
export function SeverityMark({ severity }: { severity: Severity }) {
  const { word, tone, shape } = WORDS[severity];
  return (
    <span className={`inline-flex items-center gap-1.5 font-bold ${tone}`}>
      <svg width="14" height="14" aria-hidden="true">
        <path d={shape} fill="currentColor" />
      </svg>
      {word}
    </span>
  );
}
