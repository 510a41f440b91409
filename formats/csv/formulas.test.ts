import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { sampleReading } from "../../core/rig/sample.ts";
import { sampleEntry } from "../../core/yard/sample-log.ts";
import { cell } from "./cell.ts";
import { logCsv } from "./log.ts";
import { readingsCsv } from "./readings.ts";
import { serviceCsv } from "./service.ts";
import { sheetCsv } from "./sheet.ts";

/** What a spreadsheet runs begins so (OWASP, CSV Injection); a number may. */
const RUNS = /^[=+\-@\t\r\n＝＋－＠]/;
const isNumber = (text: string) => /^-?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(text);

const text = fc.oneof(
  fc.constantFrom(
    "=1+1",
    "+1",
    "-1+cmd|' /C calc'!A0",
    "@SUM(A1)",
    "\t=1",
    "\r=1",
    "\n=1",
    "＝1+1",
    '=HYPERLINK("x")',
  ),
  fc.string({ maxLength: 12 }),
);

/** Every file that opens in a spreadsheet, of things called so. */
const FILES: Record<string, (called: string) => string> = {
  readings: (called) =>
    [
      ...readingsCsv(
        [
          {
            ...sampleReading("tool.lateral", -0.018, {
              rawText: called,
              note: called,
              person: called,
              conditions: [],
            }),
            attachment: "drawn",
            machine: called,
            point: called,
            takenBack: false,
          },
        ],
        PRESETS.metric,
      ),
    ].join(""),
  log: (called) => {
    const entry = sampleEntry();
    const field = { ...entry.field, name: called, farm: called, client: called };
    return logCsv(
      [{ ...entry, field, crop: called, rig: called, person: called, season: called }],
      PRESETS.metric,
    );
  },
  service: (called) =>
    serviceCsv([
      {
        machine: called,
        fleetNumber: called,
        what: called,
        kind: "oil",
        at: "2026-04-09T08:30:00.000Z",
        meter: null,
        note: called,
        person: called,
      },
    ]),
  sheet: (called) =>
    sheetCsv([{ dimension: "tool.width", letter: called, label: called, "from, to": called, now: called }]),
};

describe("a file that opens in a spreadsheet", () => {
  for (const [name, write] of Object.entries(FILES))
    it(`runs nothing: ${name}`, () => {
      fc.assert(
        fc.property(text, (called) => {
          const cells = Papa.parse<string[]>(write(called).replace(/^\ufeff/, ""), {
            newline: "\r\n",
            delimiter: ",",
          }).data.flat();
          expect(cells.filter((each) => RUNS.test(each) && !isNumber(each))).toEqual([]);
        }),
      );
    });

  it("keeps what is no formula as it is", () => {
    for (const plain of ["Meadow drill", "3 m", "", "'", "a=b"]) expect(cell(plain)).toBe(plain);
    expect(cell("=1+1")).toBe("'=1+1");
  });
});
