/** What is known of the copies of this yard elsewhere, as its page says it. */
import { readFileSync } from "node:fs";
import { databasePath } from "../../data/database-path.ts";
import { moment } from "../stations/frame/print.ts";
import { type BackupsKept, backupsFolder, backupsKept } from "./dated-backups.server.ts";
import { sizeText } from "./size.ts";

/** As the server tells it that keeps the copy. */
type Replica = {
  to: string;
  running: boolean;
  /** when what is newest in the copy was written; null while that was not asked yet */
  newest: string | null;
  asked?: string;
  problem: string | null;
};

export type CopySaid = { tone: "ok" | "warn" | "unknown"; said: string; to: string };

const AN_HOUR = 3600 * 1000;
/** A good copy of each day is a day old at most; an hour more is the server's own pace. */
const A_DAY = 26 * AN_HOUR;

/** The copy that is kept a breath behind; null where none is asked for. */
export function replicaSaid(path = databasePath()): CopySaid | null {
  if (!process.env.AMBREK_REPLICA) return null;
  try {
    return ofReplica(JSON.parse(readFileSync(`${path}.replica`, "utf8")) as Replica);
  } catch {
    return { tone: "unknown", said: "Nothing is known of it yet.", to: process.env.AMBREK_REPLICA };
  }
}

export function ofReplica({ to, running, newest, problem }: Replica): CopySaid {
  if (!running)
    return {
      tone: "warn",
      to,
      said: `It stands still${problem ? `: ${problem}` : ""}. It is begun again by itself.`,
    };
  if (problem) return { tone: "warn", to, said: `It runs, and says: ${problem}` };
  if (newest === null)
    return { tone: "unknown", to, said: "It was begun, and has not said yet how far it is." };
  return { tone: "ok", to, said: `It holds what was written up to ${moment(newest)}.` };
}

/** The dated backups; null where somebody switched them off. */
export function backupsSaid(now: Date, path = databasePath()): CopySaid | null {
  if (process.env.AMBREK_BACKUPS === "off") return null;
  const folder = backupsFolder(path);
  const known = backupsKept(path);
  return known
    ? ofBackups(known, now)
    : { tone: "unknown", to: folder, said: "None was made yet: the first comes a minute after the start." };
}

export function ofBackups({ folder, last, problem }: BackupsKept, now: Date): CopySaid {
  const good = last
    ? `The last good one is of ${moment(last.at)}: ${last.rigs} ${last.rigs === 1 ? "rig" : "rigs"} opened and judged, ${sizeText(last.bytes)}.`
    : "There is no good one yet.";
  if (problem) return { tone: "warn", to: folder, said: `The last try failed: ${problem} ${good}` };
  if (last && Date.parse(last.at) > now.getTime() + AN_HOUR)
    return {
      tone: "unknown",
      to: folder,
      said: `${good} That is after now: this machine's clock was set back. The next is made within the hour.`,
    };
  const old = last === null || now.getTime() - Date.parse(last.at) > A_DAY;
  return { tone: old ? "warn" : "ok", to: folder, said: good };
}
