/** What a rig may be called: by its name people tell it from the others in use. */
import { LONGEST_NAME } from "../../core/place/given.ts";
import type { Database } from "../../data/handle.ts";
import { rigsCalled } from "../../data/rigs.ts";

/** Why a rig may not be called that; null where nothing is against it. `own`: the rig that has a name already. */
export function nameProblem(db: Database, name: string, own: number | null = null): string | null {
  return rigsCalled(db, name).some((id) => id !== own)
    ? `There is a rig called ${name} already. Say what tells this one apart.`
    : null;
}

/** A name for a copy that nothing else in use has. */
export function nameOfCopy(db: Database, name: string): string {
  for (let count = 1; ; count += 1) {
    const behind = count === 1 ? ", copy" : `, copy ${count}`;
    const own = name.slice(0, LONGEST_NAME - behind.length) + behind;
    if (rigsCalled(db, own).length === 0) return own;
  }
}
