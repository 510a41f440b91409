import { describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { PHONE } from "./browser.ts";
import { errors, newPage, openForFile, page, rig, yard } from "./fixture.ts";

openForFile();

const ground = (name: string) => visit(page, `${yard.address}${rig(name)}/ground`);
const type = async (values: Record<string, string>) => {
  for (const [name, text] of Object.entries(values)) await fill(page, name, text);
};

describe("depth and level", () => {
  it("come right by following the advice: turned as said, another strip measured", async () => {
    await ground("Stubble cultivator");
    expect(await textOf(page, '[data-off="fore"]')).toContain("deeper in front");
    const advice = await textOf(page, "[data-advice]");
    expect(advice).toContain("Top link: ");
    await press(page, "As it would be, turned so");
    const first = (as: string) =>
      page.$eval(`[data-map="${as}"] [data-point="front 1"]`, (point) => point.textContent);
    expect(await first("foretold")).not.toContain("17.2");
    await press(page, "As it was dug");
    expect(await first("dug")).toContain("17.2");
    await page.type('[data-advice] input[name="person"]', "Mira Tolland");
    await press(page, "They stand so now");
    await seen(page, "Set: Top link 2");
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-adjuster="Top link"] input')?.value === "2",
    );
    await page.select('select[name="across"]', "4");
    await type({
      field: "Long Acre",
      "d-front-1": "14.6",
      "d-front-2": "14.7",
      "d-front-4": "14.8",
      "d-rear-1": "14.1",
      "d-rear-3": "14.2",
      "d-rear-4": "14.3",
    });
    await page.$$eval('form input[name="person"]', (all) => {
      for (const each of all) (each as HTMLInputElement).value = "Mira Tolland";
    });
    await press(page, "Save the map");
    await appears(page, "[data-learnt]");
    await seen(page, "Since the map before: Top link 2 turns more");
    for (const key of ["depth", "fore", "across"])
      expect(await textOf(page, `[data-off="${key}"]`), key).toMatch(/within|as deep|level/i);
    await appears(page, '[data-check="map"][data-verdict="good"], [data-verdict="good"]');
    expect(errors).toEqual([]);
  });

  it("on the phone: a point that does not fit is measured again before anything is turned", async () => {
    await newPage(PHONE);
    await ground("Roller cultivator");
    await seen(page, "Rear 5 lies");
    await seen(page, "Measure it again before anything is turned");
    expect(await page.$('[data-advice] input[name="intent"]')).toBeNull();
    await press(page, "Add an adjuster", "#adjusters");
    await type({ label: "Wing screw, right", front: "1", rear: "1", across: "5 cm" });
    await press(page, "Add it");
    await seen(page, "Say who tells it");
    expect(await page.$eval('input[name="across"]', (field) => (field as HTMLInputElement).value)).toBe(
      "5 cm",
    );
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("are dug walking from point to point on the phone; a wrong one is walked to again", async () => {
    await newPage(PHONE);
    await ground("Stubble cultivator");
    await page.select('select[name="across"]', "4");
    await press(page, "Walk them one by one");
    const stood = () => textOf(page, "[data-walking=true] > p");
    const enter = async (text: string) => {
      await page.keyboard.type(text);
      await page.keyboard.press("Enter");
    };
    expect(await stood()).toMatch(/^front 1\s+1 of 8/i);
    for (const text of ["14.6", "two", "14.9", "15.1"]) await enter(text);
    // Back along the rear from the right: the nearest point comes next.
    expect(await stood()).toMatch(/^rear 4\s+5 of 8/i);
    await enter("14.2");
    await press(page, "Next");
    await press(page, "Back");
    expect(await stood()).toMatch(/^rear 3/i);
    for (const text of ["14.1", "14.3", "14.0"]) await enter(text);
    await page.type('form:has([value="keep-map"]) [name="person"]', "Mira Tolland");
    await fill(page, "field", "Long Acre");
    await press(page, "Walk them one by one");
    await press(page, "Save the map");
    await page.waitForFunction(() =>
      document.querySelector("[data-walking=true] > p")?.textContent?.startsWith("front 2"),
    );
    await fill(page, "d-front-2", "14.8");
    await press(page, "Save the map");
    await seen(page, "Depth map saved: 8 points");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});

describe("a guided strip begun without a connection", () => {
  it("shows its steps at once; what is seen waits behind it, and all of it is sent in order", async () => {
    await newPage(PHONE);
    await ground("Stubble cultivator");
    await page.setOfflineMode(true);
    const begin = 'form:has([value="begin-strip"])';
    await page.type(`${begin} [name="field"]`, "Pond Field");
    await page.type(`${begin} [name="person"]`, "Mira Tolland");
    await press(page, "Begin the strip");
    await appears(page, "[data-waits]");
    await seen(page, "Pond Field");
    const system = '[data-look="system"]';
    for (const label of ["No", "Does not apply"]) {
      const all = await page.$$(`${system} label ::-p-text(${label})`);
      for (const each of label === "No" ? all.slice(0, 1) : all) {
        await each.evaluate((element) => element.scrollIntoView({ block: "center" }));
        await each.click();
      }
    }
    await page.$eval(`${system} [name="person"]`, (field) => {
      (field as HTMLInputElement).value = "Mira Tolland";
    });
    await press(page, "Save what I saw", system);
    await seen(page, "2 entries wait on this device");
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event("online")));
    await appears(page, '[data-step="system"][data-verdict="good"]');
    expect(await page.$("[data-waits]")).toBeNull();
    expect(errors.filter((each) => !each.includes("ERR_INTERNET"))).toEqual([]);
  });
});

describe("adjusters", () => {
  it("are set from their number on the drawing, and stand in their history", async () => {
    await ground("Stubble cultivator");
    const wheel = "Depth wheel, left";
    await page.$eval(`[data-mark="${wheel}"]`, (mark) => mark.scrollIntoView({ block: "center" }));
    await page.click(`[data-mark="${wheel}"] text`);
    await page.waitForFunction(
      (label: string) => document.activeElement?.getAttribute("aria-label") === `${label} stands at`,
      {},
      wheel,
    );
    for (const label of [wheel, "Depth wheel, right"])
      await pressOn(page, `button[aria-label="${label}: one more"]`);
    await page.type('#adjusters input[name="person"]', "Mira Tolland");
    await press(page, "They stand so");
    await seen(page, "Set: Depth wheel, left 6, Depth wheel, right 6");
    await seen(page, "before 5 (Joren Talbeck");
    await press(page, "How they stood before");
    expect(await textOf(page, `[data-history^="${wheel}"] tbody tr`)).toMatch(/6\s*6\s*Mira Tolland/);
    expect(errors).toEqual([]);
  });

  it("are told once for both sides, drawn mirrored, told otherwise, and taken off with a way back", async () => {
    await newPage(PHONE);
    await ground("Stubble cultivator");
    await press(page, "Add an adjuster", "#adjusters");
    await page.select('select[name="sides"]', "both");
    await type({ label: "Side plate", ahead: "1.4", aside: "1.3", up: "0.3", rear: "2" });
    await page.type('[name="how"]', "By two bolts.");
    await page.$$eval('#adjusters input[name="person"]', (all) => {
      for (const each of all) (each as HTMLInputElement).value = "Mira Tolland";
    });
    await press(page, "Add both");
    await seen(page, "Added, left and right alike: Side plate");
    const at = (label: string) =>
      page.$eval(`[data-mark="${label}"]`, (mark) => {
        const { x, width } = mark.getBoundingClientRect();
        const sheet = mark.closest("svg")!.getBoundingClientRect();
        return x + width / 2 - sheet.x - sheet.width / 2;
      });
    await appears(page, '[data-mark="Side plate, right"]');
    const [left, right] = [await at("Side plate, left"), await at("Side plate, right")];
    expect(left).toBeLessThan(0);
    expect(left + right).toBeCloseTo(0, 0);
    await press(page, "Tell one otherwise");
    await press(page, "Side plate, right", "#adjusters details:last-of-type");
    await press(page, "Take Side plate, right off the tool");
    await seen(page, "Taken off: Side plate, right");
    await page.waitForFunction(() => !document.querySelector('[data-mark="Side plate, right"]'));
    await press(page, "Undo");
    await appears(page, '[data-mark="Side plate, right"]');
    expect(errors).toEqual([]);
  });

  it("are taken along on paper: what to turn, where each sits, and lines to write on", async () => {
    await ground("Row hoe");
    await press(page, "Paper to take along");
    await seen(page, "To turn");
    expect(await textOf(page, "h2 + ul")).toMatch(/: \d+ \w+ (more|fewer), to /);
    await seen(page, "Guided strip");
    expect(await page.$$("svg [data-mark]")).toHaveLength(14);
    await press(page, "Back to the ground");
    await seen(page, "Depth map");
    expect(errors).toEqual([]);
  });
});
