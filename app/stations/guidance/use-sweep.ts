import { useEffect, useState } from "react";
import type { Outcome } from "../../../core/guidance/plan.ts";
import type { PlaneField } from "../../../core/guidance/plane-field.ts";
import type { PlanTold } from "./plan.worker.ts";

export type Sweep = {
  outcomes: readonly Outcome[];
  /** 0 to 1; null before it began */
  progress: number | null;
  stopped: boolean;
  stop: () => void;
  again: () => void;
};

/** Asks a worker for plans at every heading. It is stopped when something else is asked, or by hand: what it found till then stands. */
export function useSweep(field: PlaneField, spacing: number, rounds: number): Sweep {
  const [outcomes, setOutcomes] = useState<readonly Outcome[]>([]);
  const [progress, setProgress] = useState<number | null>(null);
  const [stopped, setStopped] = useState(false);
  const [turn, setTurn] = useState(0);
  const asked = JSON.stringify({ field, spacing, rounds });
  useEffect(() => {
    if (stopped || turn < 0) return;
    setOutcomes([]);
    setProgress(0);
    const worker = new Worker(new URL("./plan.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<PlanTold>) => {
      setOutcomes((before) => [...before, ...data.outcomes]);
      setProgress(data.done / data.all);
    };
    worker.postMessage(JSON.parse(asked));
    return () => worker.terminate();
  }, [asked, stopped, turn]);
  return {
    outcomes,
    progress,
    stopped,
    stop: () => setStopped(true),
    again: () => {
      setStopped(false);
      setTurn((before) => before + 1);
    },
  };
}
