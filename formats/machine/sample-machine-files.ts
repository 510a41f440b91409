/** Files of machines as anybody may send them, for tests: whatever the format lets through. */
import fc from "fast-check";
import { DIMENSION_KEYS } from "../../core/dimension/catalogue.ts";
import { CHANGE_KINDS } from "../../core/dimension/change.ts";
import type { FileFact, MachineFile, On } from "../../core/lending/machine-file.ts";
import { ALL_INSTRUMENTS } from "../../core/rig/grade.ts";

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
  topic: fc.oneof(text(20), fc.constantFrom(...DIMENSION_KEYS, ...CHANGE_KINDS)),
  happened: moment,
  person: named,
  back: fc.option(fc.record({ person: named, happened: moment })),
};
const on = fc.constantFrom<On>({ of: "machine" }, { of: "point", at: 0 }, { of: "part", at: 0 });
const kind = <K extends FileFact["kind"]>(which: K) => fc.constant(which);
export const anyFact = fc.oneof(
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
    sections: fc.array(fc.record({ width: positive, ahead: figure, product: text(10) }), {
      minLength: 1,
      maxLength: 5,
    }),
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

export const anyMachineFile: fc.Arbitrary<MachineFile> = fc.record({
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
  facts: fc.uniqueArray(anyFact, { selector: ({ id }) => id, maxLength: 12 }),
  leftOut: fc.array(text(40), { maxLength: 3 }),
});
