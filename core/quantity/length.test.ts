import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  LENGTH_STYLES,
  type LengthStyle,
  METRES_PER,
  parseLength,
  printedStep,
  printLength,
} from "./length.ts";

const metres = (text: string, style: LengthStyle = "m") => {
  const read = parseLength(text, style);
  if (!read.ok) throw new Error(read.problem);
  return read.value.metres;
};
const problem = (text: string, style: LengthStyle = "m") => {
  const read = parseLength(text, style);
  return read.ok ? `read as ${read.value.metres}` : read.problem;
};

describe("conversion factors", () => {
  it("has the international inch of 25.4 mm exactly (yard and pound agreement of 1959; NIST SP 811)", () => {
    expect(METRES_PER.in).toBe(0.0254);
    expect(METRES_PER.ft).toBe(0.3048);
    expect(metres('1"')).toBe(0.0254);
    expect(metres("1 ft")).toBe(0.3048);
    // NIST SP 811: 1 yd = 0.9144 m
    expect(metres("3 ft")).toBeCloseTo(0.9144, 12);
  });
});

describe("what people write on a tape sheet", () => {
  // 12 ft 6 3/8 in = 150.375 in = 3.819525 m, worked by hand
  it.each([
    ["12' 6 3/8\"", 3.819525],
    ["12' 6-3/8\"", 3.819525],
    ["12'6 3/8", 3.819525],
    ["12ft 6.375in", 3.819525],
    ["12 ft 6 3/8 in", 3.819525],
    ["12′ 6⅜″", 3.819525],
    ["12’ 6 ⅜”", 3.819525],
    ["12' 6 3/8''", 3.819525],
    ['150.375"', 3.819525],
    // The fraction behind the mark: 10 ft 6 3/8 in = 126.375 in; 11 ft 0 3/8 in = 132.375 in
    ["10 ′ 6 ″ 3/8", 126.375 * 0.0254],
    ["11′ 0 3/8″", 132.375 * 0.0254],
    ['6" 3/8', 6.375 * 0.0254],
    ["3 m 10 cm", 3.1],
    ["3 m 10,5 cm", 3.105],
    ["31 cm 4 mm", 0.314],
    ["2 m 45 mm", 2.045],
    ["12 ft", 3.6576],
    ["150 in", 3.81],
    ['150"', 3.81],
    ["3.81", 3.81],
    ["3,81 m", 3.81],
    ["3810mm", 3.81],
    ["381 cm", 3.81],
    ["1 234,5 mm", 1.2345],
    ["5,364 m", 5.364],
    ["5,364 mm", 5.364],
    ["0,125", 0.125],
    ['½"', 0.0127],
    ["3/8 in", 0.009525],
    ["-0.02", -0.02],
    ["−2 cm", -0.02],
    ["+ 15 mm", 0.015],
    ["0", 0],
  ])("%s is %d m", (text, value) => {
    expect(metres(text)).toBeCloseTo(value, 12);
  });

  it("gives a bare number the unit the field shows; feet-and-inches fields count bare numbers in inches", () => {
    expect(metres("150", "in")).toBeCloseTo(3.81, 12);
    expect(metres("150", "ft-in")).toBeCloseTo(3.81, 12);
    expect(metres("12.5", "cm")).toBeCloseTo(0.125, 12);
    expect(metres("3810", "mm")).toBeCloseTo(3.81, 12);
    expect(metres("12 3/8", "in")).toBeCloseTo(12.375 * 0.0254, 12);
  });

  it("knows how finely the text was read", () => {
    const step = (text: string) => {
      const read = parseLength(text, "m");
      return read.ok ? read.value.step : Number.NaN;
    };
    expect(step("12' 6 3/16\"")).toBeCloseTo(0.0254 / 16, 12);
    expect(step("12' 6\"")).toBeCloseTo(0.0254, 12);
    expect(step("3.81")).toBeCloseTo(0.01, 12);
    expect(step("3810 mm")).toBeCloseTo(0.001, 12);
    expect(step("4 m")).toBe(1);
  });
});

