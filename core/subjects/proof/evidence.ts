import type { TestConditions } from "./conditions.ts";
import type { TestKey } from "./kinds.ts";

/** What a proof was fitted to, as it stood when it was accepted. */
export type Evidence = {
  kind: TestKey;
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
