/** What is asked of a rig: of what its attachment has, that which its choices call for. */
import { catalogueOf, type Dimension, isDimensionKey, isOfWork } from "../dimension/catalogue.ts";
import { CARRIERS } from "../trade/kinds.ts";
import type { ResolvedRig } from "./resolve.ts";

type Known = Pick<ResolvedRig, "values">;

/** Whether a rig is steered along lines and whether a terminal switches its sections: so until somebody says no. */
export function guidedBy({ values }: Known): { lines: boolean; sections: boolean } {
  return {
    lines: values["work.guided"].choice !== "no",
    sections: values["work.switched"].choice !== "no",
  };
}

/** Whether a terminal is told anything of the rig: without lines and sections nothing rests on a receiver. */
export function usesTerminal(rig: Known): boolean {
  const { lines, sections } = guidedBy(rig);
  return lines || sections;
}

/** False for what is asked or proved for lines, or for sections, of a rig that has none. */
export function isServed({ serves }: Pick<Dimension, "serves">, rig: Known): boolean {
  if (serves === null) return true;
  const { lines, sections } = guidedBy(rig);
  return serves === "guidance" ? lines : serves === "switching" ? sections : lines || sections;
}

/** False for what hangs on a choice that was made otherwise; what asks for one choice is not asked before it was made. */
export function isAsked(entry: Dimension, rig: Pick<ResolvedRig, "values" | "tool">): boolean {
  return isServed(entry, rig) && isOfKind(entry, rig) && isChosen(entry, rig);
}

/** What such a tool has none of is not asked, but what somebody read of it all the same is shown. */
function isOfKind(
  { notOf, key }: Dimension,
  { tool, values }: Pick<ResolvedRig, "values" | "tool">,
): boolean {
  if (notOf === null || tool === null || !notOf.kinds.includes(tool)) return true;
  if (values[key].reading !== null) return true;
  const { unless } = notOf;
  return unless !== null && isDimensionKey(unless.key) && values[unless.key].choice === unless.is;
}

function isChosen({ when }: Pick<Dimension, "when">, { values }: Known): boolean {
  if (when === null) return true;
  if (!isDimensionKey(when.key)) return false;
  const choice = values[when.key].choice ?? "";
  return "is" in when ? when.is.includes(choice) : !when.not.includes(choice);
}

/**
 * The dimensions this rig has, as what it has been told makes them apply: nothing of its work where it only carries, nothing of lines where
 * another tool of its swath has them.
 */
export function askedOf(rig: ResolvedRig): readonly Dimension[] {
  const carries = rig.tool !== null && CARRIERS.has(rig.tool);
  return catalogueOf(rig).filter(
    (entry) =>
      isAsked(entry, rig) &&
      !(carries && isOfWork(entry)) &&
      !(rig.linesElsewhere && entry.serves === "guidance"),
  );
}

/** The same by key. */
export function askedKeys(rig: ResolvedRig): ReadonlySet<Dimension["key"]> {
  return new Set(askedOf(rig).map(({ key }) => key));
}

/** How the machine that drives steers. */
export function steersBy({ values }: Known): string {
  return values["tractor.steering"].choice ?? "front wheels";
}
