/** What is done in a field, by the tool that does it. */
import type { ToolKindKey } from "./kinds.ts";

type Operation = {
  label: string;
  /** tools that do it, besides those nobody told what they are */
  tools: readonly ToolKindKey[];
  /** what is put out or brought in */
  product: "liquid" | "seed" | "granules" | "crop" | null;
  /** what a record of it is nothing without */
  crop: "needed" | "asked" | "not asked";
};

const OPERATIONS_TABLE = {
  ploughing: { label: "Ploughing", tools: ["plough"], product: null, crop: "not asked" },
  loosening: { label: "Loosening", tools: ["subsoiler", "chisel"], product: null, crop: "not asked" },
  tillage: {
    label: "Tillage",
    tools: ["chisel", "disc", "cultivator", "roller"],
    product: null,
    crop: "not asked",
  },
  rolling: { label: "Rolling", tools: ["roller"], product: null, crop: "asked" },
  sowing: { label: "Sowing", tools: ["drill", "cart"], product: "seed", crop: "needed" },
  planting: { label: "Planting", tools: ["planter"], product: "seed", crop: "needed" },
  spreading: { label: "Spreading fertiliser", tools: ["spreader"], product: "granules", crop: "asked" },
  spraying: { label: "Crop protection", tools: ["sprayer"], product: "liquid", crop: "asked" },
  "liquid feed": { label: "Liquid fertiliser", tools: ["sprayer", "cart"], product: "liquid", crop: "asked" },
  hoeing: { label: "Hoeing", tools: ["hoe"], product: null, crop: "needed" },
  mowing: { label: "Mowing", tools: ["mower", "conditioner"], product: null, crop: "asked" },
  raking: { label: "Raking", tools: ["rake"], product: null, crop: "asked" },
  harvest: { label: "Harvest", tools: ["header"], product: "crop", crop: "needed" },
  other: { label: "Something else", tools: [], product: null, crop: "asked" },
} as const satisfies Record<string, Operation>;

export type OperationKey = keyof typeof OPERATIONS_TABLE;
export const OPERATIONS: Record<OperationKey, Operation> = OPERATIONS_TABLE;
export const OPERATION_KEYS = Object.keys(OPERATIONS) as OperationKey[];

/** What a tool may do, its usual work first; all of it where nobody told what it is. */
export function operationsOf(tool: ToolKindKey | null): OperationKey[] {
  const own = OPERATION_KEYS.filter((key) => tool !== null && OPERATIONS[key].tools.includes(tool));
  return own.length === 0 ? OPERATION_KEYS : [...own, "other"];
}
