/** A morning out of reach: a phone takes its rigs along over the encrypted line, works without the server, and is sent once. */
import { createHash, randomUUID, X509Certificate } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { openDatabase } from "../data/database.ts";
import { keepReading } from "../data/readings.ts";
import { toolsOf } from "../data/rigs.ts";
import { appears, fill, press, pressOn, seen, textOf } from "./acts.ts";
import { openBrowser, openPage, PHONE } from "./browser.ts";
import { rig, rigId } from "./fixture.ts";
import { comeIn, ON_NETWORK, ownersLink } from "./people.ts";
import { openYard, type Yard } from "./server.ts";

const RIG = "Roller cultivator";
let yard: Yard;
let browser: Browser;
let phone: Page;
let secure: string;

beforeAll(async () => {
  yard = await openYard(ON_NETWORK);
  secure = yard.address.replace("http:", "https:");
  // As a phone that was told to trust this yard, and nobody else.
  const { publicKey } = new X509Certificate(readFileSync(join(yard.folder, "network", "server.pem")));
  const key = createHash("sha256")
    .update(publicKey.export({ type: "spki", format: "der" }))
    .digest("base64");
  browser = await openBrowser([
    `--ignore-certificate-errors-spki-list=${key}`,
    `--user-data-dir=${join(yard.folder, "phone")}`,
  ]);
  ({ page: phone } = await openPage(browser, PHONE));
});
afterAll(async () => {
  await browser?.close();
  await yard?.close();
});

/** What waits on the phone, in words. */
const waits = () =>
  phone.$$eval('[aria-label="Waiting on this device"] li', (all) =>
    all.map((each) => (each as HTMLElement).innerText),
  );

/** Until the pages of a rig, as they are now, lie on the phone. */
const aboard = (name: string) =>
  phone.waitForFunction(
    (wanted: string) => {
      const list = JSON.parse(localStorage.getItem("ambrek-aboard") ?? '{"rigs":{}}') as {
        rigs: Record<string, { name: string }>;
      };
      return Object.values(list.rigs).some((each) => each.name.startsWith(wanted));
    },
    { timeout: 60_000, polling: 200 },
    name,
  );

/** Loads a page anew, and waits until it hears presses; not for what is taken along meanwhile. */
async function load(path: string): Promise<void> {
  await phone.goto(`${secure}${path}`, { waitUntil: "load" });
  await phone.waitForFunction(
    () => document.documentElement.dataset.ready === "yes" && !document.querySelector("[inert]"),
  );
}

/** A page without the server: what is loaded is aboard, and that there is no connection is said. */
async function away(path: string): Promise<void> {
  await load(path);
  await appears(phone, "[data-away]");
}

const done = () => pressOn(phone, `button[aria-disabled="false"] ::-p-text(Done, seen)`);

/** Opens a single reading by its address, as a press on it does, and types it with the keyboard. */
async function read(path: string, text: string): Promise<void> {
  await away(path);
  await fill(phone, "text", text);
  await phone.keyboard.press("Enter");
  await seen(phone, "No connection: kept on this device, sent later.");
}

/** Somebody else read it after the phone did, and was kept at once. */
function readMeanwhile(): void {
  const db = openDatabase(join(yard.folder, "yard.db"));
  const id = randomUUID();
  keepReading(db, toolsOf(db, rigId(RIG))[0]!, {
    id,
    sitting: id,
    key: "receiver.height",
    rawText: "3.1",
    value: 3.1,
    step: 0.001,
    instrument: "tape",
    person: "Mira Tolland",
    at: new Date(),
  });
  db.$client.close();
}

const tickNext = () => pressOn(phone, '[data-done="false"] button:not([disabled])');
const count = (selector: string) => phone.$$eval(selector, (all) => all.length);

