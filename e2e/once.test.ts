/** A form that is sent twice, pressed twice, loaded again, gone back to, or open in two windows, makes one thing. */
import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { appears, fill, press, seen, visit } from "./acts.ts";
import { openPage } from "./browser.ts";
import { browser, machine, openForFile, page, rig, rowsIn, yard } from "./fixture.ts";

openForFile();

const TABLE = "; 10; 40\n0.8; 1300; 1200\n1.6; 2000; 1500";

/** So long after the first press of a hand that trembles comes the second, ms: the first is on its way, and not answered. */
const TREMBLE = 20;

/** Presses a key twice, the second time while the first is on its way. */
async function pressTwice(on: Page, words: string): Promise<void> {
  const key = (await appears(on, `main button ::-p-text(${words})`))!;
  await key.evaluate(async (element, between) => {
    const button = element.closest("button")!;
    button.click();
    await new Promise((done) => setTimeout(done, between));
    button.click();
  }, TREMBLE);
}

async function tyreTable(on: Page, label: string): Promise<void> {
  await visit(on, `${yard.address}/tyres/new`);
  await typed(on, label);
}

async function typed(on: Page, label: string): Promise<void> {
  await fill(on, "label", label);
  await fill(on, "source", "data book, page 12");
  await on.focus("textarea");
  await on.keyboard.type(TABLE);
}

const tables = (label: string) => rowsIn("tyre", `label = '${label}'`);

describe("a form that is sent twice", () => {
  it("makes one tyre table, pressed twice", async () => {
    await tyreTable(page, "540/65 R30");
    await pressTwice(page, "Save");
    await seen(page, "540/65 R30");
    expect(new URL(page.url()).pathname).toBe("/tyres");
    expect(tables("540/65 R30")).toBe(1);
  });

  it("makes one before the page hears of keys, pressed twice and gone back to", async () => {
    // Nothing of the page's own code comes: what is pressed now is sent by the browser itself.
    await page.setRequestInterception(true);
    page.on("request", (asked) => (/\/assets\/.*\.js$/.test(asked.url()) ? asked.abort() : asked.continue()));
    await page.goto(`${yard.address}/tyres/new`, { waitUntil: "domcontentloaded" });
    await typed(page, "540/65 R34");
    await pressTwice(page, "Save");
    await page.waitForFunction(() => location.pathname === "/tyres");
    expect(tables("540/65 R34")).toBe(1);
    await page.goBack({ waitUntil: "domcontentloaded" });
    await page.evaluate((table) => {
      document.querySelector<HTMLInputElement>("[name=label]")!.value = "540/65 R34";
      document.querySelector<HTMLInputElement>("[name=source]")!.value = "data book, page 12";
      document.querySelector("textarea")!.value = table;
    }, TABLE);
    await pressTwice(page, "Save");
    await page.waitForFunction(() => location.pathname === "/tyres");
    expect(tables("540/65 R34")).toBe(1);
  });

  it("makes one table in two windows, and says where the second says something else", async () => {
    const other = (await openPage(browser)).page;
    for (const each of [page, other]) await tyreTable(each, "540/65 R38");
    for (const each of [page, other]) await press(each, "Save");
    for (const each of [page, other]) await each.waitForFunction(() => location.pathname === "/tyres");
    expect(tables("540/65 R38")).toBe(1);
    await tyreTable(other, "540/65 r38");
    await fill(other, "source", "another book");
    await press(other, "Save");
    await seen(other, "There is a table called 540/65 R38 already, with other figures or of another source.");
    expect(rowsIn("tyre", "source = 'another book'")).toBe(0);
  });

  it("is carried out though who sent it hung up, and answered when it comes again", async () => {
    const form = (label: string, signal: AbortSignal | null) =>
      fetch(`${yard.address}/tyres/new`, {
        method: "POST",
        headers: { origin: yard.address, accept: "text/html" },
        body: new URLSearchParams({ once: "hung-up-in-the-middle", label, source: "book", table: TABLE }),
        redirect: "manual",
        signal,
      });
    for (let after = 0; after < 12; after += 1) {
      const gone = new AbortController();
      const first = form(`Hung up ${after}`, gone.signal).catch(() => null);
      await new Promise((done) => setTimeout(done, after));
      gone.abort();
      await first;
      const again = await form(`Hung up ${after}`, AbortSignal.timeout(60_000));
      expect([again.status, again.headers.get("location")]).toEqual([302, "/tyres"]);
      expect(tables(`Hung up ${after}`)).toBe(1);
    }
  });

  it("issues one card, pressed twice, and asked for in two windows", async () => {
    const other = (await openPage(browser)).page;
    const cards = rowsIn("card");
    for (const each of [page, other]) {
      await visit(each, `${yard.address}${rig("Grain drill")}/card`);
      await fill(each, "person", "Mira Tolland");
    }
    await pressTwice(page, "Issue card");
    await seen(page, "is in the cab");
    await pressTwice(other, "Issue card");
    await seen(other, "is in the cab");
    expect(rowsIn("card")).toBe(cards + 1);
  });

  it("puts one weight into the stock, pressed twice; the next one is one more", async () => {
    const stock = rowsIn("weight");
    await visit(page, `${yard.address}${machine("Oxmoor 240")}`);
    for (const more of [1, 2]) {
      await fill(page, "weightLabel", "side plate");
      await fill(page, "mass", "45");
      await fill(page, "count", "2");
      await fill(page, "place", "0.4");
      await pressTwice(page, "Add to the stock");
      await page.waitForFunction(() => document.querySelector<HTMLInputElement>("[name=mass]")!.value === "");
      expect(rowsIn("weight")).toBe(stock + more);
    }
  });

  it("begins one rig, pressed twice; two windows are told of the first", async () => {
    const other = (await openPage(browser)).page;
    const rigs = rowsIn("rig");
    for (const each of [page, other]) {
      await visit(each, `${yard.address}/begin`);
      await fill(each, "driven", "Holmstad 90");
      await press(each, "Seed drill");
      await fill(each, "hung", "Terv 30");
      await fill(each, "width", "3 m");
      await fill(each, "person", "Ilse Moor");
    }
    await pressTwice(page, "Put it in the yard");
    await page.waitForFunction(() => /^\/rigs\/\d+\/sheet$/.test(location.pathname));
    expect(rowsIn("rig")).toBe(rigs + 1);
    await pressTwice(other, "Put it in the yard");
    await seen(other, "stands in the yard already");
    expect(rowsIn("rig")).toBe(rigs + 1);
  });

  it("couples one rig, pressed twice; its name is its own", async () => {
    const rigs = rowsIn("rig");
    await visit(page, `${yard.address}/rigs/new?tractor=8`);
    await fill(page, "name", "Grain drill, 4.5 m");
    await pressTwice(page, "Couple them");
    await seen(page, "There is a rig called Grain drill, 4.5 m already.");
    expect(rowsIn("rig")).toBe(rigs);
  });
});
