/** Zones of varieties from GeoJSON (RFC 7946): polygons, each with a property that names its variety. */
import type { Geographic } from "../../core/geodesy/plane.ts";
import type { Zone } from "../../core/place/zones.ts";
import { readGeoJson } from "./read.ts";

export type ReadZones =
  | { ok: true; zones: Zone[] /** what was left out, and why */; left: string[] }
  | { ok: false; problem: string };

/** Properties a variety may be named by: the words of several languages' tools, English first. */
export const VARIETY_PROPERTIES = ["variety", "hybrid", "cultivar", "sorte", "name"] as const;

/** Reads zones; a zone that is no area, or names no variety, refuses the file, so that none is silently partial. */
export function readZones(text: string, field: Geographic | null): ReadZones {
  const read = readGeoJson(text, field ? [field] : [], VARIETY_PROPERTIES);
  if (!read.ok) return read;
  const zones: Zone[] = [];
  for (const { field: variety, boundary, problem } of read.given.places) {
    if (/^Field \d+$/.test(variety))
      return {
        ok: false,
        problem: `${variety.replace("Field", "Zone")} names no variety: one of the properties ${VARIETY_PROPERTIES.join(", ")} is wanted.`,
      };
    if (problem !== null || boundary === null)
      return { ok: false, problem: problem ?? `${variety} encloses nothing.` };
    zones.push({ variety, boundary });
  }
  return zones.length === 0
    ? { ok: false, problem: "There is no zone in it: polygons are wanted." }
    : { ok: true, zones, left: read.given.notes };
}
