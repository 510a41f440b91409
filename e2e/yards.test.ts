/** Several yards of one server: begun by name, nothing of one in another, asleep while nobody comes, and never begun anew where a file is gone. */
import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { formHeaders } from "../bench/load/entry.ts";
import { appears, fill, press, seen, textOf, visit } from "./acts.ts";
import { DESK, openBrowser, openPage, PHONE } from "./browser.ts";
import { faultsOf } from "./faults.ts";
import { machine } from "./fixture.ts";
import { cookieFrom, ON_NETWORK, ownersLinkOf } from "./people.ts";
import { openSeveral, type Several } from "./server.ts";

let several: Several;
let browser: Browser;
let page: Page;
let errors: string[];
/** where the file of a machine was looked into */
let cameAt: string;

beforeAll(async () => {
  [several, browser] = await Promise.all([openSeveral({ AMBREK_SLEEP: "12000" }), openBrowser()]);
  ({ page, errors } = await openPage(browser));
});
afterAll(async () => {
  await browser?.close();
  await several?.close();
});

const listed = () =>
  JSON.parse(readFileSync(join(several.root, "yards.json"), "utf8")).yards as {
    folder: string;
    port: number;
  }[];
const addressOf = (folder: string) =>
  `http://127.0.0.1:${listed().find((each) => each.folder === folder)!.port}`;
const fileOf = (folder: string) => join(several.root, folder, "yard.db");

async function begin(name: string): Promise<void> {
  await visit(page, several.address);
  await fill(page, "name", name);
  await press(page, "Begin it");
  await appears(page, `text/${name}`);
}

