/** Files of machines as anybody may send them, for tests: whatever the format lets through. */
import fc from "fast-check";
import { DIMENSION_KEYS } from "../../core/dimension/catalogue.ts";
import { CHANGE_KINDS } from "../../core/dimension/change.ts";
import type { FileFact, MachineFile, On } from "../../core/lending/machine-file.ts";
import { ALL_INSTRUMENTS } from "../../core/rig/grade.ts";
import { FUNCTION_KIND_KEYS } from "../../core/subjects/hoses/kinds.ts";
import { PHASE_KEYS } from "../../core/trade/phases.ts";
import { PLACES, SOCKETS, USES } from "../../core/yard/circuit.ts";
import { ADJUSTER_FORMS, type AdjusterForm, MEASURES, type MeasureKey } from "../../core/yard/ground.ts";

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
  fc.record({ ...every, on: fc.constant<On>({ of: "part", at: 0 }), kind: kind("renewed") }),
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

const steps = fc.integer({ min: -20, max: 20 });
const moves = fc.record({ front: figure, rear: figure, across: figure });
const sure = fc.record({ front: positive, rear: positive, across: positive });
const anyAdjuster = fc
  .record({
    form: fc.constantFrom(...(Object.keys(ADJUSTER_FORMS) as AdjusterForm[])),
    low: steps,
    more: fc.nat(20),
    storage: fc.option(steps),
    start: fc.option(steps),
    moved: fc.oneof(
      fc.record({ effect: moves, error: fc.option(sure), acts: fc.constant(null) }),
      fc.record({
        effect: fc.constant(null),
        error: fc.option(positive),
        acts: fc.record({
          measure: fc.constantFrom(...(Object.keys(MEASURES) as MeasureKey[])),
          by: fc.option(figure),
        }),
      }),
      fc.constant({ effect: null, error: null, acts: null }),
    ),
    paired: fc.boolean(),
    difference: steps,
    follows: fc.boolean(),
    up: fc.option(figure),
    how: text(40),
    learntFrom: fc.option(fc.uuid()),
  })
  .map(({ low, more, moved, ...rest }) => ({ ...rest, ...moved, low, high: low + more }));

/** Some adjusters: kept equal with the next, or followers of the first. */
const anyAdjusters = fc.array(anyAdjuster, { maxLength: 4 }).map((all) =>
  all.map(({ paired, difference, follows, ...told }, at) => ({
    ...told,
    pair: paired && all.length > 1 ? { at: (at + 1) % all.length, difference } : null,
    master: follows && at > 0 ? 0 : null,
  })),
);

/** With a part for each of its adjusters. */
const withParts = ({ parts, ...file }: MachineFile): MachineFile => ({
  ...file,
  parts: [
    ...parts,
    ...file.equipment.adjusters.map((_, at) => ({
      kind: "adjuster",
      label: `screw ${at}`,
      x: null,
      y: 0.4,
      place: at + 1,
    })),
  ],
});

const anyFile: fc.Arbitrary<MachineFile> = fc.record({
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
  equipment: fc.record({
    hydraulics: fc.option(
      fc.record({
        pumpFlow: fc.option(positive),
        pressure: fc.option(positive),
        freeReturn: fc.boolean(),
        powerBeyond: fc.boolean(),
        loadSensing: fc.boolean(),
        spareOil: fc.option(positive),
        mainLever: fc.option(fc.integer({ min: 1, max: 9 })),
        sockets: fc.subarray([...SOCKETS]),
      }),
    ),
    remotes: fc.uniqueArray(
      fc.record({
        number: fc.integer({ min: 1, max: 9 }),
        lever: text(20),
        action: fc.constantFrom("double" as const, "single" as const),
        float: fc.boolean(),
        detent: fc.boolean(),
        timed: fc.boolean(),
        automatic: fc.boolean(),
        flow: fc.option(positive),
        place: fc.constantFrom(...PLACES),
        coupling: text(10),
      }),
      { selector: ({ number }) => number, maxLength: 4 },
    ),
    functions: fc.array(
      fc.record({
        name: named,
        kind: fc.constantFrom(...FUNCTION_KIND_KEYS),
        action: fc.constantFrom("double" as const, "single" as const, "motor" as const),
        uses: fc.dictionary(fc.constantFrom(...PHASE_KEYS), fc.constantFrom(...USES), {
          noNullPrototype: true,
        }),
        automatic: fc.boolean(),
        trigger: fc.boolean(),
        lockable: fc.boolean(),
        place: fc.constantFrom(...PLACES),
        coupling: text(10),
        pressure: fc.option(positive),
        flow: fc.option(positive),
        cylinder: fc.option(
          fc
            .record({ bore: positive, stroke: positive, count: fc.integer({ min: 1, max: 6 }) })
            .map((each) => ({
              ...each,
              rod: each.bore / 2,
            })),
        ),
        motor: fc.option(fc.record({ displacement: positive, speed: positive, caseDrain: fc.boolean() })),
        charge: fc.option(positive),
        tap: text(20),
      }),
      { maxLength: 3 },
    ),
    weights: fc.array(
      fc.record({ label: named, mass: positive, place: figure, count: fc.integer({ min: 0, max: 20 }) }),
      { maxLength: 3 },
    ),
    tyres: fc.uniqueArray(
      fc.record({
        axle: fc.constantFrom("front" as const, "rear" as const, "tool" as const),
        count: fc.integer({ min: 1, max: 8 }),
        label: named,
        source: text(40),
        cells: fc.uniqueArray(fc.record({ speed: positive, pressure: positive, load: positive }), {
          selector: ({ speed, pressure }) => `${speed} ${pressure}`,
          maxLength: 4,
        }),
      }),
      { selector: ({ axle }) => axle, maxLength: 3 },
    ),
    adjusters: anyAdjusters,
  }),
  facts: fc.uniqueArray(anyFact, { selector: ({ id }) => id, maxLength: 12 }),
  leftOut: fc.array(text(40), { maxLength: 3 }),
});

export const anyMachineFile: fc.Arbitrary<MachineFile> = anyFile.map(withParts);
