/**
 * The start-of-work ladder of one rig: is everything really on? Each rung follows from a station, from what was run and
 * logged since the rig was coupled, or is ticked by a person where Ambrek cannot know. Stations not built have no rung.
 */

import type { Check } from "../finding/check.ts";
import type { Finding } from "../finding/finding.ts";
import { type Said, tell } from "../quantity/said.ts";
import { guidedBy, usesTerminal } from "../rig/asked.ts";
import { besides, together } from "../rig/swath.ts";
import type { WholeRig } from "../rig/whole.ts";
import { works } from "../rig/whole.ts";
import { machineOf } from "../sequence/of-rig.ts";
import type { SequenceKind } from "../sequence/step.ts";
import { listOf } from "../sequence/templates.ts";
import type { Holds } from "../subject/subject.ts";
import { cureOf, isGood } from "../subjects/ground/guide/standing.ts";
import type { Judged } from "../subjects/judge-whole.ts";
import { heldBy, isHeldBy, namedTogether } from "../subjects/walk.ts";
import { endedSince, type LastRun } from "./ended.ts";

export type RungKey =
  | "sound"
  | "coupled"
  | "hoses"
  | "unfolded"
  | "running"
  | "figures"
  | "rate"
  | "job"
  | "screen"
  | "line"
  | "trigger"
  | "position"
  | "enabled"
  | "engaged"
  | "proved"
  | "released"
  | "strip";

export type Rung = {
  key: RungKey;
  label: string;
  state: "good" | "not yet" | "not applicable";
  /** what it was told from, or what is missing */
  why: Said;
  /** where it is cured; null where a person ticks it */
  next: { label: string; path: string } | null;
  /** a person ticks it: nobody else can know */
  byPerson: boolean;
};

/** What happened on the rig, as the log has it. Times are ISO 8601, UTC. */
export type RigLog = {
  /** when it was coupled last, by whom; null while it is not */
  coupled: { at: string; person: string } | null;
  /** part → sequences that were run, the last time of each */
  runs: readonly ReadonlyMap<SequenceKind, LastRun>[];
  /** since when it is the same working day */
  day: string;
  /** the places the hoses were kept on, as "kind number"; null where none were kept */
  plugged: ReadonlySet<string> | null;
  /** where the assignment has them now */
  places: ReadonlySet<string>;
  /** when it was uncoupled last: what the terminal showed before is another tool's by now; null where it never was */
  since: string | null;
  /** what people ticked since, by rung */
  ticks: ReadonlyMap<string, { person: string; at: string }>;
  /** the last field test */
  proved: string | null;
};

type Told = { whole: WholeRig; judged: Judged; log: RigLog };

const stopsAt = (findings: readonly Finding[], list: Holds) =>
  findings.filter(({ station, severity }) => severity === "stop" && isHeldBy(list, station));

/** Every rung of the morning in order, each with its state, why, and what to do next. */
export function ladderOf(told: Told): Rung[] {
  const { whole } = told;
  const working = whole.parts.map(({ rig }) => rig).filter(works);
  const lines = working.some((rig) => guidedBy(rig).lines);
  const tells = working.some(usesTerminal);
  return [
    sound(told),
    coupled(told),
    hoses(told),
    ranSince(told, "unfolded", "Unfolded, its functions in their working state", ["unfold"]),
    ...(releasable(told).length > 0 ? [released(told)] : []),
    ranSince(told, "running", "Drives, motors and downforce on, in their order", ["start"]),
    ...(tells ? [figures(told)] : []),
    ...(told.judged.reckoned.rate.length > 0 ? [rate(told)] : []),
    ...(tells ? [job(told)] : []),
    ...(tells && whole.work ? [screen(told)] : []),
    ...(tells
      ? [
          ticked(
            told,
            "trigger",
            "The record seen to start and stop with the tool",
            "Lower and raise once, and watch the coverage.",
          ),
          ticked(
            told,
            "position",
            "The terminal says its position is good",
            "Wait for the fix the job needs, and look at its source.",
          ),
        ]
      : []),
    ...(lines
      ? [
          line(told),
          ticked(
            told,
            "enabled",
            "Steering enabled",
            "Switch it on, and look that the terminal says it is ready and not what it waits for.",
          ),
          ticked(
            told,
            "engaged",
            "Engaged while moving",
            "Roll, engage, and take the hands off for a moment only.",
          ),
          proved(told),
        ]
      : []),
    ...(told.judged.reckoned.ground.strips.length > 0 ? [strip(told)] : []),
  ];
}

/** What has to hold, in this order, before a machine steers itself. */
const TO_STEER: readonly RungKey[] = ["position", "line", "enabled", "engaged"];

