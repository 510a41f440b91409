/**
 * Loads the built application with what the engine compiled of it when it was built, which lies beside it: reading seven megabytes of program
 * anew took each thread most of the time it needs to come up. What another engine compiled, or for other settings, is left aside and the
 * program compiled as ever; the first start with them lays beside it what it compiled.
 */
import { createHash } from "node:crypto";
import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import Module, { createRequire } from "node:module";
import { dirname, join } from "node:path";
import vm from "node:vm";
import { threadId } from "node:worker_threads";
import { ROOT } from "../bootstrap.mjs";

export const BUILT = join(ROOT, "build", "server", "index.cjs");

/** Smaller files are compiled sooner than what was compiled of them is read. */
const LARGE = 1e6;
/** By engine and by its settings: what was compiled for another is refused. */
const ENGINE = createHash("sha256")
  .update(JSON.stringify([process.version, process.arch, process.env.NODE_OPTIONS ?? "", process.execArgv]))
  .digest("hex")
  .slice(0, 8);
const besides = (file) => `${file}.${ENGINE}.compiled`;

/** The large files of the application that were loaded, and whether what lay beside them served. */
const scripts = new Map();

/** The built application. Throws where it is not built. */
export function loadBuilt(at = BUILT) {
  const compile = Module.prototype._compile;
  Module.prototype._compile = function (content, filename) {
    if (content.length < LARGE) return compile.call(this, content, filename);
    const script = scriptOf(content, filename);
    scripts.set(filename, script);
    const run = script.runInThisContext();
    return run.call(this.exports, this.exports, createRequire(filename), this, filename, dirname(filename));
  };
  try {
    return createRequire(import.meta.url)(at);
  } finally {
    Module.prototype._compile = compile;
  }
}

function scriptOf(content, filename) {
  const cachedData = existsSync(besides(filename)) ? readFileSync(besides(filename)) : undefined;
  return new vm.Script(Module.wrap(content), {
    filename,
    ...(cachedData && { cachedData }),
    importModuleDynamically: vm.constants.USE_MAIN_CONTEXT_DEFAULT_LOADER,
  });
}

/** Of each large file that was loaded whether it was compiled before. */
export const servedBefore = () =>
  [...scripts.values()].map(({ cachedDataRejected }) => cachedDataRejected === false);

/** Lays beside the application what was compiled of it so far. */
export function keepCompiled() {
  for (const [filename, script] of scripts) {
    const beside = besides(filename);
    const part = `${beside}.${threadId}.part`;
    writeFileSync(part, script.createCachedData());
    renameSync(part, beside);
  }
}

/** The same where nothing that served lay there; where nothing may be written, the next start takes as long as this one. */
export function keepWhereNew() {
  if (servedBefore().every(Boolean)) return;
  try {
    keepCompiled();
  } catch {
    // As long as this one.
  }
}
