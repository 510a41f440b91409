/** Solves the season, or looks for what makes a job fit, off the page's thread; says how far it has come and every better plan. */
import loadHighs from "highs";
import wasm from "highs/runtime?url";
import { solverBy } from "../../../core/programme/highs.ts";
import type { PlanAsked } from "../../../core/season/plan/asked.ts";
import { curesOf, type FoundCure, type Reason, reasonOf } from "../../../core/season/plan/cure.ts";
import { type Solved, solveSeason } from "../../../core/season/plan/solve.ts";

export type PlanWorkerAsked = {
  asked: PlanAsked;
  /** a job to find cures for, with the plan they are held against; null: the plan is solved */
  cure: { job: number; solved: Solved } | null;
  seconds: number;
};
export type PlanWorkerTold =
  | { what: "better"; solved: Solved }
  | { what: "progress"; share: number }
  | { what: "reason"; reason: Reason }
  | { what: "cure"; found: FoundCure }
  | { what: "done"; seconds: number };

const tell = (told: PlanWorkerTold) => self.postMessage(told);

self.onmessage = async ({ data }: MessageEvent<PlanWorkerAsked>) => {
  const solver = solverBy(await loadHighs({ locateFile: () => wasm }));
  const began = performance.now();
  const now = () => (performance.now() - began) / 1000;
  const onProgress = (share: number) => tell({ what: "progress", share });
  if (data.cure) {
    const { job, solved } = data.cure;
    tell({ what: "reason", reason: reasonOf(data.asked, solved, job, solver) });
    curesOf(data.asked, solved, job, solver, {
      now,
      onProgress,
      onFound: (found) => tell({ what: "cure", found }),
    });
  } else
    solveSeason(data.asked, solver, {
      seconds: data.seconds,
      now,
      onProgress,
      onBetter: (solved) => tell({ what: "better", solved }),
    });
  tell({ what: "done", seconds: now() });
};
