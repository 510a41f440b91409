import { type DimensionKey, dimension, isDimensionKey, type StationKey } from "../dimension/catalogue.ts";
import type { Said } from "../quantity/said.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { Check, Verdict } from "./check.ts";
import type { Target } from "./finding.ts";
import { verbOf } from "./value.ts";

type Rest = { verdict: Verdict; said: Said; why?: Said; target: Target; next?: string };

export type Checker = ReturnType<typeof checkerOf>;

/** Writes the checks of one part of a rig at one station. */
export function checkerOf(station: StationKey, rig: ResolvedRig, part?: number) {
  const about = part === undefined ? {} : { part };
  const check = (id: string, label: string, { why = "", next, ...rest }: Rest): Check => ({
    id: part === undefined || part === 0 ? id : `${id}:${part + 1}`,
    station,
    label,
    why,
    next: next ?? nextOf(rig, rest.target),
    ...rest,
    ...about,
  });
  /** The check cannot be made before this is known. */
  const unknown = (id: string, label: string, key: DimensionKey, why: Said = ""): Check =>
    check(id, label, {
      verdict: "unknown",
      said: `${dimension(key, rig.attachment).label} ${rig.values[key].reading ? "cannot be as it was read" : "is not known"}.`,
      why: why || dimension(key, rig.attachment).matters,
      target: key,
    });
  return { check, unknown };
}

function nextOf(rig: ResolvedRig, target: Target): string {
  if (!isDimensionKey(target)) return `Enter ${target}`;
  const entry = dimension(target, rig.attachment);
  return `${verbOf(entry)} ${entry.letter || "it"}`;
}
