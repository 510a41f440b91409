import { describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS, isFixed, OWN_ATTACHMENTS } from "../dimension/attachment.ts";
import { hangsBy, MACHINE_TYPE_KEYS, MACHINE_TYPES } from "../dimension/usual.ts";
import { drawPlan } from "../drawing/plan.ts";
import { PRESETS } from "../quantity/units.ts";
import { TOOL_KINDS, type ToolKindKey } from "../trade/kinds.ts";
import { type Begun, factsOf, readingsOf } from "./begun.ts";
import { resolveRig } from "./resolve.ts";

const DRILL: Begun = {
  machine: "assisted",
  tool: "drill",
  attachment: "drawn",
  power: "130",
  powerUnit: "hp",
  category: "3",
  width: "14' 9\"",
  widthUnit: "ft-in",
  rows: "30",
  sections: "",
  guided: "",
  switched: "",
};

const valuesOf = (begun: Begun) =>
  Object.fromEntries(readingsOf(begun).readings.map(({ key, value, by }) => [key, [value, by]]));

describe("a rig that is begun", () => {
  it("reads what was typed in the units it was typed in, and calls it book, not taped", () => {
    const read = valuesOf(DRILL);
    // Mechanical horsepower (NIST SP 811): 745.6999 W.
    expect(read["tractor.power"]).toEqual([expect.closeTo(130 * 745.6999, 0), "book"]);
    expect(read["tool.width"]).toEqual([expect.closeTo(14.75 * 0.3048, 6), "book"]);
    expect(read["rows.count"]).toEqual([30, "look"]);
    expect(resolveRig(factsOf(DRILL)).values["tool.width"].grade).toBe("book");
  });

  it("asks only what it has: no balls on a drawbar, no rows of a mower", () => {
    expect(valuesOf(DRILL)["hitch.category"]).toBeUndefined();
    expect(valuesOf({ ...DRILL, attachment: "mounted" })["hitch.category"]).toBeDefined();
  });

  it("says what was not understood by its field, and leaves out what nobody told", () => {
    const { readings, problems } = readingsOf({ ...DRILL, width: "wide", rows: "many", power: "" });
    expect(Object.keys(problems)).toEqual(["width", "rows"]);
    expect(readings.map(({ key }) => key)).toEqual(["tractor.steering", "tractor.drive", "tool.kind"]);
  });

  it("finds a way every kind of tool hangs on some machine, and no way that machine cannot carry", () => {
    for (const tool of Object.keys(TOOL_KINDS) as ToolKindKey[]) {
      const ways = MACHINE_TYPE_KEYS.flatMap((machine) => hangsBy(tool, machine));
      expect(ways.length, tool).toBeGreaterThan(0);
      for (const machine of MACHINE_TYPE_KEYS)
        for (const way of hangsBy(tool, machine))
          expect(isFixed(way), tool).toBe(MACHINE_TYPES[machine].kind === "self-propelled");
    }
    const reached = new Set(
      MACHINE_TYPE_KEYS.flatMap((machine) =>
        (Object.keys(TOOL_KINDS) as ToolKindKey[]).flatMap((tool) => hangsBy(tool, machine)),
      ),
    );
    expect(ATTACHMENT_KEYS.filter((key) => reached.has(key))).toEqual(OWN_ATTACHMENTS);
  });

  it("is drawn with whatever is chosen so far", () => {
    const sheet = {
      width: 400,
      height: 500,
      region: "rig",
      labels: "none",
      station: null,
      only: null,
    } as const;
    for (const machine of MACHINE_TYPE_KEYS)
      for (const tool of Object.keys(TOOL_KINDS) as ToolKindKey[])
        for (const attachment of hangsBy(tool, machine)) {
          const begun = { ...DRILL, machine, tool, attachment, width: "", power: "", rows: "" };
          const plan = drawPlan(resolveRig(factsOf(begun)), { ...sheet, units: PRESETS.metric });
          expect(plan.blocks.length, `${machine} ${tool} ${attachment}`).toBeGreaterThan(2);
          expect(JSON.stringify(plan)).not.toContain("null,null");
        }
  });
});
