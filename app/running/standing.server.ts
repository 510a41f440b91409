/** How a server stands, judged line by line for whoever runs it: what is known, what is not, and what to do about it. */
import { existsSync, statfsSync, statSync } from "node:fs";
import { dirname, resolve } from "node:path";
import type { DeviceListed, PersonListed } from "../../data/people/people.ts";
import { backupsSaid, type CopySaid, replicaSaid } from "../files/copies.server.ts";
import { WITHOUT } from "../files/copy-words.ts";
import { sizeText } from "../files/size.ts";
import { moment } from "../stations/frame/print.ts";
import type { Figures } from "./figures.ts";

/** A line of it. `act`: what to do next; "" where nothing is to be done. */
export type Standing = {
  id: string;
  label: string;
  tone: "ok" | "warn" | "stop" | "unknown";
  said: string;
  act: string;
};

const GB = 1e9;
/** A backup takes as much room as the yard, and putting one back twice as much again: what comes in, and what is kept of before. */
const TIMES_THE_YARD = 3;
/** Below this much room nothing is well, however small the yard: logs, previews and the database's own log grow. */
const LEAST_ROOM = GB;
/** The thread that listens draws and judges nothing: held up for longer than this it was kept off the processor, ms. */
const HELD_UP = 1000;
/** A device in use comes once a day; entries that wait on one longer than that are forgotten by somebody, ms. */
const A_DAY = 24 * 3600_000;

const when = (at: number) => moment(new Date(at).toISOString());
const counted = (count: number, one: string, more = `${one}s`) => `${count} ${count === 1 ? one : more}`;
const UNKNOWN = { tone: "unknown", said: "Not known: this server does not tell.", act: "" } as const;

/** Bytes of a yard's file with its write-ahead log; null where there is none. */
export function bytesOf(path: string): number | null {
  if (!existsSync(path)) return null;
  const log = `${path}-wal`;
  return statSync(path).size + (existsSync(log) ? statSync(log).size : 0);
}

/** What failed since the start. */
export function ofFailures(figures: Figures | null): Standing {
  const line = { id: "failures", label: "Errors since the start" };
  if (!figures) return { ...line, ...UNKNOWN };
  const { failed, failures, started, asked } = figures;
  const since = `since ${when(started)}`;
  if (asked === 0) return { ...line, tone: "unknown", said: `Nobody came yet ${since}.`, act: "" };
  if (failed === 0)
    return { ...line, tone: "ok", said: `None ${since}, of ${counted(asked, "request")}.`, act: "" };
  const last = failures[0];
  return {
    ...line,
    tone: "stop",
    said: `${failed} ${since}${last ? `, the last at ${when(last.at)}: ${last.what}` : ""}.`,
    act: "The log beside the yard has a line for each. Where it comes again, take a backup and report the line.",
  };
}

/** A kind of copy as a line. */
function ofCopy(id: string, label: string, copy: CopySaid | null, without: string): Standing {
  if (!copy) return { id, label, tone: "warn", said: without, act: "" };
  const act =
    copy.tone === "warn" ? `Look whether ${copy.to} can be written to, and how much room it has.` : "";
  return { id, label, tone: copy.tone, said: copy.said, act };
}

/** Backups of each day, as Files says them. */
export const ofBackups = (now: Date, path?: string): Standing =>
  ofCopy("backups", "Backup of each day", backupsSaid(now, path), WITHOUT.backups);

/** The copy elsewhere, as Files says it. */
export const ofReplica = (path?: string): Standing =>
  ofCopy("replica", "Copy elsewhere", replicaSaid(path), WITHOUT.replica);

/** Room on the disk a yard of so many bytes lies on, where `free` bytes are left. */
export function ofRoom(bytes: number, free: number): Standing {
  const needs = Math.max(LEAST_ROOM, TIMES_THE_YARD * bytes);
  const enough = free >= needs;
  return {
    id: "room",
    label: "Size, and room on its disk",
    tone: enough ? "ok" : "warn",
    said: `${sizeText(bytes)}; ${sizeText(free)} are free, and a backup and a restore want ${sizeText(needs)}.`,
    act: enough ? "" : "Make room, or move the yard to a larger disk, before a write fails.",
  };
}

function roomOf(path: string): Standing {
  const bytes = bytesOf(path);
  const line = { id: "room", label: "Size, and room on its disk" };
  try {
    const { bavail, bsize } = statfsSync(dirname(resolve(path)));
    return bytes === null ? { ...line, ...UNKNOWN } : ofRoom(bytes, bavail * bsize);
  } catch {
    return { ...line, ...UNKNOWN };
  }
}

/** How quickly who comes is heard. */
export function ofDelay(figures: Figures | null): Standing {
  const line = { id: "delay", label: "How soon it hears who comes" };
  if (!figures) return { ...line, ...UNKNOWN };
  const { longest, usual } = figures.delay;
  const late = longest > HELD_UP;
  return {
    ...line,
    tone: late ? "warn" : "ok",
    said: `Held up by ${usual.toFixed(0)} ms usually and ${longest.toFixed(0)} ms at most since ${when(figures.started)}.`,
    act: late ? "The machine was busy with something else, or slept: look what else runs on it." : "",
  };
}

/** What waits on a device, as it said itself last. */
export function ofDevice(person: string, { id, name, seen, waits }: DeviceListed, now: number): Standing {
  const line = { id: `device-${id}`, label: `${name}, ${person}` };
  const here = seen === null ? "it left" : `here last ${when(seen)}`;
  if (!waits) return { ...line, tone: "unknown", said: `It never said what waits on it; ${here}.`, act: "" };
  const { waiting, refused, told } = waits;
  if (waiting === 0)
    return { ...line, tone: "ok", said: `Nothing waits on it as of ${when(told)}; ${here}.`, act: "" };
  const entries = counted(waiting, "entry waits", "entries wait");
  if (refused > 0)
    return {
      ...line,
      tone: "warn",
      said: `${entries} on it as of ${when(told)}, ${refused} of them refused; ${here}.`,
      act: `${person} mends them on the device, or throws them away: the yard does not have them.`,
    };
  const long = now - told > A_DAY;
  return {
    ...line,
    tone: long ? "warn" : "unknown",
    said: `${entries} on it as of ${when(told)}; ${here}.`,
    act: long ? `${person} opens Ambrek on it where it reaches this server.` : "",
  };
}

const GRAVE = { stop: 0, warn: 1, unknown: 2, ok: 3 };

/** The gravest first, in the order given otherwise. */
const gravestFirst = (lines: Standing[]): Standing[] =>
  [...lines].sort((a, b) => GRAVE[a.tone] - GRAVE[b.tone]);

type Asked = { figures: Figures | null; path: string; people: readonly PersonListed[]; now: Date };

/** Every line of a server. */
export function standingOf({ figures, path, people, now }: Asked): Standing[] {
  const devices = people.flatMap(({ name, devices }) =>
    devices.map((each) => ofDevice(name, each, now.getTime())),
  );
  return gravestFirst([
    ofFailures(figures),
    ofBackups(now, path),
    ofReplica(path),
    roomOf(path),
    ofDelay(figures),
    ...devices,
  ]);
}
