/** Compiles the built application as far as the first pages need it, on a yard nobody has, and lays that beside it for those who start it. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { keepCompiled, loadBuilt } from "./server/compiled.mjs";

const folder = mkdtempSync(join(tmpdir(), "ambrek-compiled-"));
process.env.AMBREK_DB = join(folder, "yard.db");
try {
  const build = loadBuilt();
  const { closeYard, createRequestHandler, openYard } = build.entry.module;
  openYard();
  const handle = createRequestHandler(build, "production");
  for (const path of ["/", "/device"]) {
    const answer = await handle(new Request(`http://127.0.0.1${path}`));
    if (answer.status !== 200) throw new Error(`${path} answered ${answer.status}.`);
    await answer.arrayBuffer();
  }
  keepCompiled();
  closeYard();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
