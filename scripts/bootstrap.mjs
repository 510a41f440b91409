// Node's built-ins only: these run before anything is installed.
import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, openSync, readFileSync } from "node:fs";
import { join } from "node:path";

export const ROOT = new URL("..", import.meta.url).pathname;

export function run(command, args, { env = {}, quiet = false } = {}) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    stdio: quiet ? "ignore" : "inherit",
    env: { ...process.env, ...env },
  });
  return done.status ?? 1;
}

/** What stands behind a word of the command. */
export function told(word) {
  const at = process.argv.indexOf(word);
  return at > 0 ? process.argv[at + 1] : undefined;
}

export function must(command, args, options) {
  const status = run(command, args, options);
  if (status !== 0) {
    console.error(`\n${command} ${args.join(" ")} failed (${status}).`);
    process.exit(status);
  }
}

/** Headers that came with Node, so that the native module is built without a download. */
function localHeaders() {
  const prefix = join(process.execPath, "..", "..");
  return existsSync(join(prefix, "include", "node", "node.h")) ? { npm_config_nodedir: prefix } : {};
}

function nativeModuleLoads() {
  return run(process.execPath, ["-e", "new (require('better-sqlite3'))(':memory:')"], { quiet: true }) === 0;
}

function installed() {
  return existsSync(join(ROOT, "node_modules", "react-router")) && nativeModuleLoads();
}

/** npm ci where node_modules is missing or its native module does not load on this Node. */
export function ensureInstalled() {
  if (installed()) return;
  console.log("Installing packages; the database module is compiled, which takes a few minutes …");
  must("npm", ["ci", "--no-audit", "--no-fund"], { env: localHeaders() });
}

/**
 * The same, but only as far as nothing must be compiled; the rest, above all the database module on one core for minutes, goes on beside
 * what does not need it. What is returned waits for it.
 */
export function installMeanwhile() {
  if (installed()) return async () => {};
  console.log("Installing packages; the database module is compiled meanwhile, which takes a few minutes …");
  must("npm", ["ci", "--no-audit", "--no-fund", "--ignore-scripts"]);
  mkdirSync(join(ROOT, "var"), { recursive: true });
  const log = join(ROOT, "var", "install.log");
  const output = openSync(log, "w");
  const env = { ...process.env, ...localHeaders() };
  const compiling = spawn("npm", ["rebuild"], { cwd: ROOT, stdio: ["ignore", output, output], env });
  const ended = new Promise((done) => {
    compiling.once("error", () => done(1));
    compiling.once("close", done);
  });
  return async () => {
    if ((await ended) === 0 && nativeModuleLoads()) return;
    console.error(`${readFileSync(log, "utf8")}\nThe database module could not be compiled.`);
    process.exit(1);
  };
}

/** Builds the pages, and the server's workers; what the tools say is shown only where one of them fails. */
export function build() {
  console.log("Building …");
  for (const [command, args] of [
    [bin("react-router"), ["build", "--logLevel", "warn"]],
    [process.execPath, ["scripts/build-workers.mjs"]],
    [process.execPath, ["scripts/build-compiled.mjs"]],
  ]) {
    const done = spawnSync(command, args, { cwd: ROOT, encoding: "utf8", maxBuffer: 64e6 });
    if (done.status === 0) continue;
    console.error(
      `${done.stdout ?? ""}${done.stderr ?? ""}\n${command} failed (${done.status ?? done.error}).`,
    );
    process.exit(done.status ?? 1);
  }
}

export function bin(name) {
  return join(ROOT, "node_modules", ".bin", name);
}
