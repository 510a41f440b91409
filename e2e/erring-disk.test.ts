/** A disk that errs as what was written is put on it: nothing is said to be kept, and what waits on the device is sent again and there once. */
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, expect, it } from "vitest";
import { fill, gone, seen, textOf, visit } from "./acts.ts";
import { openForFile, page, rig, rowsIn, yard } from "./fixture.ts";
import { preloaded } from "./server.ts";

const folder = mkdtempSync(join(tmpdir(), "ambrek-erring-"));
const errs = join(folder, "errs");
afterAll(() => rmSync(folder, { recursive: true, force: true }));

openForFile({ pages: "one", env: { AMBREK_TEST_ERRS: errs, ...preloaded("erring-disk.mjs") } });

const TABLE = "; 10; 40\n0.8; 1300; 1200\n1.6; 2000; 1500";

const readings = () => rowsIn("fact", "kind = 'reading'");

it("keeps an entry on the device until it is on the disk, and once", async () => {
  await visit(page, `${yard.address}${rig("Meadow drill")}/tool?at=tool.width`);
  const before = readings();
  writeFileSync(errs, "");
  await fill(page, "person", "Joren Talbeck");
  await fill(page, "text", "3.01");
  await page.keyboard.press("Enter");
  const waits = '[aria-label="Waiting on this device"]';
  expect(await textOf(page, waits)).toContain("waits on this device");
  await visit(page, page.url());
  expect(await textOf(page, waits)).toContain("waits on this device");
  rmSync(errs);
  await gone(page, waits);
  await seen(page, "Sent 1 entry that waited on this device");
  expect(readings()).toBe(before + 1);
});

it("says of a form that it may not be there, and makes one of it when it is sent again", async () => {
  writeFileSync(errs, "");
  const tables = (how: string) =>
    fetch(`${yard.address}/tyres/new`, {
      method: "POST",
      headers: { origin: yard.address, accept: "text/html" },
      body: new URLSearchParams({ once: "a-disk-that-errs", label: "540/65 R30", source: how, table: TABLE }),
      redirect: "manual",
    });
  const first = await tables("data book");
  expect(first.status).toBe(503);
  expect(await first.text()).toContain("What you sent may not be on the disk yet");
  rmSync(errs);
  expect((await tables("data book")).status).toBe(302);
  expect(rowsIn("tyre", "label = '540/65 R30'")).toBe(1);
});
