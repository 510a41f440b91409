import type { Page } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { openPage, PHONE } from "./browser.ts";
import { browser, errors, openForFile, page, rig, yard } from "./fixture.ts";

openForFile({ viewport: PHONE });

const step = (id: string) => appears(page, `[data-now="${id}"]`, { timeout: 25_000 });
/** A second tap of the same thumb is not heard: the button listens again a moment after the step changed. */
const done = () => pressOn(page, `button[aria-disabled="false"] ::-p-text(Done, seen)`);

describe("unfolding on the phone", () => {
  it("goes step by step, refuses what is out of order, keeps its place over a reload, and goes back a step", async () => {
    await visit(page, `${yard.address}${rig("Roller cultivator")}/sequences/unfold`);
    await step("swap unfold");
    await done();
    await seen(page, "Say who you are.");
    await fill(page, "who", "Joren Talbeck");
    await done();
    await step("clear");
    // A later step pressed out of its turn.
    await pressOn(page, '[data-step="wings out"] button');
    await seen(page, "Not yet: the wings are off the cradle.");
    await done();
    await step("locks out");
    await done();
    await step("off cradle");
    await seen(page, "Remote 2: undercarriage down");
    await done();
    await step("wings out");
    await visit(page, `${yard.address}${rig("Roller cultivator")}/sequences/unfold`);
    await step("wings out");
    await seen(page, "Back a step: Undercarriage up until the cradle carries the wings.");
    await press(page, "Taken back");
    await step("off cradle");
    for (const next of [
      "wings out",
      "undercarriage down",
      "wings float",
      "undercarriage float",
      "lifts down",
      "phase",
    ]) {
      await done();
      await step(next);
    }
    await done();
    await seen(page, "Run through, to the end");
    await appears(page, "[data-over]");
    await seen(page, "Next: Start of work");
    await seen(page, "Joren Talbeck: Unfold. Run through");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("is given up with the reason in the log", async () => {
    await visit(page, `${yard.address}${rig("Planter")}/sequences/start`);
    await step("automatic");
    await fill(page, "who", "Ilse Marrin");
    await done();
    await step("generator up");
    await pressOn(page, "details summary ::-p-text(Give this run up)");
    await fill(page, "why", "no voltage");
    await pressOn(page, "button ::-p-text(Cancel)");
    await step("automatic");
    await seen(page, "Given up: no voltage");
    expect(errors).toEqual([]);
  });
});

describe("the editor", () => {
  const order = (desk: Page) =>
    desk.$$eval("[data-edit]", (rows) => rows.map((row) => row.getAttribute("data-edit")));
  const faults = (desk: Page, count: number) =>
    appears(desk, `[data-faults="${count}"]`, { timeout: 25_000 });

  it("moves steps by mouse and by keys, says what that breaks, undoes, and keeps what is sound", async () => {
    const { page: desk } = await openPage(browser);
    await visit(desk, `${yard.address}${rig("Roller cultivator")}/sequences/unfold/edit`);
    await faults(desk, 0);
    // By mouse: the wings above the cradle.
    const handle = async (id: string) => (await (await desk.$(`[data-edit="${id}"] button`))!.boundingBox())!;
    const [from, to] = [await handle("wings out"), await handle("off cradle")];
    await desk.mouse.move(from.x + 20, from.y + 20);
    await desk.mouse.down();
    await desk.mouse.move(from.x + 20, from.y - 10, { steps: 4 });
    await desk.mouse.move(to.x + 20, to.y + 4, { steps: 8 });
    await new Promise((done) => setTimeout(done, 250));
    await desk.mouse.up();
    await seen(desk, "comes before “Undercarriage down until the wings come off the cradle.”");
    expect((await order(desk)).slice(2, 4)).toEqual(["wings out", "off cradle"]);
    await press(desk, "Undo");
    await faults(desk, 0);
    // By keys: pick up, one down, drop.
    await desk.focus('[data-edit="clear"] button');
    for (const key of ["Space", "ArrowDown", "Space"] as const) {
      await desk.keyboard.press(key);
      await new Promise((done) => setTimeout(done, 250));
    }
    expect((await order(desk)).slice(0, 2)).toEqual(["locks out", "clear"]);
    await seen(desk, "it needs that nobody is within reach");
    await press(desk, "Undo");
    await press(desk, "A step of our own");
    await faults(desk, 0);
    await fill(desk, "person", "Joren Talbeck");
    await press(desk, "Save this list");
    await seen(desk, "The list is saved");
    await visit(desk, `${yard.address}${rig("Roller cultivator")}/sequences/unfold`);
    await seen(desk, "A step of our own");
    await seen(desk, "as edited here");
    await visit(desk, `${yard.address}${rig("Roller cultivator")}/sequences/unfold/edit`);
    await press(desk, "Back to the template");
    await seen(desk, "As the template has it");
    await desk.close();
  });
});

describe("the ladder", () => {
  it("says what is not on yet, is ticked where only a person knows, and the yard shows how far it stands", async () => {
    await visit(page, `${yard.address}${rig("Meadow drill")}/ladder`);
    const before = await textOf(page, "h1 + p b");
    await press(page, "Seen", '[data-rung="position"]');
    await seen(page, "Say who you are.");
    expect(await page.evaluate(() => document.activeElement?.getAttribute("name"))).toBe("who");
    await fill(page, "who", "Mira Tolland");
    await press(page, "Seen", '[data-rung="position"]');
    await appears(page, '[data-rung="position"][data-state="good"]', { timeout: 25_000 });
    const [good, all] = before.match(/\d+/g)!.map(Number) as [number, number];
    await seen(page, `${good + 1} of ${all} rungs`);
    await visit(page, `${yard.address}/?find=Meadow`);
    await seen(page, `Start ${good + 1} of ${all}`);
    // Uncoupled, what a person saw no longer counts.
    await visit(page, `${yard.address}${rig("Meadow drill")}/hook-up`);
    await press(page, "Uncoupled again");
    await seen(page, "It is coupled");
    await visit(page, `${yard.address}${rig("Meadow drill")}/ladder`);
    await appears(page, '[data-rung="position"][data-state="not yet"]', { timeout: 25_000 });
    await appears(page, '[data-rung="coupled"][data-state="not yet"]', { timeout: 25_000 });
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});

describe("the rehearsal", () => {
  const lever = (desk: Page, which: string) => pressOn(desk, `[data-lever="${which}"]`);
  const stepIs = (desk: Page, id: string, state: string) =>
    appears(desk, `[data-step="${id}"][data-state="${state}"]`, { timeout: 25_000 });

  it("breaks what is done in the wrong order, and unfolds in the right one", async () => {
    const { page: desk, errors: own } = await openPage(browser);
    await visit(desk, `${yard.address}${rig("Roller cultivator")}/rehearse`);
    await appears(desk, "#rehearsal-picture svg");
    await lever(desk, "wings out");
    await seen(desk, "The cradle's arms bend");
    await seen(desk, "A transport lock tears out");
    await press(desk, "Start again");
    await desk.waitForFunction(() => !document.querySelector("[data-harm]"));
    await lever(desk, "jack in");
    await stepIs(desk, "jack up", "done");
    await press(desk, "Stow the jack");
    await press(desk, "Swap the hoses");
    await press(desk, "Walk round once");
    await press(desk, "Locks out");
    await stepIs(desk, "locks out", "done");
    await lever(desk, "undercarriage out");
    await stepIs(desk, "off cradle", "done");
    await lever(desk, "wings out");
    await stepIs(desk, "wings out", "done");
    await lever(desk, "undercarriage out");
    await stepIs(desk, "undercarriage down", "done");
    await lever(desk, "wings float");
    await lever(desk, "undercarriage float");
    await lever(desk, "front lift in");
    await lever(desk, "rear lift in");
    await stepIs(desk, "lifts down", "done");
    await press(desk, "Hold the lifts at both ends");
    await seen(desk, "Now fold it");
    expect(await desk.$("[data-harm]")).toBeNull();
    expect(own).toEqual([]);
    await desk.close();
  });
});

/** Every kind of rig the yard has for its hoses: what the station says, a tag, a step of a list. */
const RIGS = [
  [9, "hoses are swapped before unfolding", "1A", "unfold"],
  [10, "Three functions on three couplings", "1A", "headland"],
  [5, "functions on", "5A", "headland"],
  [11, "Five functions on five couplings", "PA", "start"],
] as const;

describe("each rig with hoses", () => {
  it.each(RIGS)("%s is solved, explained, tagged, rehearsed and run", async (rig, words, tag, kind) => {
    const { page: desk, errors: own } = await openPage(browser);
    await visit(desk, `${yard.address}/rigs/${rig}/hoses`);
    await seen(desk, words);
    await pressOn(desk, "[data-hose] b");
    await seen(desk, "Chosen");
    await press(desk, "Hose tags");
    await appears(desk, `[data-tag="${tag}"]`);
    await visit(desk, `${yard.address}/rigs/${rig}/rehearse`);
    await seen(desk, "othing is logged");
    await visit(desk, `${yard.address}/rigs/${rig}/sequences/${kind}`);
    // The roller was run through on the phone before: it is over, and can be run again.
    const again = await desk.$("[data-over] button");
    if (again) await again.click();
    const first = await desk.$eval("[data-now]", (now) => now.getAttribute("data-now"));
    await fill(desk, "who", "Ilse Marrin");
    await press(desk, "Done, seen");
    await appears(desk, `[data-step="${first}"][data-state="done"]`, { timeout: 25_000 });
    expect(own).toEqual([]);
    await desk.close();
  });

  it("with one circuit too many is refused with its cure, and its lists run dry all the same", async () => {
    const { page: desk, errors: own } = await openPage(browser);
    await visit(desk, `${yard.address}${rig("Seed cart")}/hoses`);
    await seen(desk, "Have one more remote");
    await visit(desk, `${yard.address}${rig("Seed cart")}/rehearse`);
    await press(desk, "Unfold");
    await pressOn(desk, '[data-step="wings out"] button');
    await seen(desk, "Not yet: nobody is within reach and no line overhead.");
    await pressOn(desk, '[data-step="clear"] button');
    await pressOn(desk, '[data-step="locks out"] button');
    await pressOn(desk, '[data-step="wings out"] button');
    await appears(desk, '[data-step="wings out"][data-state="done"]');
    expect(own).toEqual([]);
    await desk.close();
  });
});
