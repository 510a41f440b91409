/**
 * The yard page over HTTP, as the browser asks for it, from a built server: 500 machines, 20 000 readings. Also what a
 * station page loads, compressed.
 */
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { gzipSync } from "node:zlib";
import { keepReading } from "../data/readings.ts";
import { listRigs } from "../data/rigs.ts";
import { line, timesOf, yardOf } from "./measure.ts";

const SETS_OF_THREE = 84;
const MORE_READINGS = 66;

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer();
    probe.listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => done(typeof address === "object" && address ? address.port : 0));
    });
  });
}

async function answering(address: string): Promise<void> {
  for (let attempt = 0; attempt < 100; attempt += 1) {
    if (
      await fetch(`${address}/device`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error(`no answer from ${address}`);
}

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
async function scriptBytes(address: string, path: string): Promise<number> {
  const page = await (await fetch(address + path)).text();
  const scripts = new Set([...page.matchAll(/\/assets\/[\w.-]+\.js/g)].map(([url]) => url));
  const sizes = await Promise.all(
    [...scripts].map(
      async (url) => gzipSync(Buffer.from(await (await fetch(address + url)).arrayBuffer())).length,
    ),
  );
  return sizes.reduce((sum, size) => sum + size, 0);
}

export async function benchYardPage(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-bench-"));
  const path = join(folder, "yard.db");
  const db = yardOf(SETS_OF_THREE, MORE_READINGS, path);
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(
    process.execPath,
    [resolve("node_modules/@react-router/serve/bin.js"), "build/server/index.js"],
    {
      env: { ...process.env, NODE_ENV: "production", AMBREK_DB: path, HOST: "127.0.0.1", PORT: String(port) },
      stdio: "ignore",
    },
  );
  try {
    await answering(address);
    const yard = () => fetch(address).then((answer) => answer.text());
    console.log(
      `yard page, first after the start (every rig judged)          ${(await milliseconds(yard)).toFixed(0)} ms`,
    );
    await times(10, yard);
    const warm = await times(60, yard);
    line("yard page, 500 machines, 20 000 readings, over HTTP", timesOf(warm));
    const rig = listRigs(db)[5]!;
    const afterWrite = await times(30, async () => {
      keepReading(db, rig, {
        key: "pin.pivot",
        rawText: "5",
        value: 5.3,
        step: 0.1,
        instrument: "tape",
        person: "B",
        at: new Date(),
      });
      await yard();
    });
    line("  the same, each time after a reading was kept", timesOf(afterWrite));
    console.log(
      `scripts of a station page, compressed                        ${((await scriptBytes(address, "/rigs/1/tool")) / 1024).toFixed(0)} kB\n`,
    );
  } finally {
    server.kill();
    db.$client.close();
    rmSync(folder, { recursive: true, force: true });
  }
}
