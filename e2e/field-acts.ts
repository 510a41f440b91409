import type { Page } from "puppeteer-core";
import { appears, fill, press, pressOn, seen, visit } from "./acts.ts";
import { rig } from "./fixture.ts";

/** Makes a practice copy of a rig and returns its address. */
export async function practise(
  page: Page,
  address: string,
  name: string,
  start: "as read" | "empty",
): Promise<string> {
  await visit(page, `${address}${rig(name)}/field`);
  await page.click(`input[name="start"][value="${start}"]`);
  await press(page, "Make a practice rig");
  await seen(page, "A rig with true measures nobody told you");
  return new URL(page.url()).pathname.replace("/field", "");
}

export type CardEntry = { figure: string; word: string };

/** What the cab card says, by page and label, figure and word apart. */
export async function cardOf(page: Page, rig: string): Promise<Record<string, CardEntry>> {
  await visit(page, rig);
  return page.$$eval("[data-card-line]", (rows) =>
    Object.fromEntries(
      rows.map((row) => {
        const said =
          (row.querySelector("[data-figure]") as HTMLElement | null)?.innerText.replace(/\s+/g, " ").trim() ??
          "";
        const [figure = "", ...rest] = said.split(" ");
        return [row.getAttribute("data-card-line"), { figure, word: rest.at(-1) ?? "" }];
      }),
    ),
  );
}

/** Types a card into the simulated terminal, page by page; `slips` stand in the place of what the card says. */
export async function feed(
  page: Page,
  field: string,
  card: Record<string, CardEntry>,
  slips: Record<string, Partial<CardEntry>> = {},
): Promise<void> {
  await visit(page, field);
  const pages = await page.$$eval('[aria-label="Pages of the terminal"] button', (buttons) =>
    buttons.map((button) => button.textContent ?? ""),
  );
  for (const name of pages) {
    await pressOn(page, `[aria-label="Pages of the terminal"] ::-p-text(${name})`);
    const lines = await page.$$eval('[aria-label="Simulated terminal"] label', (labels) =>
      labels.map((label) => ({
        label: (label.firstChild?.textContent ?? "").replace(/, (m|cm|mm|in|ft in|s|ms)$/, ""),
        name: label.querySelector("input, select")?.getAttribute("name") ?? "",
        tag: label.querySelector("input, select")?.tagName ?? "",
        side: label.querySelector('select[name^="side-"]')?.getAttribute("name") ?? "",
      })),
    );
    for (const { label, name: field, tag, side } of lines) {
      const { figure, word } = { ...card[label]!, ...slips[label] };
      if (tag === "SELECT") await page.select(`select[name="${field}"]`, figure);
      else await fill(page, field, figure);
      if (side && word) {
        const words = await page.$$eval(`select[name="${side}"] option`, (options) =>
          options.map((option) => (option as HTMLOptionElement).value),
        );
        if (words.includes(word)) await page.select(`select[name="${side}"]`, word);
      }
    }
    await pressOn(page, '[aria-label="Simulated terminal"] button[value="save"]');
    await seen(page, `${name} saved in the terminal`);
  }
}

/** Drives one job and opens what it found. */
export async function drive(page: Page, key: string): Promise<void> {
  await pressOn(page, `[data-drive="${key}"]`);
  await press(page, "See what it found");
  await appears(page, '[aria-label="What it found"]', { timeout: 25_000 });
}

/** Types some lines of one page anew and saves it. */
export async function retype(
  page: Page,
  field: string,
  name: string,
  lines: Record<string, CardEntry>,
): Promise<void> {
  await visit(page, field);
  await pressOn(page, `[aria-label="Pages of the terminal"] ::-p-text(${name})`);
  for (const [label, { figure, word }] of Object.entries(lines)) {
    const names = await page.$$eval(
      '[aria-label="Simulated terminal"] label',
      (labels, wanted) => {
        const found = labels.find((each) => (each.firstChild?.textContent ?? "").startsWith(wanted));
        return {
          text: found?.querySelector("input")?.getAttribute("name") ?? "",
          side: found?.querySelector("select")?.getAttribute("name") ?? "",
        };
      },
      label,
    );
    await fill(page, names.text, figure);
    if (names.side && word) await page.select(`select[name="${names.side}"]`, word);
  }
  await pressOn(page, '[aria-label="Simulated terminal"] button[value="save"]');
  await seen(page, `${name} saved in the terminal`);
}
