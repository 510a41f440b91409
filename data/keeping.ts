/** Keeping the file a yard lives in: one server at a time, dated copies, and no new yard where an old one may lie beside it. */
import {
  closeSync,
  copyFileSync,
  existsSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from "node:fs";
import { basename, dirname, join, resolve } from "node:path";

/** What is said instead of doing harm to a yard. */
export class YardProblem extends Error {}

export type CopyReason = "before-restore" | "before-migration";

/** A copy of a yard beside it. */
export type KeptCopy = { name: string; why: CopyReason; at: string; bytes: number };

const COPY = /\.(before-restore|before-migration)-(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d)(-\d+)?$/;

/** Behind the name of a yard: a folder a backup is made in, while it is. */
export const TAKING = ".taking-";

/** Clears what was being made beside a yard when its server was cut off: no copy, and no yard. */
export function clearLeftovers(path: string): void {
  const folder = dirname(resolve(path));
  const own = basename(path);
  for (const name of readdirSync(folder)) {
    if (!name.startsWith(`${own}.`)) continue;
    const rest = name.slice(own.length);
    if (rest.startsWith(TAKING) || /^\.(restoring|rebuilt)(-wal|-shm)?$/.test(rest) || rest.endsWith(".part"))
      rmSync(join(folder, name), { recursive: true, force: true });
  }
}

/** The copies beside a yard, the newest first. */
export function copiesOf(path: string): KeptCopy[] {
  const folder = dirname(resolve(path));
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => name.startsWith(`${basename(path)}.`))
    .flatMap((name): KeptCopy[] => {
      const [, why, at] = COPY.exec(name) ?? [];
      if (!why || !at) return [];
      return [
        {
          name,
          why: why as CopyReason,
          at: `${at.slice(0, 10)}T${at.slice(11).replaceAll("-", ":")}Z`,
          bytes: statSync(join(folder, name)).size,
        },
      ];
    })
    .sort((a, b) => b.at.localeCompare(a.at) || b.name.localeCompare(a.name));
}

/** Copies a yard that nobody writes to, under a name of its own; written aside and renamed, so that a copy is whole or not there. */
export function copyBeside(path: string, why: CopyReason, now = new Date()): string {
  const stamp = now.toISOString().slice(0, 19).replaceAll(":", "-");
  const base = `${path}.${why}-${stamp}`;
  let name = base;
  for (let count = 2; existsSync(name); count += 1) name = `${base}-${count}`;
  const aside = `${name}.part`;
  try {
    copyFileSync(path, aside);
    renameSync(aside, name);
  } catch (error) {
    rmSync(aside, { force: true });
    throw error;
  }
  return name;
}

/**
 * @throws YardProblem where a new yard would be begun beside what may be an old one: a log without its file, an empty file, a copy
 */
export function mayBegin(path: string): void {
  const there = existsSync(path);
  if (there && statSync(path).size > 0) return;
  const found = [
    there ? "an empty file stands in its place" : "",
    existsSync(`${path}-wal`) ? "its write-ahead log is there without it" : "",
    copiesOf(path).length > 0 ? "copies of a yard lie beside it" : "",
  ].filter(Boolean);
  if (found.length > 0)
    throw new YardProblem(
      `No new yard is begun at ${basename(path)}: ${found.join(", ")}. Put the yard back, or move these away first.`,
    );
}

const isAlive = (pid: number) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // It is there, and somebody else's.
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
};

/** Takes a yard for this process; returns what lets it go. @throws YardProblem where another process has it */
export function takeYard(path: string): () => void {
  const lock = `${path}.lock`;
  for (let attempt = 0; attempt < 3; attempt += 1) {
    try {
      const file = openSync(lock, "wx");
      writeSync(file, String(process.pid));
      closeSync(file);
      return () => rmSync(lock, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
      const holder = Number(readFileSync(lock, "utf8"));
      if (holder === process.pid) return () => rmSync(lock, { force: true });
      if (Number.isInteger(holder) && holder > 0 && isAlive(holder))
        throw new YardProblem(`Another Ambrek (process ${holder}) serves this yard: stop that one first.`);
      rmSync(lock, { force: true });
    }
  }
  throw new YardProblem("This yard cannot be taken: its lock comes back again and again.");
}

/** Which file a path leads to, so that one put in its place is told from it; null where there is none. */
export function identityOf(path: string): string | null {
  try {
    const { dev, ino } = statSync(path);
    return `${dev}:${ino}`;
  } catch {
    return null;
  }
}
