import { describe, expect, it } from "vitest";
import { taken } from "../../session/download.server.ts";
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

describe("a file that is taken away", () => {
  const name = (...parts: string[]) =>
    new Headers(taken("text/csv", "csv", parts, new Date("2026-03-01T10:00:00Z"))).get("Content-Disposition");

  it("is named for what it is of, what it is, and of which day, in letters every system takes", () => {
    expect(name("Meadow drill, 3 m", "readings")).toBe(
      'attachment; filename="Meadow-drill-3-m-readings-2026-03-01.csv"',
    );
    expect(name("Sämaschine / Süd", "sheet")).toBe(
      'attachment; filename="Samaschine-Sud-sheet-2026-03-01.csv"',
    );
    expect(name("耕", "")).toBe('attachment; filename="2026-03-01.csv"');
    expect(name('a"; x="\r\n', "b")).toBe('attachment; filename="a-x-b-2026-03-01.csv"');
  });
});
