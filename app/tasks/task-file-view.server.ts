/** Everything a task file has, held against the yard before anything of it is taken over. */
import { sameName } from "../../core/place/given.ts";
import type { Units } from "../../core/quantity/units.ts";
import { PRODUCT_FORMS, type Product, type ProductForm } from "../../core/yard/product.ts";
import type { ProductGiven, TaskSet } from "../../core/yard/task-set.ts";
import type { Database } from "../../data/handle.ts";
import { findImport } from "../../data/imports.ts";
import { listMachines } from "../../data/machines.ts";
import { machineName } from "../../data/whole.ts";
import { type Crop, cropsOf } from "../../data/work.ts";
import { FORM_GROUPS } from "../../formats/isoxml/task-words.ts";
import { fileView } from "../fields/file-view.server.ts";
import { placesIn } from "../fields/take-places.server.ts";
import { devicesIn } from "../files/take-over.server.ts";
import { held, yardOf } from "./held.server.ts";

/** What is kept of a task file until somebody has looked at it: its machines and fields wait as files of their own. */
export type TaskFileKept = { tasks: TaskSet; devices: string | null; places: string | null };

export type TaskFileView = ReturnType<typeof taskFileView>;

/** `rigFor`: the rig somebody chose for a task, by its place in the file. */
export function taskFileView(
  db: Database,
  { tasks: set, devices, places }: TaskFileKept,
  rigFor: (at: number) => number | null,
  units: Units,
) {
  const yard = yardOf(db, set.products);
  const crops = cropsOf(db);
  return {
    notes: set.notes,
    machines: devices === null ? null : machinesIn(db, devices),
    fields: places === null ? null : fieldsIn(db, places, units),
    crops: set.crops.map((each, at) => ({ at, ...cropRow(each, crops) })),
    products: set.products.map((each, at) => ({ at, ...productRow(each, yard.products) })),
    workers: set.workers,
    tasks: set.tasks.map((task, at) => {
      const found = held(db, task, yard, units, rigFor(at));
      const { task: _, ...shown } = found;
      return { at, name: task.name, where: task.field?.name ?? "no field", ...shown };
    }),
    rigs: [...yard.rigs].map(([id, [first]]) => ({ id, name: first!.name })),
    forms: PRODUCT_FORMS.map((key) => ({ key, label: FORM_GROUPS[key] })),
  };
}

/** What waits, or was taken over, under an id of its own. */
const stateOf = (db: Database, id: string) => {
  const file = findImport(db, id);
  return { id, taken: file?.state === "taken" && !file.takenBack, file };
};

function machinesIn(db: Database, id: string) {
  const { file, taken } = stateOf(db, id);
  const machines = listMachines(db);
  const rows = file
    ? devicesIn(file).map(({ designator, serial, busName, kind }) => {
        const here =
          machines.find((each) => each.kind === kind && busName !== "" && each.busName === busName) ??
          machines.find((each) => each.kind === kind && serial !== "" && each.serial === serial);
        const alike = machines.find((each) => each.kind === kind && sameName(machineName(each), designator));
        return { name: designator || "a machine", ...serialSaid({ serial, busName }, here ?? alike ?? null) };
      })
    : [];
  return { id, taken, rows };
}

type Machine = ReturnType<typeof listMachines>[number];

/** Whether a machine of the file is the one here: its NAME and its serial number have to agree. */
function serialSaid(
  { serial, busName }: { serial: string; busName: string },
  here: Machine | null,
): { state: "same" | "differs" | "new"; said: string } {
  if (!here)
    return {
      state: "new",
      said: serial ? `serial number ${serial}: no such machine here` : "no such machine here",
    };
  if (serial !== "" && here.serial !== "" && serial !== here.serial)
    return {
      state: "differs",
      said: `serial number ${serial} in the file, ${here.serial} here: another machine`,
    };
  if (serial !== "" && serial === here.serial)
    return { state: "same", said: `serial number ${serial}, as here` };
  if (busName !== "" && busName === here.busName) return { state: "same", said: "the same bus NAME as here" };
  return {
    state: "differs",
    said: "called as one here, and neither serial number nor NAME tells whether it is that",
  };
}

function fieldsIn(db: Database, id: string, units: Units) {
  const { file, taken } = stateOf(db, id);
  const given = file ? placesIn(file) : null;
  const view = given ? fileView(db, given, units) : { rows: [], notes: [] };
  return {
    id,
    taken,
    notes: view.notes,
    rows: view.rows.map(({ field, of, state, said }) => ({ field, of, state, said })),
  };
}

function cropRow({ name, varieties }: TaskSet["crops"][number], crops: readonly Crop[]) {
  const here = crops.find((crop) => sameName(crop.name, name));
  const fresh = varieties.filter((variety) => !here?.varieties.some((each) => sameName(each.name, variety)));
  const state: "new" | "same" | "differs" = !here ? "new" : fresh.length > 0 ? "differs" : "same";
  const said = !here
    ? varieties.length > 0
      ? `not here yet, with ${varieties.join(", ")}`
      : "not here yet"
    : fresh.length > 0
      ? `here, without ${fresh.join(", ")}`
      : "here, with all its varieties";
  return { name, state, said };
}

function productRow(given: ProductGiven, products: readonly Product[]) {
  const here = products.find(({ name }) => sameName(name, given.name));
  const { name, form } = given;
  if (!here)
    return {
      name,
      state: "new" as const,
      asks: form === null,
      said:
        form === null
          ? "not here yet, and the file does not say what it is"
          : `not here yet: ${FORM_GROUPS[form].toLowerCase()}`,
    };
  const apart = [
    ...(form !== null && form !== here.form ? [`${word(form)} in the file, ${word(here.form)} here`] : []),
    ...figureApart("density", given.density, here.density, (value) => `${Math.round(value)} kg/m³`),
    ...figureApart(
      "mass of a thousand",
      given.grainMass,
      here.grainMass,
      (value) => `${Math.round(value * 1e7) / 10} g`,
    ),
  ];
  return {
    name,
    state: apart.length > 0 ? ("differs" as const) : ("same" as const),
    asks: false,
    said: apart.length > 0 ? `${apart.join("; ")}. What is here stays.` : "as it is here",
  };
}

const word = (form: ProductForm) => FORM_GROUPS[form].toLowerCase();

/** The file has whole steps: what is within one is the same. */
function figureApart(
  what: string,
  file: number | null,
  here: number | null,
  print: (value: number) => string,
): string[] {
  if (file === null || (here !== null && Math.abs(file / here - 1) < 0.005)) return [];
  return [
    here === null
      ? `${what} ${print(file)} in the file, not known here`
      : `${what} ${print(file)} in the file, ${print(here)} here`,
  ];
}
