/**
 * A machine with its readings as a file: JSON in UTF-8, SI, described in docs/machine-file.md. Read strictly: nothing it does not know, every
 * place that is pointed to there.
 */
import { z } from "zod";
import { ATTACHMENT_KEYS } from "../../core/dimension/attachment.ts";
import { CONDITION_KEYS } from "../../core/dimension/condition.ts";
import { POINT_KINDS } from "../../core/dimension/point-kinds.ts";
import { NO_EQUIPMENT } from "../../core/lending/equipment.ts";
import type { MachineFile } from "../../core/lending/machine-file.ts";
import { ALL_INSTRUMENTS } from "../../core/rig/grade.ts";
import {
  SERVICE_KINDS,
  SERVICE_ROUNDS,
  type ServiceKind,
  type ServiceRound,
} from "../../core/season/service.ts";
import { FUNCTION_KIND_KEYS } from "../../core/subjects/hoses/kinds.ts";
import { PHASE_KEYS } from "../../core/trade/phases.ts";
import { PLACES, SOCKETS, USES } from "../../core/yard/circuit.ts";
import {
  ADJUSTER_FORMS,
  ADJUSTER_KIND,
  type AdjusterForm,
  MEASURES,
  type MeasureKey,
} from "../../core/yard/ground.ts";
import { FileProblem } from "../isoxml/problem.ts";

const FORMAT = "ambrek machine";
const VERSION = 3;
/** Without adjusters. */
const SECOND_VERSION = 2;
/** Without hydraulics, weights and tyres as well. */
const FIRST_VERSION = 1;
/** Bytes a file may have: some forty thousand readings. */
export const MOST_BYTES = 16 * 1024 * 1024;
const MOST_FACTS = 40_000;
const MOST_OF_A_KIND = 500;

const keysOf = <K extends string>(of: Record<K, unknown>) => Object.keys(of) as [K, ...K[]];
/** Signs that stand for nothing one sees are no text, but for ends of lines in a note. */
const plain = (most: number) =>
  z
    .string()
    .max(most)
    .regex(/^[^\p{Cc}\p{Cs}]*$/u);
const note = z
  .string()
  .max(2000)
  .regex(/^(?:[^\p{Cc}\p{Cs}]|[\n\r\t])*$/u);
const named = plain(120).min(1);
const number = z.number().min(-1e12).max(1e12);
const amount = z.number().min(0).max(1e12);
const place = z.number().int().min(0).max(MOST_OF_A_KIND);
const moment = z.iso
  .datetime()
  .max(30)
  .refine((at) => at >= "2000" && at < "2200");
const list = <T extends z.ZodType>(of: T) => z.array(of).max(MOST_OF_A_KIND);

const on = z.discriminatedUnion("of", [
  z.strictObject({ of: z.literal("machine") }),
  z.strictObject({ of: z.literal("point"), at: place }),
  z.strictObject({ of: z.literal("part"), at: place }),
]);

const every = {
  id: z.uuid(),
  on,
  variant: place.nullable(),
  topic: plain(80),
  happened: moment,
  person: named,
  back: z.strictObject({ person: named, happened: moment }).nullable(),
};

const instrument = z.enum(ALL_INSTRUMENTS);
const fact = z.discriminatedUnion("kind", [
  z.strictObject({
    ...every,
    kind: z.literal("reading"),
    value: number,
    step: number,
    text: plain(200),
    instrument,
    sitting: plain(80).min(1),
    reason: note,
    conditions: z.array(z.enum(CONDITION_KEYS as [string, ...string[]])).max(40),
    note,
  }),
  z.strictObject({
    ...every,
    kind: z.literal("sections"),
    instrument,
    sections: list(z.strictObject({ width: amount, ahead: number, product: plain(120) })).min(1),
  }),
  z.strictObject({ ...every, kind: z.literal("change"), note }),
  z.strictObject({ ...every, kind: z.literal("renewed") }),
  z.strictObject({ ...every, kind: z.literal("told"), value: number, text: plain(200) }),
  z.strictObject({ ...every, kind: z.literal("meter"), reading: amount }),
  z.strictObject({ ...every, kind: z.literal("serviced"), at: place, meter: amount.nullable(), note }),
  z.strictObject({
    ...every,
    kind: z.literal("worn"),
    at: place,
    size: z.number().positive().max(1e12),
    replaced: z.boolean(),
  }),
]);

