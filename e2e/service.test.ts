/** Service: a list begun, the morning's round on the phone out of reach, what wears, what is due. */
import { beforeAll, describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { PHONE } from "./browser.ts";
import { errors, newPage, openForFile, page, rig, yard } from "./fixture.ts";

openForFile({ pages: "one" });

const go = (path: string) => visit(page, `${yard.address}${path}`);
const faults = () =>
  errors.filter((each) => !each.includes("422") && !each.includes("INTERNET_DISCONNECTED"));

describe("the service of a machine", () => {
  beforeAll(() => void errors.splice(0));

  it("begins with the usual list, takes an interval of its own, and refuses one that is none by the field", async () => {
    await go("/service");
    expect(await textOf(page, "[data-due]")).toContain("due");
    await press(page, "Belvane 118");
    await press(page, "Take the usual list");
    await seen(page, "lines of the usual list came.");
    await appears(page, '[data-service="Engine oil and filter"][data-state="unknown"]');
    await press(page, "Something else to look after");
    await fill(page, "name", "Cab filter");
    await press(page, "Put it on the list");
    await seen(page, "One of them is wanted.");
    expect(
      await page.$$eval('input[name="name"]', (all) =>
        all.filter((input) => input.checkVisibility()).map((input) => (input as HTMLInputElement).value),
      ),
    ).toEqual(["Cab filter"]);
    await fill(page, "days", "180");
    await press(page, "Put it on the list");
    await appears(page, '[data-service="Cab filter"]');
    await press(page, "Done", '[data-service="Cab filter"]');
    await fill(page, "person", "Mira Tolland");
    await press(page, "It was done", '[data-service="Cab filter"]');
    await appears(page, '[data-service="Cab filter"][data-state="good"]');
    expect(await textOf(page, '[data-service="Cab filter"]')).toContain("0 of 180 days.");
    // How many points there are, as somebody counted them.
    await press(page, "Wheel nuts");
    await page.locator('[data-daily="Wheel nuts"] input[name="points"]').fill("36");
    await press(page, "Change it so", '[data-daily="Wheel nuts"]');
    await seen(page, "Wheel nuts, 36 points");
    await press(page, "Knock the soil off");
    await press(page, "Take it off the list", '[data-daily="Knock the soil off"]');
    await appears(page, '[data-daily="Knock the soil off"]', { hidden: true });
    expect(faults()).toEqual([]);
  });

  it("takes a meter that runs forward only", async () => {
    await go("/service");
    await press(page, "Engine oil and filter");
    await fill(page, "reading", "3000");
    await press(page, "Keep it", 'section[aria-label="Hour meter"]');
    await seen(page, "a meter does not run backward.");
    await fill(page, "reading", "3410");
    await press(page, "Keep it", 'section[aria-label="Hour meter"]');
    await seen(page, "The meter shows 3410 h.");
  });
});

describe("the rounds of a rig", () => {
  beforeAll(async () => {
    await newPage(PHONE);
    errors.splice(0);
  });

  it("are gone round on the phone, out of reach: what was ticked waits, is sent once, and stands on the machine", async () => {
    await go(`${rig("Electric drill")}/rounds`);
    await press(page, "Morning", '[aria-label="Which round"]');
    const done = () => page.$eval("[data-done]", (line) => line.getAttribute("data-done"));
    expect(await done()).toMatch(/^0\/\d+$/);
    await pressOn(page, '[data-service="Wheel nuts"] button');
    await seen(page, "Say who you are.");
    await fill(page, "who", "Mira Tolland");
    await page.setOfflineMode(true);
    await pressOn(page, '[data-service="Wheel nuts"] button');
    await appears(page, '[data-service="Wheel nuts"][data-state="done"]');
    await seen(page, "waits on this device");
    expect(await done()).toMatch(/^1\//);
    await page.setOfflineMode(false);
    await page.waitForFunction(() => !document.body.textContent?.includes("waits on this device"));
    expect(await textOf(page, '[data-service="Wheel nuts"][data-state="done"]')).toContain("Mira Tolland");
    await press(page, "Evening", '[aria-label="Which round"]');
    await seen(page, "Knock the soil off");
    await press(page, "Aboard", '[aria-label="Which round"]');
    await seen(page, "Shear bolts and shear keys");
    expect(faults()).toEqual([]);
  });
});

describe("how wet it is", () => {
  it("is asked where the advice stands: drive, let the tyres down, or wait, axle by axle", async () => {
    await go(`${rig("Electric drill")}/ladder`);
    await press(page, "How wet is it? Ground pressure");
    await appears(page, '[data-soil="unknown"]');
    await press(page, "Dry", "#ground-pressure");
    await appears(page, '[data-soil="dry"]');
    expect(await textOf(page, "[data-pressed-whole]")).toBe("It may go as it is.");
    await press(page, "Moist", "#ground-pressure");
    await appears(page, '[data-pressed="wait"]');
    expect(await textOf(page, "[data-pressed-whole]")).toBe("On such ground this rig waits.");
  });
});
