import type { Family } from "../quantity/measure.ts";

/** A figure that is kept of each part of a kind, as a reading on it: a turnbuckle's length, a nozzle's flow. */
export type ComponentFigure = {
  /** the topic of its readings */
  key: string;
  label: string;
  family: Family | "length" | "count";
  /** the smallest step it is set or read in, SI; null where it runs through */
  step: number | null;
  /** what is plausible, SI */
  range: readonly [number, number];
};

/** A kind of part a machine has several of: adjusters, nozzles, openers, bodies, meters. */
export type ComponentKind = {
  /** on record */
  key: string;
  label: string;
  /** what one of them is called */
  one: string;
  /** parts left and right of the middle are the same unless somebody says otherwise */
  mirrored: boolean;
  figures: readonly ComponentFigure[];
};
