/**
 * The hook-up list of one rig: what to do in order, each line with the readings its figures come from. A line is a function of
 * the rig: another pin category is another line, and a tick on the old one no longer holds. What is on it the subjects say.
 */

import { dimension, isDimensionKey } from "../dimension/catalogue.ts";
import type { Check } from "../finding/check.ts";
import { tell } from "../quantity/said.ts";
import type { WholeRig } from "../rig/whole.ts";
import { type Cite, cite, GROUPS, type HookupLine, line } from "../subject/hookup-line.ts";
import { SUBJECTS } from "../subjects/index.ts";
import type { Judged } from "../subjects/judge-whole.ts";

/** Every line of the list in the order of the work, stops first within their group. */
export function hookupList(whole: WholeRig, { checks, reckoned }: Judged): HookupLine[] {
  const told: Readonly<Record<string, unknown>> = reckoned;
  const lines = [
    ...stopLines(checks),
    line("Before", "engine", "Engine off, key with you, park brake on, PTO stopped.", { protects: true }),
    ...SUBJECTS.flatMap((subject) => subject.hookup?.(told[subject.key], whole) ?? []),
  ];
  return GROUPS.flatMap((group) => lines.filter((each) => each.group === group));
}

function stopLines(checks: readonly Check[]): HookupLine[] {
  return checks
    .filter(({ verdict }) => verdict === "stop")
    .map(({ id, said, target, part = 0 }) =>
      line("Before", `stop ${id}`, tell`Cure first: ${said}`, {
        protects: true,
        stop: true,
        cites: isDimensionKey(target) ? cite(part, target) : [],
      }),
    );
}

/** How a cited reading reads: "Implement's hitch category". */
export function citeLabel(whole: WholeRig, { key, part }: Cite): string {
  return dimension(key, whole.parts[part]!.rig).label;
}
