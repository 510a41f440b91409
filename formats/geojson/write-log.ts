/** The log of work on the map (RFC 7946): a feature an entry, on the boundary of its field. */
import type { Boundary } from "../../core/place/boundary.ts";
import { OPERATIONS } from "../../core/trade/operations.ts";
import type { LogEntry } from "../../core/yard/log.ts";
import { geometryOf } from "./write.ts";

/** Figures in the units their names say; null where nobody told. A field without a boundary has no geometry. */
export function writeLog(entries: readonly { entry: LogEntry; boundary: Boundary | null }[]): string {
  const features = entries.map(({ entry, boundary }) => ({
    type: "Feature",
    properties: {
      client: entry.field.client,
      farm: entry.field.farm,
      field: entry.field.name,
      season: entry.season,
      operation: entry.operations.map((key) => OPERATIONS[key].label).join("; "),
      crop: entry.crop,
      rig: entry.rig,
      person: entry.person,
      begun: entry.begun,
      ended: entry.ended?.at ?? null,
      worked_ha: entry.ended?.area == null ? null : entry.ended.area / 1e4,
      at_work_h: entry.ended?.time == null ? null : entry.ended.time / 3600,
      fuel_l: entry.ended?.fuel == null ? null : entry.ended.fuel * 1000,
      card: entry.frozen.card,
    },
    geometry: boundary ? geometryOf(boundary) : null,
  }));
  return `${JSON.stringify({ type: "FeatureCollection", features }, null, 1)}\n`;
}
