/** Persons and devices on the network: invited once, let in by role, revoked, signed by. */
import { randomUUID } from "node:crypto";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { formHeaders, readingForm } from "../bench/load/entry.ts";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { DESK, openBrowser, openPage, PHONE } from "./browser.ts";
import { faultsOf } from "./faults.ts";
import { rig } from "./fixture.ts";
import { comeIn, cookieFrom, ON_NETWORK, ownersLink } from "./people.ts";
import { openYard, type Yard } from "./server.ts";

let yard: Yard;
let browser: Browser;
let owner: Page;
let shown: { page: Page; errors: string[] };
let phone: Page;
let stranger: Page;

beforeAll(async () => {
  yard = await openYard(ON_NETWORK);
  browser = await openBrowser();
  shown = await openPage(browser);
  owner = shown.page;
  ({ page: phone } = await openPage(browser, PHONE));
  ({ page: stranger } = await openPage(browser));
});
afterAll(async () => {
  await browser?.close();
  await yard?.close();
});

/** What a page's device shows with each request. */
const shownBy = async (page: Page) =>
  (await page.cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");

async function invite(name: string, role: string): Promise<string> {
  await visit(owner, `${yard.address}/people`);
  await fill(owner, "name", name);
  await owner.click(`input[name="role"][value="${role}"]`);
  await press(owner, "Make an invitation");
  await appears(owner, "[data-invitation]");
  const { pathname, hash } = new URL(await textOf(owner, "[data-invitation]"));
  return pathname + hash;
}

/** A reading as a script sends it, with what a device shows. */
const enter = (cookie: string, more: Record<string, string> = {}) =>
  fetch(`${yard.address}${rig("Grain drill")}/keep`, {
    method: "POST",
    headers: { ...formHeaders(yard.address), cookie },
    body: readingForm("3.02", more),
  });

describe("a yard on the network", () => {
  it("shows nobody anything, nor does anything, before they are in", async () => {
    await visit(stranger, `${yard.address}${rig("Grain drill")}/tool`);
    await seen(stranger, "This yard is on a network");
    for (const path of [
      "/backup.db",
      "/readings.csv",
      "/people",
      `${rig("Grain drill")}/taskdata.zip`,
      "/_root.data",
    ]) {
      const answer = await fetch(yard.address + path, { redirect: "manual" });
      expect(await answer.text(), path).not.toContain("Grain drill");
    }
    expect((await enter("")).status).toBe(401);
  });

  it("lets its owner in by the link who runs it sees, once", async () => {
    const link = ownersLink(yard);
    await comeIn(owner, yard.address, link, "Jorid Vale");
    await seen(owner, "What stops the others is below");
    await visit(stranger, yard.address + link);
    await seen(stranger, "was used before");
  });

  it("lets somebody in whom the owner invites, on their phone, under their name", async () => {
    const link = await invite("Ilse Moor", "operator");
    await comeIn(phone, yard.address, link);
    await visit(phone, `${yard.address}/device`);
    await seen(phone, "Ilse Moor");
    await seen(phone, "You are operator");
    await visit(owner, `${yard.address}/people`);
    await seen(owner, "Ilse Moor");
    expect(await textOf(owner, 'section[aria-label="Ilse Moor"]')).toContain("here last");
  });

  it("keeps who may invite and who takes backups to the owner", async () => {
    await visit(phone, `${yard.address}/people`);
    await seen(phone, "That is for the owner");
    await visit(phone, `${yard.address}/files`);
    await seen(phone, "The owner takes backups");
    const cookie = await shownBy(phone);
    const asked = await fetch(`${yard.address}/backup.db`, { headers: { cookie } });
    expect(asked.status).toBe(403);
    const form = new FormData();
    form.set("intent", "restore");
    form.set("sure", "yes");
    form.set("backup", new Blob(["x"]), "x.db");
    const restored = await fetch(`${yard.address}/files.data`, {
      method: "POST",
      headers: { cookie, origin: yard.address },
      body: form,
    });
    expect(await restored.text()).toContain("The owner puts backups back.");
  });

  it("signs what comes from a device by whom it belongs to; another name is seen to be another", async () => {
    const cookie = await shownBy(phone);
    const [own, other] = [randomUUID(), randomUUID()];
    expect((await enter(cookie, { id: own, person: "Ilse Moor" })).status).toBe(200);
    expect((await enter(cookie, { id: other, person: "Karl Ost", text: "3.03" })).status).toBe(200);
    const file = new Sqlite(join(yard.folder, "yard.db"), { readonly: true });
    const signed = (id: string) =>
      file.prepare("select named, device_of, person from fact where id = ?").raw().get(id);
    expect([signed(own), signed(other)]).toEqual([
      ["Ilse Moor", "Ilse Moor", "Ilse Moor"],
      ["Karl Ost", "Ilse Moor", "Karl Ost (on Ilse Moor’s device)"],
    ]);
    file.close();
    await visit(owner, `${yard.address}${rig("Grain drill")}/tool?at=tool.width`);
    await seen(owner, "Karl Ost (on Ilse Moor’s device)");
  });

  it("lets an adviser read and ask, and keeps nothing else of theirs", async () => {
    const cookie = await cookieFrom(yard, await invite("Veit Adler", "adviser"));
    const before = await (await fetch(`${yard.address}/readings.csv`, { headers: { cookie } })).text();
    expect(before).toContain("Karl Ost (on Ilse Moor’s device)");
    expect(await (await enter(cookie)).json()).toMatchObject({ ok: false });
    const elsewhere = await fetch(`${yard.address}/limits`, {
      method: "POST",
      headers: { ...formHeaders(yard.address), cookie },
      body: "intent=x",
    });
    expect(elsewhere.status).toBe(403);
    const after = await (await fetch(`${yard.address}/readings.csv`, { headers: { cookie } })).text();
    expect(after).toBe(before);
    await visit(owner, `${yard.address}${rig("Grain drill")}/handover`);
    const what = await owner.$eval(
      'select[name="what"] option:not([value=""])',
      (each) => (each as HTMLOptionElement).value,
    );
    const asked = await fetch(`${yard.address}${rig("Grain drill")}/keep`, {
      method: "POST",
      headers: { ...formHeaders(yard.address), cookie },
      body: new URLSearchParams({
        intent: "ask-reading",
        id: randomUUID(),
        what,
        note: "",
        person: "Veit Adler",
      }),
    });
    expect(await asked.json()).toMatchObject({ ok: true });
  });

  it("comes in again by a passphrase somebody chose, which nobody guesses for long", async () => {
    await visit(phone, `${yard.address}/device`);
    await pressOn(phone, "text/Choose a passphrase");
    await fill(phone, "passphrase", "short");
    await press(phone, "Keep it");
    await seen(phone, "At least 12 letters");
    await fill(phone, "passphrase", "seven wet gloves");
    await press(phone, "Keep it");
    await seen(phone, "Your other devices come in anew");
    await press(phone, "Leave on this device");
    await seen(phone, "Or by your passphrase");
    await visit(phone, `${yard.address}/`);
    await seen(phone, "This yard is on a network");
    // A stranger guesses until nothing is taken any more; Ilse's own phone is let in all the same.
    const guess = (passphrase: string) =>
      fetch(`${yard.address}/enter.data`, {
        method: "POST",
        headers: { origin: yard.address, "content-type": "application/x-www-form-urlencoded" },
        body: new URLSearchParams({ person: "Ilse Moor", passphrase, device: "" }),
      }).then((answer) => answer.text());
    let said = "";
    for (let times = 0; times < 11; times += 1) said = await guess(`seven dry gloves ${times}`);
    expect(said).toContain("Too many tries");
    expect(await guess("seven wet gloves")).toContain("Too many tries");
    await fill(phone, "person", "ilse moor");
    await fill(phone, "passphrase", "seven wet gloves");
    await press(phone, "Come in");
    await phone.waitForFunction(() => window.location.pathname === "/");
    await visit(owner, `${yard.address}/people`);
    expect(await owner.$$eval('section[aria-label="Ilse Moor"] ul > li', (all) => all.length)).toBe(1);
  });

  it("lets a lost phone in no more from the moment it is revoked", async () => {
    await visit(owner, `${yard.address}/people`);
    await pressOn(owner, 'section[aria-label="Ilse Moor"] button[aria-label^="Revoke"]');
    await seen(owner, "Revoked");
    await visit(phone, `${yard.address}/`);
    await seen(phone, "This yard is on a network");
    await seen(owner, "nobody comes in as Ilse Moor");
  });

  it("tells whoever runs it what waits on each device, as the device says itself", async () => {
    const token = await invite("Tove Aske", "operator");
    const cookie = await cookieFrom(yard, token);
    const tell = async (told: Record<string, string>) =>
      (
        await fetch(`${yard.address}/waiting`, {
          method: "POST",
          headers: { ...formHeaders(yard.address), cookie },
          body: new URLSearchParams(told),
        })
      ).status;
    expect(await tell({ waiting: "1", refused: "2" })).toBe(422);
    expect(await tell({ waiting: "many", refused: "0" })).toBe(422);
    await visit(owner, `${yard.address}/server`);
    await seen(owner, "It never said what waits on it");
    expect(await tell({ waiting: "3", refused: "1" })).toBe(200);
    await visit(owner, `${yard.address}/server`);
    await seen(owner, "3 entries wait on it");
    await seen(owner, "1 of them refused");
    // The owner's own told by itself, as its pages were opened.
    await seen(owner, "Nothing waits on it as of");
    expect((await fetch(`${yard.address}/server`, { headers: { cookie }, redirect: "manual" })).status).toBe(
      403,
    );
    await visit(owner, `${yard.address}/people`);
  });

  it("keeps an owner, and says so", async () => {
    await pressOn(owner, "text/More of Jorid Vale");
    await press(owner, "Jorid Vale leaves this yard");
    await seen(owner, "Nobody would own this yard then");
  });

  it("can be read and pressed by everybody, by day and night, at the desk and on the phone", async () => {
    shown.errors.length = 0;
    for (const path of ["/people", "/device"])
      for (const viewport of [DESK, PHONE])
        expect(
          await faultsOf(shown, yard.address + path, viewport, {
            barriers: true,
            byNight: viewport === DESK,
          }),
          path,
        ).toEqual([]);
    const out = { page: stranger, errors: [] };
    for (const path of ["/enter", ownersLink(yard, "Jorid Vale")])
      expect(
        await faultsOf(out, yard.address + path, PHONE, { barriers: true, byNight: false }),
        path,
      ).toEqual([]);
  });

  it("says with every answer what a browser may do with it, and that no cache keeps it", async () => {
    const cookie = await shownBy(owner);
    for (const path of [
      "/",
      "/_root.data",
      "/readings.csv",
      "/backup.db",
      "/fields.zip",
      "/rigs/99999",
      "/rigs/4/cards/1.pdf",
    ]) {
      const answer = await fetch(yard.address + path, { headers: { cookie } });
      await answer.arrayBuffer();
      const header = (name: string) => answer.headers.get(name);
      expect(
        [header("x-content-type-options"), header("cache-control"), header("x-frame-options")],
        path,
      ).toEqual(["nosniff", "no-store", "DENY"]);
      expect(header("content-security-policy"), path).toContain("frame-ancestors 'none'");
      expect(header("referrer-policy"), path).toBe("same-origin");
      expect(header("x-powered-by"), path).toBeNull();
    }
  });
});
