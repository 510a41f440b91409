import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { FileFact, MachineFile, On } from "../../core/lending/machine-file.ts";
import { ALL_INSTRUMENTS } from "../../core/rig/grade.ts";
import { FileProblem } from "../isoxml/problem.ts";
import { MOST_BYTES, readMachineFile, writeMachineFile } from "./machine-file.ts";

const bytesOf = (text: string) => new TextEncoder().encode(text);

const text = (most: number) =>
  fc.string({ unit: "grapheme", maxLength: most }).filter((said) => !/[\p{Cc}\p{Cs}]/u.test(said));
const named = text(30).filter((said) => said.length > 0);
const moment = fc
  .date({ min: new Date("2001-01-01"), max: new Date("2099-01-01"), noInvalidDate: true })
  .map((date) => date.toISOString());
const figure = fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((value) => value || 0);
const positive = fc.double({ min: 0.001, max: 1e6, noNaN: true });

const every = {
  id: fc.uuid(),
  variant: fc.constantFrom(null, 0),
  topic: text(20),
  happened: moment,
  person: named,
  back: fc.option(fc.record({ person: named, happened: moment })),
};
const on = fc.constantFrom<On>({ of: "machine" }, { of: "point", at: 0 }, { of: "part", at: 0 });
const kind = <K extends FileFact["kind"]>(which: K) => fc.constant(which);
const fact = fc.oneof(
  fc.record({
    ...every,
    on,
    kind: kind("reading"),
    value: figure,
    step: positive,
    text: text(20),
    instrument: fc.constantFrom(...ALL_INSTRUMENTS),
    sitting: named,
    reason: text(40),
    conditions: fc.constant([]),
    note: text(40),
  }),
  fc.record({
    ...every,
    on,
    kind: kind("sections"),
    instrument: fc.constantFrom(...ALL_INSTRUMENTS),
    sections: fc.array(fc.record({ width: positive, ahead: figure, product: text(10) }), { maxLength: 5 }),
  }),
  fc.record({ ...every, on, kind: kind("change"), note: text(40) }),
  fc.record({ ...every, on, kind: kind("told"), value: figure, text: text(20) }),
  fc.record({ ...every, on, kind: kind("meter"), reading: positive }),
  fc.record({
    ...every,
    on,
    kind: kind("serviced"),
    at: fc.constant(0),
    meter: fc.option(positive),
    note: text(40),
  }),
  fc.record({ ...every, on, kind: kind("worn"), at: fc.constant(0), size: positive, replaced: fc.boolean() }),
) as fc.Arbitrary<FileFact>;

const file: fc.Arbitrary<MachineFile> = fc.record({
  yard: named,
  person: named,
  written: moment,
  loans: fc.array(fc.uuid(), { minLength: 1, maxLength: 3 }),
  way: fc.constantFrom("out", "back"),
  machine: fc.record({
    kind: fc.constantFrom("tractor", "self-propelled", "implement"),
    attachment: fc.constant("drawn" as const),
    make: named,
    model: named,
    fleetNumber: text(10),
    serial: text(10),
    busName: fc.constantFrom("", "A00C840000000001"),
  }),
  points: fc.constant([{ kind: "drawbar hole" as const, label: "hole 1" }]),
  variants: fc.constant(["one wing up"]),
  parts: fc.constant([{ kind: "nozzle", label: "", x: null, y: 0.5, place: 1 }]),
  service: fc.constant([
    {
      name: "Grease",
      kind: "grease" as const,
      round: "interval" as const,
      points: 4,
      everyTime: 36_000,
      everyArea: null,
      everyDays: null,
      everySeason: false,
      note: "",
    },
  ]),
  wear: fc.constant([{ name: "Points", count: 12, fresh: 0.1, limit: 0.04, delivery: 3 }]),
  facts: fc.uniqueArray(fact, { selector: ({ id }) => id, maxLength: 12 }),
  leftOut: fc.array(text(40), { maxLength: 3 }),
});

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
      fc.property(file, (given) => {
        expect(readMachineFile(bytesOf(writeMachineFile(given)))).toEqual(given);
      }),
    );
  });

  it("is read or refused with a sentence, whatever was done to it", () => {
    const [good] = fc.sample(file, { numRuns: 1, seed: 7 });
    const text = writeMachineFile(good!);
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 3 }), fc.nat(40), (at, put, cut) => {
        const said = problemOf(text.slice(0, at) + put + text.slice(at + cut));
        expect(said).not.toMatch(/undefined|\[object/);
      }),
      { numRuns: 400 },
    );
  });

  it("says what is wrong with it, and where", () => {
    const [good] = fc.sample(file, { numRuns: 1, seed: 7 });
    const first = fc.sample(fact, { numRuns: 1, seed: 3 })[0]!;
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
    expect(of({ facts: [{ ...first, variant: 4 }] })).toContain("way of working that is not there");
    expect(of({ facts: [{ ...first, person: "a\u0000b" }] })).toContain("facts 0 person");
    expect(of({ wear: [{ name: "Points", count: 1, fresh: 0.1, limit: 0.2, delivery: 0 }] })).toContain(
      "thicker",
    );
    expect(() => readMachineFile(new Uint8Array(MOST_BYTES + 1))).toThrow("larger than 16 MB");
    expect(() => readMachineFile(new Uint8Array([0x7b, 0xff, 0xfe]))).toThrow(FileProblem);
  });
});
