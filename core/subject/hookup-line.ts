/** A line of the hook-up list, as a subject writes it. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Said } from "../quantity/said.ts";
import type { WholeRig } from "../rig/whole.ts";

export const GROUPS = ["Before", "Couple", "Shaft, hoses", "Try", "Road"] as const;
export type Group = (typeof GROUPS)[number];

/** A reading a line was written from. */
export type Cite = { key: DimensionKey; part: number };

export type HookupLine = {
  /** stays the same whatever the line says */
  key: string;
  group: Group;
  text: Said;
  /** it protects people: never skipped, only declared not to apply, with a reason */
  protects: boolean;
  /** a stop stands: the line cannot be ticked, only cured */
  stop: boolean;
  cites: readonly Cite[];
};

type Rest = Partial<Pick<HookupLine, "protects" | "stop" | "cites">>;

/** A line that does not protect people and is no stop, unless `rest` says so. */
export function line(group: Group, key: string, text: Said, rest: Rest = {}): HookupLine {
  return { group, key, text, protects: false, stop: false, cites: [], ...rest };
}

/** Readings of one tool that a line was written from. `part` is its index. */
export const cite = (part: number, ...keys: DimensionKey[]): Cite[] => keys.map((key) => ({ key, part }));

/** Only what somebody read is cited. */
export function read({ parts }: WholeRig, cites: readonly Cite[]): Cite[] {
  return cites.filter(({ key, part }) => parts[part]!.rig.values[key].reading !== null);
}
