/** The judge: on a thread of its own it works out what the yard's lists show, a few rigs at a time, and keeps it beside the yard. */
import type { Database } from "../../data/handle.ts";
import { Judgements, judgementsPath } from "../../data/judgements.ts";
import { machinesInUse } from "../../data/machines.ts";
import { markOf, touchedSince } from "../../data/record.ts";
import { everyRig, listEveryTool, type RigTool } from "../../data/rigs.ts";
import {
  abouts,
  countsOf,
  type MachineJudged,
  machinesJudged,
  rigsJudged,
  writtenRig,
} from "./judged.server.ts";

type Work = {
  kept: Judgements;
  mark: number;
  day: string;
  /** the list of rigs the open ones were taken from */
  parts: readonly RigTool[];
  rigs: Set<number>;
  machines: Set<number>;
};

let work: (Work & { db: Database }) | null = null;

const RIGS_AT_ONCE = 4;
const MACHINES_AT_ONCE = 50;

/** Judges a few rigs or machines of which nobody knows how they stand. False once there are none left. */
export function judgeSome(db: Database, now = new Date()): boolean {
  const path = judgementsPath(db);
  if (path === null) return false;
  if (work?.db !== db) {
    work?.kept.close();
    work = { db, ...opened(db, path) };
  }
  look(db, work, now);
  const rigs = [...work.rigs].slice(0, RIGS_AT_ONCE);
  if (rigs.length > 0) {
    const every = everyRig(work.parts);
    const found = rigsJudged(
      db,
      rigs.flatMap((id) => every.get(id)!),
    );
    work.kept.keep(
      [...found].map(([key, told]) => ({
        kind: "rig",
        key,
        brief: JSON.stringify(countsOf(told)),
        told: writtenRig(told),
      })),
    );
    for (const id of rigs) work.rigs.delete(id);
  } else {
    const machines = [...work.machines].slice(0, MACHINES_AT_ONCE);
    const found = machines.length === 0 ? [] : machinesJudged(db, now, machines);
    work.kept.keep(
      [...found].map(([key, told]) => ({ kind: "machine", key, brief: JSON.stringify(told), told: null })),
    );
    for (const id of machines) work.machines.delete(id);
  }
  return work.rigs.size + work.machines.size > 0;
}

function opened(db: Database, path: string): Work {
  const kept = Judgements.open(db, path, process.env.AMBREK_BUILD ?? "");
  const machine = JSON.parse(kept.oneOf("machine") ?? "null") as MachineJudged | null;
  return {
    kept,
    mark: kept.mark,
    day: machine?.day ?? "",
    parts: [],
    rigs: new Set(),
    machines: new Set(),
  };
}

/** What was written since is to be judged again, and what is new for the first time; on another day all service is. */
function look(db: Database, own: Work, now: Date): void {
  const [mark, day, parts] = [markOf(db), now.toISOString().slice(0, 10), listEveryTool(db)];
  if (mark === own.mark && day === own.day && parts === own.parts) return;
  const touched = mark === own.mark ? new Set<string>() : touchedSince(db, own.mark);
  const gone = touched && abouts(parts, touched);
  own.kept.advance(mark, {
    rig: gone?.rigs ?? null,
    machine: day === own.day ? (gone?.machines ?? null) : null,
  });
  const open = (all: Iterable<number>, kind: "rig" | "machine") => {
    const known = own.kept.keysOf(kind);
    return new Set([...all].filter((id) => !known.has(id)));
  };
  const every = everyRig(parts);
  const inUse = [...every].sort(
    ([, [a]], [, [b]]) => Number(a!.archivedAt !== null) - Number(b!.archivedAt !== null),
  );
  own.rigs = open(
    inUse.map(([id]) => id),
    "rig",
  );
  own.machines = open(
    machinesInUse(db).map(({ id }) => id),
    "machine",
  );
  [own.mark, own.day, own.parts] = [mark, day, parts];
}
