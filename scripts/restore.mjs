/**
 * Brings a yard back from its copy elsewhere, as it was last or at a point in time:
 * `npm run restore -- --from DIR-or-s3://… [--at 2026-11-30T08:00:00Z] [--to FILE]`. Overwrites nothing.
 */
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, resolve } from "node:path";
import { parseArgs } from "node:util";
import { ensureInstalled } from "./bootstrap.mjs";

ensureInstalled();
const { litestream, NOT_THERE, replicaUrl } = await import("./server/replica.mjs");

const { values } = parseArgs({
  options: { from: { type: "string" }, at: { type: "string" }, to: { type: "string" } },
});
const give = (why) => {
  console.error(why);
  process.exit(2);
};
if (!values.from) give("Say where the copy is: npm run restore -- --from DIR or s3://bucket/path.");
if (values.at && Number.isNaN(Date.parse(values.at)))
  give(`--at is a time such as 2026-11-30T08:00:00Z; not “${values.at}”.`);
const to = resolve(values.to ?? process.env.AMBREK_DB ?? "var/ambrek.db");
if (existsSync(to))
  give(`${to} is there: nothing is overwritten. Move it away, or name another file with --to.`);
const program = litestream();
if (!program) give(NOT_THERE);

mkdirSync(dirname(to), { recursive: true });
const part = `${to}.restoring`;
for (const end of ["", "-wal", "-shm", ".tmp"]) rmSync(part + end, { force: true });
const time = values.at ? ["-timestamp", new Date(values.at).toISOString()] : [];
const done = spawnSync(program, ["restore", "-o", part, ...time, replicaUrl(values.from)], {
  stdio: ["ignore", "inherit", "inherit"],
});
if (done.status !== 0 || !existsSync(part))
  give(`Nothing was brought back from ${values.from}${values.at ? ` as it was at ${values.at}` : ""}.`);

const SqliteFile = createRequire(import.meta.url)("better-sqlite3");
const file = new SqliteFile(part);
const sound = file.pragma("integrity_check", { simple: true }) === "ok";
const last = sound ? file.prepare("select max(arrived) from fact").pluck().get() : null;
file.pragma("journal_mode = DELETE");
file.close();
if (!sound) give(`The copy is damaged: ${part} is left as it came.`);
renameSync(part, to);
console.log(`\n${to}\nThe last entry in it arrived ${last ?? "never: the yard is empty"}.`);
