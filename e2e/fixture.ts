/** What every file of browser tests has: a browser, a yard of its own, and a page; and rigs by their names. */
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, beforeEach, inject } from "vitest";
import { DESK, openBrowser, openPage, type PHONE } from "./browser.ts";
import { openYard, type Yard } from "./server.ts";

export let browser: Browser;
export let yard: Yard;
export let page: Page;
/** what the page's console said of errors */
export let errors: string[];

type Wanted = {
  viewport?: typeof DESK | typeof PHONE;
  /** a new page for each test, one for all of them, or none */
  pages?: "each" | "one" | "none";
  /** of the server */
  env?: Record<string, string>;
};

/** Another page in the place of the one there is. */
export async function newPage(viewport: typeof DESK | typeof PHONE): Promise<void> {
  ({ page, errors } = await openPage(browser, viewport));
}

/** Opens them for the file it is called in, and closes them behind it. */
export function openForFile({ viewport = DESK, pages = "each", env = {} }: Wanted = {}): void {
  beforeAll(async () => {
    [browser, yard] = await Promise.all([openBrowser(), openYard(env)]);
    if (pages === "one") await newPage(viewport);
  });
  if (pages === "each") beforeEach(() => newPage(viewport));
  afterAll(() => Promise.all([browser.close(), yard.close()]));
}

/** How many rows a table of the yard has. */
export function rowsIn(table: string, where = "true"): number {
  const file = new Sqlite(join(yard.folder, "yard.db"), { readonly: true });
  const count = file.prepare(`select count(*) from ${table} where ${where}`).pluck().get() as number;
  file.close();
  return count;
}

type Row = { id: number; name: string };
const rows = new Map<string, Row[]>();

function idOf(table: string, name: string): number {
  let all = rows.get(table);
  if (!all) {
    const file = new Sqlite(inject("planted"), { readonly: true });
    const named = table === "rig" ? "name" : "make || ' ' || model";
    all = file.prepare(`select id, ${named} as name from ${table} order by id`).all() as Row[];
    file.close();
    rows.set(table, all);
  }
  const found = all.find((row) => row.name.startsWith(name));
  if (!found) throw new Error(`no ${table} “${name}” in the demo yard`);
  return found.id;
}

/** The number of a rig of the demo yard, by how its name begins. */
export const rigId = (name: string) => idOf("rig", name);
/** Its address: "/rigs/4". */
export const rig = (name: string) => `/rigs/${rigId(name)}`;
/** A machine's address, by make and model. */
export const machine = (name: string) => `/machines/${idOf("machine", name)}`;
