/** What of a task file was ticked, taken over as one: crops, products, and what rigs are set to do. */
import { sameName } from "../../core/place/given.ts";
import type { Units } from "../../core/quantity/units.ts";
import { PRODUCT_FORMS, type ProductForm } from "../../core/yard/product.ts";
import type { CropGiven, ProductGiven } from "../../core/yard/task-set.ts";
import { database } from "../../data/database.ts";
import type { Database } from "../../data/handle.ts";
import { type FileRead, findImport, takeOverAs } from "../../data/imports.ts";
import { addProduct, productsOf } from "../../data/products.ts";
import type { Told } from "../../data/record.ts";
import { cropNamed, keepWork, varietyNamed } from "../../data/work.ts";
import type { FieldErrors } from "../session/validate.ts";
import { held, type TaskTaken, yardOf } from "./held.server.ts";
import type { TaskFileKept } from "./task-file-view.server.ts";

export type TaskFile = FileRead & { kept: TaskFileKept };

/** @throws a 404 response where there is no such file of tasks */
export function taskFileOr404(id: string): TaskFile {
  const file = findImport(database(), id);
  const kept = file && (JSON.parse(file.content) as Partial<TaskFileKept> | unknown[]);
  if (!file || !kept || Array.isArray(kept) || !kept.tasks)
    throw new Response("There is no such file of tasks.", { status: 404 });
  return { ...file, kept: kept as TaskFileKept };
}

/** What somebody ticked, and what is wrong with it by field. */
type Ticked = {
  crops: CropGiven[];
  products: (ProductGiven & { form: ProductForm })[];
  tasks: TaskTaken[];
  errors: FieldErrors;
};

type Get = (name: string) => string | null;

/** Reads the ticks: crop0, product0 with form0, task0 with rig0, and so on. A task that cannot be taken is an error by its name. */
export function tickedIn(db: Database, { tasks: set }: TaskFileKept, get: Get, units: Units): Ticked {
  const errors: FieldErrors = {};
  const ticked = (name: string) => get(name) === "yes";
  const crops = set.crops.filter((_, at) => ticked(`crop${at}`));
  const products = set.products.flatMap((product, at) => {
    if (!ticked(`product${at}`)) return [];
    const form = product.form ?? PRODUCT_FORMS.find((each) => each === get(`form${at}`)) ?? null;
    if (form === null) errors[`form${at}`] = "Say what it is.";
    return form === null ? [] : [{ ...product, form }];
  });
  const yard = yardOf(db, products);
  const tasks = set.tasks.flatMap((task, at): TaskTaken[] => {
    if (!ticked(`task${at}`)) return [];
    const found = held(db, task, yard, units, rigIn(get(`rig${at}`)));
    if (!found.task) errors[`task${at}`] = found.said;
    return found.task ? [found.task] : [];
  });
  const twice = tasks.findIndex(({ rigId }, at) => tasks.findIndex((each) => each.rigId === rigId) !== at);
  if (twice >= 0) errors.form = "Two of its tasks would be the job of one rig: tick one of them.";
  return { crops, products, tasks, errors };
}

/** The number of a rig in a form or an address; null where none is chosen. */
export function rigIn(text: string | null): number | null {
  return /^\d{1,9}$/.test(text ?? "") ? Number(text) : null;
}

/** The year, as jobs that are typed in begin with. */
const seasonOf = (at: Date) => String(at.getFullYear());

/** Takes over what was ticked, all of it or nothing; returns the rigs whose job it is now. */
export function takeTasks(
  db: Database,
  file: TaskFile,
  { crops, products, tasks }: Ticked,
  told: Told,
): number[] {
  takeOverAs(db, file.id, told, (partOf) => {
    for (const { name, varieties } of crops) {
      const id = cropNamed(db, name, told);
      for (const variety of varieties) varietyNamed(db, id, variety, told);
    }
    const here = productsOf(db);
    for (const given of products)
      if (!here.some(({ name }) => sameName(name, given.name)))
        addProduct(
          db,
          { ...given, establishment: null, price: null, money: "", doseLow: null, doseHigh: null },
          told,
        );
    for (const task of tasks) keepTask(db, task, partOf, told);
  });
  return tasks.map(({ rigId }) => rigId);
}

/** Whatever no task file says stays as the rig's job before had it. */
function keepTask(db: Database, task: TaskTaken, partOf: number, told: Told): void {
  const { before } = task;
  const cropId = task.crop === null ? null : cropNamed(db, task.crop, told);
  const sown =
    cropId === null || task.variety === null
      ? []
      : [{ id: varietyNamed(db, cropId, task.variety, told), rows: "" }];
  const varieties =
    before && task.keepsVarieties ? before.varieties.map(({ id, rows }) => ({ id, rows })) : sown;
  const products = productsOf(db);
  keepWork(
    db,
    task.rigId,
    {
      fieldId: task.fieldId,
      operations: task.operations,
      cropId,
      varietyWay: before && task.keepsVarieties ? before.varietyWay : "one",
      varieties,
      products: task.products.map(({ name, rate, kind }) => ({
        id: products.find((each) => sameName(each.name, name))!.id,
        rate,
        counted: kind === "count",
      })),
      recordedBy: before?.trigger ?? null,
      line: task.line,
      season: seasonOf(told.at),
      screen: before?.screen ?? {},
      screenActive: before?.screenActive ?? false,
      alarms: before?.alarms ?? {},
      mutedRows: before?.mutedRows ?? "",
      partOf,
    },
    told,
  );
}
