/** What is asked of a page; what is null, empty or not there does not stand in its address. */
export type Query = Readonly<Record<string, string | number | null | undefined>>;

/** The address of a page of a rig, the one place it is written. `page` is "" for the rig itself. */
export function rigAddress(
  rigId: number | string,
  page: string,
  query: Query | URLSearchParams = {},
): string {
  const asked = query instanceof URLSearchParams ? [...query] : Object.entries(query);
  const told = asked.flatMap(([key, value]) =>
    value === null || value === undefined || value === "" ? [] : [[key, String(value)]],
  );
  const search = new URLSearchParams(told).toString();
  return `/rigs/${rigId}${page && `/${page}`}${search && `?${search}`}`;
}

/** A rig, and its tools where it has several. */
type Framed = { rig: { id: number }; tools: readonly { id: number; now: boolean }[] };

/** Addresses of a rig's pages with the tool that is in view, where it has several. */
export function addressesIn({ rig, tools }: Framed) {
  const tool = tools.find(({ now }) => now)?.id ?? null;
  return { tool, to: (page: string, query: Query = {}) => rigAddress(rig.id, page, { ...query, tool }) };
}
