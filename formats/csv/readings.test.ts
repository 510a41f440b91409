import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { sampleReading } from "../../core/rig/sample.ts";
import { readingsCsv } from "./readings.ts";

const about = { attachment: "drawn" as const, machine: "D2 Sorrick", point: "", takenBack: false };
const rows = (text: string) => Papa.parse<Record<string, string>>(text, { header: true }).data;

const written = (lines: Parameters<typeof readingsCsv>[0]) =>
  [...readingsCsv(lines, PRESETS.metric)].join("");

describe("readings as CSV", () => {
  it("have one line each, in the reader's units, the unit beside, and come back as they were", () => {
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
      "value (in the unit beside it)": "5.26",
      unit: "m",
      "as typed": "17' 3 1/8\"",
      note: 'said "about", twice',
      grade: "taped",
      "taken back": "",
    });
    expect(count).toMatchObject({ unit: "", "resolution (in that unit)": "", "taken back": "yes" });
  });

  it("are in inches, pounds and psi for whoever reads so", () => {
    // 5.26 m / 0.0254 = 207.086614 in; 3120 kg / 0.45359237 = 6878.42258 lb (yard and pound agreement, 1959)
    const [pivot, mass] = rows(
      [
        ...readingsCsv(
          [
            { ...sampleReading("pin.pivot", 5.26), ...about },
            { ...sampleReading("tool.mass", 3120), ...about },
          ],
          PRESETS.us,
        ),
      ].join(""),
    );
    expect(pivot).toMatchObject({ "value (in the unit beside it)": "207.086614", unit: "in" });
    expect(mass).toMatchObject({ "value (in the unit beside it)": "6878.42258", unit: "lb" });
  });

  it("come piece by piece, whole", () => {
    const many = Array.from({ length: 1201 }, (_, index) => ({
      ...sampleReading("pin.pivot", index),
      ...about,
    }));
    const pieces = [...readingsCsv(many, PRESETS.metric)];
    expect(pieces.length).toBeGreaterThan(3);
    expect(rows(pieces.join("")).map((row) => Number(row["value (in the unit beside it)"]))).toEqual(
      many.map(({ value }) => value),
    );
  });

  it("keep a negative length a number, and hand no formula to a spreadsheet", () => {
    const [row] = rows(
      written([
        { ...sampleReading("tool.lateral", -0.018, { rawText: "-1.8", note: "=HYPERLINK(1)" }), ...about },
      ]),
    );
    expect(row).toMatchObject({ "value (in the unit beside it)": "-1.8", unit: "cm" });
    expect(row!.note).toBe("'=HYPERLINK(1)");
  });
});
