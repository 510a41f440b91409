/** Made-up hydraulics for worked examples in tests and the benchmark. */

import { PHASES } from "../../trade/phases.ts";
import type { HoseFunction, Remote, Supply } from "../../yard/circuit.ts";
import type { Problem } from "./problem.ts";

export const litresPerMinute = (value: number) => value / 60_000;

export function sampleRemote(number: number, rest: Partial<Remote> = {}): Remote {
  return {
    id: number,
    number,
    lever: `lever ${number}`,
    action: "double",
    float: true,
    detent: true,
    timed: true,
    automatic: true,
    flow: litresPerMinute(90),
    place: "rear",
    coupling: "",
    ...rest,
  };
}

export function sampleSupply(remotes: readonly Remote[], rest: Partial<Supply> = {}): Supply {
  return {
    remotes,
    pumpFlow: litresPerMinute(120),
    pressure: 200e5,
    freeReturn: true,
    powerBeyond: false,
    loadSensing: true,
    spareOil: 0.04,
    mainLever: null,
    sockets: [],
    ...rest,
  };
}

export function sampleFunction(id: number, rest: Partial<HoseFunction> = {}): HoseFunction {
  return {
    id,
    name: `function ${id}`,
    kind: `kind ${id}`,
    action: "double",
    uses: { field: "moves" },
    automatic: false,
    trigger: false,
    lockable: true,
    place: "rear",
    coupling: "",
    pressure: null,
    flow: null,
    cylinder: null,
    motor: null,
    charge: null,
    tap: "",
    ...rest,
  };
}

export function sampleProblem(
  remotes: readonly Remote[],
  functions: readonly HoseFunction[],
  rest: Partial<Problem> & { tractor?: Partial<Supply> } = {},
): Problem {
  const { tractor, ...more } = rest;
  return {
    phases: PHASES,
    supply: sampleSupply(remotes, tractor),
    functions,
    pins: new Map(),
    habits: new Map(),
    ...more,
  };
}

/** Twelve functions on six remotes through all eight phases. */
export function twelveOnSix(): Problem {
  const remotes = [1, 2, 3, 4, 5, 6].map((number) => sampleRemote(number, { automatic: number <= 4 }));
  const work = { field: "moves", headland: "moves" } as const;
  const uses: HoseFunction["uses"][] = [
    { stand: "moves", uncouple: "moves" },
    { unfold: "moves", fold: "moves", field: "floats", headland: "floats" },
    { unfold: "moves", fold: "moves" },
    { unfold: "moves", fold: "moves" },
    work,
    work,
    { field: "floats", headland: "moves" },
    { field: "runs", headland: "runs" },
    { stand: "moves", couple: "moves" },
    { transport: "holds", fold: "moves" },
    { transport: "moves", uncouple: "moves" },
    { couple: "moves", unfold: "moves" },
  ];
  const functions = uses.map((each, index) =>
    sampleFunction(index + 1, {
      uses: each,
      automatic: index === 4 || index === 5,
      trigger: index === 5,
      action: index === 7 ? "motor" : "double",
      flow: litresPerMinute(20 + 5 * index),
    }),
  );
  return sampleProblem(remotes, functions, {
    tractor: { mainLever: 2 },
    habits: new Map([
      ["kind 2", 3],
      ["kind 5", 1],
      ["kind 9", 5],
    ]),
  });
}
