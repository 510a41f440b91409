/**
 * The dimension catalogue: one entry for everything a person measures, counts, weighs or looks up on a rig.
 * Forms, drawing, chain, findings, staleness, cab card and file export read it; a new dimension is one new entry.
 *
 * Readings are kept as people take them: positive along the entry's `direction`, so "pin back to coulters"
 * is a positive distance. core/rig turns readings into frame coordinates, in one place.
 */

import { type Attachment, LIKE } from "./attachment.ts";
import { ANTENNA } from "./entries/antenna.ts";
import { BALANCE } from "./entries/balance.ts";
import { HITCH } from "./entries/hitch.ts";
import { MATCH } from "./entries/match.ts";
import { TOOL } from "./entries/tool.ts";
import type { DimensionEntry } from "./entry-type.ts";

export type { Choice, Direction, RecordOf, StationKey } from "./entry-type.ts";

const ENTRIES = { ...MATCH, ...HITCH, ...BALANCE, ...ANTENNA, ...TOOL };

export type DimensionKey = keyof typeof ENTRIES;

export type Dimension = DimensionEntry & { key: DimensionKey };

export const DIMENSION_KEYS = Object.keys(ENTRIES) as DimensionKey[];

/** Every entry as it is on one attachment, also those that attachment does not have. */
const whole = new Map<Attachment, ReadonlyMap<DimensionKey, Dimension>>();

function entriesOn(attachment: Attachment): ReadonlyMap<DimensionKey, Dimension> {
  const known = whole.get(attachment);
  if (known) return known;
  const entries = new Map(
    DIMENSION_KEYS.map((key): [DimensionKey, Dimension] => [
      key,
      { ...ENTRIES[key], ...likewise(ENTRIES[key], attachment), ...ENTRIES[key].as[attachment], key },
    ]),
  );
  whole.set(attachment, entries);
  return entries;
}

function likewise({ as }: DimensionEntry, attachment: Attachment) {
  const like = LIKE[attachment];
  return like && as[like];
}

/** Asked of what works the field, and of nothing that only carries. */
export function isOfWork({ station, key }: Dimension): boolean {
  return station === "tool" && key !== "pin.pivot";
}

const own = new Map<Attachment, readonly Dimension[]>();

/** The entries a coupling of this attachment has, in working order. */
export function catalogueOf(attachment: Attachment): readonly Dimension[] {
  const known = own.get(attachment);
  if (known) return known;
  const entries = [...entriesOn(attachment).values()].filter(({ key }) => hasDimension(attachment, key));
  own.set(attachment, entries);
  return entries;
}

/** What an entry says however a tool hangs. */
export type Unchanging = Pick<
  Dimension,
  "key" | "letter" | "kind" | "family" | "choices" | "station" | "topic"
>;

/**
 * What is the same of an entry on every attachment: its mark, its kind, where it is asked. Anything said in words is not.
 * @throws RangeError for a key that is not in the catalogue
 */
export function unchanging(key: DimensionKey): Unchanging {
  return dimension(key, "drawn");
}

/**
 * An entry in the words of an attachment.
 * @throws RangeError for a key that is not in the catalogue
 */
export function dimension(key: DimensionKey, attachment: Attachment): Dimension {
  const entry = entriesOn(attachment).get(key);
  if (!entry) throw new RangeError(`no such dimension: ${key}`);
  return entry;
}

/** Whether a text from outside names a dimension of the catalogue. */
export function isDimensionKey(text: unknown): text is DimensionKey {
  return typeof text === "string" && Object.hasOwn(ENTRIES, text);
}

/** True where couplings of this attachment have the dimension. */
export function hasDimension(attachment: Attachment, key: DimensionKey): boolean {
  const { on } = ENTRIES[key] as DimensionEntry;
  const like = LIKE[attachment];
  return on === null || on.includes(attachment) || (like !== undefined && on.includes(like));
}

/** The letter that marks the section row; sections are a layout, not a single length. */
export const SECTIONS_LETTER = "N";
