/** The yard's log, by season and field. */
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import { type LogFilter, logOf, seasonsOf } from "../../data/log.ts";
import { entryView, hours } from "../stations/log/log-view.server.ts";

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

export function logPage(db: Database, filter: LogFilter, units: Units) {
  const entries = logOf(db, filter);
  const sum = (of: (entry: (typeof entries)[number]) => number | null | undefined) =>
    entries.reduce((total, entry) => total + (of(entry) ?? 0), 0);
  const [area, time, fuel] = [
    sum(({ ended }) => ended?.area),
    sum(({ ended }) => ended?.time),
    sum(({ ended }) => ended?.fuel),
  ];
  return {
    entries: entries.map((entry) => entryView(entry, units)),
    season: filter.season ?? "",
    seasons: seasonsOf(db),
    field: filter.fieldId === undefined ? null : (entries[0]?.field.name ?? "that field"),
    fieldId: filter.fieldId ?? null,
    total: [
      `${entries.length} ${entries.length === 1 ? "entry" : "entries"}`,
      ...(area > 0 ? [say("area", area, units)] : []),
      ...(time > 0 ? [hours(time)] : []),
      ...(fuel > 0 ? [`${say("volume", fuel, units)} fuel`] : []),
    ].join(", "),
    untold: entries.filter(({ ended }) => ended !== null && ended.area === null).length,
  };
}
