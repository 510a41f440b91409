import type { Check } from "../../../core/finding/check.ts";
import { type Finding, SEVERITIES, type Severity, type Target } from "../../../core/finding/finding.ts";
import { askedOf, usesTerminal } from "../../../core/rig/asked.ts";
import type { WholeRig } from "../../../core/rig/whole.ts";
import type { Standing } from "../../../core/subject/subject.ts";
import { isHeldBy, type Stop, walkRound } from "../../../core/subjects/walk.ts";
import { rigAddress } from "./address.ts";

export type Peg = {
  key: string;
  label: string;
  href: string;
  /** worst finding here; hook-up and card count the stops of what they are made of; null where there is none */
  worst: Severity | null;
  /** the word under the label: the worst, or how far it has come */
  word: string;
  /** nothing wrong, and not finished either */
  open: boolean;
  /** the rig has no use for it, by what it was told to be */
  unused: boolean;
};

export type Walked = {
  whole: WholeRig;
  findings: readonly Finding[];
  checks: readonly Check[];
  /** whether the rig is coupled by the log */
  coupled: boolean;
  /** how far its ladder is climbed */
  climbed: Standing;
};

/** The walk-round with how each station stands. Where something could not be judged yet, nothing is called good. */
export function pegsOf(rigId: number, walked: Walked, tool: number | null): Peg[] {
  return walkRound().map((stop) => ({
    key: stop.key,
    label: stop.label,
    href: rigAddress(rigId, stop.key, { tool }),
    ...stateOf(stop, walked),
  }));
}

type State = Pick<Peg, "worst" | "word" | "open" | "unused">;

function stateOf(stop: Stop, walked: Walked): State {
  const state = judgedState(stop, walked);
  const { subject, key } = stop;
  const { whole } = walked;
  const serves =
    key === "card" ? whole.parts.some(({ rig }) => usesTerminal(rig)) : (subject?.serves?.(whole) ?? true);
  return serves || state.worst !== null
    ? { ...state, unused: false }
    : { worst: null, word: "not used", open: false, unused: true };
}

function judgedState({ key, subject }: Stop, walked: Walked): Omit<State, "unused"> {
  const { whole, findings, checks, coupled, climbed } = walked;
  const counted = key === "ladder" ? climbed : (subject?.standing?.(whole) ?? null);
  const worst = worstOf(
    findings.filter(({ station, severity }) =>
      subject
        ? station === key
        : severity === "stop" && (key === "hook-up" || key === "card") && isHeldBy(key, station),
    ),
  );
  if (counted) {
    const open = counted.good < counted.all;
    return { worst, word: `${counted.good} of ${counted.all}`, open: worst === null && open };
  }
  const open =
    key === "hook-up"
      ? !coupled
      : checks.some(({ station, verdict }) => station === key && verdict === "unknown") ||
        (subject?.measured !== undefined && isUnread(key, whole));
  const well = key === "hook-up" ? "coupled" : "good";
  return { worst, word: worst ?? (open ? "open" : well), open: worst === null && open };
}

/** Whether nobody has read anything there yet, of any tool. */
function isUnread(station: string, { parts }: WholeRig): boolean {
  return parts.every(({ rig }) =>
    askedOf(rig).every((entry) => entry.station !== station || rig.values[entry.key].reading === null),
  );
}

function worstOf(findings: readonly Finding[]): Severity | null {
  const found = SEVERITIES.find((severity) => findings.some((each) => each.severity === severity)) ?? null;
  return found === "note" ? null : found;
}

/** Lists that belong to the machine or to the yard, not to one reading: where each is kept. */
const LISTS: Partial<Record<Target, string>> = {
  weights: "#weights",
  tyres: "#tyres",
  hoses: "#hoses",
  "depth map": "#depth-map",
  adjusters: "#adjusters",
  "guided strip": "#strip",
  job: "#job",
  line: "#line",
};

/** Lists that are entered on the page of one of the rig's machines. */
const ON_MACHINE: readonly Target[] = ["remotes", "functions"];

/** Where a finding is cured: its station, with the reading or the list open. `couplings` are the rig's, in order. */
export function cureHref(
  rigId: number,
  {
    station,
    next,
    part,
    advised,
  }: {
    station: string;
    next: Pick<Finding["next"], "target">;
    part?: number | undefined;
    /** what the reading is to be set to, SI: filled in where it is entered */
    advised?: number | undefined;
  },
  couplings: readonly number[] = [],
): string {
  if (next.target === "limits") return "/limits";
  const calibration = /^calibrate (.+)$/.exec(next.target)?.[1];
  const coupling = part === undefined ? undefined : couplings[part];
  const list = LISTS[next.target];
  const tool = couplings.length < 2 ? null : coupling;
  if (ON_MACHINE.includes(next.target)) return rigAddress(rigId, `lists/${next.target}`, { tool });
  if (calibration) return rigAddress(rigId, `calibrate/${calibration}`, { tool });
  const at = list ? null : next.target;
  return `${rigAddress(rigId, station, { at, tool, advised: at && advised })}${list ?? ""}`;
}
