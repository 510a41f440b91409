import { describe, expect, it } from "vitest";
import { appears, fill, gone, keep, press, seen, textOf, visit } from "./acts.ts";
import { PHONE } from "./browser.ts";
import { errors, newPage, openForFile, page, rig, yard } from "./fixture.ts";

openForFile();

const open = (name: string, station: string, at: string) =>
  visit(page, `${yard.address}${rig(name)}/${station}?at=${at}`);

describe("a reading", () => {
  it("is repeated in one sitting, with its conditions, note and history, and one repeat taken back", async () => {
    await open("Grain drill", "tool", "pin.pivot");
    await press(page, "Level floor");
    await press(page, "Pulled forward straight");
    await fill(page, "person", "Mira Tolland");
    await fill(page, "text", "5.322");
    await press(page, "Save, read it again");
    await seen(page, "Saved E: 5.322 m");
    await fill(page, "text", "5.362");
    await press(page, "Save, read it again");
    await seen(page, "Read 2 times: 5.322 m, 5.362 m. Spread 40 mm.");
    await seen(page, "2 readings of drawbar pin to wheels lie 0.040 m apart");
    await seen(page, "level floor, pulled forward straight");
    await page.click('button[aria-label^="Take back 5.362"]');
    await gone(page, "[data-repeats]");
    await seen(page, "taken back by Mira Tolland");
    await seen(page, "Now 5.322 m");
    // the floor is still level for the next reading on this device
    await open("Grain drill", "tool", "pin.workFront");
    expect(await page.$eval('[aria-pressed="true"]', (chip) => chip.textContent)).toContain("Level floor");
    expect(errors).toEqual([]);
  });

  it("of a lateral comes from the distances to both wheel faces", async () => {
    await open("Meadow drill", "antenna", "receiver.lateral");
    await press(page, "From the distances to both sides");
    const [left, right] = await page.$$("[data-open] details input.field");
    await left!.type("71.4");
    await right!.type("72.6");
    // (71.4 − 72.6)/2 = −0.6 cm
    await seen(page, "left");
    await seen(page, "= 0.006 m");
    await fill(page, "person", "Mira Tolland");
    await page.click('[data-open] button[type="submit"]');
    await seen(page, "0.6 cm left");
  });

  it("goes stale by a change and comes back when the change is undone", async () => {
    await visit(page, `${yard.address}${rig("Meadow drill")}/antenna`);
    await press(page, "Something was changed");
    await page.select('select[name="kind"]', "tractor tyres");
    await fill(page, "note", "narrow set for spring");
    await page.$$eval('input[name="person"]', (fields) =>
      fields.forEach((field) => {
        (field as HTMLInputElement).value = "Mira Tolland";
      }),
    );
    await press(page, "Record it");
    await seen(page, "Ground to receiver is stale, was taped.");
    await seen(page, "stale, was taped");
    await page.click('button[aria-label="Take back: Other tyres on the tractor"]');
    await gone(page, '[data-finding="stale:receiver.height"]');
  });
});

describe("without a connection", () => {
  it("an entry waits on the device, visibly, and is sent once", async () => {
    await open("Borrowed drill", "antenna", "receiver.height");
    await fill(page, "person", "Mira Tolland");
    await page.setOfflineMode(true);
    await fill(page, "text", "3.071");
    await page.keyboard.press("Enter");
    await seen(page, "1 entry waits on this device");
    await seen(page, "C 3.071");
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event("online")));
    await gone(page, 'aside[aria-label="Waiting on this device"]');
    await seen(page, "Now 3.071 m");
    await visit(page, `${yard.address}${rig("Borrowed drill")}/antenna?at=receiver.height`);
    expect(
      await page.$$eval(
        "[data-past]",
        (rows) => rows.filter((row) => row.textContent?.includes("3.071")).length,
      ),
    ).toBe(1);
  });

  it("what the server refuses once it is asked is mended where it waits, and is the same entry", async () => {
    await open("Borrowed drill", "antenna", "receiver.height");
    await fill(page, "person", "Mira Tolland");
    await page.setOfflineMode(true);
    await fill(page, "text", "3.21");
    await press(page, "Book", '[aria-label="How you know it"]');
    await page.focus('input[name="text"]');
    await page.keyboard.press("Enter");
    await seen(page, "1 entry waits on this device");
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event("online")));
    await seen(page, "Say why a value that is only");
    const waits = 'aside[aria-label="Waiting on this device"]';
    await page.type(`${waits} input[name="reason"]`, "tyres swapped, book for now");
    await press(page, "Send it mended", waits);
    await gone(page, waits);
    await visit(page, `${yard.address}${rig("Borrowed drill")}/antenna?at=receiver.height`);
    await seen(page, "instead of a better one because: tyres swapped, book for now");
  });
});

describe("what is half typed", () => {
  it("is there again after the page was left and loaded anew, says so, and is thrown away at a press", async () => {
    await open("Grain drill", "antenna", "receiver.foreAft");
    await fill(page, "text", "1.4");
    await visit(page, `${yard.address}/`);
    await open("Grain drill", "antenna", "receiver.foreAft");
    await seen(page, "As you left it, not saved yet.");
    const typed = () => page.$eval('input[name="text"]', (field) => (field as HTMLInputElement).value);
    expect(await typed()).toBe("1.4");
    await press(page, "Throw it away");
    expect(await typed()).toBe("");
    await page.reload({ waitUntil: "load" });
    await appears(page, 'input[name="text"]');
    await seen(page, "A bare number is in");
    expect(await page.$("[data-left]")).toBeNull();
  });
});

