import { useEffect, useRef, useState } from "react";
import type { PlanAsked } from "../../../core/season/plan/asked.ts";
import type { FoundCure, Reason } from "../../../core/season/plan/cure.ts";
import type { Solved } from "../../../core/season/plan/solve.ts";
import type { PlanWorkerAsked, PlanWorkerTold } from "./plan.worker.ts";

/** So long a plan may be looked for, seconds. */
const SECONDS = 4.5;

const begin = (asked: PlanWorkerAsked, hear: (told: PlanWorkerTold) => void): Worker => {
  const worker = new Worker(new URL("./plan.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }: MessageEvent<PlanWorkerTold>) => hear(data);
  worker.postMessage(asked);
  return worker;
};

export type Solving = {
  /** the best so far; null before the first */
  solved: Solved | null;
  /** 0 to 1 while it is looked for; null at rest */
  progress: number | null;
  /** seconds it took; null where it was stopped, or is not done */
  seconds: number | null;
  stopped: boolean;
  stop: () => void;
  again: () => void;
};

/** Solves what is asked in a worker, anew whenever something else is asked. Stopped by hand, the best so far stands. */
export function usePlan(asked: PlanAsked, digest: string): Solving {
  const [found, setFound] = useState<{ digest: string; solved: Solved } | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const [stopped, setStopped] = useState(false);
  const [turn, setTurn] = useState(0);
  const worker = useRef<Worker | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the digest is what is asked
  useEffect(() => {
    if (turn < 0) return;
    setProgress(0);
    setSeconds(null);
    setStopped(false);
    worker.current = begin({ asked, cure: null, seconds: SECONDS }, (told) => {
      if (told.what === "better") setFound({ digest, solved: told.solved });
      else if (told.what === "progress") setProgress(told.share);
      else if (told.what === "done") {
        setProgress(null);
        setSeconds(told.seconds);
        worker.current?.terminate();
      }
    });
    return () => worker.current?.terminate();
  }, [digest, turn]);
  return {
    // What another season was solved to says nothing of this one.
    solved: found?.digest === digest ? found.solved : null,
    progress,
    seconds,
    stopped,
    stop: () => {
      worker.current?.terminate();
      setProgress(null);
      setStopped(true);
    },
    again: () => setTurn((before) => before + 1),
  };
}

export type Curing = {
  /** the job that is looked at; null: none */
  job: number | null;
  reason: Reason | null;
  cures: readonly FoundCure[];
  progress: number | null;
  ask: (job: number, solved: Solved) => void;
  stop: () => void;
};

/** Looks for what makes a job fit, in a worker of its own. */
export function useCures(asked: PlanAsked, digest: string): Curing {
  const [job, setJob] = useState<number | null>(null);
  const [reason, setReason] = useState<Reason | null>(null);
  const [cures, setCures] = useState<readonly FoundCure[]>([]);
  const [progress, setProgress] = useState<number | null>(null);
  const worker = useRef<Worker | null>(null);
  const end = () => {
    worker.current?.terminate();
    setProgress(null);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: another season has other cures
  useEffect(() => {
    setJob(null);
    return end;
  }, [digest]);
  return {
    job,
    reason,
    cures,
    progress,
    ask: (of, solved) => {
      end();
      setJob(of);
      setReason(null);
      setCures([]);
      setProgress(0);
      worker.current = begin({ asked, cure: { job: of, solved }, seconds: SECONDS }, (told) => {
        if (told.what === "reason") setReason(told.reason);
        else if (told.what === "cure") setCures((before) => [...before, told.found]);
        else if (told.what === "progress") setProgress(told.share);
        else if (told.what === "done") end();
      });
    },
    stop: end,
  };
}
