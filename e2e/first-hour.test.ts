import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
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

async function chosen(group: string, value: string): Promise<void> {
  actions += 1;
  await pressOn(page, `[aria-label="${group}"] button[value="${value}"]`);
}

async function sheet(readings: Readonly<Record<string, string>>, save = "Save the sheet"): Promise<void> {
  for (const [key, text] of Object.entries(readings)) {
    actions += 1;
    const field = await appears(page, `[name="r-${key}"]`, { timeout: 5000 }).catch(() => null);
    if (!field) throw new Error(`the sheet does not ask ${key}`);
    if ((await field.evaluate((node) => node.tagName)) === "SELECT")
      await page.select(`[name="r-${key}"]`, text);
    else await fill(page, `r-${key}`, text);
  }
  await pressed(save);
  // What was saved is asked no more, or its field is empty again.
  await page.waitForFunction(
    (keys) =>
      keys.every((key) => {
        const field = document.querySelector<HTMLInputElement>(`[name="r-${key}"]`);
        return field === null || field.value === "";
      }),
    {},
    Object.keys(readings),
  );
}

async function issued(): Promise<void> {
  await seen(page, "No reading stops the card.");
  await pressed("To the cab card");
  await seen(page, "Issue");
  await pressed("Issue", "main");
  await seen(page, "Card 1");
}

