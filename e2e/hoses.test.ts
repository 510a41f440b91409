import { describe, expect, it } from "vitest";
import { appears, fill, gone, press, pressOn, seen, visit } from "./acts.ts";
import { openPage, PHONE } from "./browser.ts";
import { browser, errors, machine, openForFile, page, rig, yard } from "./fixture.ts";

openForFile();

const plug = (name: string) => `button[aria-label^="${name}, on"]`;
const on = (name: string, where: string) =>
  appears(page, `button[aria-label^="${name}, on ${where}"]`, { timeout: 25_000 });

/** Pulls a plug sideways by mouse until it hangs under another coupling. */
async function pull(name: string, coupling: string): Promise<void> {
  const from = (await (await appears(page, plug(name)))!.boundingBox())!;
  const to = (await (await appears(page, `[title^="${coupling}"]`))!.boundingBox())!;
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 10, y, { steps: 3 });
  await page.mouse.move(to.x + to.width / 2, y, { steps: 8 });
  // A hand rests a moment before it lets go.
  await new Promise((done) => setTimeout(done, 200));
  await page.mouse.up();
}

describe("five circuits on four remotes", () => {
  it("say what is swapped; a plug pulled to another coupling is pinned and the rest is solved anew", async () => {
    await visit(page, `${yard.address}${rig("Roller cultivator")}/hoses`);
    await seen(page, "Five functions on four couplings");
    await seen(page, "take parking jack or stand off remote 1 and plug front lift in");
    await on("Wings", "remote 3");
    await pull("Wings", "Remote 1");
    await on("Wings", "remote 1, pinned");
    await seen(page, "Wings: pinned to remote 1");
    await seen(page, "Five functions on four couplings");
    await press(page, "Undo", "[data-moved]");
    await on("Wings", "remote 3");
    await pull("Wings", "Remote 1");
    await on("Wings", "remote 1, pinned");
    // By keyboard, one coupling to the right; and let go.
    await page.focus(plug("Wings"));
    await page.keyboard.press("ArrowRight");
    await on("Wings", "remote 2, pinned");
    await page.focus(plug("Wings"));
    await page.keyboard.press("Delete");
    await on("Wings", "remote 3");
    await press(page, "Stand up");
    await on("Parking jack or stand", "remote 1");
    expect(errors).toEqual([]);
  });

  it("explain every coupling of a function, and are kept as plugged in by name", async () => {
    await visit(page, `${yard.address}${rig("Roller cultivator")}/hoses`);
    await pressOn(page, "[data-hose] b ::-p-text(Rear lift)");
    await seen(page, "At work: lowered.");
    const said = await page.$eval("[data-function]", (section) => (section as HTMLElement).innerText);
    expect(said.match(/more|As good|Chosen|Higher|no place/g)!.length).toBeGreaterThanOrEqual(4);
    await press(page, "Save as plugged in");
    await seen(page, "Say who you are.");
    await fill(page, "person", "Joren Talbeck");
    await press(page, "Save as plugged in");
    await seen(page, "the tractor's other rigs are held to these levers");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});

describe("one circuit too many", () => {
  it("is stopped with its cure; the cure entered on the tractor's page, it is solved", async () => {
    await visit(page, `${yard.address}${rig("Seed cart")}/hoses`);
    await seen(page, "they need five couplings of their own");
    await seen(page, "Use a port for power beyond: then nothing is swapped");
    await press(page, "The tractor's remotes, pump and sockets");
    await seen(page, "What the tractor gives");
    await fill(page, "pumpFlow", "1,650");
    await press(page, "Save", 'form:has(input[value="supply"])');
    await seen(page, "could be");
    await fill(page, "pumpFlow", "165");
    await pressOn(page, 'input[name="powerBeyond"]');
    await press(page, "Save", 'form:has(input[value="supply"])');
    await gone(page, ".problem");
    await visit(page, `${yard.address}${rig("Seed cart")}/hoses`);
    await on("Cart's fan", "power beyond");
    await seen(page, "nothing swapped");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });
});

describe("a borrowed drill nobody told anything of", () => {
  it("gets its remotes and functions, and a plan", async () => {
    await visit(page, `${yard.address}${rig("Borrowed drill")}/hoses`);
    await seen(page, "remotes are not entered");
    await visit(page, `${yard.address}${machine("Kestrow R164")}/oil`);
    for (const number of ["1", "2"]) {
      await fill(page, "number", number);
      await press(page, "Add this remote");
      await seen(page, `Remote ${number}`);
    }
    await visit(page, `${yard.address}${machine("Ambleth Strata 6")}/oil`);
    await page.select('select[name="kind"]', "lift");
    await press(page, "Add", 'form:has(input[value="add-function"])');
    await seen(page, "wants 50 l/min");
    await fill(page, "bore", "80");
    await fill(page, "rod", "90");
    await fill(page, "stroke", "400");
    await press(page, "Save Lift");
    await seen(page, "The rod is thinner than the bore.");
    await fill(page, "rod", "40");
    await press(page, "Save Lift");
    await seen(page, "2.0 l out, 1.5 l in");
    await visit(page, `${yard.address}${rig("Borrowed drill")}/hoses`);
    await seen(page, "One function on one coupling, nothing swapped.");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("is read on a phone: the verdict first, then the board", async () => {
    const { page: phone } = await openPage(browser, PHONE);
    await visit(phone, `${yard.address}${rig("Roller cultivator")}/hoses`);
    const tops = await phone.evaluate(() =>
      ["[data-finding]", "section[aria-label^='Couplings']"].map(
        (each) =>
          [...document.querySelectorAll(each)]
            .find((found) => found.checkVisibility())
            ?.getBoundingClientRect().top,
      ),
    );
    expect(tops[0]).toBeLessThan(500);
    expect(tops[1]).toBeGreaterThan(tops[0]!);
    await phone.close();
  });
});
