import type { StationKey } from "../../core/dimension/catalogue.ts";
import { type Finding, SEVERITIES, type Severity } from "../../core/finding/finding.ts";

/** The walk-round as far as it is built, in working order. */
export const STATIONS: readonly { key: StationKey | "card"; label: string }[] = [
  { key: "antenna", label: "Antenna" },
  { key: "tool", label: "Tool" },
  { key: "card", label: "Cab card" },
];

export type Peg = {
  key: StationKey | "card";
  label: string;
  href: string;
  /** worst finding here; the card counts the stops of the whole rig; null where all is well */
  worst: Severity | null;
};

export function pegsOf(rigId: number, findings: readonly Finding[]): Peg[] {
  return STATIONS.map(({ key, label }) => {
    const own = findings.filter(({ station, severity }) =>
      key === "card" ? severity === "stop" : station === key,
    );
    const worst = SEVERITIES.find((severity) => own.some((finding) => finding.severity === severity)) ?? null;
    return { key, label, href: `/rigs/${rigId}/${key}`, worst: worst === "note" ? null : worst };
  });
}

/** Where a finding is cured: its station, with the reading open. */
export function cureHref(rigId: number, { station, next }: Finding): string {
  return `/rigs/${rigId}/${station}?at=${next.target}`;
}