/** A rig by its cheapest way: the demo yard's. */
const plant = (address: string) =>
  fetch(`${address}/?index`, {
    method: "POST",
    headers: { ...formHeaders(address), "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ intent: "demo" }),
  });

const readings = async (folder: string, cookie = "") =>
  (await (await fetch(`${addressOf(folder)}/readings.csv`, { headers: { cookie } })).text()).split("\n")
    .length;

const awake = async () =>
  ((await (await fetch(`${several.address}/health`)).json()) as { awake: number }).awake;

async function until(condition: () => Promise<boolean>): Promise<void> {
  for (let attempt = 0; attempt < 200; attempt += 1) {
    if (await condition()) return;
    await new Promise((done) => setTimeout(done, 150));
  }
  throw new Error("it did not come to that");
}

describe("several yards", () => {
  it("are begun by name, and each page says whose it is", async () => {
    await begin("Höfe am Bach");
    await begin("Lindhof");
    await fill(page, "name", "LINDHOF");
    await press(page, "Begin it");
    await seen(page, "There is a yard called LINDHOF already.");
    expect(await page.$eval('input[name="name"]:not([value=""])', (each) => each.getAttribute("value"))).toBe(
      "Höfe am Bach",
    );
    await visit(page, several.address);
    await press(page, "Lindhof");
    await appears(page, 'a[aria-label="Ambrek Lindhof, to the yard"]');
    expect(page.url()).toBe(`${addressOf("lindhof")}/`);
    const manifest = (await (await fetch(`${addressOf("lindhof")}/manifest.webmanifest`)).json()) as {
      short_name: string;
    };
    expect(manifest.short_name).toBe("Lindhof");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("share nothing: what stands in one is not in the other", async () => {
    expect((await plant(addressOf("lindhof"))).status).toBe(200);
    expect(await readings("lindhof")).toBeGreaterThan(500);
    expect(await readings("hofe-am-bach")).toBeLessThan(3);
    await visit(page, `${addressOf("hofe-am-bach")}/machines`);
    await appears(page, 'a[aria-label="Ambrek Höfe am Bach, to the yard"]');
    expect(await textOf(page, "main")).not.toContain("Ombrell");
  });

  it("lend a machine with what was read of it, and get it back with what was read meanwhile", async () => {
    const [home, other] = [addressOf("lindhof"), addressOf("hofe-am-bach")];
    const named = async (address: string, person: string) => {
      await visit(page, `${address}/device`);
      await fill(page, "person", person);
      await press(page, "That is me");
      await appears(page, `text/${person}`);
    };
    const fileOfMachine = async (address: string, path: string) => {
      const answer = await fetch(`${address}${path}/machine.json`);
      expect(answer.status).toBe(200);
      const at = join(several.root, "machine.json");
      writeFileSync(at, Buffer.from(await answer.arrayBuffer()));
      return at;
    };
    const bringIn = async (address: string, file: string) => {
      await visit(page, `${address}/files`);
      await (await page.$('input[name="machine"]'))!.uploadFile(file);
      await press(page, "Look into the machine");
      await appears(page, "text/entries that are not here yet");
    };
    await named(home, "Karl Ost");
    await visit(page, `${home}${machine("Oxmoor 240")}`);
    await press(page, "Lend it to another yard");
    await fill(page, "there", "Lindhof");
    await press(page, "Lend it", "#lend form");
    await seen(page, "That is this yard.");
    await fill(page, "there", "Höfe am Bach");
    await press(page, "Lend it", "#lend form");
    await seen(page, "Lent to Höfe am Bach since");

    // What it would be coupled with is told so, and where it is.
    await visit(page, `${home}/?find=Oxmoor+240`);
    await seen(page, "Oxmoor 240 is lent to Höfe am Bach since");
    await press(page, "To it");
    await seen(page, "Lent to Höfe am Bach since");

    // Its own file is none for the yard it went out from.
    await bringIn(home, await fileOfMachine(home, machine("Oxmoor 240")));
    await seen(page, "This file went out from here");
    expect(await page.$('input[name="person"]')).toBeNull();
    await bringIn(other, await fileOfMachine(home, machine("Oxmoor 240")));
    await seen(page, "It is not here yet: a new machine is made.");
    expect(await page.$$eval('[data-becomes="new"]', (rows) => rows.length)).toBeGreaterThan(15);
    await fill(page, "person", "Ilse Moor");
    await press(page, "Take it over");
    await seen(page, "On loan from Lindhof since");
    const there = new URL(page.url()).pathname;
    expect((await fetch(`${other}${there}/machine.json`)).status).toBe(404);
    await press(page, "Give it back");
    await seen(page, "Went back to Lindhof on");

    await bringIn(home, await fileOfMachine(other, there));
    await seen(page, "known again: it was lent between these yards");
    cameAt = page.url();
    expect(await page.$$eval('[data-becomes="same"]', (rows) => rows.length)).toBeGreaterThan(15);
    await press(page, "Take it over");
    await seen(page, "Back from Höfe am Bach since");
    expect(page.url()).toBe(`${home}${machine("Oxmoor 240")}`);
    await visit(page, `${home}/files`);
    writeFileSync(join(several.root, "machine.json"), '{"format":"ambrek machine","version":1}');
    await (await page.$('input[name="machine"]'))!.uploadFile(join(several.root, "machine.json"));
    await press(page, "Look into the machine");
    await seen(page, "Nothing was stored.");
    errors.length = 0;
  });

  it("say to whoever runs them how each does", async () => {
    await visit(page, several.address);
    const said = await textOf(page, '[data-yard="lindhof"]');
    expect(said).toMatch(/Awake, \d+ MB/);
    expect(said).toMatch(/Errors since the start: None since/);
    expect(said).toContain("Switched off where this server was started");
    await visit(page, `${addressOf("lindhof")}/server`);
    await seen(page, "Slowest pages since the start");
    expect(await textOf(page, '[role="status"]')).toContain("seeing to");
  });

  it("can be read and pressed by everybody, by day and night, at the desk and on the phone", async () => {
    const found: string[] = [];
    const look = await openPage(browser);
    for (const address of [
      cameAt,
      `${several.address}/`,
      `${addressOf("lindhof")}/server`,
      `${addressOf("lindhof")}${machine("Oxmoor 240")}`,
    ])
      for (const viewport of [DESK, PHONE])
        found.push(
          ...(await faultsOf(look, address, viewport, { barriers: true, byNight: viewport === DESK })),
        );
    expect(found).toEqual([]);
  });

  it("sleep while nobody comes, and wake with all that was in them", async () => {
    await visit(page, several.address);
    const before = await readings("lindhof");
    await until(async () => (await awake()) === 0);
    // It lets go of its file once what it does is done.
    await until(async () => !existsSync(`${fileOf("lindhof")}.lock`));
    expect(await readings("lindhof")).toBe(before);
    expect(await awake()).toBe(1);
  });

  it("are served again where a process is killed", async () => {
    const before = await readings("lindhof");
    process.kill(Number(readFileSync(`${fileOf("lindhof")}.lock`, "utf8")), "SIGKILL");
    await until(async () => (await fetch(addressOf("lindhof")).catch(() => null))?.status === 200);
    expect(await readings("lindhof")).toBe(before);
  });

  it("are not begun anew where their file is gone, which is said", async () => {
    await several.stop();
    renameSync(fileOf("lindhof"), join(several.root, "elsewhere.db"));
    await several.start();
    const answer = await fetch(addressOf("lindhof"));
    expect(answer.status).toBe(503);
    expect(await answer.text()).toContain("no new yard is begun in its place");
    expect(existsSync(fileOf("lindhof"))).toBe(false);
    await visit(page, several.address);
    await seen(page, "one is not served");
    renameSync(join(several.root, "elsewhere.db"), fileOf("lindhof"));
    expect((await fetch(addressOf("lindhof"))).status).toBe(200);
  });
});

/** Yards begun without a browser; where each is. */
async function begun({ address, root }: Several, names: readonly string[]): Promise<string[]> {
  for (const name of names)
    await fetch(address, {
      method: "POST",
      headers: { origin: address, "content-type": "application/x-www-form-urlencoded" },
      body: new URLSearchParams({ intent: "begin", name }),
    });
  const all = JSON.parse(readFileSync(join(root, "yards.json"), "utf8")).yards as { port: number }[];
  return all.map(({ port }) => `http://127.0.0.1:${port}`);
}

describe("several yards that are left alone soon", () => {
  it("do not sleep under what they are answering", async () => {
    const yards = await openSeveral({ AMBREK_SLEEP: "300" });
    try {
      const [north] = await begun(yards, ["North"]);
      // It takes longer than the yard is left alone for, and than a line is kept open for that is to be cut.
      expect((await plant(north!)).status).toBe(200);
    } finally {
      await yards.close();
    }
  });
});

describe("several yards on a network", () => {
  it("let nobody of one into another, and a phone may be in both", async () => {
    const yards = await openSeveral(ON_NETWORK);
    const [north, south] = (await begun(yards, ["North", "South"])) as [string, string];
    await until(async () => existsSync(join(yards.root, "south", "yard.db.people")));
    const inNorth = await cookieFrom({ address: north }, ownersLinkOf(yards.root, "north"), "Ilse Moor");
    const inSouth = await cookieFrom({ address: south }, ownersLinkOf(yards.root, "south"), "Ilse Moor");
    const status = async (address: string, cookie: string) =>
      (await fetch(`${address}/server`, { headers: { cookie }, redirect: "manual" })).status;
    expect(await status(north, inNorth)).toBe(200);
    expect(await status(south, inNorth)).toBe(302);
    // What one phone shows to both, as browsers send it: by host, whatever the port.
    const both = `${inNorth}; ${inSouth}`;
    expect([await status(north, both), await status(south, both)]).toEqual([200, 200]);
    // Even under the other's name a session is none.
    expect(await status(south, inNorth.replaceAll("-north=", "-south="))).toBe(302);
    await yards.close();
  });
});
