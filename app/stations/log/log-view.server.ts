/** The log of a rig: what goes on, what was done, and what it says held against field, rates and clock. */
import { judgeEntry } from "../../../core/log/judge.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { givenSections } from "../../../core/rig/resolve.ts";
import { known } from "../../../core/rig/whole.ts";
import { OPERATIONS } from "../../../core/trade/operations.ts";
import type { LogEntry } from "../../../core/yard/log.ts";
import type { Database } from "../../../data/handle.ts";
import { logOf, tracksOf } from "../../../data/log.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type LogView = ReturnType<typeof logView>;
export type EntryView = ReturnType<typeof entryView>;

/** So many are shown with a rig. */
const RECENT = 20;

export function logView(open: OpenRig) {
  const { db, rig, whole, preferences, judged } = open;
  const { units } = preferences;
  const { work, part } = judged.reckoned.job;
  const lead = part === null ? null : whole.parts[part]!.rig;
  return {
    job: work && {
      id: work.id,
      field: work.field.name,
      what: work.operations[0] ? OPERATIONS[work.operations[0]].label : "",
      products: work.products.map(({ id, name, form }) => ({ id, name, unit: usedUnit(form, units) })),
      harvest: work.operations.includes("harvest"),
      /** how many parts the tool has that may be at work alone */
      parts: lead ? (known(lead, "tool.parts") ?? givenSections(lead)?.widths.length ?? null) : null,
    },
    units: { area: unitOf("area", units), volume: unitOf("volume", units), mass: unitOf("mass", units) },
    entries: withTracks(db, logOf(db, { rigs: [rig.id], most: RECENT }), units),
  };
}

/** Entries with what is known of where they were driven. */
function withTracks(db: Database, entries: readonly LogEntry[], units: Units) {
  const tracks = tracksOf(
    db,
    entries.map(({ seq }) => seq),
  );
  return entries.map((entry) => {
    const track = tracks.get(entry.seq);
    const said =
      track && `${track.fileName}: ${track.passes.length} ${track.passes.length === 1 ? "pass" : "passes"}`;
    return { ...entryView(entry, units), track: said ?? null };
  });
}

/** What products are used up in: litres of a liquid, kilograms of the rest. */
const usedUnit = (form: string, units: Units) =>
  form === "liquid" ? unitOf("volume", units) : unitOf("mass", units);

export function entryView(entry: LogEntry, units: Units) {
  const { ended, operations, crop, varieties, products, frozen } = entry;
  const judged = judgeEntry(entry);
  return {
    id: entry.id,
    /** told on the rig's own page */
    track: null as string | null,
    rig: entry.rig,
    rigId: entry.rigId,
    field: entry.field.name,
    fieldId: entry.field.id,
    whose: [entry.field.farm, entry.field.client]
      .filter((each, at, all) => each !== "" && all.indexOf(each) === at)
      .join(", "),
    season: entry.season,
    what: operations[0] ? OPERATIONS[operations[0]].label : "",
    harvest: operations.includes("harvest"),
    crop: [
      crop,
      varieties.map(({ name, rows }) => (rows === "" ? name : `${name} in rows ${rows}`)).join(", "),
    ]
      .filter(Boolean)
      .join(": "),
    begun: moment(entry.begun),
    begunAt: entry.begun,
    person: entry.person,
    ended: ended && {
      id: ended.id,
      at: moment(ended.at),
      area: ended.area === null ? null : say("area", ended.area, units),
      parts: ended.parts.map(({ parts, of, area }) => `${say("area", area, units)} with ${parts} of ${of}`),
      time: ended.time === null ? null : hours(ended.time),
      fuel: ended.fuel === null ? null : say("volume", ended.fuel, units),
      note: ended.note,
    },
    figures: [
      ...(judged.perHour === null ? [] : [`${say("area", judged.perHour, units, 1)} an hour`]),
      ...(judged.fuelPerArea === null ? [] : [say("volume per area", judged.fuelPerArea, units, 1)]),
      ...(judged.loaded === null ? [] : [`${say("mass", judged.loaded, units)} loaded`]),
      ...products.flatMap(({ name, form, used }) =>
        used === null ? [] : [`${name} ${say(form === "liquid" ? "volume" : "mass", used, units)}`],
      ),
    ],
    said: judged.said.map(({ verdict, text }) => ({ verdict, text: inWords(text, units) })),
    loads: entry.loads.map((load) => ({
      id: load.id,
      name: load.name,
      rest: [
        load.number && `no. ${load.number}`,
        load.mass === null ? "not weighed" : say("mass", load.mass, units),
        load.moisture === null ? "" : `${(100 * load.moisture).toFixed(1)} % water`,
        load.destination && `to ${load.destination}`,
        moment(load.at),
      ]
        .filter(Boolean)
        .join(", "),
    })),
    notes: entry.notes.map(({ id, text, photo, person, at }) => ({
      id,
      text,
      photo,
      who: `${person}, ${moment(at)}`,
    })),
    frozen: frozenSaid(frozen),
    products: products.map(({ id, name, form }) => ({ id, name, unit: usedUnit(form, units) })),
  };
}

function frozenSaid({ card, variants, readings, calibrations }: LogEntry["frozen"]): string {
  if (readings.length === 0) return "Nothing is on record of what it was driven with.";
  const what = [
    card === null ? "no card issued" : `card ${card}`,
    ...variants.filter(Boolean),
    `${readings.length} readings`,
    `${calibrations.length} calibrations`,
  ];
  return `Driven with ${what.join(", ")}.`;
}

/** "3:40" */
export function hours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")} h`;
}
