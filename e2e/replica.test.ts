import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, renameSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { formHeaders, readingForm } from "../bench/load/entry.ts";
import { litestream } from "../scripts/server/replica.mjs";
import { openYard, type Yard } from "./server.ts";

let yard: Yard;
let away: string;
beforeEach(async () => {
  away = mkdtempSync(join(tmpdir(), "ambrek-away-"));
  yard = await openYard({ AMBREK_REPLICA: join(away, "copy") });
});
afterEach(async () => {
  await yard.close();
  rmSync(away, { recursive: true, force: true });
});

const state = () => JSON.parse(readFileSync(join(yard.folder, "yard.db.replica"), "utf8"));

/** Sends a reading; returns its id once it is answered for as kept. */
async function keep(rig: number): Promise<string> {
  const body = readingForm("3.05");
  const answer = await fetch(`${yard.address}/rigs/${rig}/keep`, {
    method: "POST",
    headers: formHeaders(yard.address),
    body,
  });
  expect(await answer.json()).toMatchObject({ ok: true });
  return body.get("id")!;
}

const restore = (...words: string[]) =>
  spawnSync(process.execPath, ["scripts/restore.mjs", "--from", join(away, "copy"), ...words], {
    encoding: "utf8",
  });

/** Which of these facts a yard has. */
function had(path: string, ids: readonly string[]): string[] {
  const file = new SqliteFile(path, { readonly: true });
  try {
    const there = file.prepare("select 1 from fact where id = ?");
    return ids.filter((id) => there.get(id) !== undefined);
  } finally {
    file.close();
  }
}

// The program is an optional package: where this machine has none, there is nothing to try.
describe.skipIf(litestream() === null)("a copy elsewhere", () => {
  it("lacks at most the last second where the machine goes and its disk with it, and goes back to a time", async () => {
    // The copy begins with the whole file; what is written after that goes over as it comes.
    await keep(4);
    await expect.poll(() => existsSync(join(away, "copy", "generations")), { timeout: 10_000 }).toBe(true);
    const written: { id: string; at: number }[] = [];
    const end = Date.now() + 4000;
    for (let rig = 0; Date.now() < end; rig += 1)
      written.push({ id: await keep((rig % 4) + 1), at: Date.now() });
    // Everything stops in the middle of it: the server, and who keeps the copy.
    const gone = Date.now();
    process.kill(state().pid, "SIGKILL");
    yard.kill();
    renameSync(yard.folder, `${yard.folder}.gone`);
    const to = join(away, "back.db");
    const done = restore("--to", to);
    expect(done.stderr + done.stdout).toContain("The last entry in it arrived");
    const back = had(
      to,
      written.map(({ id }) => id),
    );
    const lost = written.filter(({ id }) => !back.includes(id));
    const oldest = Math.max(0, ...lost.map(({ at }) => gone - at));
    console.log(
      `${written.length} written in 4 s, ${lost.length} lost, the oldest of them ${oldest} ms before the end`,
    );
    expect(oldest).toBeLessThan(1000);
    expect(back.length).toBeGreaterThan(written.length / 2);
    // What is there is not overwritten.
    expect(restore("--to", to).status).toBe(2);
    // As it was in the middle: no more than had been written then, and some of it.
    const half = written[Math.floor(written.length / 2)]!;
    const then = join(away, "then.db");
    expect(restore("--to", then, "--at", new Date(half.at).toISOString()).status).toBe(0);
    const ids = had(
      then,
      written.map(({ id }) => id),
    );
    expect(ids.length).toBeLessThan(back.length);
    expect(restore("--to", join(away, "x.db"), "--at", "yesterday").stderr).toContain("is a time such as");
    renameSync(`${yard.folder}.gone`, yard.folder);
  });

  it("says on Files up to when it holds what was written, and is begun again where it was ended", async () => {
    await keep(4);
    await expect.poll(() => state().newest, { timeout: 20_000 }).not.toBeNull();
    const page = async () => (await fetch(`${yard.address}/files`)).text();
    expect(await page()).toContain("It holds what was written up to");
    process.kill(state().pid, "SIGKILL");
    // It is begun again by itself, and goes on.
    await expect.poll(() => state().starts, { timeout: 20_000 }).toBe(2);
    const before = state().newest;
    await keep(4);
    await expect.poll(() => state().newest, { timeout: 20_000 }).not.toBe(before);
    expect(state().running).toBe(true);
  });
});
