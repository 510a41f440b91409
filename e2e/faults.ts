import axe from "axe-core";
import type { Page } from "puppeteer-core";
import { visit } from "./acts.ts";
import type { DESK, PHONE } from "./browser.ts";

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

/** Small letters, and what is cut off sideways, as the page stands now. */
async function edges(page: Page, at: string): Promise<string[]> {
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  return [
    ...(await tooSmall(page)).map((each) => `under 14 px${at}: ${each}`),
    ...(sideways > 0 ? [`${sideways} px too wide${at}`] : []),
  ];
}

/** How long a page may take to lie as its width asks: a chart is drawn anew once it was told how wide it is, ms. */
const SETTLING = 10_000;

/** What is still so once the page had time to lie as it will. */
async function settled(look: () => Promise<string[]>): Promise<string[]> {
  const until = Date.now() + SETTLING;
  let found = await look();
  while (found.length && Date.now() < until) {
    await new Promise((over) => setTimeout(over, 200));
    found = await look();
  }
  return found;
}

/** What is looked for on a page besides small letters, edges and console errors. */
type Look = {
  /** serious barriers; false where another page or viewport shows the same */
  barriers: boolean;
  /** the contrast of its colours by night as well */
  byNight?: boolean;
  /** looked at as wide as a phone as well, without being loaded again */
  narrow?: typeof PHONE;
};

/** What is wrong on the page at this address, shown in a page that is there. `errors`: what its console says, emptied. */
export async function faultsOf(
  { page, errors }: { page: Page; errors: string[] },
  address: string,
  viewport: typeof DESK | typeof PHONE,
  { barriers, byNight, narrow }: Look,
): Promise<string[]> {
  await page.setViewport(viewport);
  await visit(page, address);
  const found = [
    ...(barriers ? await violations(page, "all") : []),
    ...(await settled(() => edges(page, ""))),
  ];
  if (byNight) {
    await turn(page, "Night");
    found.push(...(await violations(page, "contrast")).map((each) => `by night, ${each}`));
  }
  if (narrow) {
    await page.setViewport({ width: narrow.width, height: narrow.height });
    found.push(...(await settled(() => edges(page, ` at ${narrow.width} px`))));
  }
  return [...found, ...errors.splice(0).filter((each) => !each.includes("404"))];
}
