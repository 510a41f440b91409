import type { DimensionKey, StationKey } from "../dimension/catalogue.ts";
import { inWords, type Said } from "../quantity/said.ts";
import type { Units } from "../quantity/units.ts";

export const SEVERITIES = ["stop", "fix", "check", "note"] as const;
export type Severity = (typeof SEVERITIES)[number];

/** What a finding is about and where its cure is entered: a reading, the sections, or a list of the yard's. */
export type Target =
  | DimensionKey
  | "sections"
  | "weights"
  | "tyres"
  | "limits"
  | "hoses"
  | "remotes"
  | "functions"
  | "depth map"
  | "adjusters"
  | "guided strip"
  | "job"
  | "line"
  | `calibrate ${string}`;

/** The one way any station judges: what is wrong, why it matters, what to do next. */
export type Finding = {
  id: string;
  station: StationKey;
  severity: Severity;
  subject: Target;
  what: Said;
  why: Said;
  next: { label: string; target: Target };
  /** which tool of the rig it is about, as an index; absent where it is about the machine that drives, or there is one tool only */
  part?: number;
  /** what its target is to be set to, SI; absent where nothing but looking helps */
  advised?: number;
};

/** A finding as somebody reads it. */
export type ToldFinding = Omit<Finding, "what" | "why"> & { what: string; why: string };

/** A finding put into words for a reader on these units. */
export function inUnits(finding: Finding, units: Units): ToldFinding {
  return { ...finding, what: inWords(finding.what, units), why: inWords(finding.why, units) };
}

/** Worst first; within a severity the order they were found in. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

/** Findings that must be cured before anything else. */
export function stopsOf(findings: readonly Finding[]): Finding[] {
  return findings.filter((finding) => finding.severity === "stop");
}
