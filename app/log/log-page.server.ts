/** The yard's log, by season and field. */
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import { type LogFilter, logOf, logSums, seasonsOf } from "../../data/log.ts";
import { entryView, hours } from "../stations/log/log-view.server.ts";
import { pageAmong } from "../ui/paged.ts";

/** What the address asks for. */
export function filterIn(request: Request): LogFilter {
  const search = new URL(request.url).searchParams;
  const season = search.get("season") ?? "";
  const field = search.get("field") ?? "";
  return {
    ...(season === "" ? {} : { season }),
    ...(/^\d{1,9}$/.test(field) ? { fieldId: Number(field) } : {}),
  };
}

const ON_A_PAGE = 50;

export function logPage(db: Database, filter: LogFilter, page: number, units: Units) {
  const { entries: all, area, time, fuel, untold } = logSums(db, filter);
  const pages = pageAmong(all, page, ON_A_PAGE);
  const entries = logOf(db, { ...filter, most: ON_A_PAGE, after: (pages.page - 1) * ON_A_PAGE });
  return {
    entries: entries.map((entry) => entryView(entry, units)),
    pages,
    season: filter.season ?? "",
    seasons: seasonsOf(db),
    field: filter.fieldId === undefined ? null : (entries[0]?.field.name ?? "that field"),
    fieldId: filter.fieldId ?? null,
    total: [
      `${all} ${all === 1 ? "entry" : "entries"}`,
      ...(area > 0 ? [say("area", area, units)] : []),
      ...(time > 0 ? [hours(time)] : []),
      ...(fuel > 0 ? [`${say("volume", fuel, units)} fuel`] : []),
    ].join(", "),
    untold,
  };
}
