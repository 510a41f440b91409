import { describe, expect, it } from "vitest";
import { linesThen } from "./lines.ts";

describe("lines that are there, under another spacing", () => {
  it("stay where it is the same to the centimetre", () => {
    expect(linesThen(6, 6.004)).toEqual({ kind: "stay" });
  });

  it("get more between them where the new one fits in whole", () => {
    expect(linesThen(12, 6)).toEqual({ kind: "between", more: 1 });
    expect(linesThen(18, 6.02)).toEqual({ kind: "between", more: 2 });
  });

  it("are laid anew otherwise: a wider spacing leaves strips of the narrower tool, never the other way", () => {
    expect(linesThen(6, 4.5)).toEqual({ kind: "anew", left: true });
    expect(linesThen(6, 9)).toEqual({ kind: "anew", left: false });
    expect(linesThen(6, 12)).toEqual({ kind: "anew", left: false });
  });
});
