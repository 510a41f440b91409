import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { trackSpacing } from "../../../core/rig/chain.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { variantsOf } from "../../../data/variants.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { swathsView } from "../swaths/swaths-view.ts";
import { carryOut } from "../writing/writes.server.ts";
import { keepChosen, keepTable, keepVariant } from "./keep-sections.server.ts";
import { sectionsView } from "./sections-view.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = (name = "Sprayer") => sampleOpen(db, name);
const plain = <T>(view: T): T => JSON.parse(JSON.stringify(view).replace(/\u00a0/g, " ")) as T;

const table = (rows: { width: string; ahead?: string; product?: string }[]) =>
  keepTable(
    open(),
    sampleForm({
      style: "m",
      instrument: "tape",
      rows: JSON.stringify(rows.map((row) => ({ ahead: "", product: "", ...row }))),
    }),
    arrived(),
  );
const variant = (fields: Record<string, string>, rig = open()) =>
  keepVariant(
    rig,
    sampleForm({ name: "left wing folded", way: "sections", first: "4", last: "9", ...fields }),
    arrived(),
  );
const choose = (id: string, press = "on", rig = open()) =>
  keepChosen(rig, sampleForm({ variant: id, press }), arrived());

describe("the table of sections", () => {
  it("is kept whole, with offset and product of each", () => {
    expect(table([{ width: "12", ahead: "-0.4", product: "urea" }, { width: "12.00" }])).toMatchObject({
      ok: true,
    });
    expect(open().resolved.sections).toMatchObject({
      widths: [12, 12],
      parts: [
        { ahead: -0.4, product: "urea" },
        { ahead: 0, product: "" },
      ],
    });
    expect(sectionsView(open()).rows[0]).toEqual({ width: "12.000", ahead: "−0.400", product: "urea" });
  });

  it("is refused line by line, and what stood stays", () => {
    expect(table([{ width: "12" }, { width: "wide", ahead: "x" }])).toMatchObject({
      ok: false,
      errors: { "rows.1.width": expect.any(String), "rows.1.ahead": expect.any(String) },
    });
    expect(table([])).toMatchObject({ ok: false });
    expect(
      keepTable(open(), sampleForm({ style: "m", instrument: "tape", rows: "{" }), arrived()),
    ).toMatchObject({
      ok: false,
    });
    expect(open().resolved.sections!.widths).toHaveLength(9);
  });
});

describe("a variant", () => {
  it("has a width, middle, rows and sections of its own, and what it does not differ in from the whole tool", () => {
    const made = variant({});
    expect(made).toMatchObject({ ok: true });
    expect(open().resolved.values["tool.width"].value).toBe(24);
    expect(plain(sectionsView(open())).variants[1]).toMatchObject({
      name: "left wing folded",
      width: "15.000 m",
      prompt: expect.stringContaining(
        "Line spacing 24.000 m becomes 15.000 m. Lines that are there do not fit",
      ),
    });
    const [folded] = variantsOf(db, open().rig.implement.id);
    expect(choose(String(folded!.id))).toMatchObject({ ok: true });
    const { values, sections, variant: name } = open().resolved;
    expect(name).toBe("left wing folded");
    expect(values["tool.width"]).toMatchObject({ value: 15, grade: "taped" });
    expect(values["tool.lateral"].value).toBe(4.5);
    expect(values["rows.count"].value).toBe(30);
    expect(values["pin.workFront"].value).toBe(0.48);
    expect(sections!.widths).toEqual([2, 2, 2, 3, 3, 3]);
    expect(trackSpacing(open().resolved).total).toBe(15);
    expect(choose("")).toMatchObject({ ok: true });
    expect(open().resolved.values["tool.width"].value).toBe(24);
  });

  it("read anew keeps its reading to itself", async () => {
    variant({});
    const [folded] = variantsOf(db, open().rig.implement.id);
    choose(String(folded!.id));
    await carryOut(
      open(),
      sampleForm({
        intent: "keep-reading",
        dimension: "tool.width",
        text: "15.5",
        style: "m",
        instrument: "tape",
        sitting: uuid(),
        reason: "",
        note: "",
        conditions: "",
        changed: "",
        measuredAt: "",
      }),
      arrived(),
    );
    expect(open().resolved.values["tool.width"].value).toBe(15.5);
    expect(open().findings.map(({ id }) => id)).toContain("sections-sum");
    choose("");
    expect(open().resolved.values["tool.width"].value).toBe(24);
  });

  it("made empty asks for its width and its sections", () => {
    variant({ way: "empty", name: "short boom" });
    choose(String(variantsOf(db, open().rig.implement.id)[0]!.id));
    const ids = open().findings.map(({ id }) => id);
    expect(ids).toContain("missing:tool.width");
    expect(ids).toContain("missing:sections");
  });

  it("of every second row has twice the spacing", () => {
    const planter = () => sampleOpen(db, "Planter");
    expect(variant({ name: "every second row", way: "first", first: "", last: "" }, planter())).toMatchObject(
      { ok: true },
    );
    choose(String(variantsOf(db, planter().rig.implement.id)[0]!.id), "on", planter());
    expect(planter().resolved.values["rows.count"].value).toBe(4);
    expect(planter().resolved.values["rows.spacing"].value).toBe(1.5);
    expect(planter().resolved.values["tool.lateral"].value).toBeCloseTo(-0.006 - 0.375, 9);
  });

  it("is refused with a wrong range, a name that is there, or a way it cannot go", () => {
    expect(variant({ first: "7", last: "4" })).toMatchObject({
      ok: false,
      errors: { last: expect.any(String) },
    });
    expect(variant({ name: "x" })).toMatchObject({ ok: false, errors: { name: expect.any(String) } });
    variant({});
    expect(variant({ name: "Left wing folded" })).toMatchObject({
      errors: { name: expect.stringContaining("of this name") },
    });
    expect(variant({ way: "first", name: "rows" }, open("Combine"))).toMatchObject({
      errors: { way: expect.any(String) },
    });
    expect(choose("99")).toMatchObject({ ok: false });
  });

  it("put away leaves the rig working whole", () => {
    variant({});
    const id = String(variantsOf(db, open().rig.implement.id)[0]!.id);
    choose(id);
    choose(id, "away");
    expect(open().rig.variant).toBeNull();
    expect(variantsOf(db, open().rig.implement.id)).toEqual([]);
  });
});

describe("the last pass", () => {
  const look = (field: string, name = "Sprayer") =>
    plain(swathsView(open(name).resolved, field, PRESETS.metric));

  it("says what is left, and which sections to leave on", () => {
    expect(look("187.3")).toMatchObject({ verdict: "7 passes of full width, 19.300 m left." });
    expect(look("187.3").plans.map(({ said }) => said)[0]).toBe(
      "8 passes, on the narrow one sections 2 to 9, 1.700 m worked twice.",
    );
    expect(look("192").verdict).toContain("comes out even");
  });

  it("refuses what is no width, and plans nothing without one", () => {
    for (const text of ["wide", "0", "-3", "99999"]) expect(look(text).problem).not.toBeNull();
    expect(look("").plans).toEqual([]);
  });
});
