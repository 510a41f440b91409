/** What the page drives: the field, both rigs as on record and as they really are, what hangs on what, what things are worth. */
import { dimension, isDimensionKey } from "../../../core/dimension/catalogue.ts";
import { entryFigure, fieldUnit, parseEntry, unitWord } from "../../../core/dimension/entry.ts";
import { toPlane } from "../../../core/geodesy/plane.ts";
import { LINE_WORDS } from "../../../core/place/line.ts";
import { onPlane, type PlaneField, turn } from "../../../core/place/plane-field.ts";
import { capital } from "../../../core/quantity/capital.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { fineStyle } from "../../../core/quantity/units.ts";
import { guidedBy } from "../../../core/rig/asked.ts";
import { together } from "../../../core/rig/swath.ts";
import { known } from "../../../core/rig/whole.ts";
import type { Worth } from "../../../core/world/cost.ts";
import { type Hangs, hangsOn, type OfRig, type Really, worldOfRig } from "../../../core/world/of-rig.ts";
import { sizeKept } from "../../../data/areas.ts";
import { linesOf } from "../../../data/lines.ts";
import { logOf, tracksOf } from "../../../data/log.ts";
import { type FieldBounded, listFields } from "../../../data/places.ts";
import { workOf } from "../calibrating/calibrate-view.server.ts";
import { day } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

/** How fast it works where nobody told, and how it turns beside that, metres a second (ours). */
const USUAL_SPEED = 2.2;
const IN_TURN = 0.7;
/** A receiver that is fixed wanders so far from pass to pass, metres, 1 σ (common practice, no source). */
const WANDER = 0.008;

/** What is asked in the address: `is.receiver.lateral=0.12 right`. */
const REALLY = "is.";

export type WorldView = ReturnType<typeof worldView>;
export type Driveable = Extract<WorldView, { field: unknown }>;

export function worldView(open: OpenRig, search: URLSearchParams) {
  const { db, whole, judged, preferences } = open;
  const { units } = preferences;
  const { part, spacing } = judged.reckoned.guidance;
  if (part === null) return { problem: "Nothing of this rig is steered along lines.", missing: null };
  const rig = together(whole, part);
  const hangs = hangsOn(whole, part);
  const told = hangs.map((each) => toldOf(open, part, each, search.get(REALLY + each.key) ?? ""));
  const really: Really = Object.fromEntries(told.flatMap(({ key, is }) => (is === null ? [] : [[key, is]])));
  const made = worldOfRig(whole, part, really);
  if ("key" in made || spacing === null || spacing <= 0) {
    const key = "key" in made ? made.key : "tool.width";
    const entry = dimension(key, whole.parts["key" in made ? made.part : part]!.rig);
    return {
      problem: `${entry.label} is not known: nothing can be driven without it.`,
      missing: { key, station: entry.station, label: entry.label },
    };
  }
  const fields = listFields(db).filter(({ archivedAt, bounded }) => archivedAt === null && bounded !== null);
  const entry = entryOf(open, part, search.get("entry") ?? "");
  const asked = search.get("field") ?? String(entry?.fieldId ?? whole.work?.field.id ?? "");
  const field = fields.find(({ id }) => String(id) === asked) ?? fields[0];
  if (!field)
    return { problem: "No field has a boundary: nothing can be driven over.", missing: null, fields: true };
  const speed = known(rig, "work.speed") ?? USUAL_SPEED;
  return {
    problem: null,
    units,
    fields: fields.map(({ id, name, farm }) => ({ id, name: farm ? `${name}, ${farm}` : name })),
    field: fieldOf(open, field),
    spacing,
    rigs: made.rigs,
    shown: made.shown,
    outlines: outlinesOf(made),
    assumed: assumedSaid(open, made, known(rig, "work.speed") === null),
    speed: { work: speed, turn: IN_TURN * speed },
    wander: WANDER,
    switched: guidedBy(rig).sections,
    told,
    wrong: told.some(({ problem }) => problem !== null),
    nudges: hangs.map((each) => nudgeOf(open, part, each)),
    entry,
    tracked: trackedOf(open),
    worth: worthOf(open, search.get("crop") ?? ""),
    crop: search.get("crop") ?? "",
  };
}

/** A job of the log with its track, driven again with what the terminal had then and what is known now; null where there is none. */
function entryOf({ db, rig, whole }: OpenRig, part: number, id: string) {
  const found = logOf(db, { rigs: [rig.id], most: 5_000 }).find((each) => each.id === id);
  const track = found && tracksOf(db, [found.seq]).get(found.seq);
  if (!found || !track) return null;
  const told = Object.fromEntries(
    found.frozen.readings.flatMap(({ part: of, key, value }) =>
      of === part && value !== null && isDimensionKey(key) ? [[key, value]] : [],
    ),
  ) as Really;
  const made = worldOfRig(whole, part, {}, told);
  if ("key" in made) return null;
  return {
    id,
    fieldId: found.field.id,
    name: `${found.field.name}, ${day(found.begun)}, by ${track.fileName}`,
    rigs: made.rigs,
    passes: track.passes.map(({ points }) =>
      points.map(([latitude, longitude]) => ({ latitude, longitude })),
    ),
  };
}

