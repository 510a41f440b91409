import { describe, expect, it } from "vitest";
import { fitOf } from "./fit.ts";

const card = (lines: number, outdated = "") => ({
  pages: [{ page: "Implement", lines: Array.from({ length: lines }, () => ({}) as never) }],
  outdated,
});

describe("a card on paper", () => {
  it("is printed as usual while it fits a page, and the smaller the more lines it has", () => {
    expect(fitOf(card(12))).toBe(1);
    expect(fitOf(card(30))).toBeLessThan(1);
    expect(fitOf(card(50))).toBeLessThan(fitOf(card(30)));
    expect(fitOf(card(24, "Not up to date: ".repeat(20)))).toBeLessThan(1);
  });
});
