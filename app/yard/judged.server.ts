/** What is worked out of a rig and of a machine for the yard's lists, as it is kept: figures in SI, words as `Said`. */
import { drawThumbnail, type Thumbnail } from "../../core/drawing/thumbnail.ts";
import type { Finding } from "../../core/finding/finding.ts";
import { standing } from "../../core/ladder/ladder.ts";
import { readBack, type Written, writtenOut } from "../../core/quantity/said.ts";
import { judgeWhole } from "../../core/subjects/judge-whole.ts";
import { aboutsOfRig } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import { type LadderFacts, ladderFacts } from "../../data/ladder.ts";
import { everyRig, type RigTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { rungsOf } from "../stations/ladder/rungs.ts";
import { pressing } from "./service/service-view.server.ts";

export type FindingCount = { stops: number; fixes: number; checks: number };

/** What a rig's card in the yard shows beside its names. */
export type RigJudged = FindingCount & {
  /** stops and fixes */
  holding: Finding[];
  drawing: Thumbnail;
  /** what it works in an hour by speed and width, m²/s; null where one of them is not known */
  rate: number | null;
  /** how far its ladder is climbed, and what the log said when that was worked out */
  climbed: { good: number; all: number };
  log: string;
};

/** How a rig stands, counted. */
export const countsOf = ({ stops, fixes, checks }: FindingCount): FindingCount => ({ stops, fixes, checks });

/** A rig's judgement as a text that can be kept, its figures written out for every reader. */
export function writtenRig({ holding, ...judged }: RigJudged): string {
  const written = holding.map((each) => ({
    ...each,
    what: writtenOut(each.what),
    why: writtenOut(each.why),
  }));
  return JSON.stringify({ ...judged, holding: written });
}

/** The judgement that was kept. */
export function readRig(text: string): RigJudged {
  const { holding, ...judged } = JSON.parse(text) as Omit<RigJudged, "holding"> & {
    holding: WrittenFinding[];
  };
  return {
    ...judged,
    holding: holding.map((each) => ({ ...each, what: readBack(each.what), why: readBack(each.why) })),
  };
}

type WrittenFinding = Omit<Finding, "what" | "why"> & { what: Written; why: Written };

/** What service asks of a machine on a day. */
export type MachineJudged = { day: string; due: number; order: number };

/** Rigs judged and drawn, by rig; `parts` are all tools of each. */
export function rigsJudged(db: Database, parts: readonly RigTool[]): Map<number, RigJudged> {
  const rigs = everyRig(parts);
  const facts = ladderFacts(db, rigs);
  return new Map(
    [...wholesOf(db, parts)].map(([id, whole]): [number, RigJudged] => {
      const judged = judgeWhole(whole);
      const count = (severity: string) => judged.findings.filter((each) => each.severity === severity).length;
      const [lead, ...others] = whole.parts.map((part) => part.rig);
      const log = facts.get(id)!;
      return [
        id,
        {
          stops: count("stop"),
          fixes: count("fix"),
          checks: count("check"),
          holding: judged.findings.filter(({ severity }) => severity === "stop" || severity === "fix"),
          drawing: drawThumbnail(lead!, 150, 210, others),
          rate: judged.reckoned.match.rate,
          climbed: standing(rungsOf(whole, judged, log)),
          log: logSaid(log),
        },
      ];
    }),
  );
}

/** What the log says of a rig today, as one text to be compared: ticks of another day count no more, and the day itself runs with the clock. */
export function logSaid({ day, ticks, runs, plugged, ...log }: LadderFacts): string {
  return JSON.stringify({
    ...log,
    ticks: [...ticks].filter(([, { at }]) => at >= day),
    runs: runs.map((own) => [...own]),
    plugged: plugged && [...plugged],
  });
}

/** What service asks for on a day, machine by machine. */
export function machinesJudged(
  db: Database,
  now: Date,
  machines: readonly number[],
): Map<number, MachineJudged> {
  const day = now.toISOString().slice(0, 10);
  const found = new Map(machines.map((id): [number, MachineJudged] => [id, { day, due: 0, order: 0 }]));
  const { due, order } = pressing(db, now, machines);
  for (const { item } of due) found.get(item.machineId)!.due += 1;
  for (const { part } of order) found.get(part.machineId)!.order += 1;
  return found;
}

const indexes = new WeakMap<readonly RigTool[], Map<string, Set<number>>>();

/** Which rigs and machines were written about, by the names `touchedSince` gives them. What is done with a rig is use of its machines. */
export function abouts(
  parts: readonly RigTool[],
  touched: ReadonlySet<string>,
): { rigs: Set<number>; machines: Set<number> } {
  const rigs = new Set<number>();
  const machines = new Set<number>();
  for (const about of touched) {
    for (const id of indexOf(parts).get(about) ?? []) rigs.add(id);
    const [kind, number] = about.split(" ");
    if (kind === "machine") machines.add(Number(number));
    if (kind === "rig")
      for (const { tractor, implement } of everyRig(parts).get(Number(number)) ?? [])
        machines.add(tractor.id).add(implement.id);
  }
  return { rigs, machines };
}

/** Which rigs each subject is part of: put together once for a list that is kept, where something was written. */
function indexOf(parts: readonly RigTool[]): Map<string, Set<number>> {
  const known = indexes.get(parts);
  if (known) return known;
  const found = new Map<string, Set<number>>();
  for (const part of parts)
    for (const about of aboutsOfRig(part)) found.set(about, (found.get(about) ?? new Set()).add(part.id));
  indexes.set(parts, found);
  return found;
}
