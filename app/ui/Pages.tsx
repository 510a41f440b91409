import { Link, useLocation } from "react-router";
import type { Paged } from "./paged.ts";

/** The way from one page of a long list to the next; nothing where all of it is on one. */
export function Pages({
  of: { page, pages, all, what },
}: {
  of: Omit<Paged<never>, "rows"> & { what: string };
}) {
  const { pathname, search } = useLocation();
  if (pages === 1) return null;
  const to = (wanted: number) => {
    const asked = new URLSearchParams(search);
    asked.set("page", String(wanted));
    return `${pathname}?${asked}`;
  };
  return (
    <nav aria-label="Pages" className="no-print flex flex-wrap items-center gap-3">
      {page > 1 && (
        <Link className="key" to={to(page - 1)}>
          Before
        </Link>
      )}
      <span>
        Page {page} of {pages}, {all} {what}
      </span>
      {page < pages && (
        <Link className="key" to={to(page + 1)}>
          After
        </Link>
      )}
    </nav>
  );
}
