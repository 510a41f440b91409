import type { HoseFunction, Supply } from "./circuit.ts";

/** What a rig has to do with oil: the tractor's side, every implement's functions, and what its people want. */
export type RigHoses = {
  supply: Supply | null;
  /** of every tool in order, each with the index of its part */
  functions: readonly (HoseFunction & { part: number })[];
  pins: ReadonlyMap<number, number>;
  /** kind of function → number of the remote on the tractor's other rigs */
  habits: ReadonlyMap<string, number>;
  /** parts whose functions somebody said are all there are, also where there are none */
  told: readonly boolean[];
  /** part → electrical sockets and bus it needs */
  sockets: readonly (readonly string[])[];
};

export const NO_HOSES: RigHoses = {
  supply: null,
  functions: [],
  pins: new Map(),
  habits: new Map(),
  told: [],
  sockets: [],
};
