/** How the demo yard's readings are written down: as somebody spoke them, with what they were read by. */

import type { Attachment } from "../../core/dimension/attachment.ts";
import { type DimensionKey, dimension } from "../../core/dimension/catalogue.ts";
import { parseEntry } from "../../core/dimension/entry.ts";
import type { Instrument } from "../../core/rig/grade.ts";
import type { Told } from "../record.ts";

/** Who entered what the yard has besides readings, before the season. */
export const BY: Told = { person: "Ilse Marrin", at: new Date("2026-03-02T06:10:00.000Z") };

export type ToldReading = { key: DimensionKey; text: string; value: number; step: number; by: Instrument };

/** One that the forms would refuse, or that was worked out: with its value in SI. */
export const told = (
  key: DimensionKey,
  text: string,
  value: number,
  by: Instrument = "tape",
  step = 0.001,
): ToldReading => ({ key, text, value, step, by });

const USUAL: Partial<Record<string, Instrument>> = { mass: "scale", pressure: "gauge" };

/** What was typed for each dimension, read as the forms read it. Lengths by tape, masses by scale; "book: 4800 kg" says otherwise. */
export function read(
  lines: Partial<Record<DimensionKey, string>>,
  attachment: Attachment = "drawn",
): ToldReading[] {
  return Object.entries(lines).map(([key, line]) => {
    const entry = dimension(key as DimensionKey, attachment);
    const [, book, text] = /^(book: )?(.*)$/.exec(line) as unknown as [string, string | undefined, string];
    const parsed = parseEntry(entry, text, "m");
    if (!parsed.ok) throw new RangeError(`${key}: ${text}: ${parsed.problem}`);
    const usual = entry.kind === "choice" || entry.kind === "count" ? "look" : USUAL[entry.family ?? ""];
    return {
      key: key as DimensionKey,
      text,
      ...parsed.value,
      by: book || (entry.kind === "measure" && !usual) ? "book" : (usual ?? "tape"),
    };
  });
}
