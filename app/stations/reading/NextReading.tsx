import { useEffect, useRef } from "react";
import { Link, useSearchParams } from "react-router";
import type { ReadingRow } from "./reading-rows.ts";

/** Whether there is something to do about it: missing, stale, due, or not to be believed. */
function isOpen({ value, quiet, stale, due, doubted }: ReadingRow): boolean {
  return (value === null && !quiet) || stale !== null || due !== null || doubted;
}

/** The next reading with something to do about it, from one on, round to the first; null where there is none. */
export function nextAfter(rows: readonly ReadingRow[], target: string | null): ReadingRow | null {
  const at = rows.findIndex((row) => row.target === target);
  if (at < 0) return null;
  return [...rows.slice(at + 1), ...rows.slice(0, at)].find(isOpen) ?? null;
}

/** Offered once a reading was saved: what to enter next, under the thumb and the Enter key. */
export function NextReading({ next }: { next: { label: string; href: string } | null }) {
  const [search] = useSearchParams();
  const saved = search.get("after");
  const link = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    if (saved !== null) link.current?.focus({ preventScroll: true });
  }, [saved]);
  if (saved === null || next === null) return null;
  return (
    <Link
      ref={link}
      to={next.href}
      preventScrollReset
      data-next-reading
      className="key-main flex min-h-12 items-center justify-center no-underline"
    >
      Next: {next.label}
    </Link>
  );
}
