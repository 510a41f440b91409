import type { TestConditions } from "../trade/field-conditions.ts";

/** What a proof was fitted to, as it stood when it was accepted. */
export type Evidence = {
  /** the kind of job, by its key */
  kind: string;
  conditions: TestConditions;
  spacing: number | null;
  rowToRow: boolean;
  observations: readonly {
    values: Record<string, number>;
    choices: Record<string, string>;
    leftOut: boolean;
  }[];
  figures: readonly {
    label: string;
    entered: number | null;
    off: number;
    error: number | null;
    half: number | null;
  }[];
};
