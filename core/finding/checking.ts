import { type DimensionKey, dimension, isDimensionKey, type StationKey } from "../dimension/catalogue.ts";
import type { Said } from "../quantity/said.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { Check, Verdict } from "./check.ts";
import type { Severity, Target } from "./finding.ts";
import { verbOf } from "./value.ts";

export type Checker = ReturnType<typeof checkerOf>;

/** What is to be read or changed, what was found, what comes of it, how the button says it where it is no reading, and what it is set to, SI. */
type Judged = (target: Target, said: Said, why?: Said, next?: string, advised?: number) => Check;

/** A row of a station's table, to be judged one way or another. */
export type Row = Record<Severity | "good", Judged> & {
  name: string;
  label: string;
  /** with a verdict that was reckoned */
  judged: (verdict: Verdict, ...rest: Parameters<Judged>) => Check;
  /** the check cannot be made before this is known */
  unknown: (key: DimensionKey, why?: Said) => Check;
};

/** Writes the checks of one part of a rig at one station. */
export function checkerOf(station: StationKey, rig: ResolvedRig, part?: number) {
  const about = part === undefined ? {} : { part };
  return (name: string, label: string): Row => {
    const id = part === undefined || part === 0 ? name : `${name}:${part + 1}`;
    const judged: Row["judged"] = (verdict, target, said, why = "", next = nextOf(rig, target), advised) => ({
      id,
      station,
      label,
      verdict,
      said,
      why,
      target,
      next,
      ...about,
      ...(advised === undefined ? {} : { advised }),
    });
    const as =
      (verdict: Verdict): Judged =>
      (...rest) =>
        judged(verdict, ...rest);
    const unknown: Row["unknown"] = (key, why = "") => {
      const entry = dimension(key, rig);
      const said = `${entry.label} ${rig.values[key].reading ? "cannot be as it was read" : "is not known"}.`;
      return judged("unknown", key, said, why || entry.matters);
    };
    return {
      name,
      label,
      judged,
      unknown,
      good: as("good"),
      note: as("note"),
      check: as("check"),
      fix: as("fix"),
      stop: as("stop"),
    };
  };
}

function nextOf(rig: ResolvedRig, target: Target): string {
  if (!isDimensionKey(target)) return `Enter ${target}`;
  const entry = dimension(target, rig);
  return `${verbOf(entry)} ${entry.letter || "it"}`;
}
