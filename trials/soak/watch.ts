/** What a server uses while it runs: memory, open files, and what lies in its folders. */
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";

export type Use = {
  /** in seconds since the trial began */
  at: number;
  /** resident memory, MB */
  memory: number;
  /** files it has open */
  open: number;
};

/** What a process uses now; null where it is gone. Linux tells (proc(5)). */
export function useOf(pid: number, at: number): Use | null {
  try {
    const resident = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1];
    if (resident === undefined) return null;
    return { at, memory: Number(resident) / 1024, open: readdirSync(`/proc/${pid}/fd`).length };
  } catch {
    return null;
  }
}

/** Names and sizes in a folder and below it, MB. */
export function filesIn(folder: string): Map<string, number> {
  const found = new Map<string, number>();
  for (const name of readdirSync(folder, { recursive: true }) as string[]) {
    const { size } = statSync(join(folder, name));
    found.set(name, size / 1e6);
  }
  return found;
}

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

export type Growth = { first: number; last: number };

/** The median of the first and of the last third of a stretch. */
export function growthOf(uses: readonly Use[], of: (use: Use) => number): Growth {
  const third = Math.max(1, Math.floor(uses.length / 3));
  return { first: median(uses.slice(0, third).map(of)), last: median(uses.slice(-third).map(of)) };
}
