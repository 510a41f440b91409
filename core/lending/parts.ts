/** Parts of a machine of which there are several, as a file names them: which of a yard's they are. */
import { ADJUSTER_KIND } from "../yard/ground.ts";
import type { MachineFile } from "./machine-file.ts";

type Part = Pick<MachineFile["parts"][number], "kind" | "label" | "place">;

/** Whether two say the same part: its kind, its place in the row and its name, whoever wrote it large. */
export const isSamePart = (a: Part, b: Part): boolean =>
  a.kind === b.kind && a.place === b.place && a.label.trim().toLowerCase() === b.label.trim().toLowerCase();

/**
 * Adjusters of a file that a yard does not have, by their place in the file, where it has others: what is told of those stays, and one more
 * would be no part of it. `here`: the parts in use; each is one of the file's at most.
 */
export function strangeAdjusters(here: readonly Part[], file: readonly Part[]): ReadonlySet<number> {
  const left = here.filter(({ kind }) => kind === ADJUSTER_KIND);
  const strange = new Set<number>();
  if (left.length === 0) return strange;
  for (const [at, part] of file.entries()) {
    if (part.kind !== ADJUSTER_KIND) continue;
    const found = left.findIndex((own) => isSamePart(own, part));
    if (found < 0) strange.add(at);
    else left.splice(found, 1);
  }
  return strange;
}
