import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { guidedBy } from "../../rig/asked.ts";
import { besides, together } from "../../rig/swath.ts";
import { known, type WholeRig, works } from "../../rig/whole.ts";
import type { Subject } from "../../subject/subject.ts";
import { cameraChecks } from "./camera-checks.ts";
import { steeringChecks } from "./steering-checks.ts";
import { turnChecks } from "./turn-checks.ts";
import type { Unknown } from "./turn-of-rig.ts";
import { reckonTurn, type TurnReckoned } from "./turn-reckoned.ts";

export type GuidanceReckoned = {
  /** the tool whose swath lays the lines; null: none is guided */
  part: number | null;
  /** metres from pass to pass; null where the width or the overlap is not known */
  spacing: number | null;
  /** metres; null where nobody measured it */
  radius: number | null;
  /** the reading it hangs on where one is not known; null where spacing or radius is not known */
  turn: TurnReckoned | Unknown | null;
};

/** The tool whose lines are driven: the first that works and is guided. */
function guidedPart(whole: Pick<WholeRig, "parts">): number | null {
  const first = besides(whole)[0] ?? whole.parts.findIndex(({ rig }) => works(rig));
  return first >= 0 && guidedBy(whole.parts[first]!.rig).lines ? first : null;
}

/** By which tool passes are laid, how far apart, how tightly the machine turns, and the turn into the next pass. */
export function reckonGuidance(whole: WholeRig): GuidanceReckoned {
  const part = guidedPart(whole);
  if (part === null) return { part, spacing: null, radius: null, turn: null };
  const rig = together(whole, part);
  const [width, overlap] = [known(rig, "tool.width"), known(rig, "work.overlap")];
  const spacing = width === null || overlap === null ? null : width - overlap;
  const radius = known(rig, "tractor.turnRadius");
  return {
    part,
    spacing,
    radius,
    turn: spacing === null || spacing <= 0 || radius === null ? null : reckonTurn(whole, spacing, radius),
  };
}

function checksOf(reckoned: GuidanceReckoned, whole: WholeRig): Check[] {
  const { part } = reckoned;
  if (part === null) return [];
  const rowOf = checkerOf("guidance", together(whole, part), whole.parts.length > 1 ? part : undefined);
  return [
    ...turningChecks(reckoned, whole, part, rowOf),
    ...steeringChecks(whole.parts[part]!.rig, rowOf),
    ...cameraChecks(whole, part, rowOf),
  ];
}

function turningChecks(
  { spacing, radius, turn }: GuidanceReckoned,
  whole: WholeRig,
  part: number,
  rowOf: Checker,
): Check[] {
  const row = rowOf("turn", "Turning into the next pass");
  if (spacing === null) return [row.unknown("tool.width")];
  if (radius === null) return [row.unknown("tractor.turnRadius")];
  return turn === null ? [] : turnChecks(turn, whole, { part, apart: spacing, radius });
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
