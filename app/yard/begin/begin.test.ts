import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { swathOf } from "../../../core/rig/swath.ts";
import { openDatabase } from "../../../data/database.ts";
import type { Database } from "../../../data/handle.ts";
import { listMachines, pointsOf } from "../../../data/machines.ts";
import { listRigs, toolsOf } from "../../../data/rigs.ts";
import { wholesOf } from "../../../data/whole.ts";
import { formWith } from "../../session/validate.ts";
import { arrived, sampleForm, sampleOpen } from "../../stations/frame/sample-open.server.ts";
import { keepVariant } from "../../stations/sections/keep-sections.server.ts";
import { sectionsView } from "../../stations/sections/sections-view.server.ts";
import { swathsView } from "../../stations/swaths/swaths-view.ts";
import { readBeginning } from "./begin.dto.ts";
import { beginRig } from "./begin.server.ts";

let db: Database;
beforeEach(() => {
  db = openDatabase(":memory:");
});

const TYPED = {
  machine: "assisted",
  driven: "Belvane 90",
  power: "120",
  powerUnit: "hp",
  tool: "drill",
  attachment: "drawn",
  hung: "Sorrick Row 30 E",
  category: "",
  width: "3.0",
  widthUnit: "m",
  rows: "24",
  person: "Mira Tolland",
};
const send = (typed: Partial<typeof TYPED> = {}) => readBeginning(formWith({ ...TYPED, ...typed }));

function begun(typed: Partial<typeof TYPED> = {}) {
  const checked = send(typed);
  if (!checked.ok) throw new Error(JSON.stringify(checked.errors));
  const id = beginRig(db, checked.value, { person: "Mira Tolland", at: new Date("2026-03-02T06:00:00Z") });
  const [tool] = toolsOf(db, id);
  return { tool: tool!, values: wholesOf(db, [tool!]).get(tool!.id)!.parts[0]!.rig.values };
}

