import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { press, seen } from "./acts.ts";
import { DESK, openBrowser, openPage, PHONE } from "./browser.ts";
import { faultsOf } from "./faults.ts";
import { drive, practise, retype } from "./field-acts.ts";
import { rig } from "./fixture.ts";
import { openYard, type Yard } from "./server.ts";

let browser: Browser;
let yard: Yard;
let screens: string[];

beforeAll(async () => {
  [browser, yard] = await Promise.all([openBrowser(), openYard({ AMBREK_FIELD_SEED: "4711" })]);
  const { page } = await openPage(browser);
  const path = await practise(page, yard.address, "Meadow drill", "as read");
  const field = `${yard.address}${path}/field`;
  await retype(page, field, "Guidance", { "Line spacing": { figure: "3.00", word: "" } });
  const jobs: string[] = [];
  for (const job of ["joints", "headland", "wheel-marks", "circle", "run-log"]) {
    await page.goto(field, { waitUntil: "networkidle0" });
    await drive(page, job);
    jobs.push(new URL(page.url()).pathname);
  }
  await page.goto(`${yard.address}${rig("Grain drill")}/proof`, { waitUntil: "networkidle0" });
  await press(page, "Begin", '[data-job="cross-tape"]');
  await seen(page, "How to drive and measure");
  jobs.push(new URL(page.url()).pathname);
  screens = [
    `${rig("Meadow drill")}/proof`,
    `${rig("Borrowed drill")}/proof`,
    ...jobs,
    `${path}/field`,
    `${rig("Grain drill")}/field`,
    `${rig("Sprayer")}/sections`,
    `${rig("Sprayer")}/swaths?field=187.3`,
    `${rig("Grain drill")}/budget?slope=4`,
    `${rig("Borrowed drill")}/sheet`,
    "/season",
    "/traffic?with=1&with=3&with=7",
    `${rig("Borrowed drill")}/antenna?view=rear`,
  ];
});
afterAll(() => Promise.all([browser.close(), yard.close()]));

describe.each([
  ["desk", DESK, true],
  ["phone", PHONE, false],
] as const)("screens of proof and tool, %s", (_name, viewport, byNight) => {
  it("have no serious barrier, no console error, nothing cut off sideways", async () => {
    const found: string[] = [];
    const shown = await openPage(browser, viewport);
    for (const [at, screen] of screens.entries()) {
      const look = { barriers: true, byNight: byNight && at % 2 === 0 };
      const here = await faultsOf(shown, yard.address + screen, viewport, look);
      found.push(...here.map((each) => `${screen}: ${each}`));
    }
    expect(found).toEqual([]);
  }, 300_000);
});
