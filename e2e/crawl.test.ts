import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { rig } from "./fixture.ts";
import { openYard, preloaded, type Yard } from "./server.ts";

const queries = mkdtempSync(join(tmpdir(), "ambrek-queries-"));
let yard: Yard;
beforeAll(async () => {
  yard = await openYard({ AMBREK_TEST_QUERIES: queries, ...preloaded("query-plans.mjs") });
});
afterAll(async () => {
  await yard.close();
  rmSync(queries, { recursive: true });
});

type Fault = { path: string; from: string; what: string };

/** What a page says besides its markup and scripts. */
function wordsOf(html: string): string {
  return html.replace(/<(script|style)[\s\S]*?<\/\1>/g, " ").replace(/<[^>]*>/g, " ");
}

/** Words no person writes: a value that was not there, or one said twice. */
const HOLES = /\b(NaN|undefined|\[object \w+\]|Infinity|(missing|nobody)[\s.,;:]+\2)\b/;

/** A drawing of something narrower than nothing. */
const BELOW_NOTHING = / (?:width|height|r|rx|ry)="-[\d.]/;

/** The names of the places on a page one can be led to. */
const placesOf = (body: string) => new Set([...body.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id!));

/** Links of a page: where to, and whether they say that this is where one is. */
function linksOf(body: string): { href: string; here: boolean }[] {
  return [...body.matchAll(/<a\b[^>]*>/g)].flatMap(([tag]) => {
    const href = / href="([^"]+)"/.exec(tag)?.[1];
    return href ? [{ href: href.replaceAll("&amp;", "&"), here: tag.includes("aria-current") }] : [];
  });
}

const ASSET = /\.(css|js|png|svg|woff2|ico|webmanifest)$/;

/** Pages that differ only in what is open on them are read once, but for the readings of `thoroughly`. */
function shapeOf({ pathname, searchParams }: URL, thoroughly: RegExp): string {
  const names = [...searchParams.keys()].filter((name) => name !== "view").sort();
  const at = thoroughly.test(pathname) ? searchParams.get("at") : "";
  return `${pathname} ${names.join()} ${at}`;
}

/** Follows every link from the yard on, and tells what answers wrongly or says what nobody would say. */
async function crawl(address: string, thoroughly: RegExp): Promise<{ pages: number; faults: Fault[] }> {
  const known = new Set<string>();
  const open: { path: string; from: string }[] = [];
  const faults: Fault[] = [];
  const places = new Map<string, Set<string>>();
  const wanted: { shape: string; place: string; path: string; from: string }[] = [];
  const found = (href: string, from: string) => {
    const url = new URL(href, address + from);
    if (url.origin !== address || ASSET.test(url.pathname)) return;
    const shape = shapeOf(url, thoroughly);
    if (url.hash !== "") wanted.push({ shape, place: url.hash.slice(1), path: href, from });
    if (known.has(shape)) return;
    known.add(shape);
    open.push({ path: url.pathname + url.search, from });
  };
  found("/", "/");
  for (const { path, from } of open) {
    const answer = await fetch(address + path, { redirect: "manual", headers: { accept: "text/html" } });
    const body = await answer.text();
    const fault = (what: string) => faults.push({ path, from, what });
    if (answer.status >= 300 && answer.status < 400) found(answer.headers.get("location") ?? "/", path);
    else if (answer.status !== 200) fault(`${answer.status}: ${body.slice(0, 120)}`);
    else if (answer.headers.get("content-type")?.includes("html")) {
      const hole = HOLES.exec(wordsOf(body));
      if (hole) fault(`says ${hole[0]}`);
      const below = BELOW_NOTHING.exec(body);
      if (below) fault(`draws ${below[0]}"`);
      places.set(shapeOf(new URL(address + path), thoroughly), placesOf(body));
      for (const { href } of linksOf(body)) found(href, path);
      // What is open on a page is led to by its letter and its row; the page itself by nothing on it.
      const own = linksOf(body.replace(/<header[\s\S]*?<\/header>/, ""));
      if (!path.includes("?") && own.some(({ href, here }) => !here && href === path))
        fault("has a link that leads to itself");
    }
  }
  for (const { shape, place, path, from } of wanted)
    if (places.get(shape)?.has(place) === false) faults.push({ path, from, what: `has no “${place}”` });
  return { pages: open.length, faults };
}

/** What was asked of the yard's file by now, each query once. */
const asked = () =>
  new Set(
    readdirSync(queries).flatMap((name) =>
      readFileSync(join(queries, name), "utf8")
        .trim()
        .split("\n")
        .map((line) => JSON.parse(line) as string),
    ),
  );

/** Under which names a query looks at facts and readings. */
const namesOf = (query: string) =>
  new Set([
    "fact",
    "reading",
    ...[...query.matchAll(/\b(?:fact|reading)"? "?(\w+)"?/g)].map(([, name]) => name!),
  ]);

/** How large the yard is, for who runs it. */
const COUNTS_ALL = "(select count(*) from reading) as readings";

/** Queries that look at every fact or reading there is, however many years of them, for what they are after. */
function lookingAtAll(file: Sqlite.Database): string[] {
  return [...asked()].filter((query) => {
    if (!/^\s*(select|with)\b/i.test(query) || !/\b(fact|reading)\b/.test(query)) return false;
    if (query.includes(COUNTS_ALL)) return false;
    const values = (query.match(/\?/g) ?? []).map(() => null);
    const plan = file.prepare(`explain query plan ${query}`).all(values) as { detail: string }[];
    const names = namesOf(query);
    return plan.some(({ detail }) => names.has(/^SCAN (\w+)/.exec(detail)?.[1] ?? ""));
  });
}

describe("every link of the demo yard", () => {
  it("leads to a page that is there and says something", { timeout: 400_000 }, async () => {
    const { pages, faults } = await crawl(yard.address, /^\/rigs\/12\//);
    expect(faults).toEqual([]);
    expect(pages).toBeGreaterThan(600);
  });

  it("reads what it shows, and not all that was ever written", () => {
    const file = new Sqlite(join(yard.folder, "yard.db"), { readonly: true });
    expect(asked().size).toBeGreaterThan(100);
    expect(lookingAtAll(file)).toEqual([]);
    file.close();
  });

  it("is not there for what is not", async () => {
    for (const path of [
      "/rigs/99",
      "/rigs/99/tool",
      `${rig("Grain drill")}/cards/7`,
      "/rigs/abc/match",
      "/machines/999",
      "/tyres/999",
      "/schemes/none",
      `${rig("Grain drill")}/sequences/dance`,
      "/nowhere",
    ]) {
      const { status } = await fetch(yard.address + path, { redirect: "manual" });
      expect(status, path).toBe(404);
    }
  });

  it("leads back to the list of tests from one that is gone", async () => {
    const { status, headers } = await fetch(`${yard.address}${rig("Grain drill")}/proof/none`, {
      redirect: "manual",
    });
    expect([status, headers.get("Location")]).toEqual([302, `${rig("Grain drill")}/proof`]);
  });
});
