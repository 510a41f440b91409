/**
 * Loads the built application with what the engine compiled of it when it was built, which lies beside it: reading seven megabytes of program
 * anew took each thread most of the time it needs to come up. What another engine compiled, or for other settings, is left aside and the
 * program compiled as ever.
 */
import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import Module, { createRequire } from "node:module";
import { dirname, join } from "node:path";
import vm from "node:vm";
import { ROOT } from "../bootstrap.mjs";

export const BUILT = join(ROOT, "build", "server", "index.cjs");

/** Smaller files are compiled sooner than what was compiled of them is read. */
const LARGE = 1e6;
const besides = (file) => `${file}.compiled`;

/** The large files of the application that were loaded, and whether what lay beside them served. */
const scripts = new Map();

/** The built application. Throws where it is not built. */
export function loadBuilt() {
  const compile = Module.prototype._compile;
  Module.prototype._compile = function (content, filename) {
    if (content.length < LARGE) return compile.call(this, content, filename);
    const script = scriptOf(content, filename);
    scripts.set(filename, script);
    const run = script.runInThisContext();
    return run.call(this.exports, this.exports, createRequire(filename), this, filename, dirname(filename));
  };
  try {
    return createRequire(import.meta.url)(BUILT);
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
    writeFileSync(`${beside}.part`, script.createCachedData());
    renameSync(`${beside}.part`, beside);
  }
}
