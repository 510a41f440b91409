/** Drives the field once with all figures right, then once each way for every reading by its uncertainty: what each costs. */
import { type Cost, costOf, meanCost, type Worth } from "../../../core/world/cost.ts";
import { drive, STEP } from "../../../core/world/drive.ts";
import { CELL, type OnField, toDrive } from "../../../core/world/on-field.ts";
import { outcomeOf } from "../../../core/world/outcome.ts";
import type { WorldRig } from "../../../core/world/rig.ts";

export type Nudge = { key: string; label: string; ways: readonly { truth: WorldRig; shown: number }[] };
export type CostAsked = { on: OnField; nudges: readonly Nudge[]; worth: Worth };
export type CostTold = { done: number; all: number; row: { key: string; label: string; cost: Cost } | null };

const tell = (told: CostTold) => self.postMessage(told);

self.onmessage = ({ data: { on, nudges, worth } }: MessageEvent<CostAsked>) => {
  const run = (truth: WorldRig) => {
    // Nothing wanders: what a reading costs is held against the same drive, not against another day's chance.
    const asked = { ...toDrive({ ...on, rigs: { ...on.rigs, truth }, wander: 0 }), step: 2 * STEP };
    return outcomeOf(drive(asked), { field: asked.field, box: asked.box, cell: 2 * CELL });
  };
  const all = nudges.length + 1;
  const right = run(on.rigs.believed);
  tell({ done: 1, all, row: null });
  for (const [at, { key, label, ways }] of nudges.entries()) {
    const cost = meanCost(ways.map(({ truth, shown }) => costOf(run(truth), right, shown, worth)));
    tell({ done: at + 2, all, row: { key, label, cost } });
  }
};
