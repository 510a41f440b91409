/** One page of a long list. */
export type Paged<Row> = { page: number; pages: number; all: number; rows: Row[] };

/** Which page an address asks for, from 1. */
export const pageIn = (request: Request): number =>
  Number(new URL(request.url).searchParams.get("page")) || 1;

/** The page that is asked for among so many rows, `most` to a page; the nearest there is. */
export function pageAmong(all: number, page: number, most: number): Omit<Paged<never>, "rows"> {
  const pages = Math.max(1, Math.ceil(all / most));
  return { page: Math.min(Math.max(Math.trunc(page), 1), pages), pages, all };
}

/** The page of a list that is asked for. */
export function paged<Row>(rows: readonly Row[], page: number, most: number): Paged<Row> {
  const here = pageAmong(rows.length, page, most);
  return { ...here, rows: rows.slice((here.page - 1) * most, here.page * most) };
}