describe("refusals say what was not understood and give an example", () => {
  it.each([
    ["", "Nothing was typed"],
    ["   ", "Nothing was typed"],
    ["abc", "“abc”"],
    ["12 yd", "“yd”"],
    ["NaN", "“nan”"],
    ["Infinity", "“infinity”"],
    ["1e5", "“e”"],
    ["12' 14\"", "under 12"],
    ["12.5' 6\"", "decimals"],
    ["3 m 20", "only feet and inches"],
    ["3.8.1", "two decimal marks"],
    ["1.234,5", "two decimal marks"],
    ["1,234 cm", "1.234 or 1234"],
    ["12 6", "two numbers in a row"],
    ["6 3/0", "not a fraction on a tape"],
    ["6 1/3", "not a fraction on a tape"],
    ["6 9/8", "not less than one"],
    ["3.", "ends in a decimal mark"],
    ["--3", "two signs"],
    ["m", "no number before it"],
    ['12\' 6" 3"', "more than two parts"],
    ["12' 6.5\" 3/8", "more than two parts"],
    ["3 cm 2 m", "cannot be added"],
    ["3 m 120 cm", "cannot be added"],
    ["3.5 m 10 cm", "cannot be added"],
    ["99999999999", "too large"],
    ["1".repeat(60), "too long"],
    ["3;8", "“;”"],
  ])("%j", (text, piece) => {
    expect(problem(text)).toContain(piece);
    expect(problem(text)).toContain("Type it like 3.81");
  });
});

describe("printing", () => {
  it("prints metres, millimetres, feet with fractions and decimal inches", () => {
    const text = (value: number, style: LengthStyle) => printLength(value, style).replace(/\u00a0/g, " ");
    expect(text(3.819525, "m")).toBe("3.820 m");
    expect(text(3.819525, "mm")).toBe("3820 mm");
    expect(text(3.819525, "ft-in")).toBe("12' 6 3/8\"");
    expect(text(3.819525, "in")).toBe("150.38 in");
    expect(text(0.125, "cm")).toBe("12.5 cm");
    expect(text(0.009525, "ft-in")).toBe('3/8"');
    expect(text(0, "ft-in")).toBe('0"');
    expect(text(0.3048, "ft-in")).toBe("1' 0\"");
  });

  it("marks the sign, and none on what rounds to zero", () => {
    expect(printLength(-0.02, "m", { signed: true, bare: true })).toBe("−0.020");
    expect(printLength(0.02, "m", { signed: true, bare: true })).toBe("+0.020");
    expect(printLength(-0.0001, "m", { signed: true, bare: true })).toBe("0.000");
  });

  it("rounds halves up as people do, and carries 15.99/16 into the next inch", () => {
    expect(printLength(2.345, "m", { decimals: 2, bare: true })).toBe("2.35");
    expect(printLength(1.005, "m", { decimals: 2, bare: true })).toBe("1.01");
    expect(printLength(12 * 0.0254 - 0.0001, "ft-in").replace(/\u00a0/g, " ")).toBe("1' 0\"");
  });

  it("is read back within half the printed place, in every style", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.constantFrom(...LENGTH_STYLES),
        (value, style) => {
          const back = metres(printLength(value, style), style);
          expect(Math.abs(back - value)).toBeLessThanOrEqual(printedStep(style) / 2 + 1e-9);
        },
      ),
    );
  });

  it("never throws on any text, and never returns a number that isn't one", () => {
    const piece = fc.constantFrom(
      "1",
      "12",
      ".",
      ",",
      " ",
      "'",
      '"',
      "/",
      "-",
      "m",
      "mm",
      "ft",
      "in",
      "½",
      "″",
      "3/8",
      "0",
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(piece, { maxLength: 8 }).map((p) => p.join("")),
        ),
        (text) => {
          const read = parseLength(text, "m");
          if (read.ok) expect(Number.isFinite(read.value.metres) && read.value.step > 0).toBe(true);
          else expect(read.problem.length).toBeGreaterThan(10);
        },
      ),
    );
  });
});

describe("words every object has", () => {
  it.each(["5 constructor", "5 toString", "5 hasOwnProperty", "5 __proto__", "5 valueOf"])(
    "%s is no length",
    (text) => {
      expect(parseLength(text, "m").ok).toBe(false);
    },
  );
});
