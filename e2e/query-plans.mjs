/** Loaded before a server of a test: each of its threads writes down every query it prepares, in a file of its own under AMBREK_TEST_QUERIES. */
import { appendFileSync } from "node:fs";
import { join } from "node:path";
import { threadId } from "node:worker_threads";
import Sqlite from "better-sqlite3";

const known = new Set();
const prepare = Sqlite.prototype.prepare;
Sqlite.prototype.prepare = function (query) {
  if (!known.has(query)) {
    known.add(query);
    appendFileSync(join(process.env.AMBREK_TEST_QUERIES, `${threadId}.jsonl`), `${JSON.stringify(query)}\n`);
  }
  return prepare.call(this, query);
};