/** Jobs of this rig that have a track, the newest first. */
function trackedOf({ db, rig }: OpenRig) {
  const entries = logOf(db, { rigs: [rig.id], most: 200 });
  const tracks = tracksOf(
    db,
    entries.map(({ seq }) => seq),
  );
  return entries.flatMap(({ id, seq, field, begun }) =>
    tracks.has(seq) ? [{ id, name: `${field.name}, ${day(begun)}` }] : [],
  );
}

function fieldOf({ db, preferences }: OpenRig, field: FieldBounded) {
  const plane = rounded(onPlane(field.bounded!.boundary));
  return {
    id: field.id,
    name: field.name,
    area: say("area", sizeKept(field.bounded!).area, preferences.units),
    plane,
    lines: [
      { key: "edge", label: "Along its longest edge", heading: longestEdge(plane), across: null },
      ...linesOf(db, field.id).flatMap(({ id, name, shape, shifts }) => {
        if (shape.kind !== "ab" && shape.kind !== "heading") return [];
        const a = toPlane(plane.origin, shape.a);
        const b = shape.kind === "ab" ? toPlane(plane.origin, shape.b) : null;
        const heading =
          shape.kind === "heading" ? shape.heading : Math.atan2(b!.east - a.east, b!.north - a.north);
        const across = turn(a, heading).across + shifts.reduce((sum, { amount }) => sum + amount, 0);
        return [{ key: id, label: `${LINE_WORDS[shape.kind]} ${name}`, heading, across }];
      }),
    ],
  };
}

const rounded = ({ origin, rings }: PlaneField): PlaneField => ({
  origin,
  rings: rings.map((ring) =>
    ring.map(({ east, north }) => ({
      east: Math.round(east * 1000) / 1000,
      north: Math.round(north * 1000) / 1000,
    })),
  ),
});

/** Heading of the longest straight stretch of its outline, radians. */
function longestEdge({ rings }: PlaneField): number {
  let [longest, heading] = [0, 0];
  for (const ring of rings)
    for (const [at, from] of ring.entries()) {
      const to = ring[(at + 1) % ring.length]!;
      const [east, north] = [to.east - from.east, to.north - from.north];
      if (Math.hypot(east, north) <= longest) continue;
      longest = Math.hypot(east, north);
      heading = Math.atan2(east, north);
    }
  return ((heading % Math.PI) + Math.PI) % Math.PI;
}

/** Outlines of every body, to the centimetre. */
function outlinesOf({ turn: { turning } }: OfRig) {
  const round = (metres: number) => Math.round(metres * 100) / 100;
  return turning.bodies.map(({ outlines }) =>
    outlines.map((outline) => outline.map(({ x, y }) => ({ x: round(x), y: round(y) }))),
  );
}

function assumedSaid({ whole }: OpenRig, { assumed }: OfRig, speedless: boolean): string[] {
  const machine = whole.parts[0]!.rig;
  return [
    ...assumed.map(({ key, source }) => `${dimension(key, machine).label}: ${source}`),
    ...(speedless ? ["Speed at work: 2.2 m/s, as nobody told it"] : []),
  ];
}

/** One reading, and what somebody supposes it really is. */
function toldOf(
  { whole, preferences: { units } }: OpenRig,
  part: number,
  { key, value, sigma, read: isRead }: Hangs,
  text: string,
) {
  const { rig } = whole.parts[part]!;
  const entry = dimension(key, rig);
  const read = text.trim() === "" ? null : parseEntry(entry, text, fieldUnit(entry, units));
  const outside =
    read?.ok && (read.value.value < entry.plausible[0] || read.value.value > entry.plausible[1]);
  return {
    key,
    label: entry.label,
    unit: unitWord(entry, units),
    figure: inWords(entryFigure(entry, value), units),
    /** it is taken for that: nobody read it */
    assumed: !isRead,
    within:
      entry.kind === "length"
        ? printLength(sigma, fineStyle(units))
        : inWords(entryFigure(entry, sigma), units),
    grade: rig.values[key].grade,
    typed: text,
    is: read?.ok && !outside ? read.value.value : null,
    problem:
      read === null
        ? null
        : !read.ok
          ? read.problem
          : outside
            ? `${capital(entry.label)} cannot be that.`
            : null,
  };
}

/** Either way by its uncertainty. */
/** Either way by its uncertainty, as far as it can be that. */
function nudgeOf({ whole }: OpenRig, part: number, { key, value, sigma }: Hangs) {
  const { label, station, plausible } = dimension(key, whole.parts[part]!.rig);
  const ways = [value + sigma, value - sigma].flatMap((other) => {
    if (other < Math.min(plausible[0], value)) return [];
    const made = worldOfRig(whole, part, { [key]: other });
    return "key" in made ? [] : [{ truth: made.rigs.truth, shown: made.shown }];
  });
  return { key, label, station, ways };
}

const HECTARE = 10_000;

function worthOf(open: OpenRig, crop: string): Worth & { money: string; of: "kg" | "l" } {
  const { rate, price } = workOf(open);
  const typed = /^\d{1,6}([.,]\d{1,2})?$/.test(crop.trim()) ? Number(crop.replace(",", ".")) : null;
  return {
    rate: rate && rate.family !== "count per area" ? rate.value : null,
    price: price?.each ?? null,
    crop: typed === null ? null : typed / HECTARE,
    money: price?.money ?? "",
    of: rate?.family === "volume per area" ? "l" : "kg",
  };
}
