import { describe, expect, it } from "vitest";
import { fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
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
    await page.waitForSelector("[data-learnt]");
    await seen(page, "Since the map before: Top link 2 turns more");
    for (const key of ["depth", "fore", "across"])
      expect(await textOf(page, `[data-off="${key}"]`), key).toMatch(/within|as deep|level/i);
    await page.waitForSelector('[data-check="map"][data-verdict="good"], [data-verdict="good"]');
    expect(errors).toEqual([]);
  });

  it("on the phone: a point that does not fit is measured again before anything is turned", async () => {
    await newPage(PHONE);
    await ground("Roller cultivator");
    await seen(page, "Rear 5 lies");
    await seen(page, "Measure it again before anything is turned");
    expect(await page.$('[data-advice] input[name="intent"]')).toBeNull();
    await pressOn(page, "#adjusters summary");
    await type({ label: "Wing screw, right", front: "1", rear: "1", across: "5 cm" });
    await press(page, "Add it");
    await seen(page, "Say who tells it");
    expect(await page.$eval('input[name="across"]', (field) => (field as HTMLInputElement).value)).toBe(
      "5 cm",
    );
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});
