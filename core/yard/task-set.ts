/** What a task file says besides machines and fields: crops, products, people, and what is to be done where. SI. */
import type { ProductForm } from "./product.ts";

export type CropGiven = { name: string; varieties: string[] };

export type ProductGiven = {
  name: string;
  /** null: the file tells only whether it is weighed, poured or counted */
  form: ProductForm | null;
  /** kg/m³; null where the file says nothing */
  density: number | null;
  /** kg for each grain */
  grainMass: number | null;
};

export type RateKind = "volume" | "mass" | "count";

/** How a rate of a product is told: grains are counted, liquids poured, the rest weighed. */
export function rateKindOf({ form, counted }: { form: ProductForm; counted: boolean }): RateKind {
  if (counted) return "count";
  return form === "liquid" ? "volume" : "mass";
}

export type RateGiven = {
  /** by its name; null where the file names none */
  product: string | null;
  kind: RateKind;
  /** m³, kg or grains on a m² */
  rate: number;
};

/** A machine as a file names it: what tells whether it is the one at hand. */
export type DeviceGiven = { name: string; busName: string; serial: string };

export const TASK_STATES = ["planned", "running", "paused", "completed", "template", "cancelled"] as const;
export type TaskState = (typeof TASK_STATES)[number];

export type TaskGiven = {
  name: string;
  state: TaskState;
  /** null: nobody told where */
  field: { client: string; farm: string; name: string } | null;
  crop: string | null;
  variety: string | null;
  /** as the file calls them */
  operations: string[];
  worker: string;
  rates: RateGiven[];
  line: string | null;
  devices: DeviceGiven[];
};

export type TaskSet = {
  crops: CropGiven[];
  products: ProductGiven[];
  workers: string[];
  tasks: TaskGiven[];
  /** what is in the file and not taken, a sentence each */
  notes: string[];
};
