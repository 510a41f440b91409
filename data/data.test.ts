import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeEach, describe, expect, it } from "vitest";
import { SHIPPED_SCHEMES } from "../core/card/shipped.ts";
import { judge } from "../core/finding/judge.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { openDatabase } from "./database.ts";
import { plantedYard } from "./demo/planted.ts";
import { plantDemoYard } from "./demo/yard.ts";
import { rigFacts } from "./facts.ts";
import type { Database } from "./handle.ts";
import { keepReading, keepSections, listReadings, retract } from "./readings.ts";
import { findRig, listRigs, type RigTool } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import { findScheme, keepShippedSchemes, listSchemes, setTerminal, terminalOf } from "./schemes.ts";

let db: Database;
let rig: RigTool;
const at = new Date("2026-11-01T07:00:00Z");
const tape = { instrument: "tape" as const, person: "Mira", at };

beforeEach(() => {
  db = plantedYard();
  rig = listRigs(db)[1]!;
});

describe("readings", () => {
  it("are appended; the newest that nobody took back is current", () => {
    const before = rigFacts(db, rig).readings["pin.workFront"]?.at(-1);
    const first = keepReading(db, rig, {
      key: "pin.workFront",
      rawText: "5.1",
      value: 5.1,
      step: 0.1,
      ...tape,
    });
    const second = keepReading(db, rig, {
      key: "pin.workFront",
      rawText: "5.08",
      value: 5.08,
      step: 0.01,
      ...tape,
    });
    expect(rigFacts(db, rig).readings["pin.workFront"]?.at(-1)).toMatchObject({
      id: second,
      rawText: "5.08",
    });
    expect(retract(db, rig, second, tape)).toBe(true);
    expect(rigFacts(db, rig).readings["pin.workFront"]?.at(-1)?.id).toBe(first);
    expect(retract(db, rig, first, tape)).toBe(true);
    expect(rigFacts(db, rig).readings["pin.workFront"]?.at(-1)).toEqual(before);
  });

  it("of another rig, or taken back already, cannot be taken back", () => {
    const other = rigFacts(db, listRigs(db)[0]!).readings["pin.pivot"]!.at(-1)!;
    expect(retract(db, rig, other.id, tape)).toBe(false);
    expect(retract(db, rig, "nonsense", tape)).toBe(false);
  });

  it("belong to the hole and the mount, not to the tractor as a whole", () => {
    keepReading(db, rig, { key: "axle.pin", rawText: "1", value: 1, step: 0.1, ...tape });
    const elsewhere: RigTool = { ...rig, hitch: { id: listRigs(db)[0]!.hitch.id, label: "other" } };
    expect(rigFacts(db, elsewhere).readings["axle.pin"]?.at(-1)?.value).not.toBe(1);
  });

  it("outlive the process", () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-"));
    const path = join(folder, "yard", "a.db");
    const first = openDatabase(path);
    plantDemoYard(first);
    const own = listRigs(first)[0]!;
    keepReading(first, own, { key: "receiver.height", rawText: "2.91", value: 2.91, step: 0.01, ...tape });
    first.$client.close();
    const again = openDatabase(path);
    expect(rigFacts(again, findRig(again, own.id)!).readings["receiver.height"]?.at(-1)?.rawText).toBe(
      "2.91",
    );
    again.$client.close();
    rmSync(folder, { recursive: true });
  });
});

describe("readings as they are written down", () => {
  it("are in the words of what hangs there, those of a machine that drives itself of what it carries", () => {
    const listed = [...listReadings(db, null)];
    const wordsOf = (name: string) =>
      new Set(
        listed.flatMap((each) => (each.machine === name && each.point === "" ? [each.attachment] : [])),
      );
    const rig = (name: string) => listRigs(db).find((each) => each.name.startsWith(name))!;
    const nameOf = ({ tractor: { fleetNumber, make, model } }: RigTool) => `${fleetNumber} ${make} ${model}`;
    expect(wordsOf(nameOf(rig("Combine")))).toEqual(new Set(["head"]));
    expect(wordsOf(nameOf(rig("Sprayer")))).toEqual(new Set(["boom"]));
    expect(wordsOf(nameOf(rig("Front boom")))).toEqual(new Set(["frontBoom"]));
    expect(wordsOf(nameOf(rig("Grain drill")))).toEqual(new Set(["drawn"]));
  });
});

describe("sections", () => {
  it("are written whole and taken back whole", () => {
    const id = keepSections(db, rig, [2, 2, 2], tape);
    expect(rigFacts(db, rig).sections).toMatchObject({ id, widths: [2, 2, 2], person: "Mira" });
    retract(db, rig, id, tape);
    expect(rigFacts(db, rig).sections?.widths).toHaveLength(6);
  });

  it("change nothing when one of them cannot be stored", () => {
    const before = rigFacts(db, rig).sections;
    expect(() => keepSections(db, rig, [2, Number.NaN, 2], tape)).toThrow();
    expect(rigFacts(db, rig).sections).toEqual(before);
  });
});

describe("schemes and terminals", () => {
  it("come back as they were shipped, and are not written twice", () => {
    keepShippedSchemes(db);
    expect(listSchemes(db)).toHaveLength(SHIPPED_SCHEMES.length);
    for (const each of SHIPPED_SCHEMES) expect(findScheme(db, each.id)).toEqual(each);
    expect(findScheme(db, "nonsense")).toBeNull();
  });

  it("remember the terminal of a tractor, and refuse a scheme that does not exist", () => {
    setTerminal(db, rig.tractor.id, { schemeId: "axle-m", name: "left screen" }, BY);
    expect(terminalOf(db, rig.tractor.id)).toMatchObject({
      schemeId: "axle-m",
      name: "left screen",
    });
    expect(() => setTerminal(db, rig.tractor.id, { schemeId: "nonsense", name: "" }, BY)).toThrow();
  });
});

describe("the demo yard", () => {
  const ids = (index: number) =>
    judge(resolveRig(rigFacts(db, listRigs(db)[index]!)))
      .filter(({ severity }) => severity === "stop" || severity === "fix")
      .map(({ id }) => id);

  it("has one rig that nothing stops, and one with a zero, a swapped sign and sections that do not add up", () => {
    expect(ids(0)).toEqual([]);
    expect(ids(1)).toEqual(["zero:pin.workFront", "sign:pin.workRear", "sections-sum"]);
  });
});
