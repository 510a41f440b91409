/** Compiles the built application as far as the first pages need it, on a demo yard nobody sees, and lays that beside it for those who start it. */
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
  const origin = "http://127.0.0.1";
  const ask = async (path, form) => {
    const sent = form && { method: "POST", headers: { origin }, body: new URLSearchParams(form) };
    const answer = await handle(new Request(origin + path, sent));
    if (answer.status !== 200) throw new Error(`${path} answered ${answer.status}.`);
    await answer.arrayBuffer();
  };
  await ask("/");
  await ask("/?index", { intent: "demo" });
  for (const path of ["/", "/rigs/1/tool", "/rigs/1/hook-up"]) await ask(path);
  keepCompiled();
  closeYard();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
