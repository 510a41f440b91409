/** What a yard of 2 000 rigs costs whoever works with it, on a server as it is started: pages, entries, and what others make it do meanwhile. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import autocannon from "autocannon";
import { entriesInto } from "./entry.ts";
import { judged, type Served, serve } from "./served.ts";
import { yardSized } from "./sized.ts";

/** The demo yard's seventeen rigs as often as makes some 2 000 of them, with 117 000 readings. */
const SETS = 118;
const SECONDS = 5;

const row = (cells: readonly (string | number)[]) =>
  console.log(
    cells.map((cell, at) => (at === 0 ? String(cell).padEnd(44) : String(cell).padStart(10))).join(""),
  );

type Asked = { what: string; path: string; clients: number; entries?: boolean };

async function measure({ address }: Served, { what, path, clients, entries = false }: Asked): Promise<void> {
  const found = await autocannon({
    url: address + path,
    connections: clients,
    duration: SECONDS,
    ...(entries && { requests: entriesInto(address, 1000) }),
  });
  row([
    what,
    clients,
    found.requests.average.toFixed(0),
    `${found.latency.p50} ms`,
    `${found.latency.p99} ms`,
    found.non2xx + found.errors,
  ]);
}

/** How long the server's thread that listens was held up while others had something long made: the longest, ms. */
async function heldUp({ address }: Served, path: string): Promise<void> {
  const others = fetch(address + path).then((answer) => answer.arrayBuffer());
  const times: number[] = [];
  let open = true;
  others.finally(() => {
    open = false;
  });
  while (open) {
    const start = performance.now();
    await (await fetch(`${address}/health`)).arrayBuffer();
    times.push(performance.now() - start);
    await new Promise((done) => setTimeout(done, 5));
  }
  await others;
  const { delay } = (await (await fetch(`${address}/health`)).json()) as { delay: number };
  times.sort((a, b) => a - b);
  row([
    `while ${path} is made`,
    "",
    "",
    `${times[Math.floor(times.length / 2)]!.toFixed(0)} ms`,
    `${times[Math.floor(times.length * 0.99)]!.toFixed(0)} ms`,
    `${delay.toFixed(0)} ms`,
  ]);
}

/** How long a Node that does nothing takes to start and end, ms, the median of five: by it the machine's speed just then is told. */
function bareStart(): number {
  const times = Array.from({ length: 5 }, () => {
    const start = performance.now();
    spawnSync(process.execPath, ["-e", "0"]);
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[2]!;
}

export async function benchLoad(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-load-"));
  const path = join(folder, "yard.db");
  try {
    yardSized(path, { sets: SETS }).$client.close();
    const first = await serve(path);
    console.log(`${SETS * 17} rigs, 117 000 readings, first judged by a build:`);
    const start = performance.now();
    await judged(path);
    console.log(`  by the judge beside in ${((performance.now() - start) / 1000 - 2).toFixed(0)} s`);
    await first.stop();
    const served = await serve(path, "/");
    row(["first page, from the start of the process", "", "", `${served.up.toFixed(0)} ms`]);
    row(["  a bare Node that does nothing, just then", "", "", `${bareStart().toFixed(0)} ms`]);
    row(["", "clients", "a second", "p50", "p99", "failed"]);
    for (const clients of [1, 8, 32]) {
      await measure(served, { what: "yard page", path: "/", clients });
      await measure(served, { what: "station page", path: "/rigs/8/tool", clients });
      await measure(served, { what: "hook-up list", path: "/rigs/8/hook-up", clients });
      await measure(served, { what: "entry, on the disk when answered", path: "/", clients, entries: true });
      // What was entered is judged beside everybody then.
      await measure(served, { what: "station page, beside the judge", path: "/rigs/9/tool", clients });
      await judged(path);
    }
    row(["", "", "", "p50", "p99", "held up"]);
    for (const long of [
      "/readings.csv",
      "/season",
      "/tape-list",
      "/rates",
      "/fields",
      "/log.csv",
      "/backup.db",
    ])
      await heldUp(served, long);
    await served.stop();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