/** The four conditions of steering, of the rungs that were judged; none where nothing steers. */
export const readyToSteer = (rungs: readonly Rung[]): Rung[] =>
  TO_STEER.flatMap((key) => rungs.find((each) => each.key === key) ?? []);

/** How far it has come: rungs that are good, of those that apply. */
export function standing(rungs: readonly Rung[]): { good: number; all: number } {
  const apply = rungs.filter(({ state }) => state !== "not applicable");
  return { good: apply.filter(({ state }) => state === "good").length, all: apply.length };
}

const rung = (key: RungKey, label: string, rest: Partial<Rung> & Pick<Rung, "state" | "why">): Rung => ({
  key,
  label,
  next: null,
  byPerson: false,
  ...rest,
});

function sound({ judged }: Told): Rung {
  const label = "May be coupled: nothing stops it";
  const [first, ...more] = stopsAt(judged.findings, "hook-up");
  if (first)
    return rung("sound", label, {
      state: "not yet",
      why: tell`${first.what}${more.length > 0 ? ` And ${more.length} more.` : ""}`,
      next: { label: "Cure it", path: first.station },
    });
  const open = judged.checks.find(
    ({ station, verdict }) => verdict === "unknown" && isHeldBy("hook-up", station),
  );
  return open
    ? rung("sound", label, {
        state: "not yet",
        why: tell`Not known yet: ${open.said}`,
        next: { label: open.next, path: open.station },
      })
    : rung("sound", label, { state: "good", why: `${namedTogether(heldBy("hook-up"))} have no stop.` });
}

function coupled({ log }: Told): Rung {
  return log.coupled
    ? rung("coupled", "Coupled and locked", { state: "good", why: `By its list, ${log.coupled.person}.` })
    : rung("coupled", "Coupled and locked", {
        state: "not yet",
        why: "Its hook-up list is not ticked through.",
        next: { label: "Hook up", path: "hook-up" },
      });
}

function hoses({ whole, judged: { reckoned }, log }: Told): Rung {
  const label = "Hoses as assigned";
  const untold = untoldOf(whole);
  if (untold) return rung("hoses", label, untold);
  if (whole.hoses.functions.length === 0)
    return rung("hoses", label, { state: "not applicable", why: "Nothing here moves by the tractor's oil." });
  const next = { label: "Look at the hoses", path: "hoses" };
  if (!reckoned.hoses.solved)
    return rung("hoses", label, { state: "not yet", why: "There is no plan for them.", next });
  if (log.plugged === null)
    return rung("hoses", label, { state: "not yet", why: "Nobody kept how they are plugged in.", next });
  const same =
    log.plugged.size === log.places.size && [...log.places].every((place) => log.plugged!.has(place));
  return same
    ? rung("hoses", label, { state: "good", why: "Kept as plugged in, each on its coupling." })
    : rung("hoses", label, {
        state: "not yet",
        why: "They were kept on other couplings than the plan has now.",
        next,
      });
}

/** A tool of which nobody entered what moves by oil, nor that nothing does: nobody knows whether anything has to be done. */
function untoldOf({
  parts,
  hoses: { functions, told },
}: WholeRig): Pick<Rung, "state" | "why" | "next"> | null {
  const at = parts.findIndex((_, part) => !told[part] && !functions.some((fn) => fn.part === part));
  if (at < 0) return null;
  return {
    state: "not yet",
    why: `Nobody entered the hydraulic functions of ${parts[at]!.name}, nor that it has none.`,
    next: { label: "Enter them", path: "hoses" },
  };
}

/** Sequences of every tool that has steps for them, run through since the rig was coupled. */
function ranSince({ whole, log }: Told, key: RungKey, label: string, kinds: readonly SequenceKind[]): Rung {
  const wanted = whole.parts.flatMap(({ name }, part) =>
    kinds.flatMap((kind) => {
      const { steps } = listOf(kind, machineOf(whole, part));
      const moves = steps.some(({ sets }) => Object.keys(sets).some((each) => each !== "people"));
      return moves ? [{ name, part, kind }] : [];
    }),
  );
  const untold = untoldOf(whole);
  if (wanted.length === 0 && untold) return rung(key, label, untold);
  if (wanted.length === 0)
    return rung(key, label, { state: "not applicable", why: "Nothing on it has to be." });
  const since = { coupled: log.coupled?.at ?? null, road: log.ticks.get("road")?.at ?? null };
  for (const { name, part, kind } of wanted) {
    const ended = endedSince(kind, log.runs[part] ?? new Map(), since);
    if (ended)
      return rung(key, label, {
        state: "not yet",
        why: `${ended}${whole.parts.length > 1 ? `: ${name}` : ""}.`,
        next: { label: "Run it", path: `sequences/${kind}` },
      });
  }
  return rung(key, label, { state: "good", why: "Run through since it was coupled, and nothing ended it." });
}

