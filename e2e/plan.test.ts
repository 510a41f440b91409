/** The season planned, pulled about by mouse and by keys, a clash cured by the advice, a breakdown in the middle of drilling. */
import { beforeAll, describe, expect, it } from "vitest";
import { appears, fill, press, seen, textOf, visit } from "./acts.ts";
import { DESK, PHONE } from "./browser.ts";
import { errors, newPage, openForFile, page, yard } from "./fixture.ts";

openForFile({ pages: "one" });

const PATIENCE = 40_000;
const go = (path: string) => visit(page, `${yard.address}${path}`);
const faults = () => errors.filter((each) => !each.includes("422"));
const solved = () => appears(page, "[data-solved]", { timeout: PATIENCE });
const inside = () =>
  page.$eval("[data-inside]", (line) => {
    const { inside: done, asked } = (line as HTMLElement).dataset;
    return { done: Number(done), asked: Number(asked) };
  });

describe("the plan of the season", () => {
  beforeAll(() => void errors.splice(0));

  it("is solved off the page's thread: what fits, how far from the best, who does what", async () => {
    await go("/");
    await press(page, "Plan of the season");
    await solved();
    const { done, asked } = await inside();
    expect(asked - done).toBeGreaterThan(5_000);
    expect(await textOf(page, "[data-solved]")).toMatch(/No plan has more|Proved/);
    expect(await page.$$eval("[data-bar]", (all) => all.length)).toBeGreaterThan(10);
    expect(await textOf(page, '[aria-label="Day by day"]')).toContain("Ola Brannick");
    expect(faults()).toEqual([]);
  });

  it("names what does not fit, says why, and the least cure makes it fit", async () => {
    const unfit = '[data-unfit="Sowing barley, Two Oaks"]';
    await press(page, "Why, and what would cure it?", unfit);
    await appears(page, `${unfit} [data-cures="done"]`, { timeout: PATIENCE });
    const cures = await textOf(page, `${unfit} [data-cures]`);
    expect(cures).toContain("It would fit, were T13 not away.");
    expect(cures).toContain("The least change.");
    await page.click('[data-cure="days off"]');
    await seen(page, "Changed: the plan is solved again.");
    await appears(page, unfit, { hidden: true, timeout: PATIENCE });
    await solved();
    const { done, asked } = await inside();
    expect(asked - done).toBeLessThan(2_000);
    expect(faults()).toEqual([]);
  });

  it("is pulled about by the mouse: what was pulled stays, the rest is solved again; it is let go", async () => {
    const name = '[data-bar="Discs, Two Oaks"]';
    const bar = (await page.$(name))!;
    await bar.scrollIntoView();
    const from = await bar.evaluate((each) => (each as HTMLElement).dataset.from);
    const box = (await bar.boundingBox())!;
    const sheet = (await (await page.$("[data-calendar] .relative.bg-sheet"))!.boundingBox())!;
    const day = sheet.width / 28;
    await page.mouse.move(box.x + 6, box.y + 20);
    await page.mouse.down();
    await page.mouse.move(box.x + 6 + day, box.y + 21, { steps: 4 });
    await page.mouse.move(box.x + 6 + 2 * day, box.y + 21, { steps: 4 });
    await page.mouse.up();
    await appears(page, `${name}[data-pinned]`, { timeout: PATIENCE });
    const to = await page.$eval(`${name}[data-pinned]`, (each) => (each as HTMLElement).dataset.from!);
    expect(to > from!).toBe(true);
    await solved();
    expect(await page.$eval(`${name}[data-pinned]`, (each) => (each as HTMLElement).dataset.from)).toBe(to);
    await press(page, "Let it go", "[data-picked]");
    await appears(page, `${name}:not([data-pinned])`, { timeout: PATIENCE });
    await solved();
  });

  it("is pulled by keys, also to another tractor; where it cannot go it says why", async () => {
    const name = '[data-bar="Sowing rape, Park Side"]';
    const tractor = () => page.$eval(name, (each) => (each as HTMLElement).dataset.tractor);
    const was = await tractor();
    await page.focus(name);
    await page.keyboard.press(was === "T4" ? "ArrowDown" : "ArrowUp");
    await appears(page, `${name}[data-pinned]`, { timeout: PATIENCE });
    expect(await tractor()).not.toBe(was);
    await solved();
    await press(page, "Let it go", "[data-picked]");
    await appears(page, `${name}:not([data-pinned])`, { timeout: PATIENCE });
    expect(faults()).toEqual([]);
  });

  it("is kept, stands on the rig's page, and goes out as a calendar", async () => {
    await solved();
    await fill(page, "person", "Mira Tolland");
    await press(page, "Keep this plan");
    await appears(page, '[data-kept="same"]', { timeout: PATIENCE });
    const answer = await page.evaluate(async () => {
      const file = await fetch("/plan.ics");
      return { type: file.headers.get("content-type"), text: await file.text() };
    });
    expect(answer.type).toContain("text/calendar");
    expect(answer.text).toContain("BEGIN:VEVENT");
    expect(faults()).toEqual([]);
  });
});

