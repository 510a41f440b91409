import { describe, expect, it } from "vitest";
import { plain } from "../../finding/sample-words.ts";
import type { Measured } from "../../job/result.ts";
import { halfWords, offWords, size } from "../../job/words.ts";
import { PRESETS } from "../../quantity/units.ts";
import { sampleRig } from "../../rig/sample.ts";
import type { Estimate } from "../../statistics/estimate.ts";
import type { Slip } from "./suspects.ts";
import { suspectWords } from "./words.ts";

const { metric, us } = PRESETS;
const exact = (value: number): Estimate => ({ value, error: 0, half: 0, freedom: 6 });
const rig = sampleRig({ "receiver.lateral": -0.18 });
const words = (slip: Slip, units = metric) => {
  const { what, next } = suspectWords({ slip } as Parameters<typeof suspectWords>[0], rig);
  return { what: plain(what, units), next: plain(next, units) };
};

describe("a slip in words", () => {
  it("names the reading and its size, and sends to the terminal before anything is changed here", () => {
    const side = words({ kind: "side", key: "receiver.lateral" });
    expect(side.what).toBe(
      "Side swapped: lateral offset of the receiver stands on the other side in the terminal.",
    );
    expect(side.next).toContain("18.0 cm left");
    const zero = words({ kind: "zero", key: "axle.pin" });
    expect(zero.what).toContain("the terminal has 0 for rear axle to drawbar pin");
    expect(zero.next).toContain("1.040 m");
    for (const { next } of [side, zero, words({ kind: "edge", key: "tool.lateral" })])
      expect(next).toContain("Read the terminal's line back first");
    expect(words({ kind: "ranks" } as Slip).what).toContain("changed over");
  });

  it("counts rows the way one says it", () => {
    const rows = (more: number) => words({ kind: "row", more }).what;
    expect(rows(1)).toMatch(/^One row more than entered: the width is short of what works by 15.0 cm/);
    expect(rows(-1)).toMatch(/^One row fewer than entered: the width is over/);
    expect(rows(2)).toMatch(/^Two rows more/);
    expect(rows(-3)).toMatch(/^Three rows fewer/);
    expect(rows(4)).toMatch(/^4 rows more/);
    expect(rows(2)).toContain("30.0 cm");
  });

  it("knows lines left from a tool by its name, by a row, or only by their distance", () => {
    const spacing = (by: number, more: Partial<Extract<Slip, { kind: "spacing" }>> = {}) =>
      words({ kind: "spacing", by, rows: null, like: null, ...more });
    expect(spacing(-1.5, { like: "Boom, one wing folded" }).what).toContain(
      "Lines of “Boom, one wing folded”",
    );
    expect(spacing(0.15, { rows: 1 }).what).toBe(
      "One row too many in the terminal's spacing: its lines lie 15.0 cm too wide.",
    );
    expect(spacing(-0.3, { rows: -2 }).what).toContain("Two rows too few");
    expect(spacing(-0.4).what).toContain("40.0 cm too close");
    expect(spacing(-0.4).next).toContain("left from another tool");
    expect(words({ kind: "variant", name: "one rank" }).what).toContain("as wide as “one rank”");
  });

  it("speaks feet and inches where those are chosen", () => {
    expect(words({ kind: "row", more: 1 }, us).what).toMatch(/5\.91 in/);
    expect(words({ kind: "zero", key: "axle.pin" }, us).next).toContain("'");
  });
});

describe("a figure in words", () => {
  const measured = (value: number, rest: Partial<Measured> = {}): Measured => ({
    key: "k",
    label: "",
    unit: "length",
    terms: [],
    entered: 0,
    off: { ...exact(value), half: 0.006 },
    absolute: false,
    sides: null,
    ...rest,
  });
  const off = (value: number, rest: Partial<Measured> = {}, units = metric) =>
    plain(offWords(measured(value, rest), units));

  it("has its side by name, or its sign, and neither where it is nothing", () => {
    const sides = { plus: "right", minus: "left" };
    expect(off(0.024, { sides })).toBe("24 mm right");
    expect(off(-0.024, { sides })).toBe("24 mm left");
    expect(off(0.0001, { sides })).toBe("0 mm");
    expect(off(-0.05)).toBe("−50 mm");
    expect(off(0.05)).toBe("+50 mm");
    expect(off(-0.4, { unit: "time" })).toBe("−0.40 s");
  });

  it("is in millimetres while small, then in centimetres, then on the tape; in inches all along", () => {
    expect(plain(size(0.0994, metric))).toBe("99 mm");
    expect(plain(size(0.1, metric))).toBe("10.0 cm");
    expect(plain(size(-1.234, metric))).toBe("1.234 m");
    expect(plain(size(0.0254, us))).toBe("1.00 in");
    expect(size(1.5, us)).toContain("'");
  });

  it("says how sure it is, and nothing where nothing is known", () => {
    expect(plain(halfWords("length", { ...exact(0), half: 0.0062 }, metric)!)).toBe("± 6 mm");
    expect(plain(halfWords("time", { ...exact(0), half: 0.08 }, metric)!)).toBe("± 0.08 s");
    expect(halfWords("length", { ...exact(0), half: null }, metric)).toBeNull();
  });
});
