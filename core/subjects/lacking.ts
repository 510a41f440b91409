/** What is still to be told before a rig may be coupled: every reading its checks wait for, also those that only show once others are there. */
import { type DimensionKey, dimension, isDimensionKey } from "../dimension/catalogue.ts";
import type { Resolved, ResolvedRig } from "../rig/resolve.ts";
import type { WholeRig } from "../rig/whole.ts";
import { judgeWhole } from "./judge-whole.ts";
import { isHeldBy } from "./walk.ts";

/** A check waits for one reading at a time; no rig has so many of them. */
const MOST = 80;

/**
 * Readings of one tool and its machine that a check before coupling waits for or stops at, in the order of walking round. Each that is found is taken as
 * usual, so that what hangs on it shows too; nothing is kept of that.
 */
export function lackingToCouple(whole: WholeRig, part: number): DimensionKey[] {
  const found: DimensionKey[] = [];
  let now = whole;
  for (let round = 0; round < MOST; round += 1) {
    const next = judgeWhole(now).checks.find(
      ({ station, verdict, target, part: at = part }) =>
        isHeldBy("hook-up", station) &&
        at === part &&
        (verdict === "unknown" || verdict === "stop") &&
        isDimensionKey(target) &&
        !found.includes(target),
    );
    if (!next || !isDimensionKey(next.target)) break;
    found.push(next.target);
    now = supposing(now, part, next.target);
  }
  return found;
}

/** The rig as it would be with one reading at its usual value, of every tool where it is the machine's. */
function supposing(whole: WholeRig, part: number, key: DimensionKey): WholeRig {
  const shared = dimension(key, whole.parts[part]!.rig).subject === "tractor";
  return {
    ...whole,
    parts: whole.parts.map((each, at) =>
      at === part || shared
        ? { ...each, rig: { ...each.rig, values: { ...each.rig.values, [key]: usual(each.rig, key) } } }
        : each,
    ),
  };
}

function usual(rig: ResolvedRig, key: DimensionKey): Resolved {
  const { choices, typical, sigma } = dimension(key, rig);
  const now = rig.values[key];
  return {
    ...now,
    value: typical,
    choice: choices?.[0]?.key ?? null,
    grade: "assumed",
    sigma: sigma.assumed,
    doubt: null,
  };
}
