import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { openDatabase } from "../data/database.ts";
import { keepEvent } from "../data/hookup.ts";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { PHONE } from "./browser.ts";
import { errors, machine, newPage, openForFile, page, rig, yard } from "./fixture.ts";

openForFile();

const verdict = (id: string) => page.$eval(`[data-check="${id}"]`, (row) => row.getAttribute("data-verdict"));
const becomes = (id: string, wanted: string) =>
  page.waitForFunction(
    (check: string, word: string) =>
      document.querySelector(`[data-check="${check}"]`)?.getAttribute("data-verdict") === word,
    { timeout: 25_000 },
    id,
    wanted,
  );

/** Slides a slider by the keyboard. */
async function slide(label: string, key: "ArrowRight" | "ArrowLeft", times: number): Promise<void> {
  await page.$$eval(
    'input[type="range"]',
    (sliders, words) =>
      (sliders.find((slider) => slider.closest("label")?.innerText.includes(words)) as HTMLElement).focus(),
    label,
  );
  for (let step = 0; step < times; step += 1) await page.keyboard.press(key);
}

describe("the cultivator, from stop to coupled", () => {
  it("is ballasted with what the station proposes, and the drawing and table follow", async () => {
    await visit(page, `${yard.address}${rig("Stubble cultivator")}`);
    await seen(page, "20 % must stay on it");
    expect(page.url()).toContain("/balance");
    expect(await verdict("front")).toBe("stop");
    await fill(page, "count-1", "9");
    await fill(page, "person", "Mira Tolland");
    await press(page, "These are on");
    await seen(page, "There are only 8.");
    await fill(page, "count-1", "4");
    await seen(page, "This makes stale:");
    await press(page, "These are on");
    await becomes("front", "good");
    await press(page, "Lifted");
    await seen(page, "168 kg");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("gets its top link set: tried on the screen, then kept as changed, with what goes stale said first", async () => {
    await visit(page, `${yard.address}${rig("Stubble cultivator")}/hitch`);
    await seen(page, "Set the top link to 0.782 m");
    const before = await textOf(page, "[data-tried]");
    await slide("Top link", "ArrowRight", 16);
    await page.waitForFunction(
      (was: string) => (document.querySelector("[data-tried]") as HTMLElement).innerText !== was,
      {},
      before,
    );
    expect(await textOf(page, "[data-tried]")).toMatch(/^Level\..*2\.3 turns longer than now\./);
    await pressOn(page, '[data-finding="pitch"] a');
    await seen(page, "Filled in as advised.");
    await fill(page, "person", "Mira Tolland");
    await page.keyboard.press("Enter");
    await becomes("pitch", "good");
    await press(page, "Hook up");
    await seen(page, "0.782 m as it is");
  });

  it("tries another depth on the power chart, and is told what is held instead", async () => {
    await visit(page, `${yard.address}${rig("Stubble cultivator")}/match`);
    await appears(page, ".recharts-line path");
    await slide("Depth", "ArrowRight", 130);
    await seen(page, "too much");
    await seen(page, "is held instead");
    await press(page, "As it is");
    await seen(page, "Needs 51 kW at 8.0 km/h");
  });
});

describe("the hook-up list by the keyboard", () => {
  it("is gone through with j and k, and stays where one is when a line is ticked", async () => {
    await visit(page, `${yard.address}${rig("Planter")}/hook-up`);
    await fill(page, "who", "Mira Tolland");
    const here = () =>
      page.evaluate(() => document.activeElement?.closest("[data-line]")?.getAttribute("data-line") ?? null);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press("j");
    const first = await here();
    expect(first).not.toBeNull();
    await page.keyboard.press("Enter");
    await appears(page, `[data-line="${first}"][data-done="true"]`);
    expect(await here()).toBe(first);
    await page.keyboard.press("j");
    const second = await here();
    expect(second).not.toBe(first);
    await page.keyboard.press("k");
    expect(await here()).toBe(first);
  });
});

describe("the hook-up list on the phone", () => {
  it("is ticked in order by name, not past what protects people, and expires at uncoupling", async () => {
    // Another rig of the same tractor stands coupled.
    await yard.stop();
    const db = openDatabase(join(yard.folder, "yard.db"));
    const at = new Date(Date.now() - 3_600_000);
    keepEvent(db, Number(rig("Stubble").split("/").at(-1)), "coupled", { person: "Mira Tolland", at });
    db.$client.close();
    await yard.start();
    await newPage(PHONE);
    await visit(page, `${yard.address}${rig("Grain drill")}/hook-up`);
    await seen(page, "0 of");
    await fill(page, "who", "Mira Tolland");
    const keys = await page.$$eval("[data-line]", (rows) =>
      rows.map((row) => row.getAttribute("data-line")!),
    );
    await pressOn(page, `[data-line="${keys.at(-1)}"] button`);
    await seen(page, "First: ");
    for (const key of keys) {
      await pressOn(page, `[data-line="${key}"] button`);
      await appears(page, `[data-line="${key}"][data-done="true"]`);
    }
    await press(page, "It is coupled");
    await press(page, "End that, couple this");
    await seen(page, "Uncoupled again");
    await press(page, "Uncoupled again");
    await page.waitForFunction(() => document.querySelectorAll('[data-done="true"]').length === 0);
    await yard.restart();
    await visit(page, `${yard.address}${rig("Grain drill")}/hook-up`);
    await seen(page, "Uncoupled");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});

describe("a rig of two tools", () => {
  it("is put together from a new front tool and a new rear one, and shown with both", async () => {
    for (const [make, attachment] of [
      ["Drumley", "front"],
      ["Drumley", "mounted"],
    ] as const) {
      await visit(page, `${yard.address}/machines/new?kind=implement`);
      await fill(page, "make", make);
      await fill(page, "model", `Rake ${attachment}`);
      await page.select('select[name="attachment"]', attachment);
      await press(page, "Add this implement");
      await seen(page, "Rigs with it");
    }
    await visit(page, `${yard.address}/rigs/new?tractor=8`);
    await fill(page, "name", "Two rakes");
    const choose = async (row: number, text: string) => {
      const value = await page.$$eval(
        `ol[aria-label^="Tools"] li:nth-child(${row}) select:first-of-type option`,
        (options, words) =>
          (options as HTMLOptionElement[]).find((option) => option.textContent?.includes(words))!.value,
        text,
      );
      await page.select(`ol[aria-label^="Tools"] li:nth-child(${row}) label:first-child select`, value);
    };
    await choose(1, "Rake front");
    await press(page, "Another tool");
    await choose(2, "Rake mounted");
    await press(page, "Couple them");
    await page.waitForFunction(() => /\/rigs\/\d+\/\w/.test(location.pathname));
    await seen(page, "Drumley Rake front");
    await seen(page, "Drumley Rake mounted");
    await visit(page, page.url().replace(/(rigs\/\d+).*/, "$1/match"));
    await seen(page, "What the implement is is not known");
  });
});

describe("what rigs are judged by", () => {
  it("a tyre table is pasted, refused by the line, kept, and put on an axle", async () => {
    await visit(page, `${yard.address}/tyres/new`);
    await fill(page, "label", "380/85 R24");
    await page.focus("textarea");
    await page.keyboard.type("; 10; 40\n0.8; 1200; 1300");
    await seen(page, "a faster wheel must not carry more");
    await press(page, "Save");
    await appears(page, ".problem");
    for (let step = 0; step < 4; step += 1) await page.keyboard.press("Backspace");
    await page.focus("textarea");
    await page.keyboard.down("Control");
    await page.keyboard.press("End");
    await page.keyboard.up("Control");
    for (let step = 0; step < 4; step += 1) await page.keyboard.press("Backspace");
    await page.keyboard.type("900\n1.6; 2000; 1500");
    await seen(page, "Look up a pressure");
    await press(page, "Save");
    await seen(page, "380/85 R24");
    await visit(page, `${yard.address}${machine("Belvane 118")}`);
    await seen(page, "Front axle");
  });

  it("limits of the road are changed once, and every rig is judged by them", async () => {
    await visit(page, `${yard.address}/limits`);
    await fill(page, "width", "very");
    await press(page, "Save");
    await appears(page, ".problem");
    await fill(page, "width", "2.55 m");
    await press(page, "Save");
    await seen(page, "Every rig is judged by these from now on");
    await visit(page, `${yard.address}${rig("Meadow drill")}/match`);
    expect(await verdict("road-width")).toBe("fix");
  });
});
