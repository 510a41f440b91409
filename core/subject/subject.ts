/** What one subject of setting a rig up says of itself. Everything that lists subjects reads this; nothing names one. */

import type { CalibrationKind } from "../calibration/kind.ts";
import type { Check } from "../finding/check.ts";
import type { JobKind } from "../job/kind.ts";
import type { WholeRig } from "../rig/whole.ts";
import type { ComponentKind } from "../yard/component.ts";
import type { HookupLine } from "./hookup-line.ts";
import type { Measured } from "./measured.ts";

/** So much is good, of what there is. */
export type Standing = { good: number; all: number };

/** What is asked for before it: the hook-up list, and the figures a terminal is told. */
export type Holds = "hook-up" | "card";

export type Subject<Key extends string = string, Reckoned = unknown> = {
  /** in addresses, and as the `station` of its readings, checks and findings */
  key: Key;
  /** on the walk-round and over its page */
  label: string;
  /** the question its page answers, in a sentence */
  lead: string;
  /** the question its table of checks answers; empty where it has none */
  asks: string;
  /** whose changes its page shows and keeps */
  changesOf: readonly ("tractor" | "implement")[];
  /** its page shows the whole rig, or the tool in view */
  shows: "rig" | "tool";
  /** which list its stops hold back; null: none */
  holds: Holds | null;
  /** the list it rests on: that stands before it on the walk-round; absent: none */
  restsOn?: Holds;
  /** its readings stand on a sheet to take along */
  onSheet: boolean;
  /** what its readings are, where they are lengths of the rig; absent: something else */
  measured?: Measured;
  /** parts a machine has several of, which it keeps figures of; absent: none */
  components?: readonly ComponentKind[];
  /** constants that are calibrated for it, and parts that are tested; absent: none */
  calibrations?: readonly CalibrationKind[];
  /** what is done step by step in the field for it; absent: nothing */
  jobs?: readonly JobKind[];
  /** false of a rig that has no use for it, by what the rig was told to be; absent: every rig has */
  serves?(whole: WholeRig): boolean;
  /** what it works out of the whole rig: figures, no sentence */
  reckon(whole: WholeRig): Reckoned;
  /** everything it looked at, good or not */
  checks(reckoned: Reckoned, whole: WholeRig): readonly Check[];
  /** what it puts on the hook-up list */
  hookup?(reckoned: Reckoned, whole: WholeRig): readonly HookupLine[];
  /** how far it has come, where that is counted; absent: told by its findings */
  standing?(whole: WholeRig): Standing;
};

/** A subject of readings alone: what is wrong with one is told by the reading itself. */
export const READINGS_ALONE = { reckon: () => null, checks: () => [] } satisfies Partial<Subject>;
