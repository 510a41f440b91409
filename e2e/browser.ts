import { existsSync } from "node:fs";
import puppeteer, { type Browser, type Page } from "puppeteer-core";

export const DESK = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true };

/** How long a busy machine may take to show something, milliseconds. */
export const PATIENCE = Number(process.env.PATIENCE) || 60_000;

/** Debian's Chromium without a window to draw, which spares a third of its work; nothing in the background looks for a network. */
export function openBrowser(more: readonly string[] = []): Promise<Browser> {
  const executablePath = process.env.CHROMIUM || "/usr/bin/chromium-headless-shell";
  if (!existsSync(executablePath)) throw new Error(`no Chromium at ${executablePath}`);
  return puppeteer.launch({
    executablePath,
    headless: "shell",
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--disable-quic",
      "--no-first-run",
      "--disable-background-networking",
      "--disable-component-update",
      "--disable-sync",
      "--font-render-hinting=none",
      ...more,
    ],
  });
}

/** A page that remembers every console error and failed script. */
export async function openPage(
  browser: Browser,
  viewport: typeof DESK | typeof PHONE = DESK,
): Promise<{ page: Page; errors: string[] }> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport(viewport);
  page.setDefaultTimeout(PATIENCE);
  const errors: string[] = [];
  page.on("console", (message) => message.type() === "error" && errors.push(message.text()));
  page.on("pageerror", (error) => errors.push(String(error)));
  return { page, errors };
}
