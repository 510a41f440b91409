import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { zipSync } from "fflate";
import Papa from "papaparse";
import { afterAll, describe, expect, it } from "vitest";
import { appears, fill, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { errors, openForFile, page, rig, rigId, yard } from "./fixture.ts";

const folder = mkdtempSync(join(tmpdir(), "ambrek-files-"));
openForFile();
afterAll(() => rmSync(folder, { recursive: true }));

const rigNames = () => page.$$eval("[data-rig] h2", (heads) => heads.map((head) => head.textContent));

async function upload(name: string, path: string): Promise<void> {
  const field = await appears(page, `input[name="${name}"]`);
  await (field as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
}

describe("the yard", () => {
  it("couples a new tractor with a new implement, and says what is missing", async () => {
    await visit(page, `${yard.address}/machines/new?kind=tractor`);
    await press(page, "Add this tractor");
    await seen(page, "Give the make.");
    await fill(page, "make", "Ostrell");
    await fill(page, "model", "72");
    await fill(page, "fleetNumber", "T11");
    await fill(page, "busName", "123");
    await press(page, "Add this tractor");
    await seen(page, "A bus NAME has 16 figures");
    expect(await page.$eval('input[name="make"]', (field) => (field as HTMLInputElement).value)).toBe(
      "Ostrell",
    );
    await fill(page, "busName", "");
    await press(page, "Add this tractor");
    await seen(page, "Mounts, holes, links and shafts");
    await fill(page, "label", "hole 2");
    await page.select('select[name="kind"]', "drawbar hole");
    await press(page, "Add", "form:has(input[name='label'])");
    await page.waitForFunction(() => document.body.innerText.includes("hole 2"));
    await press(page, "New rig with it");
    await seen(page, "Couple them");
    await press(page, "Couple them");
    await seen(page, "Give the rig a name");
    await fill(page, "name", "Old tractor, grain drill");
    await press(page, "Couple them");
    await seen(page, "Rear axle to receiver is missing.");
    // the drill was taped behind another tractor before: its readings are here at once
    await visit(page, page.url().replace("antenna", "tool"));
    expect(await textOf(page, '[data-reading="pin.pivot"]')).toContain("5.318 m");
    await visit(page, `${yard.address}/tape-list`);
    await seen(page, "Old tractor, grain drill");
    expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
  });

  it("renames, copies, puts away and undoes; finds and filters", async () => {
    await visit(page, `${yard.address}/?find=t4`);
    await pressOn(page, `[data-rig="${rigId("Grain drill")}"] button[aria-label^="Rename"]`);
    await fill(page, "name", "");
    await press(page, "Rename", `[data-rig="${rigId("Grain drill")}"]`);
    await seen(page, "Give the rig a name");
    await fill(page, "name", "Barley drill");
    await press(page, "Rename", `[data-rig="${rigId("Grain drill")}"]`);
    await seen(page, "Renamed to Barley drill");
    await pressOn(page, 'button[aria-label="Copy Barley drill"]');
    await seen(page, "Copied to Barley drill, copy");
    await pressOn(page, 'button[aria-label="Archive Barley drill, copy"]');
    await seen(page, "Archived: Barley drill, copy");
    await page.waitForFunction(() => !document.querySelector('button[aria-label="Copy Barley drill, copy"]'));
    await press(page, "Undo", '[data-sonner-toast][data-front="true"]');
    await appears(page, 'button[aria-label="Copy Barley drill, copy"]');

    await visit(page, yard.address);
    await page.keyboard.press("/");
    await page.keyboard.type("barley t4");
    await page.keyboard.press("Enter");
    await page.waitForFunction(() => location.search.includes("find=barley"));
    await page.waitForFunction(() => document.querySelectorAll("[data-rig]").length === 2);
    expect(await rigNames()).toEqual(["Barley drill", "Barley drill, copy"]);
    await visit(page, `${yard.address}/?state=stopped`);
    expect(await rigNames()).toContain("Borrowed drill, 6 m");
    expect(await rigNames()).not.toContain("Barley drill");
  });
});

describe("files", () => {
  it("come in with a preview, never over what is taped without a tick, and are taken back as one", async () => {
    await visit(page, `${yard.address}/files`);
    await upload("taskdata", resolve("formats/isoxml/examples/hitch-reference.xml"));
    await press(page, "Look into it");
    await seen(page, "Nothing is imported yet");
    await page.select('select[name="m0"]', "4");
    await seen(page, "1.8 cm left, taped");
    const ticked = () =>
      page.$$eval(
        'input[type="checkbox"]',
        (boxes) => boxes.filter((box) => (box as HTMLInputElement).checked).length,
      );
    expect(await ticked()).toBe(0);
    await page.click('input[aria-label="Take Drawbar pin to front of the work"]');
    await press(page, "Import what is ticked");
    await seen(page, "Say who you are.");
    await page.click('input[aria-label="Take Drawbar pin to front of the work"]').catch(() => {});
    await fill(page, "person", "Mira Tolland");
    if ((await ticked()) === 0) await page.click('input[aria-label="Take Drawbar pin to front of the work"]');
    await press(page, "Import what is ticked");
    await seen(page, "A reading belongs to its machine");
    await visit(page, `${yard.address}${rig("Borrowed drill")}/tool?at=pin.workFront`);
    await seen(page, "Now 3.720 m");
    await seen(page, "from hitch-reference.xml");
    expect(await textOf(page, '[data-reading="pin.pivot"]')).toContain("6.120 m");
    await visit(page, `${yard.address}/files`);
    await page.click('button[aria-label="Take back hitch-reference.xml"]');
    await seen(page, "The import is taken back");
    await visit(page, `${yard.address}${rig("Borrowed drill")}/tool`);
    expect(await textOf(page, '[data-reading="pin.workFront"]')).toContain("0.000 m");
  });

  it("of a machine that is not here yet make one", async () => {
    await visit(page, `${yard.address}/files`);
    const path = join(folder, "two.zip");
    const part = (name: string) => readFileSync(`formats/isoxml/examples/split/${name}`);
    writeFileSync(
      path,
      zipSync({ "TASKDATA.XML": part("TASKDATA.XML"), "DVC00001.XML": part("DVC00001.XML") }),
    );
    await upload("taskdata", path);
    await press(page, "Look into it");
    await seen(page, "a zero nobody entered");
    await fill(page, "person", "Mira Tolland");
    await press(page, "Import what is ticked");
    // The preview names them as well.
    await seen(page, "A reading belongs to its machine");
    await seen(page, "Ombrell 130");
    await seen(page, "Ferrow 6");
  });

  it("that are hostile change nothing and leave the server up", async () => {
    const before = await (await fetch(`${yard.address}/readings.csv`)).text();
    for (const [name, bytes, said] of [
      [
        "bomb.zip",
        zipSync({ "TASKDATA.XML": new Uint8Array(64 * 1024 * 1024) }),
        "unpacks to more than 20 MB",
      ],
      ["junk.zip", new Uint8Array([0x50, 0x4b, 3, 4, 9, 9, 9]), "damaged"],
      ["entities.xml", Buffer.from('<!DOCTYPE a [<!ENTITY b "b">]><a>&b;</a>'), "DOCTYPE"],
    ] as const) {
      writeFileSync(join(folder, name), bytes);
      await visit(page, `${yard.address}/files`);
      await upload("taskdata", join(folder, name));
      await press(page, "Look into it");
      await seen(page, said);
      await seen(page, "Nothing was stored.");
    }
    expect(await (await fetch(`${yard.address}/readings.csv`)).text()).toBe(before);
  });

  it("go out as CSV with units, and as a backup that restores everything", async () => {
    const csv = await (await fetch(`${yard.address}${rig("Meadow drill")}/readings.csv`)).text();
    const { data, errors: wrong } = Papa.parse<Record<string, string>>(csv.replace("\ufeff", ""), {
      header: true,
    });
    expect(wrong).toEqual([]);
    expect(data.find((row) => row.dimension === "pin.pivot")).toMatchObject({
      machine: "D8 Tarnwick Rill 30",
      "value (in the unit beside it)": "4.035",
      unit: "m",
      "as typed": "4.035",
      grade: "taped",
      person: "Ilse Marrin",
    });

    const backup = join(folder, "yard.db");
    writeFileSync(backup, Buffer.from(await (await fetch(`${yard.address}/backup.db`)).arrayBuffer()));
    await visit(page, `${yard.address}/?find=Meadow`);
    await page.click(`[data-rig="${rigId("Meadow drill")}"] button[aria-label^="Rename"]`);
    await fill(page, "name", "Spoilt");
    await press(page, "Rename", `[data-rig="${rigId("Meadow drill")}"]`);
    await seen(page, "Renamed to Spoilt");

    await visit(page, `${yard.address}/files`);
    writeFileSync(join(folder, "not.db"), "hello");
    await upload("backup", join(folder, "not.db"));
    await page.click('input[name="sure"]');
    await page.click("form:has(input[name='backup']) button");
    await seen(page, "no SQLite database. Nothing was changed.");
    await upload("backup", backup);
    const sure = await page.$eval('input[name="sure"]', (box) => (box as HTMLInputElement).checked);
    if (!sure) await page.click('input[name="sure"]');
    await page.click("form:has(input[name='backup']) button");
    await seen(page, "Restored.");
    await visit(page, `${yard.address}/?find=Tarnwick`);
    expect(await rigNames()).toContain("Meadow drill, 3 m");
    expect(await rigNames()).not.toContain("Spoilt");
  });
});
