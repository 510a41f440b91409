/** Which pages a device takes along: those of the rigs in use, as this device would see them. */
import { createHash } from "node:crypto";
import { SEQUENCE_KINDS } from "../../core/sequence/step.ts";
import { calibrationsAt } from "../../core/subjects/calibrations.ts";
import { jobsOf } from "../../core/subjects/jobs.ts";
import { walkRound } from "../../core/subjects/walk.ts";
import { isAmong } from "../../data/facts.ts";
import { testsOfRig } from "../../data/field-tests.ts";
import type { Database } from "../../data/handle.ts";
import { rigsInUse } from "../../data/in-use.ts";
import { markOf, touchedSince } from "../../data/record.ts";
import { byRig, listRigs, type RigTool } from "../../data/rigs.ts";
import type { Preferences } from "../session/preferences.server.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { openedOf } from "../stations/frame/opened.server.ts";
import type { AboardList } from "./aboard.ts";

const DAY = 24 * 3600 * 1000;
const USED_WITHIN = 30 * DAY;
/** More than these would not fit a phone, nor be taken in the minute before one drives off. */
const MOST = 20;

/** `marks`: how far the record of each rig had grown when this device took it along last, by rig. */
export function aboardList(
  db: Database,
  preferences: Preferences,
  marks: ReadonlyMap<number, number>,
  now: Date,
): AboardList {
  const parts = byRig(listRigs(db));
  const used = rigsInUse(db, [...parts.values()].flat(), new Date(now.getTime() - USED_WITHIN).toISOString());
  const mark = markOf(db);
  const touched = touchedOnce(db);
  return {
    version: createHash("sha256")
      .update(JSON.stringify([process.env.AMBREK_BUILD ?? "", preferences]))
      .digest("hex")
      .slice(0, 16),
    rigs: used.slice(0, MOST).map((id) => {
      const own = parts.get(id)!;
      const since = marks.get(id);
      return {
        id,
        name: own[0]!.name,
        mark,
        fresh: since !== undefined && !isAmong(touched(since), own),
        pages: pagesOf(db, own),
      };
    }),
    pages: ["/", "/device", "/words", "/symptoms"],
    left: Math.max(0, used.length - MOST),
  };
}

function touchedOnce(db: Database): (mark: number) => Set<string> | null {
  const known = new Map<number, Set<string> | null>();
  return (mark) => {
    if (!known.has(mark)) known.set(mark, touchedSince(db, mark));
    return known.get(mark)!;
  };
}

/** Calibrations and tests a tool of a rig has, by key: one begins them out of reach as well. */
function calibrationsOfTool(db: Database, parts: readonly RigTool[], part: RigTool): string[] {
  const { rig } = openedOf(db, parts).whole.parts[parts.indexOf(part)]!;
  return calibrationsAt(rig).map(({ kind }) => kind.key);
}

/** The walk-round of a rig, its lists and steps, sheets, the field tests under way and those one may begin; of each of its tools where there are several. */
function pagesOf(db: Database, parts: readonly RigTool[]): string[] {
  const { id } = parts[0]!;
  const tools = parts.length > 1 ? [null, ...parts.map(({ couplingId }) => couplingId)] : [null];
  const seen = [
    ...walkRound().map(({ key }) => key),
    "sheet",
    "log",
    "rounds",
    "handover",
    ...SEQUENCE_KINDS.map((kind) => `sequences/${kind}`),
  ];
  const toolOf = (part: RigTool) => ({ tool: parts.length > 1 ? part.couplingId : null });
  return [
    `/rigs/${id}`,
    ...tools.flatMap((tool) => seen.map((page) => rigAddress(id, page, { tool }))),
    ...parts.flatMap((part) => [
      ...testsOfRig(db, part).map((test) => rigAddress(id, `proof/${test.id}`, toolOf(part))),
      ...jobsOf(part.attachment).map(({ key }) => rigAddress(id, `proof/new/${key}`, toolOf(part))),
      ...calibrationsOfTool(db, parts, part).map((key) => rigAddress(id, `calibrate/${key}`, toolOf(part))),
    ]),
  ];
}
