import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { sampleEntry } from "../../core/yard/sample-log.ts";
import { logCsv } from "./log.ts";

const read = (csv: string) =>
  Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ""), { header: true, skipEmptyLines: true }).data;

describe("the log as CSV", () => {
  it("has units in its header, an empty cell where nothing is known, and figures as they were told", () => {
    const [done, going] = read(
      logCsv([sampleEntry(), sampleEntry({ ended: null, fieldArea: null })], PRESETS.metric),
    );
    expect(done).toMatchObject({
      field: "Far Fifty",
      "worked (ha)": "20",
      "field (ha)": "20.3",
      "at work (h)": "2",
      "fuel (l)": "50",
      "product used (l of liquids, kg of the rest)": "Leaf cover: 3650",
      card: "4",
      "ended (UTC)": "2026-04-09T08:30:00.000Z",
    });
    expect(going).toMatchObject({ "worked (ha)": "", "field (ha)": "", "ended (UTC)": "" });
    expect(read(logCsv([sampleEntry()], PRESETS.us))[0]!["worked (ac)"]).toBe("49.4210763");
  });

  it("runs no formula in a spreadsheet", () => {
    const field = { ...sampleEntry().field, name: '=HYPERLINK("x")' };
    expect(read(logCsv([sampleEntry({ field })], PRESETS.metric))[0]!.field).toBe('\'=HYPERLINK("x")');
  });
});
