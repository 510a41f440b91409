import { describe, expect, it } from "vitest";
import { taken } from "./download.server.ts";

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
