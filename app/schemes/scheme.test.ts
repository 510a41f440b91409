import { describe, expect, it } from "vitest";
import { USUAL_ORDER } from "../../core/card/order.ts";
import { SHIPPED_SCHEMES } from "../../core/card/shipped.ts";
import { BLANK_LINE, checkScheme, fittingUnit, type LineForm, toForm } from "./scheme.dto.ts";

const line = (part: Partial<LineForm> = {}): LineForm => ({ ...BLANK_LINE, label: "Length", ...part });
const errors = (lines: unknown, name: unknown = "Ours", order: unknown = USUAL_ORDER) => {
  const checked = checkScheme({ name, asks: "", lines, order });
  return checked.ok ? {} : checked.errors;
};

describe("a scheme from a form", () => {
  it("is the scheme it was made from, for everything that ships", () => {
    for (const { id: _, ...scheme } of SHIPPED_SCHEMES)
      expect(checkScheme({ ...scheme, lines: scheme.lines.map(toForm) })).toEqual({
        ok: true,
        value: scheme,
      });
  });

  it("takes over named properties only", () => {
    const checked = checkScheme({
      name: " Ours ",
      asks: "",
      lines: [{ ...line(), admin: true }],
      order: USUAL_ORDER,
    });
    expect(checked.ok && checked.value.name).toBe("Ours");
    expect(checked.ok && Object.keys(checked.value.lines[0]!).sort()).toEqual(
      ["decimals", "label", "measure", "only", "page", "sense", "sign", "unit"].sort(),
    );
  });

  it.each([
    ["label", { label: " " }, "words on the terminal"],
    ["page", { page: "" }, "page it stands on"],
    ["measure", { measure: "guess" as never }, "what is asked"],
    ["from", { from: "moon" as never }, "from where"],
    ["axis", { axis: "z" as never }, "along, sideways or height"],
    ["sense", { sense: 0 as never }, "counts as plus"],
    ["unit", { unit: "yd" as never }, "Choose the unit"],
    ["unit", { unit: "s" as const }, "switching delay only"],
    ["unit", { measure: "dimension" as const, dimension: "work.delayOn" as const }, "asked in s or ms"],
    ["decimals", { decimals: 1.5 }, "whole number"],
    ["decimals", { decimals: 9 }, "At most four"],
    ["decimals", { decimals: "" as never }, "decimals"],
    ["plus", { sign: "words" as const, plus: "" }, "word for plus"],
    ["choice", { measure: "choice" as const, choice: "" }, "choice to be set"],
  ])("refuses a wrong %s at its line", (field, part, piece) => {
    expect(errors([line({ label: "first" }), line(part)])[`lines.1.${field}`]).toContain(piece);
  });

  it("goes over to seconds with a switching delay, and back to metres with a length", () => {
    const delay = { measure: "dimension" as const, dimension: "work.delayOff" as const };
    expect(fittingUnit(line({ ...delay, unit: "in" }))).toBe("s");
    expect(fittingUnit(line({ ...delay, unit: "ms" }))).toBe("ms");
    expect(fittingUnit(line({ unit: "ms" }))).toBe("m");
    expect(fittingUnit(line({ unit: "ft-in" }))).toBe("ft-in");
  });

  it("has each step of its order once, coupling first, the line after the implement", () => {
    const order = (...steps: unknown[]) => errors([line()], "Ours", steps).order;
    expect(order("couple", "machine", "implement", "line")).toBeUndefined();
    expect(order("couple", "line", "implement")).toContain("after the implement");
    expect(order("machine", "couple")).toContain("comes first");
    expect(order("couple", "crop", "crop")).toContain("twice");
    expect(order("couple", "tea")).toContain("no such step");
    expect(order()).toBeDefined();
  });

  it("minds only the words it needs", () => {
    expect(errors([line({ plus: "", minus: "", choice: "" })])).toEqual({});
  });

  it("refuses no lines, too many, the same words twice on a page, and what is no list", () => {
    expect(errors([]).lines).toContain("at least one line");
    expect(errors("x").lines).toContain("at least one line");
    expect(errors(Array.from({ length: 60 }, (_, index) => line({ label: `l${index}` }))).lines).toContain(
      "at most 40",
    );
    expect(errors([line(), line()])["lines.1.label"]).toContain("already");
    expect(errors([line(), line({ page: "Tractor" })])).toEqual({});
    expect(errors([line()], 7).name).toContain("a name");
    expect(Object.keys(errors([null, 3]))).not.toHaveLength(0);
  });
});
