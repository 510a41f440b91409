import { describe, expect, it } from "vitest";
import { holdMachine } from "./compare.ts";
import { NO_EQUIPMENT } from "./equipment.ts";
import type { FileFact, MachineFile } from "./machine-file.ts";

const day = (of: number) => `2026-09-${String(of).padStart(2, "0")}T08:00:00.000Z`;

const read = (
  id: string,
  happened: string,
  more: Partial<Extract<FileFact, { kind: "reading" }>> = {},
): FileFact => ({
  kind: "reading",
  id,
  happened,
  on: { of: "machine" },
  variant: null,
  topic: "tool.width",
  person: "Karl Ost",
  back: null,
  value: 6,
  step: 0.01,
  text: "6.00",
  instrument: "tape",
  sitting: id,
  reason: "",
  conditions: [],
  note: "",
  ...more,
});

const file = (facts: FileFact[], more: Partial<MachineFile> = {}): MachineFile => ({
  yard: "Lindhof",
  person: "Karl Ost",
  written: day(30),
  loans: ["a"],
  way: "out",
  machine: {
    kind: "implement",
    attachment: "drawn",
    make: "Ferrow",
    model: "6",
    fleetNumber: "",
    serial: "",
    busName: "",
  },
  equipment: NO_EQUIPMENT,
  points: [],
  variants: [],
  parts: [],
  service: [],
  wear: [],
  facts,
  leftOut: [],
  ...more,
});

const becomes = (here: FileFact[], there: FileFact[]) =>
  holdMachine(file(here), file(there)).figures.map((each) => [each.becomes, each.weaker]);

describe("a machine's file against the yard", () => {
  it("lets the newer reading count, whichever yard it is of", () => {
    expect(becomes([], [read("b", day(2))])).toEqual([["new", false]]);
    expect(becomes([read("a", day(1))], [read("a", day(1))])).toEqual([["same", false]]);
    expect(becomes([read("a", day(1))], [read("a", day(1)), read("b", day(2))])).toEqual([["file", false]]);
    expect(becomes([read("a", day(3))], [read("b", day(2))])).toEqual([["here", false]]);
  });

  it("says where a lower grade displaces a better one", () => {
    expect(becomes([read("a", day(1))], [read("b", day(2), { instrument: "estimate" })])).toEqual([
      ["file", true],
    ]);
  });

  it("counts nothing that was taken back, and says what the file takes back here", () => {
    const back = { person: "Karl Ost", happened: day(4) };
    const held = holdMachine(file([read("a", day(1))]), file([read("a", day(1), { back })]));
    expect(held).toMatchObject({ figures: [], fresh: 0, known: 1, takenBack: 1 });
  });

  it("finds the same entry with other words, which is not taken", () => {
    const held = holdMachine(
      file([read("a", day(1))]),
      file([read("a", day(1), { value: 7, text: "7.00" })]),
    );
    expect(held.differing.map(({ id }) => id)).toEqual(["a"]);
  });

  it("tells points, parts and ways of working apart by their names, not by their places", () => {
    const here = file([read("a", day(1), { on: { of: "point", at: 1 } })], {
      points: [
        { kind: "receiver mount", label: "roof" },
        { kind: "drawbar hole", label: "hole 2" },
      ],
    });
    const there = file([read("b", day(2), { on: { of: "point", at: 0 } })], {
      points: [{ kind: "drawbar hole", label: "hole 2" }],
    });
    expect(holdMachine(here, there).figures).toMatchObject([
      { becomes: "file", where: "drawbar hole: hole 2" },
    ]);
    const folded = file([read("b", day(2), { variant: 0 })], { variants: ["left wing up"] });
    expect(holdMachine(file([read("a", day(1))]), folded).figures).toMatchObject([
      { becomes: "new", variant: "left wing up" },
    ]);
  });
});
