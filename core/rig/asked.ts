/** What is asked of a rig: of what its attachment has, that which its choices call for. */
import { catalogueOf, type Dimension, isDimensionKey } from "../dimension/catalogue.ts";
import type { ResolvedRig } from "./resolve.ts";

type Known = Pick<ResolvedRig, "values">;

/** False for what hangs on a choice that was made otherwise; what asks for one choice is not asked before it was made. */
export function isAsked({ when }: Pick<Dimension, "when">, { values }: Known): boolean {
  if (when === null) return true;
  if (!isDimensionKey(when.key)) return false;
  const choice = values[when.key].choice ?? "";
  return "is" in when ? when.is.includes(choice) : !when.not.includes(choice);
}

/** The dimensions this rig has, as what it has been told makes them apply. */
export function askedOf(rig: ResolvedRig): readonly Dimension[] {
  return catalogueOf(rig.attachment).filter((entry) => isAsked(entry, rig));
}

/** How the machine that drives steers. */
export function steersBy({ values }: Known): string {
  return values["tractor.steering"].choice ?? "front wheels";
}
