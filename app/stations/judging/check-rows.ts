import type { StationKey } from "../../../core/dimension/catalogue.ts";
import type { Check, Verdict } from "../../../core/finding/check.ts";
import { inWords } from "../../../core/quantity/said.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { cureHref } from "../frame/stations.ts";

/** Everything a station looked at, good or not. */
export type CheckRow = {
  id: string;
  label: string;
  verdict: Verdict;
  said: string;
  why: string;
  href: string;
  next: string;
  /** which tool, where there are several */
  tool: string;
};

export function checkRows(
  station: StationKey,
  checks: readonly Check[],
  rigId: number,
  couplings: readonly number[],
  names: readonly string[],
  units: Units,
): CheckRow[] {
  return checks
    .filter((check) => check.station === station)
    .map(({ id, label, verdict, said, why, next, target, part }) => ({
      id,
      label,
      verdict,
      said: inWords(said, units),
      why: inWords(why, units),
      next,
      href: cureHref(rigId, { station, part, next: { target } }, couplings),
      tool: part === undefined ? "" : names[part]!,
    }));
}