describe("the calendar under a finger", () => {
  it("is pulled about once the finger has rested on a bar", async () => {
    await newPage({ width: 1024, height: 768, isMobile: true, hasTouch: true });
    errors.splice(0);
    await go("/plan");
    await solved();
    const name = '[data-bar="Discs, Two Oaks"]';
    const bar = (await page.$(name))!;
    await bar.scrollIntoView();
    const from = await bar.evaluate((each) => (each as HTMLElement).dataset.from!);
    const box = (await bar.boundingBox())!;
    await page.touchscreen.touchStart(box.x + 10, box.y + 20);
    await new Promise((rested) => setTimeout(rested, 500));
    for (let step = 1; step <= 8; step += 1)
      await page.touchscreen.touchMove(box.x + 10 + 9 * step, box.y + 21);
    await page.touchscreen.touchEnd();
    await appears(page, `${name}[data-pinned]`, { timeout: PATIENCE });
    expect(
      (await page.$eval(`${name}[data-pinned]`, (each) => (each as HTMLElement).dataset.from!)) > from,
    ).toBe(true);
    await solved();
    await press(page, "Let it go", "[data-picked]");
    await appears(page, `${name}:not([data-pinned])`, { timeout: PATIENCE });
    expect(faults()).toEqual([]);
  });
});

describe("what a plan is made from", () => {
  it("is told on its own page, refused by the field, and a new job is planned at once", async () => {
    await go("/plan/jobs");
    await press(page, "Another job");
    const form = '[aria-label="Jobs"] details[open] form';
    await page.locator(`${form} input[name="name"]`).fill("Hedges");
    await press(page, "Add it");
    await seen(page, "Choose a day.");
    expect(await page.$eval(`${form} input[name="name"]`, (input) => (input as HTMLInputElement).value)).toBe(
      "Hedges",
    );
    for (const [field, value] of [
      ["opens", "2026-10-01"],
      ["closes", "2026-10-03"],
    ] as const)
      await page.$eval(
        `${form} input[name="${field}"]`,
        (input, text) => {
          (input as HTMLInputElement).value = text as string;
        },
        value,
      );
    await press(page, "Add it");
    await appears(page, '[data-job="Hedges"]');
    expect(await textOf(page, '[data-job="Hedges"]')).toContain("how many hectares");
    await go("/plan");
    await appears(page, '[data-unknown="Hedges"]');
    expect(await textOf(page, '[data-unknown="Hedges"]')).toContain("is not in the plan");
    expect(faults()).toEqual([]);
  });
});

describe("a breakdown in the middle of drilling", () => {
  it("names who takes the tools over, makes the rig and its errands in one press, and the plan goes on with it", async () => {
    await newPage(PHONE);
    errors.splice(0);
    await go("/machines");
    await press(page, "Oxmoor 430 J");
    await press(page, "Which other one carries its tools now");
    await seen(page, "T13 is down");
    expect(await textOf(page, "[data-able]")).toContain("is quickest");
    expect(await textOf(page, '[data-stopped="T4"]')).toContain("Towed mass");
    await press(page, "Make the rig on T12");
    await seen(page, "Errands: Cart, drill and roller, 9 m, on T12");
    expect(await textOf(page, '[aria-label="Couple and set"]')).toContain("Wexcombe Hopper 45 on.");
    expect(await textOf(page, '[aria-label="Read"]')).toContain("Hitch to hitch of the second implement");
    await go("/plan/jobs");
    await appears(page, '[data-away="T13"]');
    expect(await textOf(page, '[data-job="Sowing barley, Two Oaks"]')).toContain("on T12");
    expect(faults()).toEqual([]);
  });
});

describe("the year", () => {
  it("stands on one page, of the yard and of a machine", async () => {
    await newPage(DESK);
    errors.splice(0);
    await go("/year?year=2026");
    expect(await textOf(page, "[data-year]")).toContain("147.00 ha");
    await page.select(
      'select[name="machine"]',
      await page.$eval('select[name="machine"]', (field) => {
        const options = [...(field as HTMLSelectElement).options];
        return options.find(({ text }) => text.startsWith("T13"))!.value;
      }),
    );
    await seen(page, "2026, T13, Oxmoor 430 J");
    await seen(page, "hydraulic pump");
    expect(faults()).toEqual([]);
  });
});
