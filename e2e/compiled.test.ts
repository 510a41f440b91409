import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { afterEach, beforeEach, expect, it } from "vitest";

const BUILT = resolve("build/server/index.cjs");
let folder: string;
beforeEach(() => {
  mkdirSync("var", { recursive: true });
  folder = mkdtempSync(resolve("var/compiled-"));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** Loads a build in a process of its own, as a thread of the server does: whether its large file was compiled before, and that it answers. */
function loaded(at: string, options = ""): { served: boolean[]; routes: number } {
  const script = `
    const { keepWhereNew, loadBuilt, servedBefore } = await import(${JSON.stringify(resolve("scripts/server/compiled.mjs"))});
    const build = loadBuilt(${JSON.stringify(at)});
    keepWhereNew();
    console.log(JSON.stringify({ served: servedBefore(), routes: Object.keys(build.routes).length }));`;
  const file = join(folder, "load.mjs");
  writeFileSync(file, script);
  const env = { ...process.env, NODE_ENV: "production", NODE_OPTIONS: options };
  return JSON.parse(execFileSync(process.execPath, [file], { env, encoding: "utf8" }));
}

/** The build with what is compiled of it for these settings alone: servers of other tests lay theirs beside it. */
function copied(): { at: string; compiled: string } {
  const copy = join(folder, "server");
  cpSync(resolve("build/server"), copy, { recursive: true, filter: (each) => !each.endsWith(".compiled") });
  const at = join(copy, "index.cjs");
  loaded(at);
  const name = readdirSync(join(copy, "assets")).find((each) => each.endsWith(".compiled"))!;
  return { at, compiled: join(copy, "assets", name) };
}

it("serves what was compiled when it was built", () => {
  expect(loaded(BUILT)).toMatchObject({ served: [true] });
});

it("compiles for other settings once, and serves that from then on", () => {
  const { at } = copied();
  const small = "--max-old-space-size=256";
  expect(loaded(at, small)).toMatchObject({ served: [false] });
  expect(loaded(at, small)).toMatchObject({ served: [true] });
  expect(loaded(at)).toMatchObject({ served: [true] });
});

it("is compiled as ever where what lies beside it is of another engine, damaged or gone", () => {
  const { at, compiled } = copied();
  const { routes } = loaded(BUILT);
  writeFileSync(compiled, Buffer.from("nothing an engine compiled"));
  expect(loaded(at)).toEqual({ served: [false], routes });
  expect(loaded(at)).toEqual({ served: [true], routes });
  rmSync(compiled);
  expect(loaded(at)).toEqual({ served: [false], routes });
});
