import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { fill, press, seen, textOf, visit } from "./acts.ts";
import { openBrowser, openPage, PHONE } from "./browser.ts";
import { openYard, type Yard } from "./server.ts";

/** An action is a press or a filled field. */
let actions = 0;
let yard: Yard;
let browser: Awaited<ReturnType<typeof openBrowser>>;
let page: Awaited<ReturnType<typeof openPage>>["page"];
let errors: string[];

beforeAll(async () => {
  [browser, yard] = await Promise.all([openBrowser(), openYard({}, false)]);
  ({ page, errors } = await openPage(browser));
});
afterAll(() => Promise.all([browser.close(), yard.close()]));

async function pressed(words: string, within?: string): Promise<void> {
  actions += 1;
  await press(page, words, within);
}
async function filled(name: string, text: string): Promise<void> {
  actions += 1;
  await fill(page, name, text);
}

describe("the first hour on an empty yard", () => {
  it("a trailed drill: begun, drawn, taped, and its card issued in under 25 actions", async () => {
    await visit(page, yard.address);
    await seen(page, "Nothing stands here yet.");
    await pressed("What do you drive, what hangs on it?", "main");
    await filled("driven", "Belvane 90");
    await filled("power", "120");
    await pressed("hp", '[aria-label="Power is in"]');
    await pressed("Seed drill");
    await filled("hung", "Sorrick Row 30");
    await filled("width", "3 m");
    await seen(page, "Dashed is assumed");
    await filled("person", "Mira Tolland");
    await pressed("Put it in the yard");
    await seen(page, "What the card lacks");
    for (const [key, text] of [
      ["pin.workFront", "3.42"],
      ["pin.workRear", "3.71"],
      ["pin.pivot", "4.05"],
      ["receiver.foreAft", "1.61"],
      ["tool.lateral", "0.5 left"],
      ["receiver.lateral", "0.8 right"],
      ["axle.pin", "1.08"],
      ["receiver.height", "2.93"],
    ] as const)
      await filled(`r-${key}`, text);
    await pressed("Save the sheet");
    await seen(page, "No reading stops the card.");
    await pressed("To the cab card");
    await seen(page, "Issue");
    await pressed("Issue", "main");
    await seen(page, "Card 1");
    expect(actions).toBeLessThan(25);
    expect(errors).toEqual([]);
  });

  it("says what it assumed, and is refused by field with everything typed still there", async () => {
    await visit(page, `${yard.address}/rigs/1/tool`);
    await seen(page, "One section is assumed, as wide as the tool.");
    await seen(page, "Overlap is assumed");
    expect(await textOf(page, '[data-reading="sections"]')).toContain("assumed");
    await visit(page, `${yard.address}/begin`);
    await press(page, "Sprayer");
    await press(page, "Self-propelled machine");
    await press(page, "Boom built on");
    await fill(page, "driven", "Sollgard S 40");
    await fill(page, "width", "wide");
    await press(page, "Put it in the yard");
    await seen(page, "“wide” was not understood");
    await seen(page, "Number of nozzles");
    const typed = await page.$eval('input[name="driven"]', (field) => (field as HTMLInputElement).value);
    expect(typed).toBe("Sollgard S 40");
  });

  it("on the phone nothing is cut off", async () => {
    const { page: phone } = await openPage(browser, PHONE);
    await visit(phone, `${yard.address}/begin`);
    await press(phone, "Row planter");
    await seen(phone, "Number of rows");
    const over = await phone.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over).toBeLessThanOrEqual(0);
  });
});