const service = z
  .strictObject({
    name: named,
    kind: z.enum(keysOf<ServiceKind>(SERVICE_KINDS)),
    round: z.enum(keysOf<ServiceRound>(SERVICE_ROUNDS)),
    points: z.number().int().min(0).max(10_000).nullable(),
    everyTime: amount.nullable(),
    everyArea: amount.nullable(),
    everyDays: amount.nullable(),
    everySeason: z.boolean(),
    note,
  })
  .refine(
    ({ round, everyTime, everyArea, everyDays, everySeason }) =>
      (round === "interval") === ((everyTime ?? everyArea ?? everyDays) !== null || everySeason),
    "has its interval where it goes by one, and nowhere else",
  );

const wear = z
  .strictObject({
    name: named,
    count: z.number().int().min(1).max(10_000),
    fresh: amount,
    limit: z.number().positive().max(1e12),
    delivery: z.number().int().min(0).max(10_000),
  })
  .refine(({ fresh, limit }) => fresh > limit, "is thicker when it is new");

const size = z.number().positive().max(1e12);
const few = z.number().int().min(1).max(100);
const unlike = <T>(of: z.ZodType<T[]>, by: (each: T) => string) =>
  of.refine((all) => new Set(all.map(by)).size === all.length, "has the same twice");

const remote = z.strictObject({
  number: z.number().int().min(1).max(99),
  lever: plain(120),
  action: z.enum(["double", "single"]),
  float: z.boolean(),
  detent: z.boolean(),
  timed: z.boolean(),
  automatic: z.boolean(),
  flow: size.nullable(),
  place: z.enum(PLACES),
  coupling: plain(120),
});

const hose = z.strictObject({
  name: named,
  kind: z.enum(FUNCTION_KIND_KEYS),
  action: z.enum(["double", "single", "motor"]),
  uses: z.partialRecord(z.enum(PHASE_KEYS), z.enum(USES)),
  automatic: z.boolean(),
  trigger: z.boolean(),
  lockable: z.boolean(),
  place: z.enum(PLACES),
  coupling: plain(120),
  pressure: size.nullable(),
  flow: size.nullable(),
  cylinder: z
    .strictObject({ bore: size, rod: size, stroke: size, count: few })
    .refine(({ bore, rod }) => rod < bore, "has a rod as thick as its bore")
    .nullable(),
  motor: z.strictObject({ displacement: size, speed: size, caseDrain: z.boolean() }).nullable(),
  charge: size.nullable(),
  tap: plain(120),
});

const axle = z.strictObject({
  axle: z.enum(["front", "rear", "tool"]),
  count: few,
  label: named,
  source: plain(400),
  cells: unlike(
    list(z.strictObject({ speed: size, pressure: size, load: size })),
    ({ speed, pressure }) => `${speed} ${pressure}`,
  ),
});

const steps = z.number().int().min(-1000).max(1000);
const effect = <T extends z.ZodType>(of: T) => z.strictObject({ front: of, rear: of, across: of });

const adjusters = list(
  z
    .strictObject({
      form: z.enum(keysOf<AdjusterForm>(ADJUSTER_FORMS)),
      low: steps,
      high: steps,
      storage: steps.nullable(),
      start: steps.nullable(),
      effect: effect(number).nullable(),
      acts: z
        .strictObject({ measure: z.enum(keysOf<MeasureKey>(MEASURES)), by: number.nullable() })
        .nullable(),
      pair: z.strictObject({ at: place, difference: steps }).nullable(),
      master: place.nullable(),
      up: number.nullable(),
      how: note,
      learntFrom: z.uuid().nullable(),
      error: z.union([amount, effect(amount)]).nullable(),
    })
    .refine(({ low, high }) => low <= high, "ends before it begins")
    .refine(({ effect, acts }) => effect === null || acts === null, "moves two things at once")
    .refine(
      ({ effect, acts, error }) => error === null || (typeof error === "number" ? acts : effect) !== null,
      "is sure of what it does not do",
    ),
).superRefine((all, told) => {
  for (const [at, { pair, master }] of all.entries())
    if (
      [pair?.at, master].some((other) => other === at || (other ?? 0) >= all.length) ||
      (master !== null && all[master]!.master !== null)
    )
      told.addIssue({ code: "custom", path: [at], message: "goes with one it cannot go with" });
});

const equipment = z.strictObject({
  hydraulics: z
    .strictObject({
      pumpFlow: size.nullable(),
      pressure: size.nullable(),
      freeReturn: z.boolean(),
      powerBeyond: z.boolean(),
      loadSensing: z.boolean(),
      spareOil: size.nullable(),
      mainLever: z.number().int().min(1).max(99).nullable(),
      sockets: unlike(list(z.enum(SOCKETS)), (each) => each),
    })
    .nullable(),
  remotes: unlike(list(remote), ({ number: told }) => String(told)),
  functions: list(hose),
  weights: list(
    z.strictObject({ label: named, mass: size, place: number, count: z.number().int().min(0).max(1000) }),
  ),
  tyres: unlike(list(axle), (each) => each.axle),
  adjusters,
});

