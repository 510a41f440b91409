import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { readTyreTable, writeTyreTable } from "./tyre-table.ts";

const { metric, us } = PRESETS;
const cellsOf = (text: string, units = metric) => {
  const read = readTyreTable(text, units);
  if (!read.ok) throw new Error(read.problems.map(({ problem }) => problem).join(" "));
  return read.cells;
};
const problemsOf = (text: string) => {
  const read = readTyreTable(text, metric);
  return read.ok ? [] : read.problems.map(({ line, problem }) => `${line}: ${problem}`);
};

describe("a tyre table as text", () => {
  it("reads speeds across and pressures down, in SI, leaving holes out", () => {
    expect(cellsOf(";10;40\n0,8;2100;1 650\n1.2 bar;2600;–")).toEqual([
      { speed: 10 / 3.6, pressure: 0.8e5, load: 2100 },
      { speed: 40 / 3.6, pressure: 0.8e5, load: 1650 },
      { speed: 10 / 3.6, pressure: 1.2e5, load: 2600 },
    ]);
  });

  it("reads what is pasted out of a spreadsheet, parted by tabs", () => {
    expect(cellsOf("\t10\n0.8\t2100")).toHaveLength(1);
  });

  it("takes bare numbers in the operator's units", () => {
    const [cell] = cellsOf(";25\n12;5000", us);
    expect(cell!.speed).toBeCloseTo(25 * 0.44704, 9);
    // NIST SP 811, appendix B.8: 1 psi = 6894.757 Pa, 1 lb = 0.45359237 kg.
    expect(cell!.pressure).toBeCloseTo(12 * 6894.757, 1);
    expect(cell!.load).toBeCloseTo(5000 * 0.45359237, 9);
  });

  it("says by the line what it cannot read", () => {
    expect(problemsOf(";10;fast\n0.8;2100;1500")[0]).toMatch(/^1: .fast. was not understood/);
    expect(problemsOf(";10\n0.8;2100;1500")).toEqual(["2: 2 loads for 1 speeds."]);
    expect(problemsOf(";10\n0.8;0")).toEqual(["2: “0” is zero."]);
    expect(problemsOf("")[0]).toMatch(/first line gives the speeds/);
    expect(problemsOf(";10\n0.8;–")).toEqual(["0: There is no load in the table yet."]);
  });

  it("refuses what no tyre does", () => {
    expect(problemsOf(";10\n0.8;2100\n1.2;2000")[0]).toMatch(/more pressure must not carry less/);
    expect(problemsOf(";10;40\n0.8;2100;2200")[0]).toMatch(/faster wheel must not carry more/);
    expect(problemsOf(";10\n0.8;2100\n0.8;2100")[0]).toMatch(/stands there twice/);
  });

  it("reads back every table it writes", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 4, max: 40 }), { minLength: 1, maxLength: 6 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 5 }),
        (pressures, speeds) => {
          const cells = pressures.flatMap((pressure) =>
            speeds.map((speed) => ({
              pressure: pressure * 1e4,
              speed: (speed * 10) / 3.6,
              load: 3000 + pressure * 100 - speed * 50,
            })),
          );
          const again = cellsOf(writeTyreTable(cells, metric));
          expect(again).toHaveLength(cells.length);
          for (const { pressure, speed, load } of cells) {
            const found = again.find(
              (each) => Math.abs(each.pressure - pressure) < 1 && Math.abs(each.speed - speed) < 0.01,
            );
            expect(found!.load).toBeCloseTo(load, 6);
          }
        },
      ),
    );
  });

  it("never throws, whatever is pasted", () => {
    fc.assert(fc.property(fc.string(), (text) => void readTyreTable(text, metric)));
  });
});
