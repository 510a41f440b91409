/**
 * A copy of the yard elsewhere, a breath behind it, kept by Litestream: started, watched, and started again where it ends. What is known of
 * it stands in a file beside the yard, for the pages. Keys of a bucket come by LITESTREAM_ACCESS_KEY_ID and LITESTREAM_SECRET_ACCESS_KEY,
 * never on a command line.
 */
import { execFile, spawn } from "node:child_process";
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join, resolve } from "node:path";

/** What was written goes over at least this often, and is asked after, ms. */
const EVERY = 500;
const ASK_EVERY = 10_000;
/** Between an end and the next start, ms: longer each time, up to a minute. */
const FIRST_PAUSE = 1000;
const LONGEST_PAUSE = 60_000;

/** The optional package that has the program for this machine. */
const PACKAGE = `@flydotio/litestream-${process.platform}-${process.arch}`;
export const NOT_THERE = `Litestream is not installed for this machine: npm install ${PACKAGE}.`;

/** Where the program lies; null where the optional package was not installed. */
export function litestream() {
  try {
    const require = createRequire(import.meta.url);
    const folder = dirname(require.resolve(`${PACKAGE}/package.json`));
    const path = join(folder, "litestream");
    return existsSync(path) ? path : null;
  } catch {
    return null;
  }
}

/** A folder as an address; a bucket is one already. */
export const replicaUrl = (to) => (/^[a-z0-9]+:\/\//.test(to) ? to : `file://${resolve(to)}`);

const configOf = (path, to) => ({
  dbs: [
    {
      path: resolve(path),
      replicas: [
        { url: replicaUrl(to), "sync-interval": `${EVERY}ms`, "snapshot-interval": "24h", retention: "720h" },
      ],
    },
  ],
});

/** Keeps a copy of the yard at `path`; `log` hears what goes wrong. Returns how to begin anew with another file, and how to stop. */
export function replicate(path, to, log) {
  const program = litestream();
  const [state, config] = [`${path}.replica`, `${path}.replica-config`];
  const known = { to, running: false, pid: null, newest: null, problem: null, starts: 0 };
  let [child, pause, stopped, next] = [null, FIRST_PAUSE, false, null];
  const tell = (more) => {
    Object.assign(known, more);
    writeFileSync(`${state}.part`, JSON.stringify(known));
    renameSync(`${state}.part`, state);
  };
  endLeftOver(state);
  if (!program) {
    tell({ problem: NOT_THERE });
    log({ problem: known.problem }, "replica");
    return { again: () => {}, stop: async () => {} };
  }
  // JSON is YAML.
  writeFileSync(config, JSON.stringify(configOf(path, to)), { mode: 0o600 });

  function start() {
    if (stopped) return;
    child = spawn(program, ["replicate", "-config", config], { stdio: ["ignore", "pipe", "pipe"] });
    const began = Date.now();
    tell({ running: true, pid: child.pid, problem: null, starts: known.starts + 1 });
    let last = "";
    for (const stream of [child.stdout, child.stderr])
      stream.on("data", (text) => {
        last = String(text).trim().split("\n").at(-1);
        if (/level=ERROR|error/i.test(last)) {
          tell({ problem: last.slice(0, 300) });
          log({ said: last.slice(0, 300) }, "replica");
        }
      });
    child.on("error", (error) => tell({ problem: error.message }));
    child.on("exit", (code) => {
      child = null;
      if (stopped) return;
      tell({ running: false, pid: null, problem: last.slice(0, 300) || `It ended (${code}).` });
      log({ code, said: last.slice(0, 300) }, "replica ended");
      pause = Date.now() - began > LONGEST_PAUSE ? FIRST_PAUSE : Math.min(pause * 2, LONGEST_PAUSE);
      next = setTimeout(start, pause);
      next.unref();
    });
  }

  /** Asks how new the newest copy is. */
  function ask() {
    execFile(
      program,
      ["generations", "-config", config, resolve(path)],
      { timeout: ASK_EVERY },
      (error, told) => {
        if (error || stopped) return;
        // name, generation, lag, start, end
        const ends = told
          .trim()
          .split("\n")
          .slice(1)
          .map((line) => line.trim().split(/\s+/).at(-1))
          .filter((end) => !Number.isNaN(Date.parse(end)));
        const newest = ends.sort().at(-1) ?? null;
        if (newest) tell({ newest, asked: new Date().toISOString() });
      },
    );
  }

  start();
  const asking = setInterval(ask, ASK_EVERY);
  asking.unref();
  setTimeout(ask, 2000).unref();
  const end = () =>
    new Promise((done) => {
      if (!child) return done();
      child.once("exit", done);
      child.kill("SIGTERM");
    });
  return {
    /** The yard's file was put aside for another one: it is followed from its beginning. */
    async again() {
      const was = child;
      if (was) was.kill("SIGTERM");
    },
    async stop() {
      stopped = true;
      clearTimeout(next);
      clearInterval(asking);
      await end();
      tell({ running: false, pid: null });
    },
  };
}

/** One that a server left behind which was killed would write beside the new one. */
function endLeftOver(state) {
  try {
    const { pid } = JSON.parse(readFileSync(state, "utf8"));
    if (pid && readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("litestream"))
      process.kill(pid, "SIGKILL");
  } catch {
    // None is left.
  }
  rmSync(state, { force: true });
}