const shape = z
  .strictObject({
    yard: named,
    person: named,
    written: moment,
    loans: z.array(z.uuid()).min(1).max(MOST_OF_A_KIND),
    way: z.enum(["out", "back"]),
    machine: z.strictObject({
      kind: z.enum(["tractor", "self-propelled", "implement"]),
      attachment: z.enum(ATTACHMENT_KEYS),
      make: named,
      model: named,
      fleetNumber: plain(120),
      serial: plain(120),
      busName: plain(16).regex(/^([0-9A-F]{16})?$/),
    }),
    points: list(z.strictObject({ kind: z.enum(POINT_KINDS), label: plain(120) })),
    variants: list(named),
    parts: list(
      z.strictObject({
        kind: plain(60).min(1),
        label: plain(120),
        x: number.nullable(),
        y: number.nullable(),
        place: z.number().int().min(1).max(10_000).nullable(),
      }),
    ),
    service: list(service),
    wear: list(wear),
    equipment,
    facts: z.array(fact).max(MOST_FACTS),
    leftOut: z.array(plain(400)).max(100),
  })
  .superRefine((file, told) => {
    const wrong = (at: number, message: string) =>
      told.addIssue({ code: "custom", path: ["facts", at], message });
    const parts = file.parts.filter(({ kind }) => kind === ADJUSTER_KIND).length;
    if (parts !== file.equipment.adjusters.length)
      told.addIssue({
        code: "custom",
        path: ["equipment", "adjusters"],
        message: "are not those of the parts",
      });
    const ids = new Set<string>();
    for (const [at, each] of file.facts.entries()) {
      if (ids.has(each.id)) wrong(at, "is there twice");
      ids.add(each.id);
      if (each.on.of === "point" && each.on.at >= file.points.length)
        wrong(at, "is about a point that is not there");
      if (each.on.of === "part" && each.on.at >= file.parts.length)
        wrong(at, "is about a part that is not there");
      if (each.kind === "renewed" && each.on.of !== "part") wrong(at, "is of a part, and names none");
      if (each.variant !== null && each.variant >= file.variants.length)
        wrong(at, "is of a way of working that is not there");
      if (each.kind === "serviced" && each.at >= file.service.length)
        wrong(at, "is of a line of service that is not there");
      if (each.kind === "worn" && each.at >= file.wear.length)
        wrong(at, "is of a part that wears and is not there");
    }
  });

/** The file as text. */
export function writeMachineFile(file: MachineFile): string {
  return `${JSON.stringify({ format: FORMAT, version: VERSION, ...file }, null, 1)}\n`;
}

/** @throws FileProblem with a sentence that says where it is wrong */
export function readMachineFile(bytes: Uint8Array): MachineFile {
  if (bytes.byteLength > MOST_BYTES) throw new FileProblem("The file is larger than 16 MB.");
  const { format, version, ...rest } = parsed(bytes);
  if (format !== FORMAT) throw new FileProblem("This is no machine that was lent: a file of another kind.");
  if (version !== VERSION && version !== SECOND_VERSION && version !== FIRST_VERSION)
    throw new FileProblem(
      `It was written by another Ambrek, in ${typeof version === "number" ? `version ${version}` : "no version"} of this format.`,
    );
  const read = shape.safeParse(asOfNow(version, rest));
  if (read.success) return read.data as MachineFile;
  const issue = read.error.issues[0]!;
  throw new FileProblem(`It is damaged: ${issue.path.join(" ") || "the file"} ${wordsOf(issue)}.`);
}

/** What an older version has in the words of this one: it tells nothing of what it does not have. */
function asOfNow(version: number, told: Record<string, unknown>): Record<string, unknown> {
  if (version === FIRST_VERSION) return { equipment: NO_EQUIPMENT, ...told };
  const { equipment } = told;
  return version === SECOND_VERSION && typeof equipment === "object" && equipment !== null
    ? { ...told, equipment: { adjusters: NO_EQUIPMENT.adjusters, ...equipment } }
    : told;
}

/** What is wrong with a place of it. */
function wordsOf(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case "custom":
      return issue.message;
    case "unrecognized_keys":
      return `has what nobody knows: ${issue.keys[0]!.slice(0, 40)}`;
    case "too_big":
      return "is too much";
    case "too_small":
      return "is too little, or missing";
    default:
      return "is missing, or not what stands there";
  }
}

function parsed(bytes: Uint8Array): Record<string, unknown> {
  try {
    const told: unknown = JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
    if (typeof told === "object" && told !== null && !Array.isArray(told))
      return told as Record<string, unknown>;
  } catch {
    // Said below.
  }
  throw new FileProblem("This is no machine that was lent: the file is no JSON, or damaged.");
}
