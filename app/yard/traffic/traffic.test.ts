import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { archiveRig, listRigs } from "../../../data/rigs.ts";
import { BY } from "../../../data/sample-told.ts";
import { trafficView } from "./traffic-view.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const look = (...labels: string[]) => {
  const all = trafficView(db, new Set(), PRESETS.metric).tools;
  const chosen = labels.map((label) => all.find((tool) => tool.label === label)!.id);
  return trafficView(db, new Set(chosen), PRESETS.metric);
};
const rowOf = (view: ReturnType<typeof look>, name: string) => view.rows.find((row) => row.name === name)!;

describe("controlled traffic", () => {
  it("offers every tool that works a field, and judges nothing before some are chosen", () => {
    const { tools, base, rows } = look();
    expect(tools.map(({ label }) => label)).toContain("Sorrick Wide 60");
    expect(tools.map(({ label }) => label)).not.toContain("Wexcombe Hopper 32");
    expect({ base, rows }).toEqual({ base: null, rows: [] });
  });

  it("takes the narrowest for the base, and holds the others against whole multiples of it", () => {
    const view = look("Sorrick Wide 60", "Sollgard B 24", "Sollgard B 18 V", "Tessbury Stubble 30");
    expect(view.base).toContain("Stubble 30");
    // 2.92 m apart: 6 m is 2 × 2.92 + 16 cm
    expect(rowOf(view, "Sorrick Wide 60")).toMatchObject({ verdict: "no", times: "2 ×" });
    const even = look("Sorrick Wide 60", "Sollgard B 24", "Sollgard B 18 V");
    expect(rowOf(even, "Sollgard B 24")).toMatchObject({ verdict: "shift", times: "4 ×" });
    expect(rowOf(even, "Sollgard B 18 V").times).toBe("3 ×");
    expect(rowOf(even, "Sollgard B 18 V").why).toContain("track width is not known yet");
  });

  it("tells how much of the field they tread, where the wheels of all are known", () => {
    const one = look("Pellworth Blade 30 F");
    // Two tyres of 62 cm in every 3 m.
    expect(one.lanes!.trodden).toBe("41\u00a0%");
    // 10 cm more in every pass: the marks wander over one another.
    const two = look("Pellworth Blade 30 F", "Pellworth Blade 31 R");
    expect(Number(two.lanes!.trodden!.slice(0, 2))).toBeGreaterThan(55);
    expect(two.lanes!.unknown).toEqual([]);
    const even = look("Pellworth Blade 30 F", "Sollgard B 24");
    expect(even.lanes!.trodden).toBeNull();
    expect(even.lanes!.unknown.map(({ name }) => name)).toEqual(["Sollgard B 24"]);
    expect(even.lanes!.tools.map(({ wheels }) => wheels)).toEqual([true, false]);
  });

  it("leads from each row to the width it was reckoned from", () => {
    const view = look("Sorrick Wide 60");
    expect(view.rows[0]!.href).toMatch(/^\/rigs\/6\/tool\?at=tool\.width&tool=\d+$/);
  });

  it("leaves out what was put away", () => {
    const sprayer = listRigs(db).find(({ name }) => name === "Sprayer 24 m")!;
    archiveRig(db, sprayer.id, true, BY);
    expect(look().tools.map(({ label }) => label)).not.toContain("Sollgard B 24");
  });
});
