import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type EquippedAdjuster, NO_EQUIPMENT } from "../../core/lending/equipment.ts";
import { FileProblem } from "../isoxml/problem.ts";
import { MOST_BYTES, readMachineFile, writeMachineFile } from "./machine-file.ts";
import { anyFact, anyMachineFile } from "./sample-machine-files.ts";

const bytesOf = (text: string) => new TextEncoder().encode(text);

const problemOf = (given: string): string => {
  try {
    readMachineFile(bytesOf(given));
    return "";
  } catch (error) {
    if (error instanceof FileProblem) return error.message;
    throw error;
  }
};

describe("the file of a machine", () => {
  it("reads back as it was written, whatever is in it", () => {
    fc.assert(
      fc.property(anyMachineFile, (given) => {
        expect(readMachineFile(bytesOf(writeMachineFile(given)))).toEqual(given);
      }),
    );
  });

  it("is read or refused with a sentence, whatever was done to it", () => {
    const [good] = fc.sample(anyMachineFile, { numRuns: 1, seed: 7 });
    const text = writeMachineFile(good!);
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 3 }), fc.nat(40), (at, put, cut) => {
        const said = problemOf(text.slice(0, at) + put + text.slice(at + cut));
        expect(said).not.toMatch(/undefined|\[object/);
      }),
      { numRuns: 400 },
    );
  });

  it("is read in its older versions: the first told nothing of hydraulics, weights and tyres, the second nothing of adjusters", () => {
    const [sample] = fc.sample(anyMachineFile, { numRuns: 1, seed: 7 });
    const parts = sample!.parts.filter(({ kind }) => kind !== "adjuster");
    const told = JSON.parse(writeMachineFile({ ...sample!, parts })) as Record<string, unknown>;
    const { equipment, ...first } = told;
    const read = (version: number, more: object) =>
      readMachineFile(bytesOf(JSON.stringify({ ...first, ...more, version })));
    expect(read(1, {})).toEqual({ ...sample!, parts, equipment: NO_EQUIPMENT });
    const { adjusters: _, ...second } = equipment as typeof NO_EQUIPMENT;
    expect(read(2, { equipment: second })).toEqual({
      ...sample!,
      parts,
      equipment: { ...sample!.equipment, adjusters: [] },
    });
    expect(problemOf(JSON.stringify({ ...first, version: 2 }))).toContain("equipment");
    expect(problemOf(JSON.stringify({ ...first, equipment: second, version: 3 }))).toContain("adjusters");
  });

  it("has adjusters that could be, and a part for each", () => {
    const [good] = fc.sample(anyMachineFile, { numRuns: 1, seed: 7 });
    const part = { kind: "adjuster", label: "left", x: null, y: null, place: 1 };
    const screw: EquippedAdjuster = {
      form: "spindle",
      low: -4,
      high: 4,
      storage: null,
      start: 0,
      effect: null,
      acts: null,
      pair: null,
      master: null,
      up: null,
      how: "",
      learntFrom: null,
      error: null,
    };
    const of = (...told: Partial<EquippedAdjuster>[]) =>
      problemOf(
        writeMachineFile({
          ...good!,
          facts: [],
          parts: told.map(() => part),
          equipment: { ...NO_EQUIPMENT, adjusters: told.map((each) => ({ ...screw, ...each })) },
        }),
      );
    const effect = { front: 0.001, rear: 0, across: 0 };
    expect(of({ effect, error: effect }, { master: 0, pair: { at: 0, difference: 2 } })).toBe("");
    expect(of({ low: 5 })).toContain("ends before it begins");
    expect(of({ effect, acts: { measure: "lean", by: null } })).toContain("two things at once");
    expect(of({ effect, error: 0.1 })).toContain("sure of what it does not do");
    expect(of({ error: 0.1 })).toContain("sure of what it does not do");
    const alone = "equipment adjusters 0 goes with one it cannot go with";
    expect(of({ pair: { at: 1, difference: 0 } })).toContain(alone);
    expect(of({ pair: { at: 0, difference: 0 } })).toContain(alone);
    expect(of({ master: 0 })).toContain(alone);
    // A slave's slave, and two that follow each other.
    expect(of({}, { master: 0 }, { master: 1 })).toContain("adjusters 2 goes with");
    expect(of({ master: 1 }, { master: 0 })).toContain(alone);
    expect(
      problemOf(writeMachineFile({ ...good!, facts: [], parts: [part], equipment: NO_EQUIPMENT })),
    ).toContain("not those of the parts");
  });

  it("says what is wrong with it, and where", () => {
    const [good] = fc.sample(anyMachineFile, { numRuns: 1, seed: 7 });
    const first = fc.sample(anyFact, { numRuns: 1, seed: 3 })[0]!;
    const of = (more: object) => problemOf(writeMachineFile({ ...good!, ...more }));
    expect(problemOf("{")).toContain("no JSON");
    expect(problemOf("[]")).toContain("no JSON");
    expect(problemOf('{"format":"else"}')).toContain("another kind");
    expect(problemOf(JSON.stringify({ format: "ambrek machine", version: 9 }))).toContain("version 9");
    expect(of({ loans: [] })).toContain("loans");
    expect(of({ machine: { ...good!.machine, kind: "boat" } })).toContain("machine kind");
    expect(of({ spare: 1 })).toContain("spare");
    expect(of({ facts: [first, first] })).toContain("is there twice");
    expect(of({ facts: [{ ...first, on: { of: "point", at: 1 } }] })).toContain("a point that is not there");
    const renewed = { ...first, kind: "renewed", on: { of: "machine" } } as const;
    expect(of({ facts: [{ ...first, ...renewed }] })).toContain("facts 0");
    expect(of({ facts: [{ ...first, variant: 4 }] })).toContain("way of working that is not there");
    expect(of({ facts: [{ ...first, person: "a\u0000b" }] })).toContain("facts 0 person");
    expect(of({ wear: [{ name: "Points", count: 1, fresh: 0.1, limit: 0.2, delivery: 0 }] })).toContain(
      "thicker",
    );
    const equipped = (more: object) => of({ facts: [], parts: [], equipment: { ...NO_EQUIPMENT, ...more } });
    const weight = { label: "block", mass: 600, place: 3, count: 1 };
    expect(equipped({ weights: [{ ...weight, mass: -1 }] })).toContain("equipment weights 0 mass");
    const shod = { axle: "front", count: 2, label: "540/65 R30", source: "", cells: [] };
    expect(equipped({ tyres: [shod, shod] })).toContain("the same twice");
    expect(equipped({ tyres: [{ ...shod, cells: [{ speed: 8, pressure: 0, load: 900 }] }] })).toContain(
      "pressure",
    );
    expect(equipped({ weights: [weight], tyres: [shod] })).toBe("");
    expect(() => readMachineFile(new Uint8Array(MOST_BYTES + 1))).toThrow("larger than 16 MB");
    expect(() => readMachineFile(new Uint8Array([0x7b, 0xff, 0xfe]))).toThrow(FileProblem);
  });
});
