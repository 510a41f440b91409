import { describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, tapOn, visit } from "./acts.ts";
import { DESK, PHONE } from "./browser.ts";
import { practise } from "./field-acts.ts";
import { errors, newPage, openForFile, page, rig, yard } from "./fixture.ts";

openForFile({ pages: "none", env: { AMBREK_FIELD_SEED: "20" } });

type StepSeen = { key: string; verdict: string; state: string; loops: number };

const stepsSeen = () =>
  page.$$eval("[data-step]", (all) =>
    all.map((each): StepSeen => {
      const { step = "", verdict = "", state = "", loops = "0" } = (each as HTMLElement).dataset;
      return { key: step, verdict, state, loops: Number(loops) };
    }),
  );

/** What one would press next at the open step, by its words; null where all is good. */
const toPress = () =>
  page.evaluate(() => {
    if (document.querySelector("[data-done]")) return null;
    const open = document.querySelector('[data-step]:has(button[aria-expanded="true"])')!;
    const own = [...open.querySelectorAll("button")].map(({ textContent }) => textContent?.trim() ?? "");
    const first = ["Reckon with what it did", "Mend it", "Turned as said"].find((each) => own.includes(each));
    const key = (open as HTMLElement).dataset.step!;
    return first
      ? { words: first, within: `[data-step="${key}"]` }
      : { words: "Run the strip and look at all that wants it", within: "#strip" };
  });

const state = () => page.$eval("#strip", (strip) => strip.outerHTML.length + (strip.textContent ?? ""));

/** Follows the advice alone until every step is good; at how many looks each was found off. */
async function cure(): Promise<Map<string, number>> {
  const off = new Map<string, Set<number>>();
  let mended = "";
  for (let act = 0; act < 60; act += 1) {
    for (const { key, loops, verdict, state: stands } of await stepsSeen())
      if (stands === "judged" && verdict !== "good") off.set(key, (off.get(key) ?? new Set()).add(loops));
    const next = await toPress();
    if (!next) return new Map([...off].map(([key, looks]) => [key, looks.size]));
    // What was mended is looked at, not mended again.
    const again = next.words === "Mend it" && mended === next.within;
    const { words, within } = again
      ? { words: "Run the strip and look at all that wants it", within: "#strip" }
      : next;
    mended = words === "Mend it" ? within : "";
    const before = await state();
    // A page that is just being read anew takes what one would press away: it is pressed where it stands then.
    const by = page.viewport()?.hasTouch ? tapOn : pressOn;
    const pressed = await by(page, `${within} ::-p-text(${words})`).then(
      () => true,
      (error) => {
        if (/detached|Waiting/.test(String(error))) return false;
        throw error;
      },
    );
    if (!pressed) continue;
    // A key that was pressed is busy at once. Where nothing changed at all, the finger lay too long: it is pressed again.
    const came = await page
      .waitForFunction(
        (was: string) => {
          const strip = document.querySelector("#strip")!;
          return strip.outerHTML.length + (strip.textContent ?? "") !== was;
        },
        { timeout: 8_000, polling: 50 },
        before,
      )
      .then(
        () => true,
        () => false,
      );
    if (!came && !again) mended = "";
    if (came && words === "Mend it") await seen(page, "Mended: look again");
    await page.waitForNetworkIdle({ idleTime: 80, timeout: 5000 }).catch(() => {});
  }
  throw new Error(`no end: ${JSON.stringify(await stepsSeen())}`);
}

const FAULTS = [
  ["Reversible plough", "leans, opens too wide and pulls aside"],
  ["Roller cultivator", "stands on unequal stacks with a bent shank"],
  ["Grain drill", "has too much pressure"],
  ["Mowers", "has its nose up and its tap open"],
  ["Row hoe", "runs in soft soil"],
  ["Combine", "hunts"],
  ["Disc cultivator", "never had its depth calibrated"],
] as const;

/** The page is the same: each second one is cured on a phone by touch, the others on a desk by mouse. */
const RIGS = FAULTS.map(([name, what], at) =>
  at % 2 === 0 ? ([name, what, "by touch", PHONE] as const) : ([name, what, "by mouse", DESK] as const),
);

describe("a simulated tool that", () => {
  it.each(RIGS)(
    "%s: %s, is cured %s, by the advice alone, each fault within three loops",
    async (name, _, __, viewport) => {
      await newPage(viewport);
      const address = `${yard.address}${await practise(page, yard.address, name, "as read")}`;
      await visit(page, `${address}/ground`);
      await fill(page, "field", "Trial Piece");
      await page.$eval('#strip input[name="person"]', (field) => {
        (field as HTMLInputElement).value = "";
      });
      await press(page, "Begin the strip");
      await seen(page, "Say who runs it");
      await fill(page, "person", "Mira Tolland");
      await press(page, "Begin the strip");
      await seen(page, "of ");
      await appears(page, "[data-step]");
      const found = await cure();
      expect(found.size).toBeGreaterThan(0);
      expect([...found].filter(([, count]) => count > 3)).toEqual([]);
      await seen(page, "Good enough for the work");
      await fill(page, "name", "trial");
      await press(page, "Keep them");
      await appears(page, "[data-presets]");
      expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
    },
  );
});

describe("what one sees", () => {
  it("leads by its key from any page to suspects with what is known of them, and to the test", async () => {
    await newPage(DESK);
    await visit(page, `${yard.address}${rig("Reversible plough")}/tool`);
    await page.keyboard.press("s");
    await seen(page, "On Reversible plough");
    await page.type('input[name="find"]', "furrow wide");
    await page.waitForFunction(() => document.querySelectorAll("[data-symptom]").length === 1);
    await seen(page, "Off:");
    await press(page, "Test it: First furrow", '[data-symptom="first-furrow"]');
    await appears(page, '[data-step="furrow"] button[aria-expanded="true"]');
    await seen(page, "Too wide by 80 mm");
    expect(errors).toEqual([]);
  });

  it("is on the phone's start page, and says so where nothing has these words", async () => {
    await newPage(PHONE);
    await visit(page, yard.address);
    await pressOn(page, 'main a[href="/symptoms"]');
    await appears(page, 'select[name="rig"]');
    await page.type('input[name="find"]', "no such thing");
    await seen(page, "Nothing by these words");
    expect(errors).toEqual([]);
  });
});
