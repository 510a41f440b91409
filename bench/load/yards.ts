/** What several yards on one machine cost: how soon one wakes, what memory it takes, and what they write and show a second together. */
import { spawn } from "node:child_process";
import { once } from "node:events";
import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import autocannon from "autocannon";
import { fileOf, yardsIn } from "../../data/yards.ts";
import { entriesInto } from "./entry.ts";
import { freePort } from "./free-port.ts";
import { judged } from "./served.ts";
import { yardSized } from "./sized.ts";

const MOST = 8;
const SECONDS = 4;
/** A yard of forty machines, about. */
const SETS = 2;

const row = (cells: readonly (string | number)[]) =>
  console.log(
    cells.map((cell, at) => (at === 0 ? String(cell).padEnd(34) : String(cell).padStart(12))).join(""),
  );

/** Memory of a yard's process, bytes, from what Linux says of it; what it shares with the others is counted with each. */
function memoryOf(root: string, folder: string): number {
  const pid = readFileSync(`${fileOf(root, folder)}.lock`, "utf8");
  return Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))![1]) * 1024;
}

type Load = { addresses: readonly string[]; entries: boolean };

/** Answers a second of all of them together, and the slowest p99 of any, ms. */
async function together({
  addresses,
  entries,
}: Load): Promise<{ rate: number; p99: number; failed: number }> {
  const found = await Promise.all(
    addresses.map((address) =>
      autocannon({
        url: address,
        connections: entries ? 2 : 1,
        duration: SECONDS,
        ...(entries && { requests: entriesInto(address, 30) }),
      }),
    ),
  );
  return {
    rate: found.reduce((sum, { requests }) => sum + requests.average, 0),
    p99: Math.max(...found.map(({ latency }) => latency.p99)),
    failed: found.reduce((sum, { non2xx, errors }) => sum + non2xx + errors, 0),
  };
}

export async function benchYards(): Promise<void> {
  const root = mkdtempSync(join(tmpdir(), "ambrek-yards-"));
  const planted = join(root, "planted.db");
  yardSized(planted, { sets: SETS }).$client.close();
  const port = await freePort();
  for (let count = 1; count <= MOST; count += 1) {
    mkdirSync(join(root, `yard-${count}`));
    copyFileSync(planted, fileOf(root, `yard-${count}`));
  }
  const yards = yardsIn(root, port + 1);
  const env = {
    ...process.env,
    NODE_ENV: "production",
    AMBREK_YARDS: root,
    PORT: String(port),
    AMBREK_BACKUPS: "off",
    AMBREK_LOG: "off",
    AMBREK_AWAKE: String(MOST),
  };
  const server = spawn(process.execPath, ["scripts/server/yards.mjs"], { env, stdio: "ignore" });
  try {
    while (
      !(await fetch(`http://127.0.0.1:${port}/health`).then(
        () => true,
        () => false,
      ))
    )
      await new Promise((done) => setTimeout(done, 50));
    console.log(`${MOST} yards of ${SETS * 17} rigs each, one server:`);
    row(["awake", "woke in", "memory", "entries/s", "p99", "pages/s", "p99", "failed"]);
    const addresses: string[] = [];
    for (const { port: own } of yards) {
      const start = performance.now();
      await (await fetch(`http://127.0.0.1:${own}/`)).arrayBuffer();
      const woke = performance.now() - start;
      addresses.push(`http://127.0.0.1:${own}`);
      if (![1, 2, 4, 8].includes(addresses.length)) continue;
      const written = await together({ addresses, entries: true });
      // What was written is judged first: the page is asked for by people who did not write.
      await Promise.all(yards.slice(0, addresses.length).map(({ folder }) => judged(fileOf(root, folder))));
      const shown = await together({ addresses, entries: false });
      const memory = yards
        .slice(0, addresses.length)
        .reduce((sum, each) => sum + memoryOf(root, each.folder), 0);
      row([
        addresses.length,
        `${woke.toFixed(0)} ms`,
        `${(memory / 1e6).toFixed(0)} MB`,
        written.rate.toFixed(0),
        `${written.p99} ms`,
        shown.rate.toFixed(0),
        `${shown.p99} ms`,
        written.failed + shown.failed,
      ]);
    }
  } finally {
    server.kill();
    await once(server, "exit");
    rmSync(root, { recursive: true, force: true });
  }
}
