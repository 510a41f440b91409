/**
 * The tractor from behind with its couplings in a row, the hoses hanging from them to the functions below: a function's row
 * meets the column of its coupling where its hose ends. A diagram of what is plugged where, not to scale.
 */

import type { Plan } from "../subjects/hoses/problem.ts";
import { isPort, type Remote } from "../yard/circuit.ts";

export type HoseColumn = { remote: number; x: number; label: string; pair: boolean };

export type HoseRow = {
  fn: number;
  y: number;
  /** x of its plug; null where it is plugged in nowhere in the stage shown */
  x: number | null;
  remote: number | null;
};

export type HoseSheet = {
  width: number;
  height: number;
  /** ends of the silhouette */
  tyres: { x: number; y: number; w: number; h: number }[];
  body: { x: number; y: number; w: number; h: number };
  cab: { x: number; y: number; w: number; h: number };
  couplings: number;
  columns: HoseColumn[];
  rows: HoseRow[];
  hoses: { fn: number; x: number; from: number; to: number }[];
  row: number;
  labels: number;
};

type Asked = {
  width: number;
  remotes: readonly Remote[];
  plan: Plan;
  /** which stage is shown */
  stage: number;
  functions: number;
};

/** Share of the width that names of functions take. */
const NAMES = 0.4;
const ROW = 48;
const TOP = 14;
const MACHINE = 150;

/**
 * The couplings from behind and the hoses to the functions of one stage: places in pixels, null where a
 * function is not plugged then.
 */
export function drawHoses({ width, remotes, plan, stage, functions }: Asked): HoseSheet {
  const labels = Math.round(width * NAMES);
  const pitch = (width - labels - 12) / Math.max(1, remotes.length);
  const columns = remotes.map((remote, at) => ({
    remote: at,
    x: labels + pitch * (at + 0.5),
    label: isPort(remote) ? "PB" : String(remote.number),
    pair: remote.action === "double",
  }));
  const couplings = TOP + MACHINE;
  const first = couplings + 44;
  const rows = Array.from({ length: functions }, (_, fn): HoseRow => {
    const remote = plan[fn]?.[stage] ?? null;
    return { fn, y: first + (fn + 0.5) * ROW, x: remote === null ? null : columns[remote]!.x, remote };
  });
  const middle = (labels + width) / 2;
  const half = (width - labels) / 2 - 30;
  return {
    width,
    height: first + functions * ROW + 12,
    tyres: [-1, 1].map((side) => ({ x: middle + side * half - 22, y: TOP + 44, w: 44, h: MACHINE - 50 })),
    body: { x: middle - half * 0.6, y: TOP + 62, w: half * 1.2, h: MACHINE - 66 },
    cab: { x: middle - half * 0.52, y: TOP, w: half * 1.04, h: 62 },
    couplings,
    columns,
    rows,
    hoses: rows.flatMap(({ fn, x, y }) => (x === null ? [] : [{ fn, x, from: couplings + 12, to: y }])),
    row: ROW,
    labels,
  };
}
