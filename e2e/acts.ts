import type { ElementHandle, Page, WaitForSelectorOptions } from "puppeteer-core";
import { PATIENCE } from "./browser.ts";

/** What a person does on a page, by the words they see. */
export async function press(page: Page, words: string, within = "body"): Promise<void> {
  await pressOn(page, `${within} ::-p-text(${words})`);
}

/** Scrolls to what a selector names, waits until it stands still, and clicks it with the mouse. */
export async function pressOn(page: Page, selector: string): Promise<void> {
  await (await standing(page, selector)).click();
}

/** The same with a finger. On a busy machine the finger may lie there so long that it is no press: who taps looks whether anything came of it. */
export async function tapOn(page: Page, selector: string): Promise<void> {
  await (await standing(page, selector)).tap();
}

const standing = (page: Page, selector: string): Promise<ElementHandle<Element>> =>
  againWhereLeft(() => standingOnce(page, selector));

async function standingOnce(page: Page, selector: string): Promise<ElementHandle<Element>> {
  const handle = (await appears(page, selector, { visible: true }))!;
  // A person scrolls to what they press: on a phone it may lie under the drawing that stays at the top.
  await handle.evaluate((element) => element.scrollIntoView({ block: "center", behavior: "instant" }));
  await handle.evaluate(async (element) => {
    const place = () => {
      const { x, y } = element.getBoundingClientRect();
      return `${x} ${y}`;
    };
    // What is being sent takes no second press: a person presses once it is ready again. What stays so is pressed all the same.
    const busy = () => element.getAttribute("aria-disabled") === "true";
    for (let still = 0, before = place(), looks = 0; still < 4 || (busy() && looks < 200); looks += 1) {
      await new Promise((done) => setTimeout(done, 25));
      still = place() === before ? still + 1 : 0;
      before = place();
    }
  });
  return handle;
}

export async function seen(page: Page, words: string): Promise<void> {
  await page.waitForFunction(
    (text: string) => document.body.innerText.replace(/\u00a0/g, " ").includes(text),
    { timeout: PATIENCE, polling: OFTEN },
    words,
  );
}

/** What the browser says of something found on a page that was left in the same moment. */
const LEFT = /Cannot find (execution )?context|context was destroyed|detached|[Nn]ode with given id/;

/**
 * A page that is being left takes what was just found on it along: it is looked for again on the page that comes. What stays so is an
 * error, as is everything else.
 */
async function againWhereLeft<T>(look: () => Promise<T>): Promise<T> {
  for (let looks = 1; ; looks += 1) {
    try {
      return await look();
    } catch (error) {
      const { message, cause } = error as Error;
      if (looks === 5 || !LEFT.test(`${message} ${cause}`)) throw error;
    }
  }
}

/** Waits until what a selector names is there (or, asked so, seen or gone), whether or not the page is being left meanwhile. */
export const appears = (page: Page, selector: string, how: WaitForSelectorOptions = {}) =>
  againWhereLeft(() => page.waitForSelector(selector, { timeout: PATIENCE, ...how }));

export async function gone(page: Page, selector: string): Promise<void> {
  await appears(page, selector, { hidden: true });
}

export const textOf = (page: Page, selector: string): Promise<string> =>
  againWhereLeft(async () => {
    await appears(page, selector);
    return page.$eval(selector, (element) =>
      (element as HTMLElement).innerText.replace(/\u00a0/g, " ").trim(),
    );
  });

/** Types over what stands in the field of this name: the first that can be seen, not one folded away. */
export async function fill(page: Page, name: string, text: string): Promise<void> {
  await againWhereLeft(async () => {
    const found = await page.waitForFunction(
      (wanted: string) =>
        [...document.querySelectorAll<HTMLInputElement>(`input[name="${wanted}"]:not([type="hidden"])`)].find(
          (field) => field.checkVisibility({ contentVisibilityAuto: true, visibilityProperty: true }),
        ),
      { timeout: PATIENCE },
      name,
    );
    await found.asElement()!.evaluate((input) => {
      (input as HTMLInputElement).focus();
      (input as HTMLInputElement).select();
    });
  });
  await page.keyboard.press("Backspace");
  await page.keyboard.type(text);
}

/** Opens an entry's field, types, keeps it by key, and waits until it is closed. */
export async function keep(page: Page, text: string): Promise<void> {
  await fill(page, "text", text);
  await page.keyboard.press("Enter");
  await gone(page, "[data-open]");
}

/** Whether the page, and what loads after it, hears keys and presses. */
const ready = () => document.documentElement.dataset.ready === "yes" && !document.querySelector("[inert]");

/** Asked by the clock: a page that is not in front draws nothing, and frames would be waited for in vain. */
const OFTEN = 50;

/**
 * Until nothing is under way. A request broken off by leaving its page is now and then never told as ended: what is sent is answered long
 * before five seconds, and then it is not waited for any longer.
 */
async function settled(page: Page, idleTime: number): Promise<void> {
  await page.waitForNetworkIdle({ idleTime, timeout: 5_000 }).catch(() => {});
}

/** Opens a page once what was sent before has been answered (leaving earlier would break it off), and waits
 * until keys and presses are heard. */
export async function visit(page: Page, url: string): Promise<void> {
  await settled(page, 50);
  await page.goto(url, { waitUntil: "load" });
  await settled(page, 100);
  await page.waitForFunction(ready, { timeout: PATIENCE, polling: OFTEN });
}

/** The figures on the card, by label. */
export function figures(page: Page): Promise<Record<string, string>> {
  return page.$$eval("[data-card-line]", (rows) =>
    Object.fromEntries(
      rows.map((row) => [
        row.getAttribute("data-card-line"),
        (row.querySelector("[data-figure]") as HTMLElement | null)?.innerText.replace(/\s+/g, " ").trim() ??
          "not yet",
      ]),
    ),
  );
}