describe("on the phone", () => {
  it("the field, what it echoes and the keypad with its Save fit a small one at once", async () => {
    await newPage(PHONE);
    await page.setViewport({ ...PHONE, height: 664 });
    for (const [at, unit] of [
      ["pin.pivot", "m"],
      ["pin.pivot", "ft in"],
    ] as const) {
      await visit(page, `${yard.address}${rig("Borrowed drill")}/tool`);
      await press(page, unit, '[aria-label="Units"]');
      await visit(page, `${yard.address}${rig("Borrowed drill")}/tool?at=${at}`);
      const [field, save] = await Promise.all(
        ['input[name="text"]', '[aria-label="Keypad"] .key-main'].map((each) =>
          page.$eval(each, (element) => element.getBoundingClientRect().toJSON() as DOMRect),
        ),
      );
      const strip = await page.$$eval(".sticky", (all) =>
        Math.max(
          ...all.map((each) =>
            each.getBoundingClientRect().top <= 0 ? each.getBoundingClientRect().bottom : 0,
          ),
        ),
      );
      const keys = await page.$eval('[aria-label="Keypad"]', (each) => each.getBoundingClientRect().top);
      expect(save!.bottom, unit).toBeLessThanOrEqual(664);
      expect(field!.top, unit).toBeGreaterThanOrEqual(strip);
      expect(field!.bottom, unit).toBeLessThanOrEqual(keys);
    }
    expect(errors).toEqual([]);
  });

  it("is typed on the keypad, feet, inches and fraction, with one hand", async () => {
    await newPage(PHONE);
    await visit(page, `${yard.address}${rig("Borrowed drill")}/tool`);
    await press(page, "ft in");
    await seen(page, "17' 7\" ahead of the drawbar pin");
    await press(page, "Tape F");
    await appears(page, '[data-open="pin.workFront"] [aria-label="Keypad"]');
    for (const key of ["1", "6", "′", "7", "3/8", "″"]) {
      const all = await page.$$('[aria-label="Keypad"] button');
      const words = await Promise.all(all.map((each) => each.evaluate(({ textContent }) => textContent)));
      // A glove lies on the key for a while: a key acts as it comes down.
      const finger = await all[words.indexOf(key)]!.touchStart();
      await new Promise((over) => setTimeout(over, 700));
      await finger.end();
    }
    expect(await page.$eval('input[name="text"]', (field) => (field as HTMLInputElement).value)).toBe(
      "16′7 3/8″",
    );
    await seen(page, "= 5.064 m");
    await fill(page, "person", "Mira Tolland");
    await press(page, "Save", '[aria-label="Keypad"]');
    await gone(page, "[data-open]");
    await gone(page, '[data-finding="zero:pin.workFront"]');
    // At the top of the page what was said lies on no button, and its undo is as large as a thumb.
    await page.evaluate(() => window.scrollTo({ top: 0, behavior: "instant" }));
    await appears(page, "[data-sonner-toast][data-mounted=true]");
    await page.waitForFunction(
      () => document.querySelector("[data-sonner-toast]")?.getAnimations({ subtree: true }).length === 0,
      { polling: 50 },
    );
    const { covered, undo } = await page.evaluate(() => {
      const toast = document.querySelector("[data-sonner-toast]")!.getBoundingClientRect();
      const under = [...document.querySelectorAll("button, [role=radio]")].filter((each) => {
        const { top, bottom, height } = each.getBoundingClientRect();
        return !each.closest("[data-sonner-toast]") && height > 0 && top < toast.bottom && bottom > toast.top;
      });
      const key = document.querySelector("[data-sonner-toast] button");
      return {
        covered: under.map(({ textContent }) => textContent),
        undo: key?.getBoundingClientRect().height ?? 0,
      };
    });
    expect(covered).toEqual([]);
    expect(undo).toBeGreaterThanOrEqual(44);
    await visit(page, `${yard.address}${rig("Borrowed drill")}/tool?at=pin.pivot`);
    const { bottom } = await page.$eval('[aria-label="Keypad"] .key-main', (key) =>
      key.getBoundingClientRect().toJSON(),
    );
    expect(bottom).toBeLessThanOrEqual(844);
    expect(errors).toEqual([]);
  });
});

describe("units", () => {
  it("are mixed as the operator likes, everywhere at once", async () => {
    await visit(page, `${yard.address}/device`);
    const [, small] = await page.$$("select.field");
    await small!.select("in");
    await appears(page, '[aria-label="Units"] ::-p-text(mixed)');
    await visit(page, `${yard.address}${rig("Meadow drill")}/tool`);
    expect(await textOf(page, '[data-reading="rows.spacing"]')).toContain("5.91 in");
    expect(await textOf(page, '[data-reading="tool.width"]')).toContain("3.000 m");
    await page.click('[data-reading="rows.spacing"]');
    await seen(page, "A bare number is in inches.");
    await fill(page, "person", "Mira Tolland");
    await keep(page, "6");
    expect(await textOf(page, '[data-reading="rows.spacing"]')).toContain("6.00 in");
  });
});
