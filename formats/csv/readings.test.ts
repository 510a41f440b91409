import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { sampleReading } from "../../core/rig/sample.ts";
import { readingsCsv } from "./readings.ts";

const about = { attachment: "drawn" as const, machine: "D2 Sorrick", point: "", takenBack: false };
const rows = (text: string) => Papa.parse<Record<string, string>>(text, { header: true }).data;

const written = (lines: Parameters<typeof readingsCsv>[0]) => [...readingsCsv(lines)].join("");

describe("readings as CSV", () => {
  it("have one line each, SI, the unit in the header, and come back as they were", () => {
    const text = written([
      {
        ...sampleReading("pin.pivot", 5.26, { rawText: "17' 3 1/8\"", note: 'said "about", twice' }),
        ...about,
      },
      { ...sampleReading("rows.count", 36), ...about, takenBack: true },
    ]);
    expect(text.split("\r\n")).toHaveLength(3);
    const [pivot, count] = rows(text);
    expect(pivot).toMatchObject({
      dimension: "pin.pivot",
      "value (m or count)": "5.26",
      "as typed": "17' 3 1/8\"",
      note: 'said "about", twice',
      grade: "taped",
      "taken back": "",
    });
    expect(count).toMatchObject({ "resolution (m)": "", "taken back": "yes" });
  });

  it("come piece by piece, whole", () => {
    const many = Array.from({ length: 1201 }, (_, index) => ({
      ...sampleReading("pin.pivot", index),
      ...about,
    }));
    const pieces = [...readingsCsv(many)];
    expect(pieces.length).toBeGreaterThan(3);
    expect(rows(pieces.join("")).map((row) => Number(row["value (m or count)"]))).toEqual(
      many.map(({ value }) => value),
    );
  });

  it("keep a negative length a number, and hand no formula to a spreadsheet", () => {
    const [row] = rows(
      written([
        { ...sampleReading("tool.lateral", -0.018, { rawText: "-1.8", note: "=HYPERLINK(1)" }), ...about },
      ]),
    );
    expect(row!["value (m or count)"]).toBe("-0.018");
    expect(row!.note).toBe("'=HYPERLINK(1)");
  });
});
