import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { turnDepth, turnLength } from "../../guidance/turning.ts";
import { tapeLength, tell } from "../../quantity/said.ts";
import { guidedBy } from "../../rig/asked.ts";
import { besides, together } from "../../rig/swath.ts";
import { known, type WholeRig, works } from "../../rig/whole.ts";
import type { Subject } from "../../subject/subject.ts";

export type GuidanceReckoned = {
  /** the tool whose swath lays the lines; null: none is guided */
  part: number | null;
  /** metres from pass to pass; null where the width or the overlap is not known */
  spacing: number | null;
  /** metres; null where nobody measured it */
  radius: number | null;
};

/** The tool whose lines are driven: the first that works and is guided. */
function guidedPart(whole: Pick<WholeRig, "parts">): number | null {
  const first = besides(whole)[0] ?? whole.parts.findIndex(({ rig }) => works(rig));
  return first >= 0 && guidedBy(whole.parts[first]!.rig).lines ? first : null;
}

/** By which tool passes are laid, how far apart, and how tightly the machine turns. */
export function reckonGuidance(whole: WholeRig): GuidanceReckoned {
  const part = guidedPart(whole);
  if (part === null) return { part, spacing: null, radius: null };
  const rig = together(whole, part);
  const [width, overlap] = [known(rig, "tool.width"), known(rig, "work.overlap")];
  return {
    part,
    spacing: width === null || overlap === null ? null : width - overlap,
    radius: known(rig, "tractor.turnRadius"),
  };
}

function checksOf({ part, spacing, radius }: GuidanceReckoned, whole: WholeRig): Check[] {
  if (part === null) return [];
  const rig = together(whole, part);
  const rowOf = checkerOf("guidance", rig, whole.parts.length > 1 ? part : undefined);
  const row = rowOf("turn", "Turning into the next pass");
  if (spacing === null) return [row.unknown("tool.width")];
  if (radius === null) return [row.unknown("tractor.turnRadius")];
  const depth = turnDepth(spacing, radius);
  const length = turnLength(spacing, radius);
  return [
    spacing >= 2 * radius
      ? row.good(
          "tractor.turnRadius",
          tell`Half a circle and on: ${tapeLength(length)} to drive, ${tapeLength(depth)} into the headland to the middle of the machine.`,
        )
      : row.note(
          "tractor.turnRadius",
          tell`A bulb: ${tapeLength(length)} to drive, ${tapeLength(depth)} into the headland to the middle of the machine.`,
          tell`Passes lie ${tapeLength(spacing)} apart and it turns on ${tapeLength(radius)}. Leaving passes out, and coming back for them, makes half circles of the bulbs.`,
        ),
  ];
}

export const GUIDANCE: Subject<"guidance", GuidanceReckoned> = {
  key: "guidance",
  label: "Guidance",
  lead: "Along which line, in how many passes, and how does it turn?",
  asks: "Do lines and turns fit?",
  changesOf: [],
  shows: "rig",
  holds: null,
  onSheet: false,
  serves: (whole) => guidedPart(whole) !== null,
  reckon: reckonGuidance,
  checks: checksOf,
};
