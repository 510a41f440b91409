/** A task of a file held against the yard: for which rig it is, whether its machines are those, what it would change, why it cannot be taken. */
import { sameName } from "../../core/place/given.ts";
import { say } from "../../core/quantity/say.ts";
import type { Units } from "../../core/quantity/units.ts";
import { leadOf } from "../../core/subjects/job/job-of-rig.ts";
import type { ToolKindKey } from "../../core/trade/kinds.ts";
import { OPERATIONS, type OperationKey, operationsOf } from "../../core/trade/operations.ts";
import type { Product } from "../../core/yard/product.ts";
import {
  type DeviceGiven,
  type ProductGiven,
  type RateGiven,
  type RateKind,
  rateKindOf,
  type TaskGiven,
} from "../../core/yard/task-set.ts";
import type { Work } from "../../core/yard/work.ts";
import type { Database } from "../../data/handle.ts";
import { type FieldLine, linesOf } from "../../data/lines.ts";
import { type FieldBounded, listFields } from "../../data/places.ts";
import { productsOf } from "../../data/products.ts";
import { byRig, listEveryTool, type Machine, type RigTool } from "../../data/rigs.ts";
import { machineName, wholesOf } from "../../data/whole.ts";
import { operationCalled } from "../../formats/isoxml/task-words.ts";
import { fieldCalled } from "../fields/file-view.server.ts";

/** What a task is held against, read once for all tasks of a file. */
export type Yard = {
  fields: readonly FieldBounded[];
  lines: readonly FieldLine[];
  products: readonly Product[];
  /** products of the file that come with it, by name */
  coming: readonly ProductGiven[];
  rigs: ReadonlyMap<number, readonly RigTool[]>;
};

export function yardOf(db: Database, coming: readonly ProductGiven[]): Yard {
  const inUse = listEveryTool(db).filter(({ archivedAt }) => archivedAt === null);
  return {
    fields: listFields(db).filter(({ archivedAt }) => archivedAt === null),
    lines: linesOf(db),
    products: productsOf(db),
    coming,
    rigs: byRig(inUse),
  };
}

/** What a taken task makes of a rig's job: names of what comes with the file, numbers of what is here. */
export type TaskTaken = {
  rigId: number;
  fieldId: number;
  operations: OperationKey[];
  crop: string | null;
  /** null: none is told; with `keepsVarieties` those of the job before stay, with their rows */
  variety: string | null;
  keepsVarieties: boolean;
  products: { name: string; rate: number; kind: RateKind }[];
  /** the fact of the line; null where the file names none of this field */
  line: number | null;
  /** what is kept of the job it replaces: no task file says it */
  before: Work | null;
};

export type Held = {
  /** null: nobody can tell for which rig it is */
  rigId: number | null;
  state: "new" | "same" | "differs" | "refused";
  /** one line: what it is, or why it cannot be taken */
  said: string;
  /** what would be otherwise than it is set now */
  changes: { what: string; now: string; file: string }[];
  /** what does not stop it and has to be looked at: a machine of another serial number, an operation assumed */
  looks: string[];
  task: TaskTaken | null;
};

const machinesOf = (parts: readonly RigTool[]): Machine[] => [
  parts[0]!.tractor,
  ...parts.map(({ implement }) => implement),
];

const isSame = (device: DeviceGiven, { busName, serial }: Machine) =>
  (device.busName !== "" && device.busName === busName) || (device.serial !== "" && device.serial === serial);

/** The rig most of the machines in a task are of; null where none is, or two are alike. */
function rigOf({ name, devices }: TaskGiven, { rigs }: Yard): number | null {
  const scored = [...rigs].map(([id, parts]) => ({
    id,
    score: devices.filter((device) => machinesOf(parts).some((machine) => isSame(device, machine))).length,
    named: sameName(parts[0]!.name, name),
  }));
  const most = Math.max(0, ...scored.map(({ score }) => score));
  const best = most === 0 ? [] : scored.filter(({ score }) => score === most);
  if (best.length === 1) return best[0]!.id;
  const called = (best.length > 0 ? best : scored).filter(({ named }) => named);
  return called.length === 1 ? called[0]!.id : null;
}

/** Machines the file names that are none of the rig's: told by NAME, else by serial number. */
function strangers({ devices }: TaskGiven, parts: readonly RigTool[]): string[] {
  const machines = machinesOf(parts);
  return devices.flatMap((device) => {
    if (machines.some((machine) => isSame(device, machine))) return [];
    const alike = machines.find((machine) => sameName(machineName(machine), device.name));
    if (alike && alike.serial !== "" && device.serial !== "")
      return [
        `${device.name}: the file is for serial number ${device.serial}, the one here has ${alike.serial}.`,
      ];
    if (alike) return [`${device.name}: neither NAME nor serial number tells whether it is the one here.`];
    return [
      `${device.name}${device.serial ? `, serial number ${device.serial},` : ""} is no machine of this rig.`,
    ];
  });
}

