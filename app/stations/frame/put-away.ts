import type { RigTool } from "../../../data/rigs.ts";

/** A machine of a rig that was archived: what the rig waits for, and where it is brought back. */
export type PutAway = { name: string; href: string };

type Parts = readonly Pick<RigTool, "tractor" | "implement">[];

/** The machines of a rig that are archived, the one that drives first. */
export function putAwayOf(parts: Parts): PutAway[] {
  const machines = [parts[0]!.tractor, ...parts.map(({ implement }) => implement)];
  return machines
    .filter(({ archivedAt }) => archivedAt !== null)
    .map(({ id, make, model, fleetNumber }) => ({
      name: [fleetNumber, make, model].filter(Boolean).join(" "),
      href: `/machines/${id}`,
    }));
}

/** Why such a rig is not coupled; null where all its machines are in use. */
export function putAwayProblem(parts: Parts): string | null {
  const names = putAwayOf(parts).map(({ name }) => name);
  if (names.length === 0) return null;
  return `${names.join(" and ")} ${names.length === 1 ? "is" : "are"} archived: bring it back into use first.`;
}
