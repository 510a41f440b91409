import axe from "axe-core";
import type { Browser, Page } from "puppeteer-core";
import { visit } from "./acts.ts";
import { type DESK, openPage, type PHONE } from "./browser.ts";

/** Serious barriers. By night the same pages have other colours and nothing else: contrast is looked at alone. */
async function violations(page: Page, look: "contrast" | "all"): Promise<string[]> {
  await page.evaluate(axe.source);
  return page.evaluate(async (what) => {
    type Violation = { impact: string; id: string; nodes: { html: string }[] };
    const scan = window as unknown as { axe: { run: (how: object) => Promise<{ violations: Violation[] }> } };
    const plainly = { resultTypes: ["violations"], preload: false };
    const only = { runOnly: ["color-contrast"] };
    const found = (await scan.axe.run({ ...plainly, ...(what === "contrast" ? only : {}) })).violations;
    return found
      .filter(({ impact }) => impact === "serious" || impact === "critical")
      .map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`);
  }, look);
}

/** Letters smaller than 14 px on the screen, drawing included. */
function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll("body *")]
      .filter((element) =>
        [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()),
      )
      .filter((element) => {
        const box = element.getBoundingClientRect();
        const svg = element.closest("svg");
        const zoom = svg?.viewBox.baseVal.width
          ? Math.min(
              svg.clientWidth / svg.viewBox.baseVal.width,
              svg.clientHeight / svg.viewBox.baseVal.height,
            )
          : 1;
        const visible = box.width > 1 && box.height > 1 && !["SCRIPT", "STYLE"].includes(element.tagName);
        return visible && Number.parseFloat(getComputedStyle(element).fontSize) * zoom < 13.9;
      })
      .map((element) => `${element.textContent} in ${element.outerHTML.slice(0, 60)}`),
  );
}

/** Turns the page to one light as its own key does, at once. */
function turn(page: Page, light: "Day" | "Night"): Promise<void> {
  return page.evaluate((theme: string) => {
    document.documentElement.dataset.theme = theme;
  }, light.toLowerCase());
}

/**
 * What is wrong on some screens: small letters, what is cut off sideways, console errors; on those of `own`, which no other
 * viewport shows alike, serious barriers as well, and their contrast by night where that is asked.
 */
export async function faultsOf(
  browser: Browser,
  address: string,
  viewport: typeof DESK | typeof PHONE,
  screens: readonly string[],
  own: readonly string[],
  byNight: boolean,
): Promise<string[]> {
  const { page, errors } = await openPage(browser, viewport);
  const found: string[] = [];
  for (const screen of screens) {
    await visit(page, address + screen);
    const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    const here = [
      ...(own.includes(screen) ? await violations(page, "all") : []),
      ...(await tooSmall(page)).map((each) => `under 14 px: ${each}`),
      ...(sideways > 0 ? [`${sideways} px too wide`] : []),
    ];
    // The same colours stand on every page: each second one is enough to find one that is too weak by night.
    if (byNight && own.includes(screen) && own.indexOf(screen) % 2 === 0) {
      await turn(page, "Night");
      here.push(...(await violations(page, "contrast")).map((each) => `by night, ${each}`));
    }
    found.push(...here.map((each) => `${screen}: ${each}`));
  }
  await page.close();
  return [...found, ...errors.filter((each) => !each.includes("404"))];
}