function figures({ judged }: Told): Rung {
  const label = `${namedTogether(heldBy("card"))}: figures without a stop`;
  const [first] = stopsAt(judged.findings, "card");
  return first
    ? rung("figures", label, {
        state: "not yet",
        why: first.what,
        next: { label: "Cure it", path: first.station },
      })
    : rung("figures", label, { state: "good", why: "Nothing guidance uses is missing or impossible." });
}

/** Lines are laid as wide as the tool works; closer than the terminal's own step is the same. */
const SAME_SPACING = 0.011;

function line({ whole, judged, log }: Told): Rung {
  const label = "Line spacing in the terminal is this tool's";
  const next = { label: "Enter R", path: "tool?at=guidance.trackSpacing" };
  const unchosen = judged.checks.find(
    (each) => each.station === "job" && isOf(OF_LINE, each) && each.verdict === "fix",
  );
  if (unchosen)
    return rung("line", label, {
      state: "not yet",
      why: unchosen.said,
      next: { label: unchosen.next, path: "job" },
    });
  // Several tools that work one swath have one line spacing: that of the first.
  const [, ...beside] = besides(whole);
  const told = whole.parts
    .flatMap((_, part) => (beside.includes(part) ? [] : [together(whole, part)]))
    .filter((rig) => works(rig) && guidedBy(rig).lines)
    .map(({ values }) => values);
  const unread = told.find((values) => values["guidance.trackSpacing"].value === null);
  if (unread) return rung("line", label, { state: "not yet", why: "Nobody read it off the terminal.", next });
  const before = told.some(
    (values) => log.since !== null && (values["guidance.trackSpacing"].reading?.measuredAt ?? "") < log.since,
  );
  if (before)
    return rung("line", label, {
      state: "not yet",
      why: "It was read before the rig was uncoupled: another tool may have left its own since.",
      next,
    });
  const off = told.find((values) => {
    const [width, overlap] = [values["tool.width"].value, values["work.overlap"].value];
    const spacing = values["guidance.trackSpacing"];
    return (
      width === null ||
      overlap === null ||
      spacing.stale ||
      Math.abs(spacing.value! - (width - overlap)) > SAME_SPACING
    );
  });
  return off
    ? rung("line", label, {
        state: "not yet",
        why: "It is not the working width less the overlap, or was read before a change.",
        next,
      })
    : rung("line", label, { state: "good", why: "Width less overlap, as read off the terminal." });
}

/** What is seen of one field says nothing of the next: its line, and whether the correction reaches there. */
const OF_FIELD: readonly RungKey[] = ["position", "engaged"];

function ticked({ whole, log }: Told, key: RungKey, label: string, how: string): Rung {
  const tick = log.ticks.get(key);
  if (tick && whole.work && OF_FIELD.includes(key) && tick.at < whole.work.since)
    return rung(key, label, {
      state: "not yet",
      why: `Seen by ${tick.person} on another field. ${how}`,
      byPerson: true,
    });
  const said = log.ticks.get("day")?.at ?? "";
  if (tick && (tick.at < log.day || tick.at < said))
    return rung(key, label, {
      state: "not yet",
      why: `Seen by ${tick.person} on another working day. ${how}`,
      byPerson: true,
    });
  return tick
    ? rung(key, label, { state: "good", why: `Seen by ${tick.person}.`, byPerson: true })
    : rung(key, label, { state: "not yet", why: how, byPerson: true });
}

function proved({ log }: Told): Rung {
  const label = "Line to line proved by a field test";
  const since = log.proved !== null && log.coupled !== null && log.proved >= log.coupled.at;
  return since
    ? rung("proved", label, { state: "good", why: "A field test was kept since it was coupled." })
    : rung("proved", label, {
        state: "not yet",
        why:
          log.proved === null
            ? "No field test was kept yet."
            : "The last field test is older than this coupling.",
        next: { label: "Record a field test", path: "tool" },
      });
}

/** Checks of the job that are about its working screen and its alarms, and about its line: each has a rung of its own. */
const OF_SCREEN = ["screen", "alarms", "muted"];
const OF_LINE = ["line"];

const isOf = (names: readonly string[], { id }: Check) =>
  names.some((name) => id === name || id.startsWith(`${name}:`));

