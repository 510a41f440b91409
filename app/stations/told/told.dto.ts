import { IsUUID, Length } from "class-validator";
import type { Hung } from "../../../core/dimension/attachment.ts";
import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { type FieldUnit, isFieldUnit, parseEntry } from "../../../core/dimension/entry.ts";
import { isLengthStyle, parseLength } from "../../../core/quantity/length.ts";
import { offsetFromEdge } from "../../../core/rig/told.ts";

/** What an implement's own page shows, as somebody copied it off. */
export class KeepToldDto {
  @IsUUID(undefined, { message: "This page has no number of its own." })
  id!: string;

  @Length(1, 60, { message: "Say who read it off." })
  person!: string;
}

export const toldName = (key: string) => `t-${key}`;
export const toldUnit = (key: string) => `u-${key}`;
/** From where the implement counts its sideways place. */
export const EDGE_NAME = "edge";
export const EDGE_UNIT = "edge-unit";
export const EDGES = {
  offset: "an offset from the middle",
  left: "from its left edge",
  right: "from its right edge",
};

export type ToldLine = { key: DimensionKey; value: number; rawText: string };

/**
 * Reads every line that was filled in; zero is an answer here, since it is what implements tell that nobody set up. A side told as the
 * distance from an edge is turned into the offset by the width that is told with it, or else by `width`, metres.
 */
export function readTold(
  form: FormData,
  keys: readonly DimensionKey[],
  hung: Hung,
  width: number | null,
): { ok: true; lines: ToldLine[] } | { ok: false; errors: Record<string, string> } {
  const lines: ToldLine[] = [];
  const errors: Record<string, string> = {};
  const edge = form.get(EDGE_NAME);
  for (const key of keys) {
    const given = form.get(toldName(key));
    const text = typeof given === "string" ? given.trim() : "";
    if (text === "") continue;
    const entry = dimension(key, hung);
    const fromEdge = key === "tool.lateral" && (edge === "left" || edge === "right");
    // A choice has no unit.
    const unit = entry.kind === "choice" ? "m" : form.get(fromEdge ? EDGE_UNIT : toldUnit(key));
    if (!isFieldUnit(unit)) {
      errors[toldName(key)] = "The unit of the field was not understood.";
      continue;
    }
    const read = fromEdge
      ? readEdge(text, unit, edge, lines.find((each) => each.key === "tool.width")?.value ?? width)
      : parseEntry(entry, text, unit);
    if (read.ok) lines.push({ key, value: read.value.value, rawText: text });
    else errors[toldName(key)] = read.problem;
  }
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  return lines.length > 0
    ? { ok: true, lines }
    : { ok: false, errors: { form: "Fill in at least one line." } };
}

function readEdge(text: string, unit: FieldUnit, edge: "left" | "right", width: number | null) {
  if (width === null)
    return {
      ok: false as const,
      problem: "Give its width first: the offset follows from half of it.",
    };
  const read = parseLength(text, isLengthStyle(unit) ? unit : "m");
  if (!read.ok) return read;
  const value = offsetFromEdge(edge, read.value.metres, width);
  return Math.abs(value) > width / 2
    ? {
        ok: false as const,
        problem: "The line of pull would lie beside the tool: look at the unit and the edge.",
      }
    : { ok: true as const, value: { value } };
}
