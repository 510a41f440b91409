/** Codes of ISO 11783-10 and 11783-11 that a task is written and read by: identifiers from the dictionary, states and types from memory. */
import { OPERATION_KEYS, OPERATIONS, type OperationKey } from "../../core/trade/operations.ts";
import { PRODUCT_FORMS, type ProductForm } from "../../core/yard/product.ts";
import type { RateKind, TaskState } from "../../core/yard/task-set.ts";

/** Setpoints on an area, by what is measured: the identifier, and how many of its steps one SI unit is. */
export const RATE_OF: Record<RateKind, { ddi: number; steps: number }> = {
  /** 0.01 mm³/m² */
  volume: { ddi: 1, steps: 1e11 },
  /** mg/m² */
  mass: { ddi: 6, steps: 1e6 },
  /** 0.001/m² */
  count: { ddi: 11, steps: 1e3 },
};

/** What a product is told in: contents in ml, g and pieces. */
export const QUANTITY_OF: Record<RateKind, number> = { volume: 72, mass: 75, count: 78 };

/** TaskStatus, in the standard's order from 1. */
export const STATES: readonly TaskState[] = [
  "planned",
  "running",
  "paused",
  "completed",
  "template",
  "cancelled",
];

/** Names of product groups, which tell the form; the standard has no code for it. */
export const FORM_GROUPS: Record<ProductForm, string> = {
  liquid: "Liquid",
  seed: "Seed",
  granules: "Granules",
  crop: "Harvested crop",
};

export const formOfGroup = (name: string): ProductForm | null =>
  PRODUCT_FORMS.find((form) => FORM_GROUPS[form].toLowerCase() === name.trim().toLowerCase()) ?? null;

/** The operation a cultural practice is called by; null where none is called so. */
export function operationCalled(name: string): OperationKey | null {
  const wanted = name.trim().toLowerCase();
  return (
    OPERATION_KEYS.find((key) => key === wanted || OPERATIONS[key].label.toLowerCase() === wanted) ?? null
  );
}

export const hexDdi = (ddi: number): string => ddi.toString(16).toUpperCase().padStart(4, "0");