/** The first that is not as it should be, worst first; notes and checks let one begin. */
function openAt(checks: readonly Check[]): Check | null {
  return (
    (["stop", "fix", "unknown"] as const)
      .map((verdict) => checks.find((each) => each.verdict === verdict))
      .find((each) => each !== undefined) ?? null
  );
}

function jobRung(key: "job" | "screen", label: string, checks: readonly Check[], good: Said): Rung {
  const open = openAt(checks);
  return open
    ? rung(key, label, {
        state: "not yet",
        why: open.verdict === "unknown" ? tell`Not known yet: ${open.said}` : open.said,
        next: { label: open.next, path: "job" },
      })
    : rung(key, label, { state: "good", why: good });
}

function job({ whole, judged }: Told): Rung {
  const label = "Job set: field, operation, crop and variety, product and rate";
  const at = judged.checks.filter(
    (each) => each.station === "job" && !isOf([...OF_SCREEN, ...OF_LINE], each),
  );
  return jobRung(
    "job",
    label,
    at,
    whole.work ? `Set for ${whole.work.field.name} by ${whole.work.person}.` : "Nothing is asked of it.",
  );
}

function screen({ judged }: Told): Rung {
  const at = judged.checks.filter((each) => each.station === "job" && isOf(OF_SCREEN, each));
  return jobRung(
    "screen",
    "Working screen laid out and active, alarms heard",
    at,
    "All that is needed is in sight, and heard.",
  );
}

/** Set for what is in it, and what it rests on fitted as the terminal was told. */
function rate({ judged }: Told): Rung {
  const label = "Rate set for what is in it, and fitted as the terminal was told";
  const at = judged.checks.filter(({ station }) => station === "rate");
  const next = { label: "Look at the rate", path: "rate" };
  const stop = at.find(({ verdict }) => verdict === "stop");
  if (stop) return rung("rate", label, { state: "not yet", why: stop.said, next });
  const open = at.find(({ verdict }) => verdict === "unknown");
  return open
    ? rung("rate", label, { state: "not yet", why: tell`Not known yet: ${open.said}`, next })
    : rung("rate", label, { state: "good", why: "Nothing at Rate stops it, and nothing is unknown there." });
}

/** Steps of its guided strips that release what the road locked: lock-outs, brackets, stands, the tap. */
const releasable = ({ judged }: Told) =>
  judged.reckoned.ground.strips.flatMap((each) =>
    each.steps.filter(({ step }) => step.releases).map((step) => ({ ...each, of: step })),
  );

/** Begun since it was coupled: what was seen before says nothing of how it stands now. */
function begunSince({ whole, log }: Told, part: number): boolean {
  const begun = whole.ground[part]!.strip;
  return begun !== null && log.coupled !== null && begun.at >= log.coupled.at;
}

function released(told: Told): Rung {
  const label = "Lock-outs, brackets and stands as for work, the tap shut";
  const next = { label: "Look at them", path: "ground" };
  const stored = told.whole.ground.flatMap(({ adjusters }) =>
    adjusters.filter(({ storage, setting }) => storage !== null && setting === storage),
  );
  if (stored.length > 0)
    return rung("released", label, {
      state: "not yet",
      why: `In storage position: ${stored.map(({ label: name }) => name).join(", ")}.`,
      next,
    });
  const open = releasable(told).find(({ part, of }) => !begunSince(told, part) || !isGood(of));
  if (!open) return rung("released", label, { state: "good", why: "Looked at since it was coupled." });
  const { said } = cureOf(open.of);
  return rung("released", label, {
    state: "not yet",
    why: begunSince(told, open.part)
      ? tell`${open.of.step.title}: ${said}`
      : "Nobody looked at them since it was coupled.",
    next,
  });
}

function strip(told: Told): Rung {
  const label = "First strip proved: depth, level and all it does as wanted";
  const next = { label: "Run the strip", path: "ground" };
  const { strips } = told.judged.reckoned.ground;
  const unbegun = strips.find(({ part }) => !begunSince(told, part));
  if (unbegun)
    return rung("strip", label, {
      state: "not yet",
      why:
        told.whole.ground[unbegun.part]!.strip === null
          ? "No strip was begun."
          : "The last strip is older than this coupling.",
      next,
    });
  const open = strips.find((each) => each.next !== null);
  if (open)
    return rung("strip", label, {
      state: "not yet",
      why: tell`${open.next!.step.title}: ${cureOf(open.next!).said}`,
      next,
    });
  const fields = strips.map(({ part }) => told.whole.ground[part]!.strip!.field);
  return rung("strip", label, {
    state: "good",
    why: `Good in every step, on ${[...new Set(fields)].join(", ")}.`,
  });
}
