/** How the time of every page grows with the yard: each page of a server as it is started, on yards from seventeen rigs to 2 000, and with ten years of readings. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import type { ServerBuild } from "react-router";
import { pagesOf } from "./pages.ts";
import { judged, serve } from "./served.ts";
import { yardSized } from "./sized.ts";

const SIZES = [
  { sets: 1, years: 1 },
  { sets: 11, years: 1 },
  { sets: 118, years: 1 },
  { sets: 118, years: 10 },
];
const LONGEST = 15_000;

/** Milliseconds of the quickest of three, or of the first where that took long; null where it took too long, or there is none. */
async function timeOf(url: string): Promise<number | null> {
  let least = Number.POSITIVE_INFINITY;
  for (let run = 0; run < 3; run += 1) {
    const start = performance.now();
    try {
      const answer = await fetch(url, { signal: AbortSignal.timeout(LONGEST), redirect: "manual" });
      await answer.arrayBuffer();
      if (answer.status !== 200) return null;
    } catch {
      return null;
    }
    least = Math.min(least, performance.now() - start);
    if (least > 1000) break;
  }
  return least;
}

export async function benchCurve(): Promise<void> {
  const build = (await import(resolve("build/server/index.cjs"))) as ServerBuild;
  const pages = pagesOf(build);
  const rows = new Map<string, (number | null)[]>();
  const counts: string[] = [];
  for (const size of SIZES) {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-curve-"));
    try {
      const path = join(folder, "yard.db");
      const db = yardSized(path, size);
      const readings = db.$client.prepare("select count(*) from reading").pluck().get() as number;
      counts.push(`${size.sets * 17} rigs, ${Math.round(readings / 1000)}k`);
      db.$client.close();
      const first = await serve(path);
      await judged(path);
      await first.stop();
      let served = await serve(path);
      await timeOf(`${served.address}/device`);
      for (const page of pages) {
        const known = rows.get(page) ?? [];
        const last = known.at(-1);
        // What took too long on a smaller yard is not asked again.
        const skip = known.length > 0 && (last === null || last === undefined);
        const time = skip ? null : await timeOf(served.address + page);
        rows.set(page, [...known, time]);
        if (skip || time !== null) continue;
        // It goes on being made though nobody waits for it: the next page is not to wait behind it.
        await served.stop("SIGKILL");
        served = await serve(path);
        await timeOf(`${served.address}/device`);
      }
      await served.stop("SIGKILL");
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }
  print(rows, counts);
}

/** By how often the time doubles while the yard does: 0 does not grow, 1 grows with it. */
function exponent(small: number | null | undefined, large: number | null | undefined): string {
  if (!small || !large) return "";
  return (Math.log(large / small) / Math.log(SIZES[2]!.sets / SIZES[1]!.sets)).toFixed(2);
}

function print(rows: ReadonlyMap<string, (number | null)[]>, counts: readonly string[]): void {
  console.log(
    `${"ms".padEnd(36)}${counts.map((count) => count.padStart(18)).join("")}${"grows by".padStart(10)}`,
  );
  const sorted = [...rows].filter(([, [first]]) => first !== null);
  sorted.sort(([, a], [, b]) => (b[2] ?? Number.POSITIVE_INFINITY) - (a[2] ?? Number.POSITIVE_INFINITY));
  for (const [page, times] of sorted)
    console.log(
      page.padEnd(36) +
        times
          .map((time) => (time === null ? `> ${LONGEST / 1000} s` : time.toFixed(1)).padStart(18))
          .join("") +
        exponent(times[1], times[2]).padStart(10),
    );
}
