import { type ChildProcess, spawn } from "node:child_process";
import { copyFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { inject } from "vitest";
import { freePort } from "../bench/load/free-port.ts";

export type Yard = {
  address: string;
  /** where its file lies, "yard.db", and what is kept beside it */
  folder: string;
  /** stops the server and starts it again on the same file */
  restart: () => Promise<void>;
  stop: () => Promise<void>;
  start: () => Promise<void>;
  /** as if the machine lost its power */
  kill: () => void;
  close: () => Promise<void>;
};

/** What was judged of a yard lies beside it. */
const JUDGED = ".judged";

/** A built Ambrek with a yard of its own: a fresh demo yard, or one where nothing stands yet. */
export async function openYard(more: Record<string, string> = {}, planted = true): Promise<Yard> {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-e2e-"));
  const port = await freePort();
  const env = {
    ...process.env,
    NODE_ENV: "production",
    AMBREK_DB: join(folder, "yard.db"),
    HOST: "127.0.0.1",
    PORT: String(port),
    // Many servers at once on one machine: a thread for pages each, and nothing they do by the clock.
    AMBREK_THREADS: "1",
    AMBREK_BACKUPS: "off",
    AMBREK_LOG: "off",
    ...more,
  };
  if (planted) for (const end of ["", JUDGED]) copyFileSync(inject("planted") + end, env.AMBREK_DB + end);
  const address = `http://127.0.0.1:${port}`;
  let server = await start(env, address);
  const begin = async () => {
    server = await start(env, address);
  };
  return {
    address,
    folder,
    restart: async () => {
      await stop(server);
      await begin();
    },
    stop: () => stop(server),
    start: begin,
    kill: () => void server.kill("SIGKILL"),
    close: async () => {
      await stop(server);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** What a server is started with so that something of this folder is loaded before it, in each of its threads. */
export const preloaded = (name: string) => ({
  NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ""} --import ${resolve("e2e", name)}`.trim(),
});

export type Several = {
  /** of the page that names them */
  address: string;
  /** where their folders lie */
  root: string;
  stop: () => Promise<void>;
  start: () => Promise<void>;
  close: () => Promise<void>;
};

/** A built Ambrek for several yards; there are none yet. */
export async function openSeveral(more: Record<string, string> = {}): Promise<Several> {
  const root = mkdtempSync(join(tmpdir(), "ambrek-yards-"));
  const port = await freePort();
  const env = {
    ...process.env,
    NODE_ENV: "production",
    AMBREK_YARDS: root,
    HOST: "127.0.0.1",
    PORT: String(port),
    AMBREK_THREADS: "1",
    AMBREK_BACKUPS: "off",
    ...more,
  };
  const address = `http://127.0.0.1:${port}`;
  let server = await start(env, address, YARDS);
  return {
    address,
    root,
    stop: () => stop(server),
    start: async () => {
      server = await start(env, address, YARDS);
    },
    close: async () => {
      await stop(server);
      rmSync(root, { recursive: true, force: true });
    },
  };
}

const [ONE, YARDS] = ["scripts/server/server.mjs", "scripts/server/yards.mjs"];

async function start(env: NodeJS.ProcessEnv, address: string, program = ONE): Promise<ChildProcess> {
  const server = spawn(process.execPath, [resolve(program)], { env, stdio: "ignore" });
  for (let attempt = 0; attempt < 400; attempt += 1) {
    const answered = await fetch(address).then(
      ({ status }) => status < 500,
      () => false,
    );
    if (answered) return server;
    await new Promise((done) => setTimeout(done, 150));
  }
  server.kill();
  throw new Error(`no answer from ${address}`);
}

function stop(server: ChildProcess): Promise<void> {
  return new Promise((done) => {
    if (server.exitCode !== null || server.signalCode !== null) return done();
    server.once("exit", () => done());
    server.kill();
  });
}