describe("the first hour on an empty yard", () => {
  it("a full yard may be looked at first, and left again as it was found", async () => {
    await visit(page, yard.address);
    await press(page, "Show the demo yard");
    await seen(page, "This is the demo yard.");
    await seen(page, "Borrowed drill, 6 m");
    await press(page, "Begin with an empty yard");
    await seen(page, "Nothing stands here yet.");
    const refused = await fetch(`${yard.address}/?index`, {
      method: "POST",
      headers: { Origin: yard.address },
      body: new URLSearchParams({ intent: "own" }),
    });
    expect(refused.status).toBe(422);
  });

  it("an address that is none says so in plain words, and the first press of Tab leads past the header", async () => {
    await visit(page, yard.address);
    await page.keyboard.press("Tab");
    expect(await page.evaluate(() => document.activeElement?.textContent?.trim())).toBe("To the page");
    await page.keyboard.press("Enter");
    expect(await page.evaluate(() => location.hash)).toBe("#main");
    await page.goto(`${yard.address}/nope`);
    await seen(page, "There is no page at this address.");
    errors.length = 0;
  });

  it("a word is looked up by any part of it", async () => {
    await visit(page, `${yard.address}/words`);
    await page.type('input[type="search"]', "bushing");
    await seen(page, "sold by both diameters");
    const found = await page.$$eval("[data-word]", (all) =>
      all.map((each) => (each as HTMLElement).innerText),
    );
    expect(found).toHaveLength(3);
    for (const word of found) expect(word.toLowerCase()).toContain("bushing");
  });

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

  it("a trailed sprayer with seven sections: its card issued in under 35 actions", async () => {
    actions = 0;
    await visit(page, `${yard.address}/begin`);
    await filled("driven", "Belvane 150");
    await filled("power", "150");
    await pressed("Sprayer");
    await filled("hung", "Sorrick Jet 21");
    await filled("width", "21 m");
    await filled("rows", "42");
    await chosen("Steered by satellite", "yes");
    await chosen("Sections switched", "yes");
    await filled("sections", "7");
    await pressed("Put it in the yard");
    await seen(page, "What the card lacks");
    const asked = await textOf(page, "main");
    expect(asked).toContain("Drawbar pin to nozzles");
    expect(asked).not.toContain("rear rank");
    await sheet({
      "pin.workFront": "5.85",
      "pin.pivot": "4.3",
      "receiver.foreAft": "1.7",
      "tool.lateral": "0",
      "receiver.lateral": "1 left",
      "axle.pin": "1.1",
      "receiver.height": "3.02",
    });
    await issued();
    expect(actions).toBeLessThan(35);
    await visit(page, `${yard.address}/rigs/2/tool`);
    expect(await textOf(page, '[data-reading="sections"]')).toContain("7 × 3.000");
  });

  it("a combine with its head: its card issued in under 35 actions", async () => {
    actions = 0;
    await visit(page, `${yard.address}/begin`);
    await pressed("Self-propelled machine");
    await filled("driven", "Kornau 6");
    await filled("power", "220");
    await pressed("Cutting head");
    await filled("hung", "Kornau Blade 6");
    await filled("width", "6.1 m");
    await chosen("Steered by satellite", "yes");
    await chosen("Sections switched", "no");
    await pressed("Put it in the yard");
    await seen(page, "What the card lacks");
    await sheet({
      "pin.workFront": "1.62",
      "receiver.foreAft": "1.9",
      "pin.foremost": "2.4",
      "tool.lateral": "0",
      "receiver.lateral": "0",
      "axle.pin": "2.05",
      "receiver.height": "3.9",
    });
    await issued();
    expect(actions).toBeLessThan(35);
  });

  it("front and rear mowers: one swath, its card issued in under 35 actions", async () => {
    actions = 0;
    await visit(page, `${yard.address}/begin`);
    await filled("driven", "Belvane 120");
    await filled("power", "118");
    await pressed("Disc mower");
    await filled("hung", "Sorrick Cut 31 R");
    await filled("width", "3.1 m");
    await chosen("Steered by satellite", "yes");
    await chosen("Sections switched", "no");
    await pressed("Another tool, in front or behind");
    await filled("hung2", "Sorrick Cut 30 F");
    await filled("width2", "3 m");
    await pressed("Put it in the yard");
    await seen(page, "What the card lacks");
    await sheet({
      "pin.workFront": "0.9",
      "receiver.foreAft": "1.5",
      "tool.lateral": "2.65 m right",
      "receiver.lateral": "0",
      "axle.pin": "1.05",
      "receiver.height": "2.9",
    });
    await pressed("Sorrick Cut 30 F", 'nav[aria-label="Tools of this rig"]');
    await sheet({ "pin.workFront": "1", "axle.pin": "3.9", "tool.lateral": "0" });
    await issued();
    expect(actions).toBeLessThan(35);
    // 3.0 m in the middle and 3.1 m at 2.65 m right: from −1.5 to 4.2.
    expect(await textOf(page, '[data-card-line="Working width"]')).toContain("5.70");
  });

  it.each([
    {
      what: "a mounted cultivator",
      begin: async () => {
        await pressed("Field cultivator");
        await filled("hung", "Sorrick Tine 30");
        await filled("width", "3 m");
        await filled("rows", "24");
      },
      readings: {
        "work.depth": "8",
        "tool.category": "2",
        "tool.mass": "780 kg",
        "tool.cg": "0.9",
        "hitch.lift": "3400 kg",
        "hitch.linkLeft": "0.92",
        "hitch.linkRight": "0.92",
        "hitch.rodLeft": "0.71",
        "hitch.rodRight": "0.71",
        "work.stabilisers": "rigid",
        "work.control": "float",
        "tractor.wheelbase": "2.6",
        "tractor.front": "2100 kg",
        "tractor.rear": "3000 kg",
        "axle.pin": "1.04",
      },
    },
    {
      what: "a semi-mounted plough",
      begin: async () => {
        await pressed("Plough");
        await pressed("Semi-mounted");
        await filled("hung", "Sorrick Furrow 6");
        await filled("width", "2.4 m");
        await filled("rows", "6");
      },
      readings: {
        "work.depth": "22",
        "tool.category": "3",
        "tool.mass": "2600 kg",
        "tool.cg": "2.4",
        "pin.pivot": "5.2",
        "hitch.lift": "7200 kg",
        "hitch.towLimit": "9000 kg",
        "tool.brakes": "none",
        "hitch.linkLeft": "0.98",
        "hitch.linkRight": "0.98",
        "work.stabilisers": "free",
        "work.control": "draft",
        "tractor.wheelbase": "2.9",
        "tractor.front": "3900 kg",
        "tractor.rear": "4700 kg",
        "axle.pin": "1.2",
      },
    },
  ])(
    "$what without guidance: a set-up sheet without stops in under 35 actions",
    async ({ begin, readings }) => {
      actions = 0;
      await visit(page, `${yard.address}/begin`);
      await filled("driven", "Belvane 160");
      await filled("power", "165");
      await begin();
      actions += 1;
      await pressOn(page, '[aria-label="Hitch category of the tractor"] button[value="3"]');
      await chosen("Steered by satellite", "no");
      await chosen("Sections switched", "no");
      await pressed("Put it in the yard");
      await seen(page, "What coupling lacks");
      await sheet(readings, "Save the sheet");
      const id = /rigs\/(\d+)/.exec(page.url())![1]!;
      expect(actions).toBeLessThan(35);
      for (const station of ["match", "hitch", "balance"]) {
        await visit(page, `${yard.address}/rigs/${id}/${station}`);
        expect(await page.$$eval('[data-finding^="stop"]', (all) => all.length), station).toBe(0);
      }
      // Nothing of it is asked, and nothing of it is called good.
      for (const station of ["Antenna", "Proof", "Cab card"])
        expect(await textOf(page, 'nav[aria-label="Walk-round"]')).toMatch(
          new RegExp(`${station}\\s*not used`),
        );
      await visit(page, `${yard.address}/rigs/${id}/card`);
      await seen(page, "there is nothing to type in");
      expect(errors).toEqual([]);
    },
  );

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
