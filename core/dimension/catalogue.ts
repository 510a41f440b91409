/**
 * The dimension catalogue: one entry for everything a person measures, counts, weighs or looks up on a rig.
 * Forms, drawing, chain, findings, staleness, cab card and file export read it; a new dimension is one new entry.
 *
 * Readings are kept as people take them: positive along the entry's `direction`, so "pin back to coulters"
 * is a positive distance. core/rig turns readings into frame coordinates, in one place.
 */

import type { ToolKindKey } from "../trade/kinds.ts";
import { type Attachment, asHung, type Hung, hungName, LIKE } from "./attachment.ts";
import { ANTENNA } from "./entries/antenna.ts";
import { BALANCE } from "./entries/balance.ts";
import { HITCH } from "./entries/hitch.ts";
import { JOB } from "./entries/job.ts";
import { MATCH } from "./entries/match.ts";
import { RATE } from "./entries/rate.ts";
import { STEERING } from "./entries/steering.ts";
import { TOOL } from "./entries/tool.ts";
import { TURNING } from "./entries/turning.ts";
import type { DimensionEntry } from "./entry-type.ts";
import { inWordsOf, isOneLine } from "./kind-words.ts";

export type { Choice, Direction, RecordOf, StationKey } from "./entry-type.ts";

const ENTRIES = {
  ...MATCH,
  ...HITCH,
  ...BALANCE,
  ...ANTENNA,
  ...TOOL,
  ...RATE,
  ...JOB,
  ...TURNING,
  ...STEERING,
};

export type DimensionKey = keyof typeof ENTRIES;

export type Dimension = DimensionEntry & { key: DimensionKey };

export const DIMENSION_KEYS = Object.keys(ENTRIES) as DimensionKey[];

/** Every entry as it is on one attachment and kind of tool, also those it does not have. */
const whole = new Map<string, ReadonlyMap<DimensionKey, Dimension>>();

function entriesOn(hung: Hung): ReadonlyMap<DimensionKey, Dimension> {
  const known = whole.get(hungName(hung));
  if (known) return known;
  const { attachment, tool } = hung;
  const entries = new Map(
    DIMENSION_KEYS.map((key): [DimensionKey, Dimension] => {
      const entry = ENTRIES[key] as DimensionEntry;
      const ofTool = tool === null ? null : entry.ofTool[tool];
      const said = { ...entry, ...likewise(entry, attachment), ...entry.as[attachment], ...ofTool };
      const plausible = (tool === null ? null : said.plausibleOf?.[tool]) ?? said.plausible;
      return [key, { ...inItsWords({ ...said, plausible }, tool), key }];
    }),
  );
  whole.set(hungName(hung), entries);
  return entries;
}

/** The entry with the words of a kind of tool where its texts leave room for them. */
function inItsWords(entry: DimensionEntry, tool: ToolKindKey | null): DimensionEntry {
  const say = (text: string) => inWordsOf(tool, text);
  const { label, fromTo, how, matters, fromFaces } = entry;
  return {
    ...entry,
    label: say(label),
    fromTo: say(fromTo),
    how: say(how),
    matters: say(matters),
    fromFaces: fromFaces && { ...fromFaces, left: say(fromFaces.left), right: say(fromFaces.right) },
  };
}

function likewise({ as }: DimensionEntry, attachment: Attachment) {
  const like = LIKE[attachment];
  return like && as[like];
}

/** Read of the machine that drives or of its receiver mount: the same whatever hangs on it. */
export function isOfCarrier({ subject }: Pick<Dimension, "subject">): boolean {
  return subject === "tractor" || subject === "receiver mount";
}

/** Asked of what works the field, and of nothing that only carries. */
export function isOfWork({ station, key }: Dimension): boolean {
  return station === "tool" && key !== "pin.pivot";
}

const own = new Map<string, readonly Dimension[]>();

/** The entries a coupling has, by how its tool hangs and what it is, in working order. */
export function catalogueOf(of: Attachment | Hung): readonly Dimension[] {
  const hung = asHung(of);
  const known = own.get(hungName(hung));
  if (known) return known;
  const entries = [...entriesOn(hung).values()].filter(({ key }) => hasDimension(hung, key));
  own.set(hungName(hung), entries);
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
 * An entry in the words of how a tool hangs and what it is.
 * @throws RangeError for a key that is not in the catalogue
 */
export function dimension(key: DimensionKey, of: Attachment | Hung): Dimension {
  const entry = entriesOn(asHung(of)).get(key);
  if (!entry) throw new RangeError(`no such dimension: ${key}`);
  return entry;
}

/** Whether a text from outside names a dimension of the catalogue. */
export function isDimensionKey(text: unknown): text is DimensionKey {
  return typeof text === "string" && Object.hasOwn(ENTRIES, text);
}

/** True where what hangs so, and is such a tool, has the dimension. */
export function hasDimension(of: Attachment | Hung, key: DimensionKey): boolean {
  const { attachment, tool } = asHung(of);
  const { on, secondLine } = ENTRIES[key] as DimensionEntry;
  const like = LIKE[attachment];
  if (secondLine && isOneLine(tool)) return false;
  return on === null || on.includes(attachment) || (like !== undefined && on.includes(like));
}

/** The letter that marks the section row; sections are a layout, not a single length. */
export const SECTIONS_LETTER = "N";
