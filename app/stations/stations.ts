import type { StationKey } from "../../core/dimension/catalogue.ts";
import type { Check } from "../../core/finding/check.ts";
import { type Finding, SEVERITIES, type Severity, type Target } from "../../core/finding/finding.ts";

/** A stop of the walk-round: a station, or one of the lists that come of them. */
export type WalkKey = StationKey | "hook-up" | "sequences" | "proof" | "card" | "ladder";

/** The walk-round as far as it is built, in working order. */
export const STATIONS: readonly { key: WalkKey; label: string }[] = [
  { key: "match", label: "Match" },
  { key: "hitch", label: "Hitch" },
  { key: "hoses", label: "Hoses" },
  { key: "balance", label: "Balance" },
  { key: "hook-up", label: "Hook up" },
  { key: "antenna", label: "Antenna" },
  { key: "tool", label: "Tool" },
  { key: "proof", label: "Proof" },
  { key: "card", label: "Cab card" },
  { key: "ladder", label: "Start" },
];

export type Peg = {
  key: WalkKey;
  label: string;
  href: string;
  /** worst finding here; hook-up and card count the stops of what they are made of; null where there is none */
  worst: Severity | null;
  /** the word under the label: the worst, or how far it has come */
  word: string;
  /** nothing wrong, and not finished either */
  open: boolean;
};

/** Which stations' stops hold a list back. */
const MADE_OF: Partial<Record<WalkKey, readonly StationKey[]>> = {
  "hook-up": ["match", "hitch", "hoses", "balance"],
  card: ["antenna", "tool"],
};

export type Walked = {
  findings: readonly Finding[];
  checks: readonly Check[];
  /** whether the rig is coupled by the log */
  coupled: boolean;
  /** how far its ladder is climbed */
  climbed: { good: number; all: number };
  /** how much of what guidance rests on is proven, over all tools */
  proved: { good: number; all: number };
};

/** The walk-round with how each station stands. Where something could not be judged yet, nothing is called good. */
export function pegsOf(
  rigId: number,
  { findings, checks, coupled, climbed, proved }: Walked,
  tool: number | null,
): Peg[] {
  const counted: Partial<Record<WalkKey, { good: number; all: number }>> = { ladder: climbed, proof: proved };
  return STATIONS.map(({ key, label }) => {
    const from = MADE_OF[key];
    const own = findings.filter(({ station, severity }) =>
      from ? severity === "stop" && from.includes(station) : station === key,
    );
    const found = SEVERITIES.find((severity) => own.some((finding) => finding.severity === severity)) ?? null;
    const worst = found === "note" ? null : found;
    const open =
      key === "hook-up"
        ? !coupled
        : key in counted
          ? counted[key]!.good < counted[key]!.all
          : checks.some(({ station, verdict }) => station === key && verdict === "unknown");
    const well = key === "hook-up" ? "coupled" : "good";
    return {
      key,
      label,
      href: `/rigs/${rigId}/${key}${tool === null ? "" : `?tool=${tool}`}`,
      worst,
      word:
        key in counted ? `${counted[key]!.good} of ${counted[key]!.all}` : (worst ?? (open ? "open" : well)),
      open: worst === null && open,
    };
  });
}

/** Lists that belong to the machine or to the yard, not to one reading: where each is kept. */
const LISTS: Partial<Record<Target, string>> = {
  weights: "#weights",
  tyres: "#tyres",
  hoses: "#hoses",
  remotes: "#remotes",
  functions: "#functions",
};

/** Where a finding is cured: its station, with the reading or the list open. `couplings` are the rig's, in order. */
export function cureHref(
  rigId: number,
  {
    station,
    next,
    part,
  }: { station: StationKey; next: Pick<Finding["next"], "target">; part?: number | undefined },
  couplings: readonly number[] = [],
): string {
  if (next.target === "limits") return "/limits";
  const coupling = part === undefined ? undefined : couplings[part];
  const list = LISTS[next.target];
  const query = [
    list ? "" : `at=${next.target}`,
    coupling === undefined || couplings.length < 2 ? "" : `tool=${coupling}`,
  ].filter(Boolean);
  return `/rigs/${rigId}/${station}${query.length > 0 ? `?${query.join("&")}` : ""}${list ?? ""}`;
}