describe("a morning out of reach", () => {
  let test: string;

  it("begins in reach: in over the encrypted line, a tick, a field test, and what is in use goes along by itself", async () => {
    await comeIn(phone, secure, ownersLink(yard), "Joren Talbeck");
    await seen(phone, "Mowers, front and rear");
    await load(`${rig("Planter")}/proof`);
    await pressOn(phone, '[data-job="joints"] button');
    await seen(phone, "How to drive and measure");
    test = new URL(phone.url()).pathname;
    await load(`${rig(RIG)}/hook-up`);
    await fill(phone, "who", "Joren Talbeck");
    await tickNext();
    await appears(phone, '[data-done="true"][data-waits="false"]');
    await load("/device");
    await aboard(RIG);
    await aboard("Planter");
    await phone.waitForFunction(() => !document.body.innerText.includes("Taking along"));
    await appears(phone, '[data-aboard^="Roller cultivator"]');
  });

  it("goes on without the server: the hook-up list is ticked, each line done, waiting, also when it is loaded anew", async () => {
    await yard.stop();
    await away(`${rig(RIG)}/hook-up`);
    await seen(phone, "seen as of");
    for (const ticked of [1, 2, 3]) {
      await tickNext();
      await phone.waitForFunction(
        (many: number) => document.querySelectorAll('[data-waits="true"]').length === many,
        {},
        ticked,
      );
    }
    await away(`${rig(RIG)}/hook-up`);
    await appears(phone, '[data-waits="true"]');
    expect(await count('[data-waits="true"]')).toBe(3);
    // What was not sent is simply thrown away again.
    await pressOn(phone, '[data-waits="true"] [aria-label^="Take back"]');
    await phone.waitForFunction(() => document.querySelectorAll('[data-waits="true"]').length === 2);
    expect(await waits()).toHaveLength(2);
  });

  it("from there to every station, by its peg", async () => {
    for (const peg of ["Antenna", "Tool", "Hoses", "Cab card", "Start"]) {
      await pressOn(phone, `nav[aria-label="Walk-round"] ::-p-text(${peg})`);
      await appears(phone, `nav[aria-label="Walk-round"] [aria-current] ::-p-text(${peg})`);
      await appears(phone, "[data-away]");
    }
  });

  it("steps are gone through and keep their place", async () => {
    await away(`${rig(RIG)}/sequences/unfold`);
    const first = await phone.$eval("[data-now]", (each) => each.getAttribute("data-now"));
    await done();
    await phone.waitForFunction((id: string) => !document.querySelector(`[data-now="${id}"]`), {}, first!);
    const second = await phone.$eval("[data-now]", (each) => each.getAttribute("data-now"));
    await done();
    await phone.waitForFunction((id: string) => !document.querySelector(`[data-now="${id}"]`), {}, second!);
    const third = await phone.$eval("[data-now]", (each) => each.getAttribute("data-now"));
    await away(`${rig(RIG)}/sequences/unfold`);
    await appears(phone, `[data-now="${third}"]`);
    await press(phone, "It was not done");
    await appears(phone, `[data-now="${second}"]`);
    expect(await waits()).toHaveLength(3);
  });

  it("a reading, a sheet and a field test are entered, and shown as waiting where they belong", async () => {
    await read(`${rig(RIG)}/antenna?at=receiver.height`, "3.071");
    await away(`${rig(RIG)}/antenna`);
    expect(await textOf(phone, '[data-reading="receiver.height"]')).toContain("3.071 m waits on this device");
    await away(`${rig(RIG)}/sheet`);
    await fill(phone, "r-receiver.foreAft", "1.6");
    await press(phone, "Save the sheet");
    await appears(phone, '[data-line="receiver.foreAft"] [data-waits]');
    await away(test);
    await phone.select('select[name="fix"]', "fixed");
    await press(phone, "Save the conditions");
    await seen(phone, "waits on this device; before:");
    for (const figure of ["4", "6"]) {
      await fill(phone, "f-joint", figure);
      await pressOn(phone, "form button[aria-pressed] ::-p-text(gap)");
      await press(phone, "Save joint", "form");
      await phone.waitForFunction(
        (typed: string) =>
          [...document.querySelectorAll("[data-waits]")].some((each) =>
            each.textContent?.includes(`${typed} gap`),
          ),
        {},
        figure,
      );
    }
    expect(await waits()).toHaveLength(8);
  });

  it("a field test is begun there too, measured, and found again", async () => {
    await away(`${rig(RIG)}/proof`);
    await pressOn(phone, '[data-job="joints"] button');
    await appears(phone, "[data-begun]");
    await fill(phone, "f-joint", "5");
    await pressOn(phone, "form button[aria-pressed] ::-p-text(gap)");
    await press(phone, "Save joint", "form");
    await phone.waitForFunction(() =>
      [...document.querySelectorAll("[data-waits]")].some((each) => each.textContent?.includes("5 gap")),
    );
    expect(await waits()).toHaveLength(10);
    await away(`${rig(RIG)}/proof`);
    await seen(phone, "Begun, waits on this device");
    await pressOn(phone, '[data-job="joints"] a ::-p-text(Go on)');
    await appears(phone, "[data-begun]");
    await away(new URL(phone.url()).pathname);
    await appears(phone, "[data-begun]");
  });

  it("what is not aboard, and what cannot wait, says so and breaks nothing", async () => {
    await phone.goto(`${secure}/machines`, { waitUntil: "load" });
    await seen(phone, "This page was not taken along");
    await away(`${rig(RIG)}/hoses`);
    await press(phone, "Save as plugged in");
    await seen(phone, "No connection: this one needs the server.");
    await appears(phone, '[aria-label="Kept"]');
    await away("/");
    await seen(phone, "Mowers, front and rear");
  });

  it("is sent once the server answers, in order and once; what somebody read meanwhile counts, and that is said", async () => {
    readMeanwhile();
    await yard.start();
    await seen(phone, "Mira Tolland read 3.100 m later");
    await phone.waitForFunction(() => !document.querySelector('[aria-label="Waiting on this device"]'), {
      timeout: 60_000,
    });
    await load(`${rig(RIG)}/hook-up`);
    expect(await count('[data-done="true"]')).toBe(3);
    expect(await count('[data-waits="true"]')).toBe(0);
    expect(await phone.$("[data-away]")).toBeNull();
    await load(`${rig(RIG)}/sequences/unfold`);
    await seen(phone, "Step 2 of");
    await load(test);
    await appears(phone, '[data-observation="2"]');
    await seen(phone, "Fixed (RTK or base station)");
    // The one begun out of reach leads from where it was begun to where it is now.
    await load(`${rig(RIG)}/proof/new/joints`);
    await appears(phone, '[data-observation="1"]');
    expect(phone.url()).not.toContain("/new/");
    await load(`${rig(RIG)}/antenna`);
    expect(await textOf(phone, '[data-reading="receiver.height"]')).toContain("3.100 m");
    const file = new Sqlite(join(yard.folder, "yard.db"), { readonly: true });
    const of = (kind: string, where = "1") =>
      file.prepare(`select count(*) from fact where kind = ? and ${where}`).pluck().get(kind);
    expect(of("tick", `rig_id = ${rigId(RIG)}`)).toBe(3);
    file.close();
  });
});
