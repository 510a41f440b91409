/** What is asked of a rig: of what its attachment has, that which its choices call for. */
import { catalogueOf, type Dimension, isDimensionKey } from "../dimension/catalogue.ts";
import type { ResolvedRig } from "./resolve.ts";

type Known = Pick<ResolvedRig, "values">;

/** False for what hangs on a choice that was made otherwise, or not at all. */
export function isAsked({ when }: Pick<Dimension, "when">, { values }: Known): boolean {
  if (when === null) return true;
  return isDimensionKey(when.key) && when.is.includes(values[when.key].choice ?? "");
}

export function askedOf(rig: ResolvedRig): readonly Dimension[] {
  return catalogueOf(rig.attachment).filter((entry) => isAsked(entry, rig));
}

/** How the machine that drives steers. */
export function steersBy({ values }: Known): string {
  return values["tractor.steering"].choice ?? "front wheels";
}
