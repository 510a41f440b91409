import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { parseTyped } from "./typed.ts";

const LATERAL = { family: "length", sides: { plus: "right", minus: "left" } } as const;
const JOINT = { family: "length", sides: { plus: "gap", minus: "overlap" }, mustSay: true } as const;
const amountOf = (...asked: Parameters<typeof parseTyped>) => {
  const read = parseTyped(...asked);
  return read.ok ? read.value.value : read.problem;
};

describe("a quantity as it is typed", () => {
  it("takes a side by word, by a word beside it, or by sign", () => {
    expect(amountOf(LATERAL, "2 cm left", "m")).toBeCloseTo(-0.02, 12);
    expect(amountOf(LATERAL, "2LEFT", "cm")).toBeCloseTo(-0.02, 12);
    expect(amountOf(LATERAL, "2", "cm", "left")).toBeCloseTo(-0.02, 12);
    expect(amountOf(LATERAL, "− 2", "cm")).toBeCloseTo(-0.02, 12);
    expect(amountOf(LATERAL, "2", "cm")).toBeCloseTo(0.02, 12);
    expect(
      amountOf({ family: "angle", sides: { plus: "nose up", minus: "nose down" } }, "1.5 nose down", "°"),
    ).toBeCloseTo((-1.5 * Math.PI) / 180, 12);
  });

  it("refuses a sign beside a side, two signs, and where it must be said a bare figure; but nothing has no side", () => {
    expect(amountOf(LATERAL, "-2 left", "cm")).toContain("sign and a side");
    expect(amountOf(LATERAL, "--2", "cm")).toEqual(expect.any(String));
    expect(amountOf(JOINT, "12", "mm")).toBe("Say which: gap or overlap.");
    expect(amountOf(JOINT, "12 overlap", "mm")).toBeCloseTo(-0.012, 12);
    expect(amountOf(JOINT, "0", "mm")).toBe(0);
    expect(amountOf(LATERAL, "0 left", "mm")).toBe(0);
    expect(amountOf(LATERAL, "left", "mm")).toEqual(expect.any(String));
  });

  it("reads a word that only ends like a side as no side", () => {
    expect(amountOf({ family: "length", sides: { plus: "in", minus: "out" } }, "2 min", "m")).toEqual(
      expect.any(String),
    );
  });

  it("is the same to either side, whatever is typed", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 50, noNaN: true }), (metres) => {
        const text = metres.toFixed(3);
        const right = amountOf(LATERAL, `${text} m right`, "cm");
        const left = amountOf(LATERAL, `${text} m left`, "cm");
        expect(typeof right).toBe("number");
        expect(left).toBe(right === 0 ? 0 : -(right as number));
        expect(amountOf(LATERAL, `-${text}`, "m")).toBe(left);
      }),
    );
  });

  it("of a family reads a bare figure in the field's unit, or in the family's first", () => {
    expect(amountOf({ family: "speed", sides: null }, "8", "km/h")).toBeCloseTo(8 / 3.6, 12);
    expect(amountOf({ family: "mass", sides: null }, "2 t", "kg")).toBe(2000);
    expect(amountOf({ family: "mass", sides: null }, "2", "no unit")).toBe(2);
  });
});
