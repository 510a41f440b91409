/**
 * The yard page as the built server answers it, loader, judging and HTML: 500 machines, 100 000 readings. Also the first page after a
 * start, and what a station page loads, compressed.
 */
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { gzipSync } from "node:zlib";
import { createRequestHandler, type ServerBuild } from "react-router";
import { keepReading } from "../data/readings.ts";
import { listRigs } from "../data/rigs.ts";
import { judged, serve } from "./load/served.ts";
import { line, timesOf, yardOf } from "./measure.ts";

const SETS = 38;
const MORE_READINGS = 150;

async function milliseconds(act: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await act();
  return performance.now() - start;
}

async function times(runs: number, act: () => Promise<unknown>): Promise<number[]> {
  const found: number[] = [];
  for (let run = 0; run < runs; run += 1) found.push(await milliseconds(act));
  return found;
}

/** Compressed bytes of the scripts a page names. */
function scriptBytes(page: string): number {
  const scripts = new Set([...page.matchAll(/\/assets\/[\w.-]+\.js/g)].map(([url]) => url));
  return [...scripts]
    .map((url) => gzipSync(readFileSync(join("build/client", url))).length)
    .reduce((sum, size) => sum + size, 0);
}

export async function benchYardPage(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-bench-"));
  const path = join(folder, "yard.db");
  const db = yardOf(SETS, MORE_READINGS, path);
  process.env.AMBREK_DB = path;
  const build = (await import(resolve("build/server/index.cjs"))) as ServerBuild;
  const answer = createRequestHandler(build, "production");
  const page = async (at: string) => (await answer(new Request(`http://127.0.0.1${at}`))).text();
  const yard = () => page("/");
  await page("/device");
  const first = await milliseconds(yard);
  console.log(`yard page, first of a new build (every rig judged)         ${first.toFixed(0)} ms`);
  await times(20, yard);
  line("yard page, 500 machines, 100 000 readings", timesOf(await times(100, yard)));
  const rig = listRigs(db)[5]!;
  const afterWriting = await times(50, async () => {
    keepReading(db, rig, {
      key: "pin.pivot",
      rawText: "5.3",
      value: 5.3,
      step: 0.1,
      instrument: "tape",
      person: "Bench",
      at: new Date(),
    });
    await yard();
  });
  line("  each time after a reading was kept, keeping included", timesOf(afterWriting));
  const station = await page("/rigs/1/tool");
  line(
    "station page with both drawings, looked at again",
    timesOf(await times(60, () => page("/rigs/1/tool"))),
  );
  const [driven] = listRigs(db);
  const read = { key: "pin.workRear", rawText: "6.1", value: 6.1, step: 0.1, instrument: "tape" } as const;
  const afterReading = await times(40, async () => {
    keepReading(db, driven!, { ...read, person: "Bench", at: new Date() });
    await page("/rigs/1/tool");
  });
  line("  each time after one of its readings was kept", timesOf(afterReading));
  console.log(
    `scripts of a station page, compressed                      ${(scriptBytes(station) / 1024).toFixed(0)} kB\n`,
  );
  db.$client.close();
  await benchStart(folder);
  rmSync(folder, { recursive: true, force: true });
}

/** The server started twice on one yard, from the start of its process to the yard page answered; the second recalls what the judge told after the first. */
async function benchStart(folder: string): Promise<void> {
  const path = join(folder, "again.db");
  yardOf(SETS, MORE_READINGS, path).$client.close();
  for (const name of ["judging what is shown", "recalling it"]) {
    const { address, up, stop } = await serve(path);
    const page = await milliseconds(async () => (await fetch(address)).text());
    console.log(
      `first yard page after a start, ${name}`.padEnd(58),
      `${page.toFixed(0)} ms (server up after ${up.toFixed(0)} ms)`,
    );
    await judged(path);
    await stop();
  }
  console.log();
}
