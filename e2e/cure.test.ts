import { strFromU8, unzipSync } from "fflate";
import type { Browser, Page } from "puppeteer-core";
import { SaxesParser } from "saxes";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { appears, figures, fill, gone, keep, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { DESK, openBrowser, openPage, PHONE } from "./browser.ts";
import { rig, rigId } from "./fixture.ts";
import { openYard, type Yard } from "./server.ts";

let browser: Browser;
let yard: Yard;

beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(() => browser.close());
beforeEach(async () => {
  yard = await openYard();
});
afterEach(() => yard.close());

/** DDI → values in the file's order, by designator of the device. */
async function exported(page: Page): Promise<Record<string, Record<number, number[]>>> {
  const bytes = await page.evaluate(
    async (path) => {
      const answer = await fetch(path);
      return [...new Uint8Array(await answer.arrayBuffer())];
    },
    `${rig("Borrowed drill")}/taskdata.zip`,
  );
  const found: Record<string, Record<number, number[]>> = {};
  let device = "";
  const parser = new SaxesParser();
  parser.on("opentag", ({ name, attributes }) => {
    const { A: _id, B, C } = attributes as Record<string, string>;
    if (name === "DVC") {
      device = B!;
      found[device] = {};
    }
    if (name === "DPT") {
      const ddi = Number.parseInt(B!, 16);
      found[device]![ddi] = [...(found[device]![ddi] ?? []), Number(C)];
    }
  });
  parser.write(strFromU8(unzipSync(new Uint8Array(bytes))["TASKDATA/TASKDATA.XML"]!)).close();
  return found;
}

describe("curing the borrowed drill by following what the screen says", () => {
  it("in metres, with wrong entries on the way, to card, print, file and after a restart", async () => {
    const { page, errors } = await openPage(browser, DESK);
    await visit(page, yard.address);
    await seen(page, "Nothing stops 8 of 17 rigs");
    await press(page, "Tape F", `[data-rig="${rigId("Borrowed drill")}"]`);

    // Wrong entries: said by the field, kept as typed, nothing changed.
    await seen(page, "Drawbar pin to front of the work");
    await fill(page, "text", "5 metres 06");
    await page.keyboard.press("Enter");
    await seen(page, "only feet and inches go together");
    expect(await page.$eval('input[name="text"]', (field) => (field as HTMLInputElement).value)).toBe(
      "5 metres 06",
    );
    await fill(page, "text", "-5.06");
    await page.keyboard.press("Enter");
    await seen(page, "Type it without a sign");
    await fill(page, "text", "5.06");
    await page.keyboard.press("Enter");
    await seen(page, "Say who read it");
    await fill(page, "person", "Mira Tolland");
    await keep(page, "5.064");
    await gone(page, '[data-finding="zero:pin.workFront"]');
    await seen(page, "1 stop keeps this rig off the field");

    await press(page, "Tape G");
    await appears(page, '[data-open="pin.workRear"]');
    await seen(page, "Measured by Mira Tolland.");
    await keep(page, "5,364 m");
    await seen(page, "Nothing stops this rig");
    // receiver 1.905, pin 0.940, front rank 5.064: −7.909
    expect(await textOf(page, "[data-total]")).toBe("−7.909 m");
    await press(page, "Look at N");
    await keep(page, "6 × 1");
    await gone(page, '[data-finding="sections-sum"]');

    await press(page, "Cab card");
    await seen(page, "Hitch to working point");
    // by hand: (5.064 + 5.364)/2 = 5.214 m = 205.28 in; 6.12 m = 240.94 in; 6/2 + 0.018 = 3.018 m = 118.82 in
    expect(await figures(page)).toMatchObject({
      "Axle type": "rigid",
      "Hitch to pivot": "−240.9 in",
      "Hitch to working point": "−205.3 in",
      "Middle from the left edge": "118.8 in",
      "Line spacing": "236.2 in",
    });
    await press(page, "The terminal in this cab asks");
    await press(page, "From the axle, metres");
    await seen(page, "Connection to working edge, front");
    expect(await figures(page)).toMatchObject({
      "Axle to receiver": "1.91 m ahead",
      "Connection to working edge, front": "5.06 m behind",
      "Side offset": "0.02 m left",
    });

    // pin − pivot = +6120; middle of the work 6.12 − 5.214 = 906 ahead of the pivot; ranks 300 apart
    const file = await exported(page);
    expect(file["Kestrow R164"]).toMatchObject({ 134: [1905, -940], 135: [12, 0], 136: [-3060] });
    expect(file["Ambleth Strata 6"]).toMatchObject({
      134: [6120, 906, 906, 906, 906, 906, 906, 906],
      135: [0, -18, -2518, -1518, -518, 482, 1482, 2482],
      67: [6000, 1000, 1000, 1000, 1000, 1000, 1000],
      226: [300, 300, 300, 300, 300, 300, 300],
    });

    await press(page, "Issue card");
    await seen(page, "Card 1 is in the cab");
    await press(page, "Print card 1");
    await seen(page, "Issued");
    const paper = await page.pdf({ preferCSSPageSize: true });
    expect(strFromU8(paper.slice(0, 5))).toBe("%PDF-");

    await yard.restart();
    await visit(page, `${yard.address}${rig("Borrowed drill")}/tool`);
    expect(await textOf(page, "[data-total]")).toBe("−7.909 m");
    await visit(page, `${yard.address}${rig("Borrowed drill")}/card`);
    expect((await figures(page))["Axle to receiver"]).toBe("1.91 m ahead");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("in feet and inches, on a phone", async () => {
    const { page, errors } = await openPage(browser, PHONE);
    await visit(page, `${yard.address}${rig("Borrowed drill")}/tool`);
    await press(page, "ft in");
    await seen(page, "17' 7\" ahead of the drawbar pin");
    await press(page, "Tape F");
    await fill(page, "person", "Mira Tolland");
    await fill(page, "text", "16' 14\"");
    await page.keyboard.press("Enter");
    await seen(page, "inches after feet stay under 12");
    // 16' 7 3/8" = 199.375 in = 5.064125 m
    await fill(page, "text", "16' 7 3/8\"");
    await seen(page, "= 5.064 m");
    await keep(page, "16' 7 3/8\"");
    await press(page, "Tape G");
    await keep(page, "17′ 7⅛″");
    await press(page, "Look at N");
    await keep(page, `6 x 3' 3 3/8"`);
    await seen(page, "Nothing stops this rig");
    // 75 + 37.008 + 199.375 in = 311.383 in = 25' 11 3/8"
    expect(await textOf(page, "[data-total]")).toBe("−25' 11 3/8\"");
    await visit(page, `${yard.address}${rig("Borrowed drill")}/card`);
    // (199.375 + 211.125)/2 = 205.25 → 205.3
    expect((await figures(page))["Hitch to working point"]).toBe("−205.3 in");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});

describe("what a stop blocks", () => {
  it("is the card, its print and the file, each saying why", async () => {
    const { page } = await openPage(browser);
    await visit(page, `${yard.address}${rig("Borrowed drill")}/card`);
    await seen(page, "Do not type this in yet");
    await seen(page, "The rear of the work would lie 5.360 m ahead of the drawbar pin.");
    expect((await figures(page))["Hitch to working point"]).toBe("not yet");
    expect(await page.$("::-p-text(Issue card)")).toBeNull();
    expect((await fetch(`${yard.address}${rig("Borrowed drill")}/cards/1/print`)).status).toBe(404);
    const refused = await fetch(`${yard.address}${rig("Borrowed drill")}/taskdata.zip`);
    expect(refused.status).toBe(409);
    expect(await refused.text()).toContain("nobody measured it");
  });
});

describe("keeping and taking back", () => {
  it("asks why a book value shall replace a taped one, and undoes what was kept", async () => {
    const { page } = await openPage(browser);
    await visit(page, `${yard.address}${rig("Grain drill")}/antenna?at=axle.pin`);
    await fill(page, "text", "1.3");
    await fill(page, "person", "Mira Tolland");
    await press(page, "Book");
    await page.click('[data-open] button[type="submit"]');
    await seen(page, "This is taped now. Say why");
    await fill(page, "reason", "tape was bent");
    await page.click('[data-open] button[type="submit"]');
    await gone(page, "[data-open]");
    await seen(page, "−2.772 m");
    await press(page, "Undo", "[data-sonner-toast]");
    await seen(page, "−2.598 m");
  });

  it("reorders what to tape next", async () => {
    const { page } = await openPage(browser);
    await visit(page, `${yard.address}${rig("Grain drill")}/tool`);
    expect(await page.$eval("[data-next]", (box) => box.getAttribute("data-next"))).toBe("H");
    await page.keyboard.press("n");
    await fill(page, "person", "Mira Tolland");
    await fill(page, "text", "1.5");
    await seen(page, "Say which: right or left.");
    await pressOn(page, "[data-open] button::-p-text(left)");
    await seen(page, "further left than");
    await page.click('[data-open] button[type="submit"]');
    await appears(page, '[data-next="C"]');
  });
});

describe("requests from elsewhere", () => {
  it("change nothing", async () => {
    const answer = await fetch(`${yard.address}${rig("Grain drill")}/keep`, {
      method: "POST",
      headers: { Origin: "http://elsewhere.example" },
      body: new URLSearchParams({
        intent: "keep-reading",
        dimension: "axle.pin",
        text: "2",
        style: "m",
        instrument: "tape",
        person: "X",
      }),
    });
    expect(answer.status).toBe(403);
    const page = await (await fetch(`${yard.address}${rig("Grain drill")}/antenna`)).text();
    expect(page).toContain("1.126");
  });

  it("for what is not there get a clear 404", async () => {
    for (const path of ["/rigs/99/tool", "/rigs/abc", `${rig("Grain drill")}/moon`])
      expect((await fetch(yard.address + path)).status).toBe(404);
  });
});