/** A task held against the yard. `chosen`: the rig somebody chose for it. */
export function held(db: Database, task: TaskGiven, yard: Yard, units: Units, chosen: number | null): Held {
  const rigId = chosen ?? rigOf(task, yard);
  const parts = rigId === null ? undefined : yard.rigs.get(rigId);
  const refused = (said: string): Held => ({
    rigId,
    state: "refused",
    said,
    changes: [],
    looks: [],
    task: null,
  });
  if (task.state === "completed" || task.state === "cancelled")
    return refused(`It is ${task.state} in the file: what was done is not taken into the log.`);
  if (!task.field) return refused("It names no field.");
  const field = fieldCalled(task.field, yard.fields);
  if (!field) return refused(`${task.field.name} is no field here yet: take the fields over first.`);
  const rates = task.rates.map((rate) => rateProblem(rate, yard));
  const wrong = rates.find((problem) => problem !== null);
  if (wrong) return refused(wrong);
  if (!parts || rigId === null) return refused("Nothing tells for which rig it is: choose one.");
  const whole = wholesOf(db, parts).get(rigId)!;
  const lead = leadOf(whole);
  const done = operationsIn(task, lead === null ? null : whole.parts[lead]!.rig.tool);
  const line = yard.lines.find(
    ({ fieldId, name }) => fieldId === field.id && task.line !== null && sameName(name, task.line),
  );
  const taken: TaskTaken = {
    rigId,
    fieldId: field.id,
    operations: done.operations,
    crop: task.crop,
    variety: task.variety,
    keepsVarieties: keepsVarieties(task, whole.work),
    products: task.rates.map(({ product, rate, kind }) => ({ name: product!, rate, kind })),
    line: line?.seq ?? null,
    before: whole.work,
  };
  const changes = changesOf(taken, { field, line: line?.name ?? null, units });
  return {
    rigId,
    state: whole.work === null ? "new" : changes.length === 0 ? "same" : "differs",
    said:
      whole.work === null
        ? `${parts[0]!.name} has no job yet.`
        : changes.length === 0
          ? `${parts[0]!.name} is set to it already.`
          : `${parts[0]!.name} is set otherwise.`,
    changes,
    looks: [
      ...strangers(task, parts),
      ...done.looks,
      ...(task.line !== null && !line
        ? [`Its line ${task.line} is none of ${field.name}: none is set.`]
        : []),
    ],
    task: taken,
  };
}

/**
 * A file tells crop and variety of the field, not of the task. Of the same crop, a job without a variety stays so, and one keeps its varieties
 * where the file tells none.
 */
function keepsVarieties({ crop, variety }: TaskGiven, before: Work | null): boolean {
  if (before === null || !sameName(before.crop?.name ?? "", crop ?? "")) return false;
  return variety === null || before.varieties.length === 0;
}

function rateProblem({ product, kind }: RateGiven, { products, coming }: Yard): string | null {
  if (product === null) return "A rate of it names no product.";
  const found = [...products, ...coming].find(({ name }) => sameName(name, product));
  if (!found) return `${product} is no product here: take it over with it.`;
  if (found.form === null) return `${product}: say first what it is.`;
  return (found.form === "liquid") === (kind === "volume")
    ? null
    : `${product} is ${found.form === "liquid" ? "a liquid" : "no liquid"}, and the file has a rate by ${kind} of it.`;
}

/** What is done, in our words; what the tool usually does where the file does not say, or says it otherwise. */
function operationsIn({ operations }: TaskGiven, tool: ToolKindKey | null) {
  const known = operations.flatMap((name) => operationCalled(name) ?? []);
  const strange = operations.filter((name) => operationCalled(name) === null);
  const usual = operationsOf(tool)[0]!;
  const looks = strange.map((name) => `“${name}” is none of the operations here.`);
  if (known.length > 0) return { operations: [...new Set(known)], looks };
  return {
    operations: [usual],
    looks: [
      ...looks,
      `The file does not say what is done: taken as ${OPERATIONS[usual].label}, what such a tool usually does.`,
    ],
  };
}

/** Rates that print alike are the same. */
function changesOf(
  { before, ...taken }: TaskTaken,
  { field, line, units }: { field: FieldBounded; line: string | null; units: Units },
): Held["changes"] {
  if (!before) return [];
  const set = before.products.flatMap(({ name, form, rate, counted }) =>
    rate === null ? [] : [{ name, rate, kind: rateKindOf({ form, counted }) }],
  );
  const names = [...new Set([...set, ...taken.products].map(({ name }) => name))];
  const rateIn = (products: TaskTaken["products"], wanted: string) => {
    const found = products.find(({ name }) => sameName(name, wanted));
    return found ? say(`${found.kind} per area`, found.rate, units) : "none";
  };
  const rates = names.map((name) => ({
    what: `Rate of ${name}`,
    now: rateIn(set, name),
    file: rateIn(taken.products, name),
  }));
  const list = (keys: readonly OperationKey[]) => keys.map((key) => OPERATIONS[key].label).join(", ");
  const variety = before.varieties.map(({ name }) => name).join(", ");
  return [
    { what: "Field", now: before.field.name, file: field.name },
    { what: "Operation", now: list(before.operations), file: list(taken.operations) },
    { what: "Crop", now: before.crop?.name ?? "none", file: taken.crop ?? "none" },
    ...(taken.keepsVarieties
      ? []
      : [{ what: "Variety", now: variety || "none", file: taken.variety ?? "none" }]),
    ...rates,
    { what: "Line", now: before.line?.name ?? "none", file: line ?? "none" },
  ].filter(({ now, file }) => !sameName(now, file));
}
