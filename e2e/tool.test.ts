import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { ElementHandle } from "puppeteer-core";
import { describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { PHONE } from "./browser.ts";
import { errors, newPage, openForFile, page, rig, yard } from "./fixture.ts";

openForFile();

const sum = () => textOf(page, "[data-sum]");
const width = (section: number) =>
  page.$eval(`input[aria-label="Width of section ${section}"]`, (field) => (field as HTMLInputElement).value);

describe("sections", () => {
  it("are edited in the table and in the drawing, by mouse and by keys, and kept", async () => {
    await visit(page, `${yard.address}${rig("Planter")}/sections`);
    expect(await sum()).toContain("8 sections, 6.000 m, as wide as the work");
    const boundary = await appears(page, '[aria-label="Boundary between section 1 and 2"]');
    await boundary!.evaluate((handle) => (handle as unknown as SVGElement).focus());
    await page.keyboard.press("ArrowRight");
    // an arrow moves a boundary by a row: 75 cm, but no section gets narrower than a hand
    expect(await width(1)).toBe("1.450");
    expect(await width(2)).toBe("0.050");
    expect(await sum()).toContain("No whole number of rows in section 1, 2");
    await pressOn(page, '[aria-label^="Section 3,"]');
    expect(await page.$eval('[data-section="3"]', (row) => row.className)).toContain("bg-dye-wash");

    await page.$$eval("label", (labels) => {
      const field = labels
        .find((label) => label.textContent?.startsWith("Rows in each"))!
        .querySelector("input")!;
      field.focus();
    });
    await page.keyboard.type("2 2 2 2");
    await press(page, "Lay out");
    expect(await sum()).toContain("4 sections, 6.000 m");
    const first = await page.$('input[aria-label="Width of section 1"]');
    await first!.click({ clickCount: 3 });
    await page.keyboard.type("1.8");
    expect(await sum()).toContain("30.0 cm more than the working width".replace("30.0 cm", "0.300 m"));
    expect(await sum()).toContain("Section 1 and section 4 differ");
    await press(page, "Mirror left to right");
    expect(await width(4)).toBe("1.8");
    await first!.click({ clickCount: 3 });
    await page.keyboard.type("1.5");
    await press(page, "Mirror left to right");
    await fill(page, "person", "Mira Tolland");
    // By the keyboard: the button that sends keeps it, while it is sent and after.
    await page.$$eval("form .key-main", (all) =>
      (all.find(({ textContent }) => textContent === "Save the sections") as HTMLElement).focus(),
    );
    await page.keyboard.press("Enter");
    await seen(page, "4 sections saved");
    // What was saved is read again meanwhile.
    await page.waitForFunction(() => document.activeElement?.textContent === "Save the sections");
    await visit(page, `${yard.address}${rig("Planter")}/tool`);
    await seen(page, "4 × 1.500 = 6.000 m");
    expect(errors).toEqual([]);
  });

  it("a boundary is dragged by the mouse", async () => {
    await visit(page, `${yard.address}${rig("Sprayer")}/sections`);
    const handle = (await appears(
      page,
      '[aria-label="Boundary between section 4 and 5"]',
    )) as ElementHandle<Element>;
    const box = (await handle.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 14, box.y + box.height / 2, { steps: 6 });
    await page.mouse.up();
    expect(Number(await width(4))).toBeGreaterThan(2.2);
    expect(Number(await width(4)) + Number(await width(5))).toBeCloseTo(4, 2);
  });
});

describe("a variant", () => {
  it("is set up with a wing folded, gone over to with what that does to the lines, and has figures of its own", async () => {
    await visit(page, `${yard.address}${rig("Sprayer")}/sections`);
    await press(page, "Set up another variant");
    await fill(page, "name", "x");
    await press(page, "Set it up");
    await seen(page, "Give it a name");
    await fill(page, "name", "left wing folded");
    await fill(page, "first", "4");
    await fill(page, "person", "Mira Tolland");
    await press(page, "Set it up");
    await appears(page, '[data-variant="left wing folded"]');
    await seen(page, "Line spacing 24.000 m becomes 15.000 m");
    await press(page, "Work with it");
    await seen(page, "Works as: left wing folded");
    await visit(page, `${yard.address}${rig("Sprayer")}/tool`);
    expect(await textOf(page, '[data-reading="tool.width"]')).toContain("15.000 m");
    expect(await textOf(page, '[data-reading="tool.lateral"]')).toContain("right");
    await visit(page, `${yard.address}${rig("Sprayer")}/card`);
    expect(await textOf(page, '[data-card-line="Line spacing"]')).toContain("15.00");
    await visit(page, `${yard.address}${rig("Sprayer")}/sections`);
    await press(page, "Work with it");
    await seen(page, "Works as: whole");
  });
});

describe("the last pass and the marks", () => {
  it("says what is left of a field and which sections to leave on; refuses what is no width", async () => {
    await visit(page, `${yard.address}${rig("Sprayer")}/swaths`);
    await fill(page, "field", "wide");
    await press(page, "Plan it");
    await appears(page, ".problem");
    await fill(page, "field", "187.3");
    await press(page, "Plan it");
    await seen(page, "7 passes of full width, 19.300 m left.");
    await seen(page, "on the narrow one sections 2 to 9, 1.700 m worked twice");
  });

  it("holds tools together by their spacing", async () => {
    await visit(page, `${yard.address}/traffic`);
    for (const words of ["Tarnwick Rill 30", "Sorrick Wide 60", "Sorrick Tandem 45"])
      await press(page, words, "form");
    await press(page, "Hold them together");
    await seen(page, "Tarnwick Rill 30, 3.000 m");
    expect(
      await page.$$eval("[data-traffic]", (rows) => rows.map((row) => row.getAttribute("data-traffic"))),
    ).toEqual(["no", "fits", "shift"]);
  });

  it("ranks what makes the tool stray, and names what to tape next", async () => {
    await visit(page, `${yard.address}${rig("Grain drill")}/budget`);
    await fill(page, "slope", "4");
    await press(page, "Reckon it");
    await seen(page, "Tape this next: lateral offset");
    expect(await textOf(page, '[data-budget="across"] [data-contributor="drift"]')).toContain(
      "on this slope",
    );
    await fill(page, "slope", "80");
    await press(page, "Reckon it");
    await seen(page, "Steeper than one may work across");
  });
});

describe("what an implement tells about itself", () => {
  it("is copied off its page, judged beside the tape, and a zero it tells is named at the station", async () => {
    await visit(page, `${yard.address}${rig("Grain drill")}/tool`);
    await press(page, "What it tells about itself");
    await seen(page, "It told nothing yet.");
    await fill(page, "t-tool.width", "4.5");
    await fill(page, "t-pin.workRear", "0");
    await fill(page, "t-tool.lateral", "2.25");
    await page.select('select[name="edge"]', "left");
    await fill(page, "person", "Mira Tolland");
    await press(page, "Save what it tells");
    await seen(page, "1 of 3 figures would mislead the terminal.");
    expect(await textOf(page, '[data-told="tool.width"]')).toContain("confirmed by what was read");
    expect(await textOf(page, '[data-told="tool.lateral"]')).toMatch(/0\.0.cm/);
    await visit(page, `${yard.address}${rig("Grain drill")}/tool`);
    await seen(page, "The implement tells the terminal 0 for drawbar pin to rear rank.");
  });
});

describe("the sheet", () => {
  it("is typed in at once on a phone; one wrong line keeps everything back; a reload loses nothing", async () => {
    await newPage(PHONE);
    await visit(page, `${yard.address}${rig("Borrowed drill")}/sheet`);
    await fill(page, "r-pin.workFront", "5.12");
    await fill(page, "r-pin.workRear", "near");
    await page.reload({ waitUntil: "networkidle0" });
    expect(await page.$eval('[name="r-pin.workFront"]', (field) => (field as HTMLInputElement).value)).toBe(
      "5.12",
    );
    await fill(page, "person", "Mira Tolland");
    await press(page, "Save the sheet");
    await appears(page, '[data-line="pin.workRear"] .problem');
    await fill(page, "r-pin.workRear", "5.36");
    await press(page, "Save the sheet");
    await seen(page, "2 readings saved");
    await seen(page, "5.120 m");
  });

  it("goes out for a spreadsheet and comes back filled", async () => {
    const csv = await (await fetch(`${yard.address}${rig("Grain drill")}/sheet.csv`)).text();
    const filled = csv
      .split("\r\n")
      .map((line) => (line.startsWith("tool.lateral,") ? `${line}0.8 left` : line))
      .join("\r\n");
    const file = join(mkdtempSync(join(tmpdir(), "ambrek-sheet-")), "sheet.csv");
    writeFileSync(file, filled);
    await visit(page, `${yard.address}${rig("Grain drill")}/sheet`);
    const chooser = (await page.$('input[name="sheet"]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(file);
    await press(page, "Import");
    await seen(page, "1 lines filled in from the file");
    await fill(page, "person", "Mira Tolland");
    await press(page, "Save the sheet");
    await seen(page, "One reading saved");
    await seen(page, "0.8 cm left");
  });

  it("of what is due before a season leads to each reading", async () => {
    await visit(page, `${yard.address}/season`);
    expect(await textOf(page, "[data-season]")).toMatch(/\d+ due/);
    await pressOn(page, '[data-due="due"] a');
    await appears(page, "[data-open]");
    await seen(page, "Due: ");
  });
});
