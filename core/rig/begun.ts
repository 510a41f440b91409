/** A rig as it is begun: what is driven, what hangs on it, and the few figures people know by heart. */
import { type Attachment, onLinks } from "../dimension/attachment.ts";
import { type DimensionKey, dimension, hasDimension } from "../dimension/catalogue.ts";
import { isFieldUnit, parseEntry } from "../dimension/entry.ts";
import { MACHINE_TYPES, type MachineTypeKey } from "../dimension/usual.ts";
import type { Parsed } from "../quantity/figure.ts";
import { isLengthStyle, printLength } from "../quantity/length.ts";
import { inInches } from "../quantity/units.ts";
import { TOOL_KINDS, type ToolKindKey } from "../trade/kinds.ts";
import { bareFacts, type RigFacts } from "./facts.ts";
import type { Instrument } from "./grade.ts";
import { MOST_SECTIONS, NARROWEST, parseSections, splitEvenly } from "./sections.ts";

/** As it was typed; what is empty was not told. */
export type Begun = {
  machine: MachineTypeKey;
  tool: ToolKindKey;
  attachment: Attachment;
  power: string;
  powerUnit: string;
  category: string;
  width: string;
  widthUnit: string;
  rows: string;
  /** how many, or each width; empty: not told */
  sections: string;
  /** keys of `work.guided` and `work.switched`; empty: not told, and then asked for as if it were */
  guided: string;
  switched: string;
};

/** One reading of it, SI. */
export type BegunReading = {
  key: DimensionKey;
  text: string;
  value: number;
  step: number;
  by: Instrument;
};

type Asked = {
  field: keyof Begun | null;
  key: DimensionKey;
  text: string;
  unit: string;
};

function askedOf({ machine, tool, attachment, ...typed }: Begun): Asked[] {
  const { steers, drive, kind } = MACHINE_TYPES[machine];
  const at = (
    field: keyof Begun | null,
    key: DimensionKey,
    text: string | null,
    unit: Asked["unit"] = "m",
  ) => (text ? [{ field, key, text, unit }] : []);
  return [
    ...at(null, "tractor.steering", steers),
    ...at(null, "tractor.drive", kind === "tractor" ? drive : null),
    ...at("power", "tractor.power", typed.power, typed.powerUnit),
    ...at("category", "hitch.category", onLinks(attachment) ? typed.category : null),
    ...at("tool", "tool.kind", tool),
    ...at("width", "tool.width", typed.width, typed.widthUnit),
    ...at("rows", "rows.count", typed.rows),
    ...at("guided", "work.guided", typed.guided),
    ...at("switched", "work.switched", typed.switched),
  ].filter(({ key }) => hasDimension(attachment, key));
}

/**
 * What is read by it: kinds and counts as somebody looked, sizes from the book, since nobody taped them. Problems are by the field they were
 * typed in.
 */
export function readingsOf(begun: Begun): {
  readings: BegunReading[];
  problems: Partial<Record<keyof Begun, string>>;
} {
  const readings: BegunReading[] = [];
  const problems: Partial<Record<keyof Begun, string>> = {};
  for (const { field, key, text, unit } of askedOf(begun)) {
    const entry = dimension(key, begun.attachment);
    const read = isFieldUnit(unit)
      ? parseEntry(entry, text, unit)
      : { ok: false as const, problem: "Choose a unit." };
    if (!read.ok) {
      if (field) problems[field] = read.problem;
      continue;
    }
    const by = entry.kind === "choice" || entry.kind === "count" ? "look" : "book";
    readings.push({ key, text, ...read.value, by });
  }
  return { readings, problems };
}

/** Its sections, metres from left to right: a bare whole number is how many equal ones, anything else each width. Null where nobody told. */
export function sectionsOf(begun: Begun): Parsed<number[]> | null {
  const text = begun.sections.trim();
  if (text === "") return null;
  if (!/^\d{1,3}$/.test(text))
    return isLengthStyle(begun.widthUnit)
      ? parseSections(text, begun.widthUnit)
      : { ok: false, problem: "Choose a unit." };
  const width = readingsOf(begun).readings.find(({ key }) => key === "tool.width")?.value;
  const count = Number(text);
  if (width === undefined) return { ok: false, problem: "Say the working width first: it is shared out." };
  if (count < 1 || count > MOST_SECTIONS || width / count < NARROWEST)
    return { ok: false, problem: `${text} sections do not fit into it.` };
  return { ok: true, value: splitEvenly(width, count) };
}

/** What such a rig may be called until somebody says otherwise: "Seed drill, 4.5 m". */
export function nameOf(begun: Begun): string {
  const { label } = TOOL_KINDS[begun.tool];
  const width = readingsOf(begun).readings.find(({ key }) => key === "tool.width")?.value;
  if (width === undefined || !isLengthStyle(begun.widthUnit)) return label;
  const metric = `${Number(width.toFixed(2))} m`;
  return `${label}, ${inInches(begun.widthUnit) ? printLength(width, begun.widthUnit) : metric}`;
}

/** Facts to draw it by while it is being chosen: only what was told, the rest as such rigs usually are. */
export function factsOf(begun: Begun): RigFacts {
  const readings = Object.fromEntries(
    readingsOf(begun).readings.map(({ key, text, value, step, by }) => [
      key,
      [
        {
          id: key,
          seq: 0,
          key,
          value,
          step,
          rawText: text,
          instrument: by,
          person: "",
          measuredAt: "",
          sitting: key,
          conditions: [],
          note: "",
          photoId: null,
        },
      ],
    ]),
  );
  return bareFacts(begun.attachment, readings);
}