describe("a rig begun on one page", () => {
  it("is two machines, the rig, and what was told of them by whom", () => {
    const { tool, values } = begun();
    expect(tool.name).toBe("Seed drill, 3 m");
    expect([tool.tractor, tool.implement].map(({ make, model }) => `${make} | ${model}`)).toEqual([
      "Belvane | 90",
      "Sorrick | Row 30 E",
    ]);
    expect(values["tool.width"]).toMatchObject({ value: 3, grade: "book" });
    expect(values["tool.width"].reading).toMatchObject({ person: "Mira Tolland", rawText: "3.0" });
    expect(values["rows.count"].value).toBe(24);
    expect(values["pin.pivot"]).toMatchObject({ value: null, grade: "missing" });
  });

  it("has the point its tool hangs on, whatever that is", () => {
    for (const [machine, tool, attachment, point] of [
      ["assisted", "mower", "front", "front three-point"],
      ["driven", "sprayer", "boom", "boom mount"],
      ["driven", "header", "head", "head mount"],
      ["tracked", "cultivator", "links", "rear three-point"],
    ] as const) {
      const { tool: rig } = begun({ machine, tool, attachment, hung: "Pellworth" });
      expect(rig.attachment).toBe(attachment);
      expect(pointsOf(db, rig.tractor.id).filter(({ kind }) => kind === point)).toHaveLength(1);
    }
  });

  it("is named by what it is where only one word was told, and is not called known where nobody told", () => {
    const { tool, values } = begun({ driven: "Belvane", width: "", rows: "", power: "" });
    expect(tool.tractor).toMatchObject({ make: "Belvane", model: "tractor, front-wheel assist" });
    expect(tool.name).toBe("Seed drill");
    expect(values["tool.width"].grade).toBe("missing");
    expect(values["tractor.power"].grade).toBe("missing");
  });

  it("assumes one section and no overlap, and gives neither out as somebody's", () => {
    begun();
    const open = sampleOpen(db, "Seed drill");
    expect(open.resolved.sections).toMatchObject({ widths: [3], instrument: "estimate" });
    expect(
      open.findings.filter(({ id }) => id.startsWith("assumed:")).map(({ severity }) => severity),
    ).toEqual(["check", "check"]);
    // In the table nothing stands that could be kept as taped; no variant is worked out from it.
    const view = sectionsView(open);
    expect(view).toMatchObject({ rows: [], whole: 0 });
    expect(view.variants[0]!.sections).toContain("assumed");
    const variant = { name: "left half", way: "sections", first: "1", last: "1" };
    expect(keepVariant(open, sampleForm(variant), arrived())).toMatchObject({
      ok: false,
      errors: { way: "Give width and sections of the whole tool first." },
    });
    expect(swathsView(open.resolved, "50", PRESETS.metric).tool).toContain("no sections");
  });

  const MOWERS = {
    several: "yes",
    tool: "mower",
    attachment: "mounted",
    width: "3.1",
    rows: "",
    tool2: "mower",
    attachment2: "front",
    hung2: "Sorrick Cut 30 F",
    width2: "3",
    width2Unit: "m",
    guided: "yes",
  };

  it("has a second tool with what was told of it, and what was told of the machine once", () => {
    begun(MOWERS as Partial<typeof TYPED>);
    const rig = listRigs(db)[0]!;
    const tools = toolsOf(db, rig.id);
    expect(tools.map(({ attachment }) => attachment)).toEqual(["mounted", "front"]);
    const { parts } = wholesOf(db, tools).get(rig.id)!;
    expect(parts.map(({ rig: { tool, values } }) => [tool, values["tool.width"].value])).toEqual([
      ["mower", 3.1],
      ["mower", 3],
    ]);
    expect(parts[1]!.rig.values["work.guided"].choice).toBe("yes");
    expect(swathOf({ parts })).toMatchObject({ kind: "unknown", key: "tool.lateral" });
    expect(parts[0]!.rig.values["tractor.power"].repeats).toHaveLength(1);
  });

  it("takes no two tools on one hitch, and says what is wrong with the second by its field", () => {
    expect(send({ ...MOWERS, attachment2: "mounted" } as Partial<typeof TYPED>)).toMatchObject({
      ok: false,
      errors: { attachment2: expect.stringContaining("same hitch") },
    });
    expect(send({ ...MOWERS, width2: "wide", hung2: "" } as Partial<typeof TYPED>)).toMatchObject({
      ok: false,
      errors: {
        width2: expect.stringContaining("not understood"),
        hung2: expect.stringContaining("make and model"),
      },
    });
  });

  it("has its sections: a bare number is how many equal ones, anything else each width", () => {
    const widths = (sections: string) => {
      db = openDatabase(":memory:");
      begun({ sections } as Partial<typeof TYPED>);
      return sampleOpen(db, "Seed drill").resolved.sections!.widths;
    };
    expect(widths("6")).toEqual([0.5, 0.5, 0.5, 0.5, 0.5, 0.5]);
    expect(widths("1 m; 1 m; 1 m")).toEqual([1, 1, 1]);
    expect(send({ sections: "200" } as Partial<typeof TYPED>)).toMatchObject({
      ok: false,
      errors: { sections: expect.stringContaining("do not fit") },
    });
  });

  it("is refused by field, and nothing of it is written", () => {
    const wrong = send({ width: "wide", driven: " ", power: "much", person: "", attachment: "boom" });
    expect(wrong).toMatchObject({
      ok: false,
      errors: {
        width: expect.stringContaining("not understood"),
        power: expect.stringContaining("not understood"),
        driven: expect.stringContaining("make and model"),
        attachment: expect.stringContaining("does not hang"),
        person: "Say who you are.",
      },
    });
    expect(send({ tool: "kite", machine: "" })).toMatchObject({
      ok: false,
      errors: { tool: "Choose what hangs on it.", machine: "Choose what you drive." },
    });
    expect(send({ powerUnit: "sheep", widthUnit: "" })).toMatchObject({ ok: false });
    expect([listMachines(db), listRigs(db)]).toEqual([[], []]);
  });
});
