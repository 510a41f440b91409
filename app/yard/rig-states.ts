/** Which rigs the yard shows. */
export const RIG_STATES = ["all", "stopped", "ready", "away"] as const;
export type RigState = (typeof RIG_STATES)[number];
