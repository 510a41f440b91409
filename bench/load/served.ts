/** A built server of its own on the loopback, as somebody would start it, and what is asked of it. */
import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import SqliteFile from "better-sqlite3";
import { freePort } from "./free-port.ts";

export type Served = {
  address: string;
  /** from the start of its process until it answered, ms */
  up: number;
  server: ChildProcess;
  stop: (signal?: NodeJS.Signals) => Promise<void>;
};

const POLL = 10;
const wait = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

/** Starts the built server on a yard's file and waits until it answers `first`. */
export async function serve(
  path: string,
  first = "/health",
  env: NodeJS.ProcessEnv = {},
  at?: number,
): Promise<Served> {
  const port = at ?? (await freePort());
  const start = performance.now();
  const server = spawn(process.execPath, ["scripts/server/server.mjs"], {
    env: { ...process.env, NODE_ENV: "production", AMBREK_DB: path, PORT: String(port), ...env },
    stdio: ["ignore", "ignore", process.env.SHOW ? "inherit" : "ignore"],
  });
  const address = `http://127.0.0.1:${port}`;
  for (;;) {
    const answered = await fetch(address + first).then(
      async (answer) => {
        await answer.arrayBuffer();
        return answer.status < 500;
      },
      () => false,
    );
    if (answered) break;
    if (server.exitCode !== null) throw new Error("The server ended before it answered.");
    await wait(POLL);
  }
  return {
    address,
    up: performance.now() - start,
    server,
    stop: async (signal = "SIGTERM") => {
      if (server.exitCode !== null || server.signalCode !== null) return;
      server.kill(signal);
      await once(server, "exit");
    },
  };
}

/** Waits until the judge has nothing left to do: each rig and each machine in use is judged, or so many ms are over. Returns how many judgements there are. */
export async function judged(path: string, patience = Number.POSITIVE_INFINITY): Promise<number> {
  const until = performance.now() + patience;
  const file = new SqliteFile(path, { readonly: true });
  const wanted = file
    .prepare(
      "select (select count(distinct rig_id) from coupling) + (select count(*) from machine where archived_at is null)",
    )
    .pluck()
    .get() as number;
  file.close();
  for (;;) {
    await wait(500);
    const count = judgements(path);
    if (count >= wanted || performance.now() > until) return count;
  }
}

function judgements(path: string): number {
  try {
    const file = new SqliteFile(`${path}.judged`, { readonly: true });
    try {
      return file.prepare("select count(*) from judged").pluck().get() as number;
    } finally {
      file.close();
    }
  } catch {
    return 0;
  }
}
