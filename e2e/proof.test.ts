import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { press, pressOn, seen, textOf, visit } from "./acts.ts";
import { openBrowser, openPage } from "./browser.ts";
import { cardOf, drive, feed, practise } from "./field-acts.ts";
import { openYard, type Yard } from "./server.ts";

let browser: Browser;
let yard: Yard;
let page: Page;

beforeAll(async () => {
  [browser, yard] = await Promise.all([openBrowser(), openYard({ AMBREK_FIELD_SEED: "4711" })]);
  ({ page } = await openPage(browser));
});
afterAll(() => Promise.all([browser.close(), yard.close()]));

const figure = (key: string) => textOf(page, `[data-figure="${key}"]`);
const suspects = () => page.$$eval("[data-suspect]", (all) => all.map((each) => (each as HTMLElement).innerText));

describe("a practice rig", () => {
  it("goes from the card to proven figures: receiver, joints, headland, circle", async () => {
    const path = await practise(page, yard.address, 3, "as read");
    const card = await cardOf(page, `${yard.address}${path}/card`);
    await feed(page, `${yard.address}${path}/field`, card);
    await drive(page, "wheel-marks");
    await seen(page, "Receiver beside where it is entered");
    expect(await figure("lateral")).toMatch(/± /);
    await pressOn(page, '[data-figure="lateral"] input[type="radio"]');
    await press(page, "Accept as proven");
    await seen(page, "Accepted");
  });
});
