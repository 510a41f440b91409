import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { sampleReading } from "../../core/rig/sample.ts";
import { readingsCsv } from "./readings.ts";
import { readSheetCsv, sheetCsv } from "./sheet.ts";

const texts = (text: string) => {
  const read = readSheetCsv(text);
  return read.ok ? Object.fromEntries(read.texts) : read.problem;
};

const written = (lines: Parameters<typeof readingsCsv>[0], units = PRESETS.metric) =>
  [...readingsCsv(lines, units)].join("");

describe("a sheet of readings", () => {
  it("goes out empty, comes back filled, with commas or semicolons", () => {
    const empty = sheetCsv([
      { dimension: "pin.pivot", letter: "E", label: "Drawbar pin to wheels", "from, to": "", now: "missing" },
      { dimension: "tool.lateral", letter: "H", label: "Tool off the line", "from, to": "", now: "0" },
    ]);
    const lines = empty.split("\r\n");
    expect(texts([lines[0], `${lines[1]}5.318`, `${lines[2]}-1.2`].join("\r\n"))).toEqual({
      "pin.pivot": "5.318",
      "tool.lateral": "-1.2",
    });
    expect(texts("dimension;reading\npin.pivot;5,318 m\n")).toEqual({ "pin.pivot": "5,318 m" });
  });

  it("reads what was handed out, the last of each, not what was taken back", () => {
    const about = { attachment: "drawn" as const, machine: "", point: "", takenBack: false };
    const text = written([
      { ...sampleReading("pin.pivot", 5.2), ...about },
      { ...sampleReading("pin.pivot", 5.26), ...about },
      { ...sampleReading("pin.pivot", 9), ...about, takenBack: true },
      { ...sampleReading("work.speed", 2.5), ...about },
      { ...sampleReading("tool.kind", 7, { rawText: "drill" }), ...about },
    ]);
    expect(texts(text)).toEqual({ "pin.pivot": "5.26 m", "work.speed": "9 km/h", "tool.kind": "drill" });
  });

  it("reads them in the units they were handed out in, and as older builds handed them out", () => {
    const about = { attachment: "drawn" as const, machine: "", point: "", takenBack: false };
    const text = written([{ ...sampleReading("pin.pivot", 5.26), ...about }], PRESETS.us);
    expect(texts(text)).toEqual({ "pin.pivot": "207.086614 in" });
    expect(texts("dimension,value (m or count)\npin.pivot,5.26\n")).toEqual({ "pin.pivot": "5.26 m" });
  });

  it.each([
    ["a,b\n1,2", "no column “dimension”"],
    ["dimension,a\npin.pivot,2", "no column “reading”"],
    ["dimension,reading\npin.length,2", "Line 2"],
    ["dimension,reading\npin.pivot,\n", "Nothing"],
    ["", "no column"],
  ])("is refused: %j", (text, words) => {
    expect(texts(text)).toContain(words);
  });

  it("never throws", () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        readSheetCsv(`dimension,reading\n${text}`);
        readSheetCsv(text);
      }),
    );
  });
});
