/** The field driven true beside believed: a figure supposed otherwise, a log driven again, what it costs; and three cases of finding a fault. */
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { faultOf } from "../core/fault/faults.ts";
import { hide, toBeNamed } from "../core/fault/hidden.ts";
import { fromPlane } from "../core/geodesy/plane.ts";
import { writeLog } from "../formats/nmea/write.ts";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { DESK, PHONE } from "./browser.ts";
import { errors, newPage, openForFile, page, rig, yard } from "./fixture.ts";

const SEED = 5200;
openForFile({ pages: "one", env: { AMBREK_FIELD_SEED: String(SEED) } });

const PATIENCE = 60_000;
const go = (path: string) => visit(page, `${yard.address}${path}`);
const faults = () => errors.filter((each) => !each.includes("422"));
const driven = () => appears(page, '[data-world="there"]', { timeout: PATIENCE });
const row = (name: string) =>
  page.$$eval(`[data-row="${name}"] td`, (cells) =>
    cells.map((cell) => (cell.textContent ?? "").replace(/\u00a0/g, " ")),
  );

describe("true beside believed", () => {
  beforeAll(() => void errors.splice(0));

  it("drives the field in a worker and says map and ground are one where no figure is another", async () => {
    await go(`${rig("Sprayer")}/guidance`);
    await press(page, "True beside believed");
    await driven();
    expect(await textOf(page, "[data-said]")).toContain("Map and ground are the same");
    const [map, ground] = await row("inside");
    expect(map!.slice(0, 4)).toBe(ground!.slice(0, 4));
    expect(faults()).toEqual([]);
  });

  it("shows what a reading that is really another does, and refuses what is none by its field", async () => {
    await page.select('select[class*="max-w"]', await optionOf("The Wedge"));
    await driven();
    await press(page, "Suppose a reading is really another");
    const name = "is.tool.lateral";
    const lateral = `input[name="${name}"]`;
    await fill(page, name, "about there");
    await press(page, "Drive it so");
    await appears(page, `${lateral}[aria-invalid="true"]`);
    expect(await page.$eval(lateral, (field) => (field as HTMLInputElement).value)).toBe("about there");
    await fill(page, name, "25 cm right");
    await press(page, "Drive it so");
    await appears(page, '[data-said] [data-key="alternate"]', { timeout: PATIENCE });
    expect(await textOf(page, "[data-said]")).toMatch(
      /the work lies 2\d\.\d cm to the right of where the terminal has it/,
    );
    const [map, ground] = await row("up");
    expect(map).toBe("0 mm");
    expect(ground).toMatch(/^−(4\d\d|5\d\d) mm$/);
    expect(faults()).toEqual([]);
  });

  it("is looked at closely, slid and run through by keys and mouse", async () => {
    await press(page, "A joint");
    await press(page, "The headland");
    await page.focus('input[aria-label^="Where map and ground meet"]');
    for (let step = 0; step < 5; step += 1) await page.keyboard.press("ArrowRight");
    expect(
      await page.$eval('[role="img"][aria-label^="The field from above"]', (each) => each.ariaLabel),
    ).toContain("55 %");
    await page.select('select[aria-label="Pace"]', "100");
    await press(page, "Drive", "[data-clock]");
    await page.waitForFunction(
      () => Number(document.querySelector<HTMLElement>("[data-clock]")!.dataset.clock) > 60,
    );
    await press(page, "Stop", "[data-clock]");
    const canvas = (await (await page.$("canvas"))!.boundingBox())!;
    await page.mouse.move(canvas.x + 200, canvas.y + 200);
    await page.mouse.wheel({ deltaY: 240 });
    await page.mouse.down();
    await page.mouse.move(canvas.x + 120, canvas.y + 160, { steps: 3 });
    await page.mouse.up();
    await press(page, "All of it");
    expect(faults()).toEqual([]);
  });

  it("hands product by place out as GeoJSON: squares, with litres a hectare", async () => {
    await page.evaluate(() => {
      const make = URL.createObjectURL;
      URL.createObjectURL = (blob: Blob) => {
        blob.text().then((text) => {
          document.body.dataset.handed = String(JSON.parse(text).features.length);
          document.body.dataset.first = Object.keys(JSON.parse(text).features[0].properties).join();
        });
        return make.call(URL, blob);
      };
    });
    await press(page, "Product by place, GeoJSON");
    await appears(page, "[data-handed]");
    const { handed, first } = await page.evaluate(() => ({ ...document.body.dataset }));
    // 23 ha in squares of 25 m².
    expect(Number(handed)).toBeGreaterThan(9_000);
    expect(first).toBe("passed_over,l_per_ha");
  });

  it("ranks what each reading costs on this field, in money", async () => {
    await fill(page, "crop", "900");
    await press(page, "Reckon with that");
    // Asked of the page as it was before, it would be another question by the time it is answered.
    await appears(page, '[data-crop="900"]');
    await driven();
    await page.evaluate(() =>
      [...document.querySelectorAll("button")]
        .find((each) => /^Drive it \d/.test(each.textContent!))!
        .click(),
    );
    await appears(page, '[data-costs="done"]', { timeout: 3 * PATIENCE });
    const rows = await page.$$eval("[data-cost]", (all) =>
      all.map((each) => ({ key: (each as HTMLElement).dataset.cost!, text: each.textContent! })),
    );
    const sideways = ["tool.lateral", "receiver.lateral"];
    const at = (key: string) => rows.findIndex((each) => each.key === key);
    // A metre that turns the work aside costs more than one along: of a boom, by far.
    for (const key of sideways) expect(at(key)).toBeLessThan(at("axle.pin"));
    expect(rows[0]!.text).toContain("€");
    expect(faults()).toEqual([]);
  });

  it("drives a receiver's log again, counts its joints, and says what a file is not", async () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-"));
    const file = join(folder, "morning.nmea");
    writeFileSync(file, morning());
    const upload = (await page.$('section[aria-label="Drive a log again"] input[type="file"]'))!;
    await (upload as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(file);
    await appears(page, '[data-replayed="morning.nmea"]', { timeout: PATIENCE });
    await driven();
    await appears(page, "[data-joints]", { timeout: PATIENCE });
    expect(await textOf(page, '[aria-label="Drive a log again"]')).toContain("Assumed: it worked wherever");
    expect(
      Number(await page.$eval("[data-joints]", (each) => (each as HTMLElement).dataset.joints)),
    ).toBeGreaterThan(1);
    const none = join(folder, "none.nmea");
    writeFileSync(none, "nothing of a receiver");
    await (upload as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(none);
    await appears(page, '[data-world="problem"]', { timeout: PATIENCE });
    expect(await textOf(page, '[role="alert"]')).toContain("checksum");
    expect(faults()).toEqual([]);
  });

  it("is there on the phone as well", async () => {
    await newPage(PHONE);
    await go(`${rig("Sprayer")}/world`);
    await driven();
    await pressOn(page, '[aria-label="Closer"]');
    await press(page, "Cutting in");
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await newPage(DESK);
    errors.splice(0);
  });
});

/** Four passes of 24 m up and down, as a receiver with the right decimals writes them. */
function morning(): string {
  const origin = { latitude: (52.01 * Math.PI) / 180, longitude: (9.2 * Math.PI) / 180 };
  let seconds = 36_000;
  const fixes = [0, 1, 2, 3].flatMap((pass) =>
    Array.from({ length: 121 }, (_, at) => {
      seconds += 0.4;
      const north = pass % 2 === 0 ? at : 120 - at;
      const heading = pass % 2 === 0 ? 0 : Math.PI;
      return {
        at: fromPlane(origin, { east: 24 * pass, north }),
        seconds,
        heading,
        speed: 2.5,
        fix: "fixed" as const,
      };
    }),
  );
  return writeLog(fixes, 7);
}

/** The value of the field whose name begins so. */
async function optionOf(name: string): Promise<string> {
  return page.$$eval(
    'select[class*="max-w"] option',
    (all, wanted) => (all.find((each) => each.textContent!.startsWith(wanted)) as HTMLOptionElement).value,
    name,
  );
}

describe("finding the fault", () => {
  /** Follows the advice of the page until one suspect stands out; what the page suspects then. */
  async function followed(): Promise<string> {
    for (let step = 0; step < 16; step += 1) {
      if (!(await page.$("[data-advice]"))) await press(page, "What would Ambrek measure?");
      await appears(page, "[data-advice]");
      const { next, suspect, share } = await page.$eval("[data-advice]", (advice) => ({
        next: advice.querySelector("ol li")!.firstChild!.textContent!,
        suspect: advice.querySelector("ul li")!.firstChild!.textContent!,
        share: Number.parseInt(advice.querySelector("ul b")!.textContent!, 10),
      }));
      if (share >= 98) return suspect;
      const taken = (await page.$$("[data-taken]")).length;
      await page.evaluate(
        (label) =>
          [...document.querySelectorAll<HTMLElement>("[data-measure]")]
            .find((each) => each.textContent!.startsWith(label))!
            .click(),
        next,
      );
      await page.waitForFunction(
        (count) => document.querySelectorAll("[data-taken]").length > count,
        {},
        taken,
      );
    }
    return page.$eval("[data-advice] ul li", (each) => each.firstChild!.textContent!);
  }

  async function begin(kind: string, area: string) {
    await go("/faults");
    if (await page.$('input[name="person"]:not([type="hidden"])')) await fill(page, "person", "Jorun");
    await page.select('select[name="kind"]', kind);
    await page.select('select[name="area"]', area);
    await press(page, "Begin");
    await appears(page, "[data-minutes]");
  }

  it("is played by the advice: measured, named, its figure given, and found", async () => {
    await begin("one", "geometry");
    const hidden = hide(SEED, "one", { area: "geometry" });
    const [key] = toBeNamed(hidden);
    expect(await followed()).toBe(faultOf(key!)!.label);
    await page.select('select[name="fault"]', key!);
    await press(page, "That is it");
    // A figure is asked, and nothing was named yet.
    await appears(page, 'input[name="figure"][aria-invalid="true"]');
    const { right } = faultOf(key!)!.correction!;
    await fill(page, "figure", right(hidden.card, hidden.faults[0]!.magnitude).toFixed(3));
    await press(page, "That is it");
    await appears(page, '[data-found="yes"]');
    expect(await textOf(page, "[data-near]")).toContain("near enough");
    expect(faults()).toEqual([]);
  });

  it("is named wrong, and says what it was and what was measured for nothing", async () => {
    await begin("one", "rate");
    await page.click('[data-measure="tape tool"]');
    await appears(page, "[data-taken]");
    expect(await textOf(page, "[data-minutes]")).toContain("8 minutes so far");
    await page.select('select[name="fault"]', "nothing");
    await press(page, "That is it");
    await appears(page, '[data-found="no"]');
    const [key] = toBeNamed(hide(SEED + 1, "one", { area: "rate" }));
    expect(await textOf(page, "[data-found]")).toContain(faultOf(key!)!.label);
    expect(await textOf(page, "[data-found]")).toContain("Needless");
    // It is over: nothing more is measured.
    expect(await page.$("[data-measure]")).toBeNull();
  });

  it("is found on the phone, and the logbook knows who has practised what", async () => {
    await newPage(PHONE);
    await begin("one", "job");
    const [key] = toBeNamed(hide(SEED + 2, "one", { area: "job" }));
    expect(await followed()).toBe(faultOf(key!)!.label);
    await page.select('select[name="fault"]', key!);
    const figure = await page.$('input[name="figure"]');
    if (figure) {
      const hidden = hide(SEED + 2, "one", { area: "job" });
      const { right, in: unit } = faultOf(key!)!.correction!;
      const value = right(hidden.card, hidden.faults[0]!.magnitude);
      await fill(page, "figure", unit === "share" ? (100 * value).toFixed(0) : value.toFixed(3));
    }
    await press(page, "That is it");
    await appears(page, '[data-found="yes"]');
    await press(page, "Logbook");
    await seen(page, "2 of 3 found");
    expect(await textOf(page, "[data-person]")).toContain(
      "None found yet in: hoses and order, ground, rate.",
    );
    expect(faults()).toEqual([]);
  });
});
