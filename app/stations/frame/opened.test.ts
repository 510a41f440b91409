import { beforeEach, describe, expect, it } from "vitest";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { keepReading } from "../../../data/readings.ts";
import { takeBack } from "../../../data/record.ts";
import { listRigs, toolsOf } from "../../../data/rigs.ts";
import { setRoadLimits } from "../../../data/settings.ts";
import { madeOnce, openedOf } from "./opened.server.ts";

const BY = { person: "Test", at: new Date("2026-11-20T08:00:00.000Z") };

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const partsOf = (name: string) => toolsOf(db, listRigs(db).find((rig) => rig.name.startsWith(name))!.id);
const read = (name: string, id: string) =>
  keepReading(db, partsOf(name)[0]!, {
    id,
    key: "pin.pivot",
    rawText: "5.31",
    value: 5.31,
    step: 0.01,
    instrument: "tape",
    ...BY,
  });
const pivot = (opened: ReturnType<typeof openedOf>) => opened.whole.parts[0]!.rig.values["pin.pivot"].value;

describe("a rig that was opened", () => {
  it("is the same until something is written about it; another rig's readings leave it alone", () => {
    const first = openedOf(db, partsOf("Grain drill"));
    read("Meadow drill", "4b1f0e5e-0a53-4a3e-8a8e-0a0f0c1d2e3f");
    expect(openedOf(db, partsOf("Grain drill")).whole).toBe(first.whole);
  });

  it("is read and judged anew by a reading, and again when that is taken back", () => {
    const before = pivot(openedOf(db, partsOf("Grain drill")));
    const id = "4b1f0e5e-0a53-4a3e-8a8e-0a0f0c1d2e40";
    read("Grain drill", id);
    expect(pivot(openedOf(db, partsOf("Grain drill")))).toBe(5.31);
    takeBack(db, id, BY);
    expect(pivot(openedOf(db, partsOf("Grain drill")))).toBe(before);
  });

  it("follows a setting of the whole yard", () => {
    const { whole } = openedOf(db, partsOf("Grain drill"));
    setRoadLimits(db, { ...whole.limits, width: 2.2 }, BY);
    expect(openedOf(db, partsOf("Grain drill")).whole.limits.width).toBe(2.2);
  });

  it("is drawn once for everything a drawing depends on, and anew once it was written about", () => {
    const { whole } = openedOf(db, partsOf("Grain drill"));
    let drawn = 0;
    const draw = () => (drawn += 1);
    expect([madeOnce(whole, ["plan"], draw), madeOnce(whole, ["plan"], draw)]).toEqual([1, 1]);
    expect(madeOnce(whole, ["side"], draw)).toBe(2);
    read("Grain drill", "4b1f0e5e-0a53-4a3e-8a8e-0a0f0c1d2e41");
    expect(madeOnce(openedOf(db, partsOf("Grain drill")).whole, ["plan"], draw)).toBe(3);
  });
});
