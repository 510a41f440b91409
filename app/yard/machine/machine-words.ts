import type { Machine } from "../../../data/rigs.ts";

export const KIND_WORDS: Record<Machine["kind"], string> = {
  tractor: "tractor",
  "self-propelled": "self-propelled machine",
  implement: "implement",
};

/** Places of weights are told from the axle that does not steer. */
export const weighedFrom = (kind: Machine["kind"]) =>
  kind === "self-propelled" ? "drive axle" : "rear axle";
