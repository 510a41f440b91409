/** What was driven with a number that is another by now, rig by rig. */
import { degreesOf, placeAt } from "../../core/geodesy/degrees.ts";
import { between } from "../../core/geodesy/ellipsoid.ts";
import { fromPlane, toPlane } from "../../core/geodesy/plane.ts";
import type { LineShape } from "../../core/place/line.ts";
import { inWords, type Said, tell } from "../../core/quantity/said.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { ResolvedRig } from "../../core/rig/resolve.ts";
import {
  areaFactor,
  believedOf,
  doseFactor,
  NOTHING_SPOILT,
  type Spoilt,
  shiftAt,
  spoiltOf,
  spoiltSaid,
} from "../../core/spoilt/of-entry.ts";
import { corrected } from "../../core/spoilt/passes.ts";
import { leadOf } from "../../core/subjects/job/job-of-rig.ts";
import type { LogEntry } from "../../core/yard/log.ts";
import type { Database } from "../../data/handle.ts";
import { linesOf } from "../../data/lines.ts";
import { logOf, type Track, tracksOf } from "../../data/log.ts";
import { everyRig, listEveryTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { day } from "../stations/frame/print.ts";
import { type BaseOver, baseSaid, basesOver, basesView, wholeShift } from "./bases.server.ts";

export type SpoiltEntry = {
  entry: LogEntry;
  /** of tool and receiver: nothing where only the base had moved */
  spoilt: Spoilt;
  /** null where nothing of the rig is said */
  rig: ResolvedRig | null;
  /** bases that had moved while it was driven */
  bases: BaseOver[];
  /** headings the line was driven at, radians; empty where it had none that is straight */
  headings: number[];
  /** where it was driven, where a log of it was brought */
  track: Track | null;
  /** the work from the antenna as the terminal then had it, metres; null where that is not on record */
  believed: { right: number; ahead: number } | null;
};

/** Every entry of the log, or of these rigs alone, that was driven with something wrong. */
export function spoiltEntries(db: Database, rigs?: readonly number[]): SpoiltEntry[] {
  const entries = logOf(db, { most: 5_000, ...(rigs && { rigs }) });
  if (entries.length === 0) return [];
  const bases = basesOver(db);
  const wanted = new Set(entries.map((each) => each.rigId));
  const parts = [...everyRig(listEveryTool(db)).values()].flat().filter(({ id }) => wanted.has(id));
  const wholes = wholesOf(db, parts);
  const lines = new Map(linesOf(db).map((line) => [line.id, line.shape]));
  const found = entries.flatMap((entry): Omit<SpoiltEntry, "track">[] => {
    const own = rigOf(entry, wholes);
    const spoilt = own && spoiltOf(own.rig, entry.frozen, own.lead);
    const over = bases(entry);
    if (!spoilt && over.length === 0) return [];
    return [
      {
        entry,
        spoilt: spoilt ?? NOTHING_SPOILT,
        rig: own?.rig ?? null,
        bases: over,
        headings: headingsOf(lines.get(entry.line?.id ?? "")),
        believed: own && believedOf(own.rig, entry.frozen, own.lead),
      },
    ];
  });
  const tracks = tracksOf(
    db,
    found.map(({ entry }) => entry.seq),
  );
  return found.map((each) => ({ ...each, track: tracks.get(each.entry.seq) ?? null }));
}

/** The tool an entry was driven with as it is known now; null where nothing was on record of it, or it does no work any more. */
function rigOf(
  { rigId, frozen }: LogEntry,
  wholes: ReturnType<typeof wholesOf>,
): { rig: ResolvedRig; lead: number } | null {
  const whole = frozen.readings.length === 0 ? undefined : wholes.get(rigId);
  const lead = whole ? leadOf(whole) : null;
  return whole && lead !== null ? { rig: whole.parts[lead]!.rig, lead } : null;
}

function headingsOf(shape: LineShape | undefined): number[] {
  if (shape?.kind !== "ab" && shape?.kind !== "heading") return [];
  const out = shape.kind === "ab" ? between(shape.a, shape.b).heading : shape.heading;
  return [out, (out + Math.PI) % (2 * Math.PI)];
}

const degrees = (heading: number) => `${Math.round((heading * 180) / Math.PI)}°`;

/** How it is corrected on a map, once for each way it was driven. */
function correction(each: SpoiltEntry): Said[] {
  return [...baseSaid(each.bases), ...ownCorrection(each)];
}

function ownCorrection({ spoilt, headings, track }: SpoiltEntry): Said[] {
  if (spoilt.right === null && spoilt.ahead === null) return [];
  if (track)
    return [
      `Pass by pass, by ${track.fileName}: ${track.passes.length} ${track.passes.length === 1 ? "pass" : "passes"}, each with where it was recorded and where it lay, in the file.`,
    ];
  if (headings.length === 0)
    return [
      "Correct each pass to the right and ahead of its own travel: this entry has no straight line to tell its headings by.",
    ];
  return headings.map((heading) => {
    const { east, north } = shiftAt(spoilt, heading);
    const towards = ((Math.atan2(east, north) * 180) / Math.PI + 360) % 360;
    return tell`Passes driven at ${degrees(heading)}: move the record ${(Math.hypot(east, north) * 100).toFixed(0)} cm towards ${Math.round(towards)}°.`;
  });
}

export function spoiltView(db: Database, units: Units) {
  const found = spoiltEntries(db);
  const groups = new Map<number, { rig: string; rigId: number; rows: ReturnType<typeof rowOf>[] }>();
  for (const each of found) {
    const group = groups.get(each.entry.rigId) ?? { rig: each.entry.rig, rigId: each.entry.rigId, rows: [] };
    group.rows.push(rowOf(each, units));
    groups.set(each.entry.rigId, group);
  }
  const fields = new Set(found.map(({ entry }) => entry.field.id)).size;
  const area = found.reduce((sum, { entry }) => sum + (entry.ended?.area ?? 0), 0);
  return {
    bases: basesView(db, units),
    total: `${found.length} ${found.length === 1 ? "entry" : "entries"} on ${fields} ${fields === 1 ? "field" : "fields"}, ${say("area", area, units)} recorded`,
    count: found.length,
    groups: [...groups.values()],
  };
}

function rowOf(each: SpoiltEntry, units: Units) {
  const { entry, spoilt, rig } = each;
  const words = (all: readonly Said[]) => all.map((said) => inWords(said, units));
  return {
    id: entry.id,
    field: entry.field.name,
    fieldId: entry.field.id,
    when: day(entry.begun),
    area: entry.ended?.area == null ? null : say("area", entry.ended.area, units),
    said: rig ? words(spoiltSaid(spoilt, rig, entry.ended?.area ?? null)) : [],
    correct: words(correction(each)),
    /** its track can be driven again, as it was believed then beside as it is known now */
    tracked: each.track !== null,
  };
}

/** Each pass of a track where its work was recorded and where it lay, as lines of longitude and latitude; none without a track. */
export function passFeatures(each: SpoiltEntry): Record<string, unknown>[] {
  const { entry, spoilt, track, believed, bases } = each;
  if (!track || !believed) return [];
  const base = wholeShift(bases);
  const shift = { right: spoilt.right ?? 0, ahead: spoilt.ahead ?? 0 };
  return track.passes.flatMap(({ points, heading, length }, at) => {
    const origin = placeAt(points[0]![0], points[0]![1]);
    const antenna = points.map(([north, east]) => toPlane(origin, placeAt(north, east)));
    const was = corrected({ points: antenna }, believed);
    const lay = corrected(
      { points: antenna },
      { right: believed.right + shift.right, ahead: believed.ahead + shift.ahead },
    ).map(({ east, north }) => ({ east: east + base.east, north: north + base.north }));
    const line = (way: typeof was) =>
      way.map((point) => {
        const { latitude, longitude } = fromPlane(origin, point);
        return [degreesOf(longitude), degreesOf(latitude)];
      });
    const told = {
      field: entry.field.name,
      rig: entry.rig,
      begun: entry.begun,
      pass: at + 1,
      heading_deg: ((((heading * 180) / Math.PI) % 360) + 360) % 360,
      length_m: length,
      right_of_travel_m: shift.right,
      ahead_of_travel_m: shift.ahead,
      base_east_m: base.east,
      base_north_m: base.north,
    };
    const feature = (is: "recorded" | "lay", way: typeof was) => ({
      type: "Feature",
      properties: { ...told, is },
      geometry: { type: "LineString", coordinates: line(way) },
    });
    return [feature("recorded", was), feature("lay", lay)];
  });
}

/** The same for a map: what each field's record has to be corrected by. */
export function spoiltProperties(each: SpoiltEntry): Record<string, unknown> {
  const { entry, spoilt, headings, bases } = each;
  const base = wholeShift(bases);
  return {
    field: entry.field.name,
    farm: entry.field.farm,
    client: entry.field.client,
    rig: entry.rig,
    begun: entry.begun,
    ended: entry.ended?.at ?? null,
    recorded_ha: entry.ended?.area == null ? null : entry.ended.area / 1e4,
    right_of_travel_m: spoilt.right ?? 0,
    ahead_of_travel_m: spoilt.ahead ?? 0,
    base_east_m: base.east,
    base_north_m: base.north,
    base_moved_in_part: bases.filter(({ part }) => part).map(({ base: name }) => name),
    shifts: headings.map((heading) => {
      const { east, north } = shiftAt(spoilt, heading);
      return { heading_deg: (heading * 180) / Math.PI, east_m: east, north_m: north };
    }),
    area_factor: areaFactor(spoilt),
    dose_factor: doseFactor(spoilt),
  };
}
